import type { Metadata } from 'next';
import { TemplatePlace } from '@/places/blanks/template/TemplatePlace';

export const metadata: Metadata = { title: 'Blank from a template' };

export default function Page() {
  return <TemplatePlace />;
}
