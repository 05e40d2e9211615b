// Unit tests and the real interface, both under Jest. Modules become CommonJS: as native modules in Jest's sandbox the
// loops over pixels run ten times slower.
import { availableParallelism } from 'node:os';

/** `./verify --long`: what takes longer too. */
const LONG = process.env.UPFIT_LONG === '1';

/** Packages that come as ES modules alone. */
const MODULES = [
  '@cantoo',
  '@tanstack/(react-table|table-core|react-store|store)',
  '@zip\\.js',
  'clipper2-ts',
  'comlink',
  'culori',
  'd3-[a-z]+',
  'earcut',
  'fast-check',
  'fflate',
  'fit-curve',
  'hash-wasm',
  'idb',
  'internmap',
  'lru-cache',
  'maxrects-packer',
  'opentype\\.js',
  'pdfjs-dist',
  'pure-rand',
  'react-hotkeys-hook',
  'saxes',
  'valibot',
  'wasm-vips',
  'zundo',
  'zustand',
];

const shared = {
  rootDir: '.',
  moduleNameMapper: { '^@/(.*)$': '<rootDir>/src/$1' },
  moduleFileExtensions: ['ts', 'tsx', 'js', 'mjs', 'cjs', 'json', 'node'],
  transform: {
    '\\.(ts|tsx|js|mjs)$': [
      '@swc/jest',
      {
        jsc: { target: 'es2022', transform: { react: { runtime: 'automatic' } } },
        module: { type: 'commonjs' },
      },
    ],
  },
  transformIgnorePatterns: [`/node_modules/(?!(${MODULES.join('|')})/)`],
  // Looked up in the sandbox at every use otherwise, which is what a loop over pixels spends its time on.
  sandboxInjectedGlobals: [
    'Infinity',
    'Math',
    'Array',
    'Object',
    'Number',
    'Map',
    'Set',
    'WeakMap',
    'String',
    'JSON',
    'Uint8Array',
    'Uint8ClampedArray',
    'Uint16Array',
    'Uint32Array',
    'Int8Array',
    'Int16Array',
    'Int32Array',
    'Float32Array',
    'Float64Array',
  ],
};

export default {
  testTimeout: LONG ? 1_800_000 : 30_000,
  maxWorkers: Math.min(2, availableParallelism()),
  projects: [
    {
      ...shared,
      displayName: 'unit',
      transform: {
        '/tests/(unit|truth|attack)/.*\\.test\\.ts$': [
          '<rootDir>/tests/support/bundle.mjs',
          shared.transform['\\.(ts|tsx|js|mjs)$'][1],
        ],
        ...shared.transform,
      },
      testEnvironment: 'node',
      testMatch: [`<rootDir>/tests/{unit,truth,attack}/${LONG ? '**/' : ''}*.test.ts`],
      setupFilesAfterEnv: ['<rootDir>/tests/support/thorough.ts'],
    },
    {
      ...shared,
      // Controls have no loops over pixels; an icon has a global's name.
      sandboxInjectedGlobals: [],
      displayName: 'controls',
      testEnvironment: 'jsdom',
      testMatch: ['<rootDir>/tests/unit/**/*.test.tsx'],
    },
    {
      ...shared,
      displayName: 'e2e',
      testEnvironment: 'node',
      testMatch: [`<rootDir>/tests/e2e/${LONG ? '**/' : ''}*.test.ts`],
      setupFilesAfterEnv: ['<rootDir>/tests/support/patient.ts'],
      globalSetup: '<rootDir>/tests/support/serve.ts',
      globalTeardown: '<rootDir>/tests/support/stop-serving.ts',
    },
  ],
};
