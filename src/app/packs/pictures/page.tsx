import type { Metadata } from 'next';
import { PicturesPlace } from '@/places/packs/pictures/PicturesPlace';

export const metadata: Metadata = { title: 'Pictures' };

interface At {
  searchParams: Promise<{ fit?: string | string[] }>;
}

export default async function Page({ searchParams }: At) {
  const { fit } = await searchParams;
  return <PicturesPlace fitIds={fit === undefined ? [] : [fit].flat()} />;
}
