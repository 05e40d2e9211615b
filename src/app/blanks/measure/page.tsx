import type { Metadata } from 'next';
import { MeasurePlace } from '@/places/blanks/measure/MeasurePlace';

export const metadata: Metadata = { title: 'Measure a blank' };

export default function Page() {
  return <MeasurePlace />;
}
