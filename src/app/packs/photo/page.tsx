import type { Metadata } from 'next';
import { PhotoPlace } from '@/places/packs/photo/PhotoPlace';

export const metadata: Metadata = { title: 'Photo of a blank' };

interface At {
  searchParams: Promise<{ photo?: string; fit?: string | string[] }>;
}

export default async function Page({ searchParams }: At) {
  const { photo, fit } = await searchParams;
  return <PhotoPlace photoId={photo ?? ''} fitIds={fit === undefined ? [] : [fit].flat()} />;
}
