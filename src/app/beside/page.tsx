import type { Metadata } from 'next';
import { BesidePlace } from '@/places/range/beside/BesidePlace';

export const metadata: Metadata = { title: 'Side by side' };

export default function Page() {
  return <BesidePlace />;
}
