import type { Metadata } from 'next';
import { PricesPlace } from '@/places/blanks/prices/PricesPlace';

export const metadata: Metadata = { title: 'Prices' };

export default function Page() {
  return <PricesPlace />;
}
