import type { Metadata } from 'next';
import { PhotoPlace } from '@/places/pictures/photo/PhotoPlace';

export const metadata: Metadata = { title: 'Photo of a blank' };

export default function Page() {
  return <PhotoPlace />;
}
