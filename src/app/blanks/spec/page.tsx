import type { Metadata } from 'next';
import { SpecPlace } from '@/places/blanks/spec/SpecPlace';

export const metadata: Metadata = { title: 'Blank from a spec' };

export default function Page() {
  return <SpecPlace />;
}
