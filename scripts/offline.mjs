// After a build: bundles the service worker, with the list of everything the build serves, to where it is served from.
import { createHash } from 'node:crypto';
import { build } from 'esbuild';
import { readdir, readFile } from 'node:fs/promises';
import { join, relative } from 'node:path';
import { fileURLToPath } from 'node:url';

const root = fileURLToPath(new URL('..', import.meta.url));
const { asKept, pageRoutes } = await modules('src/offline/pages.ts');
const routes = pageRoutes(
  JSON.parse(await readFile(join(root, '.next/app-path-routes-manifest.json'), 'utf8')),
);
const buildId = (await readFile(join(root, '.next/BUILD_ID'), 'utf8')).trim();

const files = [
  ...(await below('.next/static', '/_next/static')),
  ...(await below('public/vips', '/vips')),
  ...(await below('public/pdf', '/pdf')),
  ...(await below('public/resvg', '/resvg')),
  ...(await below('public/fonts', '/fonts')),
  ...[...routes.map(asKept), '/icon.svg', '/manifest.webmanifest'].map((url) => ({ url, revision: buildId })),
];

await build({
  entryPoints: [join(root, 'src/offline/worker.ts')],
  outfile: join(root, 'public/offline.js'),
  bundle: true,
  minify: true,
  target: 'es2022',
  tsconfig: join(root, 'tsconfig.json'),
  define: {
    'self.BUILT_FILES': JSON.stringify(files),
    'self.ROUTES': JSON.stringify(routes),
    'self.BUILD': JSON.stringify(buildId),
  },
  logLevel: 'warning',
});

/** Every file of a folder, by its address and a checksum of what is in it. */
async function below(folder, address) {
  const entries = await readdir(join(root, folder), { recursive: true, withFileTypes: true });
  const found = entries.filter((entry) => entry.isFile() && !entry.name.endsWith('.map'));
  return Promise.all(
    found.map(async ({ parentPath, path, name }) => {
      const file = join(parentPath ?? path, name);
      const url = `${address}/${relative(join(root, folder), file)}`;
      return {
        url,
        revision: createHash('sha256')
          .update(await readFile(file))
          .digest('hex')
          .slice(0, 16),
      };
    }),
  );
}

/** What a module of ours exports: Node does not read TypeScript. */
async function modules(file) {
  const { outputFiles } = await build({
    entryPoints: [join(root, file)],
    bundle: true,
    format: 'esm',
    write: false,
  });
  return import(`data:text/javascript;base64,${Buffer.from(outputFiles[0].contents).toString('base64')}`);
}
