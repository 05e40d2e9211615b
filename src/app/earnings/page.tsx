import type { Metadata } from 'next';
import { EarningsPlace } from '@/places/earnings/EarningsPlace';

export const metadata: Metadata = { title: 'What it earns' };

export default function Page() {
  return <EarningsPlace />;
}
