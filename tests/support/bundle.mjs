// How Jest reads a unit test: with all that it imports as one script, since a module by itself costs a sandbox's
// compilation each, and its exports a getter at every use.
import { createHash } from 'node:crypto';
import { buildSync } from 'esbuild';
import swc from '@swc/jest';

/** Looked up where they are installed: they load files of their own, or are set up for all that use them. */
const APART = [
  'wasm-vips',
  '@napi-rs/canvas',
  '@resvg/resvg-wasm',
  'pdfjs-dist',
  'fast-check',
  'esbuild',
  'dependency-cruiser',
  'eslint',
  'typescript',
  'fake-indexeddb',
  'maxrects-packer',
  'next',
  'prettier',
];

export default {
  createTransformer(config) {
    const plain = swc.createTransformer(config);
    /** What puts modules of its own in the place of others needs them one by one. */
    const isPlain = (source) => /jest\.(doMock|mock|resetModules|isolateModules)/.test(source);
    const build = (file) => {
      const { outputFiles } = buildSync({
        entryPoints: [file],
        bundle: true,
        write: false,
        outfile: file,
        allowOverwrite: true,
        platform: 'node',
        format: 'cjs',
        target: 'node20',
        supported: { 'dynamic-import': false },
        external: APART,
        sourcemap: 'inline',
        sourcesContent: false,
        jsx: 'automatic',
        tsconfig: 'tsconfig.json',
        logLevel: 'error',
        define: { 'import.meta.url': '__url' },
        banner: { js: "const __url = require('node:url').pathToFileURL(__filename).href;" },
      });
      return outputFiles[0].text;
    };
    const built = new Map();
    return {
      canInstrument: false,
      // What a bundle holds is what it was made of now.
      getCacheKey(source, file, options) {
        if (isPlain(source)) return plain.getCacheKey(source, file, options);
        const code = build(file);
        built.set(file, code);
        return createHash('sha256').update(code).digest('hex');
      },
      process(source, file, options) {
        if (isPlain(source)) return plain.process(source, file, options);
        return { code: built.get(file) ?? build(file) };
      },
    };
  },
};
