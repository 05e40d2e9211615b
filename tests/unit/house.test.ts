import { execFileSync } from 'node:child_process';
import { mkdtempSync, mkdirSync, rmSync, writeFileSync } from 'node:fs';
import { dirname, join } from 'node:path';

/** What the import rule says of a house of these files. */
function judged(files: Readonly<Record<string, string>>): string {
  const root = mkdtempSync(join(process.cwd(), 'node_modules', '.house-'));
  try {
    for (const [file, text] of Object.entries(files)) {
      mkdirSync(join(root, 'src', dirname(file)), { recursive: true });
      writeFileSync(join(root, 'src', file), `${text}\nexport const thing = 1;\n`);
    }
    const bundler = '{"compilerOptions":{"module":"esnext","moduleResolution":"bundler"}}';
    writeFileSync(join(root, 'tsconfig.json'), bundler);
    const cruise = join(process.cwd(), 'node_modules/dependency-cruiser/bin/dependency-cruise.mjs');
    const rules = join(process.cwd(), '.dependency-cruiser.cjs');
    execFileSync(process.execPath, [cruise, 'src', '--config', rules], { cwd: root, encoding: 'utf8' });
    return 'nothing';
  } catch (error) {
    return String((error as { stdout: string }).stdout);
  } finally {
    rmSync(root, { recursive: true, force: true });
  }
}

test('an import that looks up and a core that reaches for Node are refused by name; one that looks down is not', () => {
  const words = judged({
    'core/length/up.ts': "import { thing as above } from '../../ui/down';\nexport const up = above;",
    'core/length/impure.ts': "import { sep } from 'node:path';\nexport const impure = sep;",
    'core/length/base.ts': '',
    'ui/down.ts': "import { thing as below } from '../core/length/base';\nexport const down = below;",
  });
  const errors = words
    .split('\n')
    .filter((line) => line.includes('error '))
    .sort();
  expect(errors).toEqual([
    expect.stringMatching(/core-is-pure: src.core.length.impure\.ts/),
    expect.stringMatching(/core-looks-down-only: src.core.length.up\.ts/),
  ]);
});
