import type { Metadata } from 'next';
import { Blanks } from '@/places/blanks/Blanks';

export const metadata: Metadata = { title: 'Blanks' };

export default function Page() {
  return <Blanks />;
}
