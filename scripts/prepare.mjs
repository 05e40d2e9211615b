// Run after every install: the engine's files go where the app serves them, the command line becomes one file.
import { build } from 'esbuild';
import { cp, mkdir } from 'node:fs/promises';

const root = new URL('..', import.meta.url);
const engine = new URL('node_modules/wasm-vips/lib/', root);
const served = new URL('public/vips/', root);

await mkdir(served, { recursive: true });
for (const file of ['vips-es6.js', 'vips.wasm', 'vips-resvg.wasm']) {
  await cp(new URL(file, engine), new URL(file, served));
}

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
