import type { Metadata } from 'next';
import { BenchPlace } from '@/places/bench/BenchPlace';

export const metadata: Metadata = { title: 'Bench' };

export default async function Page({ params }: { params: Promise<{ fitId: string }> }) {
  const { fitId } = await params;
  return <BenchPlace fitId={fitId} />;
}
