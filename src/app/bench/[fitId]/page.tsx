import type { Metadata } from 'next';
import { BenchPlace } from '@/places/bench/BenchPlace';

export const metadata: Metadata = { title: 'Bench' };

export default function Page() {
  return <BenchPlace />;
}
