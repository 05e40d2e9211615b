import type { Metadata } from 'next';
import { MakePlace } from '@/places/blanks/make/MakePlace';

export const metadata: Metadata = { title: 'A blank by its numbers' };

export default function Page() {
  return <MakePlace />;
}
