// Starts the built application on a free port, for tests, screenshots and the benchmark.
import { spawn } from 'node:child_process';
import { createServer } from 'node:net';
import { fileURLToPath } from 'node:url';

const root = fileURLToPath(new URL('../..', import.meta.url));

/** On a free port, or on one that is given. @param {{ demo: boolean, port?: number }} settings */
export async function startApp({ demo, port: given }) {
  const port = given ?? (await freePort());
  const server = spawn(process.execPath, ['node_modules/next/dist/bin/next', 'start', '-p', String(port)], {
    cwd: root,
    env: { ...process.env, UPFIT_DEMO: demo ? '1' : '0', NEXT_TELEMETRY_DISABLED: '1' },
    stdio: ['ignore', 'pipe', 'inherit'],
  });
  await new Promise((ready, fail) => {
    server.stdout.on('data', (text) => String(text).includes('Ready') && ready());
    server.on('exit', (code) =>
      fail(new Error(`The app ended with ${code} before it was ready: run npm run build.`)),
    );
  });
  server.removeAllListeners('exit');
  const stop = () =>
    new Promise((stopped) => {
      server.on('exit', stopped);
      server.kill();
    });
  return { address: `http://localhost:${port}`, stop };
}

function freePort() {
  return new Promise((found) => {
    const probe = createServer().listen(0, () => {
      const { port } = probe.address();
      probe.close(() => found(port));
    });
  });
}
