import type { Metadata } from 'next';
import { PicturesPlace } from '@/places/pictures/PicturesPlace';

export const metadata: Metadata = { title: 'Pictures' };

export default function Page() {
  return <PicturesPlace />;
}
