import { build } from 'esbuild';
import { spawn } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { FORMAT_IDS } from '@/core/formats/registry';
import { ERROR_CODES } from '@/core/errors';
import { nodeReaders } from '@/cli/readers';
import { run } from '@/cli/run';
import { writeDamaged } from '../support/damaged';
import { LONG } from '../support/long';

/** Long enough for a machine that is busy with something else; a file that hangs is never answered. */
const PATIENCE = 60_000;
const folder = mkdtempSync(join(tmpdir(), 'up-fit-damage-'));
afterAll(() => {
  rmSync(folder, { recursive: true });
});
const ANSWERS = new Set<string>([...FORMAT_IDS, ...ERROR_CODES]);

test('damaged files by the command line: facts or a reason, never a crash', async () => {
  const paths = writeDamaged(folder, LONG ? 100 : 6, 7);
  const readers = nodeReaders();
  const told: string[] = [];
  for (const path of paths) {
    const { out, status } = await run(['inspect', path, '--json'], readers.supply);
    const json = JSON.parse(out) as { format?: string; error?: { code: string; message: string } };
    const fits = json.error ? status === 2 && /^“.*\.$|^Page|^The/.test(json.error.message) : status === 0;
    told.push(fits ? (json.format ?? json.error!.code) : `status ${status}: ${out}`);
  }
  readers.close();
  expect(told).toHaveLength(paths.length);
  for (const answer of told) expect(ANSWERS).toContain(answer);
  // Some are read in spite of it, others are refused.
  const read = told.filter((answer) => (FORMAT_IDS as readonly string[]).includes(answer));
  expect(read.length).toBeGreaterThan(0);
  expect(read.length).toBeLessThan(told.length);
}, 60_000);

const MANY = LONG ? 10_000 : 8;

test(`${MANY} damaged files in one process, the engine replaced where it dies of one`, async () => {
  const paths = writeDamaged(folder, MANY, 11);
  await build({
    entryPoints: ['tests/support/inspector.ts'],
    outfile: 'dist/inspector.mjs',
    bundle: true,
    platform: 'node',
    format: 'esm',
    target: 'node20',
    packages: 'external',
    tsconfig: 'tsconfig.json',
    logLevel: 'warning',
  });
  const answers = await answersOf(paths);
  expect(answers.map(({ path }) => path)).toEqual(paths);
  for (const { answer } of answers) expect(ANSWERS).toContain(answer);
  const refused = answers.filter(({ answer }) => answer === 'unreadable').length;
  expect(refused).toBeGreaterThan(MANY * 0.2);
  expect(refused).toBeLessThan(MANY);
});

interface Answer {
  path: string;
  answer: string;
  ms: number;
}

/** The lines of one process that measures all of them; it is ended where one file takes longer than it may. */
function answersOf(paths: readonly string[]): Promise<Answer[]> {
  return new Promise((done, fail) => {
    const child = spawn(process.execPath, ['dist/inspector.mjs'], { stdio: ['pipe', 'pipe', 'inherit'] });
    const answers: Answer[] = [];
    let rest = '';
    let waiting = setTimeout(() => child.kill('SIGKILL'), PATIENCE);
    child.stdout.on('data', (text: Buffer) => {
      clearTimeout(waiting);
      waiting = setTimeout(() => child.kill('SIGKILL'), PATIENCE);
      const lines = `${rest}${text.toString()}`.split('\n');
      rest = lines.pop()!;
      for (const line of lines) answers.push(JSON.parse(line) as Answer);
    });
    child.on('exit', (code, signal) => {
      clearTimeout(waiting);
      if (code === 0) done(answers);
      else fail(new Error(`ended by ${signal ?? code} after ${answers.length}, at ${paths[answers.length]}`));
    });
    child.stdin.end(paths.join('\n'));
  });
}
