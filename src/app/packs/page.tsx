import type { Metadata } from 'next';
import { PacksPlace } from '@/places/packs/PacksPlace';

export const metadata: Metadata = { title: 'Packs' };

export default function Page() {
  return <PacksPlace />;
}
