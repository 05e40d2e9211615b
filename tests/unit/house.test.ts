import { execFileSync } from 'node:child_process';
import { mkdtempSync, mkdirSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';

/** Runs the import rule over a house of two files, the first importing the second. */
function judge(from: string, to: string, line: string): { ok: boolean; words: string } {
  const root = mkdtempSync(join(process.cwd(), 'node_modules', '.house-'));
  try {
    for (const file of [from, to]) {
      mkdirSync(join(root, 'src', file, '..'), { recursive: true });
      writeFileSync(join(root, 'src', file), 'export const thing = 1;\n');
    }
    writeFileSync(join(root, 'src', from), `${line}\nexport const other = thing;\n`);
    writeFileSync(
      join(root, 'tsconfig.json'),
      '{"compilerOptions":{"module":"esnext","moduleResolution":"bundler"}}',
    );
    const cruise = join(process.cwd(), 'node_modules/dependency-cruiser/bin/dependency-cruise.mjs');
    const words = execFileSync(
      process.execPath,
      [cruise, 'src', '--config', join(process.cwd(), '.dependency-cruiser.cjs')],
      {
        cwd: root,
        encoding: 'utf8',
      },
    );
    return { ok: true, words };
  } catch (error) {
    return { ok: false, words: String((error as { stdout: string }).stdout) };
  } finally {
    rmSync(root, { recursive: true, force: true });
  }
}

test('an import that looks up is refused by name, one that looks down is not', () => {
  const up = judge('core/length/a.ts', 'ui/b.ts', "import { thing } from '../../ui/b';");
  expect(up.ok).toBe(false);
  expect(up.words).toContain('core-looks-down-only');
  expect(judge('ui/b.ts', 'core/length/a.ts', "import { thing } from '../core/length/a';").ok).toBe(true);
});

test('the core may not reach for Node', () => {
  const impure = judge('core/a.ts', 'core/b.ts', "import { sep as thing } from 'node:path';");
  expect(impure.ok).toBe(false);
  expect(impure.words).toContain('core-is-pure');
});
