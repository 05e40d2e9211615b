import type { Metadata } from 'next';
import { HousesPlace } from '@/places/blanks/houses/HousesPlace';

export const metadata: Metadata = { title: 'Houses and methods' };

export default function Page() {
  return <HousesPlace />;
}
