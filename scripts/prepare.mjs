// Run after every install: the engine's files go where the app serves them, the command line, the demo's drawing and the desk's reader become one file each.
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

const plain = new URL('node_modules/@resvg/resvg-wasm/index_bg.wasm', root);
await mkdir(new URL('public/resvg/', root), { recursive: true });
await cp(plain, new URL('public/resvg/index_bg.wasm', root));

// Faces of type that come with Up Fit, where the workers find them by their ids (src/core/type/faces.ts).
await mkdir(new URL('public/fonts/', root), { recursive: true });
for (const [id, family, weight] of [
  ['archivo-narrow', 'archivo-narrow', 500],
  ['archivo-narrow-bold', 'archivo-narrow', 700],
  ['zilla-slab', 'zilla-slab', 600],
  ['lora', 'lora', 500],
  ['playfair-display', 'playfair-display', 700],
  ['pacifico', 'pacifico', 400],
  ['bungee', 'bungee', 400],
]) {
  const file = `node_modules/@fontsource/${family}/files/${family}-latin-${weight}-normal.woff`;
  await cp(new URL(file, root), new URL(`public/fonts/${id}.woff`, root));
  const licence = new URL(`node_modules/@fontsource/${family}/LICENSE`, root);
  await cp(licence, new URL(`public/fonts/${id}.licence.txt`, root));
}

await build({
  entryPoints: ['cli/main.ts', 'demo/main.ts', 'desk/reading.ts'].map(
    (entry) => new URL(`src/${entry}`, root).pathname,
  ),
  outdir: new URL('dist', root).pathname,
  outbase: new URL('src', root).pathname,
  outExtension: { '.js': '.mjs' },
  bundle: true,
  platform: 'node',
  format: 'esm',
  target: 'node20',
  packages: 'external',
  tsconfig: new URL('tsconfig.json', root).pathname,
  // Each finds what is installed beside it, wherever it is started (src/imaging/home.ts).
  banner: {
    js: "import { fileURLToPath as upFitPath } from 'node:url';\nprocess.env.UPFIT_HOME ??= upFitPath(new URL('../..', import.meta.url));",
  },
  logLevel: 'warning',
});
