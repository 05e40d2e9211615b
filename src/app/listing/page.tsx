import type { Metadata } from 'next';
import { ListingPlace } from '@/places/listing/ListingPlace';

export const metadata: Metadata = { title: 'Listing' };

export default function Page() {
  return <ListingPlace />;
}
