import type { Metadata } from 'next';
import { PicturesPlace } from '@/places/packs/pictures/PicturesPlace';

export const metadata: Metadata = { title: 'Pictures' };

export default function Page() {
  return <PicturesPlace />;
}
