// Run after every install: the engine's files go where the app serves them, the command line becomes one file.
import { build } from 'esbuild';
import { cp, mkdir } from 'node:fs/promises';

const root = new URL('..', import.meta.url);
const engine = new URL('node_modules/wasm-vips/lib/', root);
const served = new URL('public/vips/', root);

await mkdir(served, { recursive: true });
for (const file of ['vips-es6.js', 'vips.wasm', 'vips-resvg.wasm', 'vips-heif.wasm']) {
  await cp(new URL(file, engine), new URL(file, served));
}

const pdf = new URL('node_modules/pdfjs-dist/', root);
await mkdir(new URL('public/pdf/', root), { recursive: true });
await cp(new URL('build/pdf.worker.min.mjs', pdf), new URL('public/pdf/pdf.worker.min.mjs', root));
for (const folder of ['standard_fonts/', 'wasm/', 'iccs/']) {
  await cp(new URL(folder, pdf), new URL(`public/pdf/${folder}`, root), { recursive: true });
}

// The face that templates are lettered in, where the worker finds it.
await mkdir(new URL('public/fonts/', root), { recursive: true });
await cp(
  new URL('node_modules/@fontsource/archivo-narrow/files/archivo-narrow-latin-500-normal.woff', root),
  new URL('public/fonts/archivo-narrow.woff', root),
);

await build({
  entryPoints: ['cli/main.ts', 'demo/main.ts'].map((entry) => new URL(`src/${entry}`, root).pathname),
  outdir: new URL('dist', root).pathname,
  outbase: new URL('src', root).pathname,
  outExtension: { '.js': '.mjs' },
  bundle: true,
  platform: 'node',
  format: 'esm',
  target: 'node20',
  packages: 'external',
  tsconfig: new URL('tsconfig.json', root).pathname,
  logLevel: 'warning',
});
