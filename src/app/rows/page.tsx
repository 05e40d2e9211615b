import type { Metadata } from 'next';
import { RowsPlace } from '@/places/rows/RowsPlace';

export const metadata: Metadata = { title: 'Rows' };

export default function Page() {
  return <RowsPlace />;
}
