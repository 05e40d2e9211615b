import type { Metadata } from 'next';
import { ArtworkPlace } from '@/places/artwork/ArtworkPlace';

export const metadata: Metadata = { title: 'Artwork' };

export default function Page() {
  return <ArtworkPlace />;
}
