import { build } from 'esbuild';
import { execFile, spawn } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { FORMATS } from '@/core/artwork/facts';
import { ERROR_CODES } from '@/core/artwork/errors';
import { writeDamaged } from '../support/damaged';

/** Long enough for a machine that is busy with something else; a file that hangs is never answered. */
const PATIENCE = 60_000;
const folder = mkdtempSync(join(tmpdir(), 'up-fit-damage-'));
afterAll(() => {
  rmSync(folder, { recursive: true });
});
const ANSWERS = new Set<string>([...FORMATS, ...ERROR_CODES]);

test('100 damaged files, a process of the command line each: facts or a reason, never a crash', async () => {
  const paths = writeDamaged(folder, 100, 7);
  const told: string[] = [];
  const next = async (): Promise<void> => {
    const path = paths.shift();
    if (path === undefined) return;
    told.push(await inspected(path));
    return next();
  };
  await Promise.all([next(), next(), next()]);
  expect(told).toHaveLength(100);
  for (const answer of told) expect(ANSWERS).toContain(answer);
  // Some are read in spite of it, most are refused.
  expect(new Set(told).size).toBeGreaterThan(3);
});

/** The format or the error code that the command line answers with. */
function inspected(path: string): Promise<string> {
  return new Promise((answer) => {
    execFile(
      process.execPath,
      ['dist/cli/main.mjs', 'inspect', path, '--json'],
      { timeout: PATIENCE },
      (error, stdout) => {
        try {
          const json = JSON.parse(stdout) as { format?: string; error?: { code: string; message: string } };
          const status = (error as { code?: number } | null)?.code ?? 0;
          const fits = json.error
            ? status === 2 && /^“.*\.$|^Page|^The/.test(json.error.message)
            : status === 0;
          answer(fits ? (json.format ?? json.error!.code) : `status ${status}: ${stdout}`);
        } catch {
          answer(`no answer: ${stdout}`);
        }
      },
    );
  });
}

test('900 damaged files in one process, the engine replaced where it dies of one', async () => {
  const paths = writeDamaged(folder, 900, 11);
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
  expect(refused).toBeGreaterThan(200);
  expect(refused).toBeLessThan(900);
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
