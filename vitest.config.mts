import { fileURLToPath } from 'node:url';
import { defineConfig } from 'vitest/config';

const shared = {
  globals: true,
  // A test of pixels or of the interface may find a machine that is busy with something else.
  testTimeout: 240_000,
  hookTimeout: 240_000,
  pool: 'forks' as const,
  // It says which of its files is a module in a way that only bundlers read.
  server: { deps: { inline: ['maxrects-packer'] } },
};

export default defineConfig({
  resolve: { alias: { '@': fileURLToPath(new URL('./src', import.meta.url)) } },
  test: {
    projects: [
      {
        extends: true,
        test: { ...shared, name: 'unit', include: ['tests/unit/**/*.test.ts'], maxWorkers: 2 },
      },
      { extends: true, test: { ...shared, name: 'e2e', include: ['tests/e2e/**/*.test.ts'], maxWorkers: 1 } },
    ],
  },
});
