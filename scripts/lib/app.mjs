// Starts the built application on a free port, for tests, screenshots and the benchmark.
import { spawn } from 'node:child_process';
import { mkdtemp, rm } from 'node:fs/promises';
import { createServer } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';

const root = fileURLToPath(new URL('../..', import.meta.url));

/** On a free port, or on one that is given. @param {{ demo: boolean, port?: number, desk?: string }} settings */
export async function startApp({ demo, port: given, desk: kept }) {
  const port = given ?? (await freePort());
  // A desk of its own, that may be told how to behave.
  const desk = kept ?? (await mkdtemp(join(tmpdir(), 'up-fit-desk-')));
  const server = spawn(process.execPath, ['scripts/serve.mjs', '--port', String(port)], {
    cwd: root,
    env: {
      ...process.env,
      NODE_ENV: 'production',
      UPFIT_DEMO: demo ? '1' : '0',
      UPFIT_DESK: desk,
      UPFIT_MOODS: '1',
      NEXT_TELEMETRY_DISABLED: '1',
    },
    stdio: ['ignore', 'pipe', 'inherit'],
  });
  await new Promise((ready, fail) => {
    server.stdout.on('data', (text) => String(text).includes('Ready') && ready());
    server.on('exit', (code) =>
      fail(new Error(`The app ended with ${code} before it was ready: run npm run build.`)),
    );
  });
  server.removeAllListeners('exit');
  const stop = async () => {
    await new Promise((stopped) => {
      server.on('exit', stopped);
      server.kill();
    });
    if (!kept) await rm(desk, { recursive: true, force: true });
  };
  return { address: `http://localhost:${port}`, port, pid: server.pid, stop };
}

function freePort() {
  return new Promise((found) => {
    const probe = createServer().listen(0, () => {
      const { port } = probe.address();
      probe.close(() => found(port));
    });
  });
}
