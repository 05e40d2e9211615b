import type { Metadata } from 'next';
import { InksPlace } from '@/places/inks/InksPlace';

export const metadata: Metadata = { title: 'Inks' };

export default function Page() {
  return <InksPlace />;
}
