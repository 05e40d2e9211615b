import type { Metadata } from 'next';
import { connection } from 'next/server';
import type { ReactNode } from 'react';
import { Shell } from '@/places/shell/Shell';
import './globals.css';

export const metadata: Metadata = {
  title: { default: 'Up Fit', template: '%s · Up Fit' },
  description: 'Size artwork to each product’s print area, check it, and see it on the product.',
};

export default async function Layout({ children }: { children: ReactNode }) {
  // Pages are made for each request, so that every script carries the request's nonce.
  await connection();
  return (
    <html lang="en">
      <body>
        <Shell demo={process.env['UPFIT_DEMO'] === '1'}>{children}</Shell>
      </body>
    </html>
  );
}
