import type { Metadata } from 'next';
import { LayoutsPlace } from '@/places/blanks/layouts/LayoutsPlace';

export const metadata: Metadata = { title: 'Starting layouts' };

export default function Page() {
  return <LayoutsPlace />;
}
