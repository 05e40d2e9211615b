import type { NextConfig } from 'next';

const everywhere = [
  { key: 'Cross-Origin-Opener-Policy', value: 'same-origin' },
  { key: 'Cross-Origin-Embedder-Policy', value: 'require-corp' },
  { key: 'Cross-Origin-Resource-Policy', value: 'same-origin' },
  { key: 'X-Content-Type-Options', value: 'nosniff' },
  { key: 'Referrer-Policy', value: 'no-referrer' },
];

/** What the engine's own worker may do: it compiles its glue code, and loads from this server alone. */
const worker = [
  {
    key: 'Content-Security-Policy',
    value:
      "default-src 'none'; script-src 'self' 'wasm-unsafe-eval' 'unsafe-eval'; connect-src 'self' blob:; worker-src 'self'",
  },
];

const config: NextConfig = {
  poweredByHeader: false,
  reactStrictMode: true,
  reactCompiler: true,
  // The desk's PDF reader finds its worker beside itself, which it is not once it is bundled.
  serverExternalPackages: ['pdfjs-dist'],
  // `./verify` checks types beside the build, with the tests' own.
  typescript: { ignoreBuildErrors: true },
  headers: () =>
    Promise.resolve([
      { source: '/:path*', headers: everywhere },
      { source: '/_next/static/:path*', headers: worker },
      { source: '/vips/:path*', headers: worker },
      { source: '/pdf/:path*', headers: worker },
    ]),
};

export default config;
