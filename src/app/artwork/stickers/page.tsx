import type { Metadata } from 'next';
import { StickersPlace } from '@/places/artwork/stickers/StickersPlace';

export const metadata: Metadata = { title: 'Stickers' };

export default async function Page({ searchParams }: { searchParams: Promise<{ of?: string }> }) {
  const { of } = await searchParams;
  return <StickersPlace artworkId={of ?? ''} />;
}
