import type { Metadata } from 'next';
import { SheetsPlace } from '@/places/sheets/SheetsPlace';

export const metadata: Metadata = { title: 'Sheets' };

export default function Page() {
  return <SheetsPlace />;
}
