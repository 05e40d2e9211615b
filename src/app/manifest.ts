import type { MetadataRoute } from 'next';

/** What an installed Up Fit is called and looks like; its colours are those of the frame (globals.css). */
export default function manifest(): MetadataRoute.Manifest {
  return {
    name: 'Up Fit',
    short_name: 'Up Fit',
    description: 'Size artwork to each product’s print area, check it, and see it on the product.',
    start_url: '/',
    display: 'standalone',
    background_color: '#f4f2ed',
    theme_color: '#f4f2ed',
    icons: [{ src: '/icon.svg', sizes: 'any', type: 'image/svg+xml' }],
  };
}
