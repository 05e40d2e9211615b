import type { Metadata } from 'next';
import { Range } from '@/places/range/Range';

export const metadata: Metadata = { title: { absolute: 'Range · Up Fit' } };

export default function Page() {
  return <Range />;
}
