import type { Metadata } from 'next';
import { PacksPlace } from '@/places/packs/PacksPlace';

export const metadata: Metadata = { title: 'Packs' };

interface At {
  searchParams: Promise<{ fit?: string | string[] }>;
}

export default async function Page({ searchParams }: At) {
  const { fit } = await searchParams;
  return <PacksPlace fitIds={fit === undefined ? [] : [fit].flat()} />;
}
