// Asks a server again and again from a thread of its own, while others load it: how long an answer takes, and what the server's
// processes hold meanwhile. Told to stop, it tells.
import { readdirSync, readFileSync } from 'node:fs';
import { request } from 'node:http';
import { parentPort, workerData } from 'node:worker_threads';

const { port, path, pid } = workerData;
let [stopped, wait, most] = [false, 0, 0];
const odd = new Set();
parentPort.once('message', () => (stopped = true));

while (!stopped) {
  const asked = performance.now();
  const said = await ask();
  wait = Math.max(wait, performance.now() - asked);
  most = Math.max(most, memory());
  if (said !== 200) odd.add(String(said));
}
parentPort.postMessage({ wait, most, odd: [...odd] });

/** On a line of its own: one that is kept open may be closed just as it is used again. */
function ask() {
  return new Promise((answered) => {
    const sent = request({ host: '127.0.0.1', port, path, agent: false }, (response) => {
      response.resume();
      response.on('end', () => answered(response.statusCode));
    });
    sent.setTimeout(30_000, () => sent.destroy(new Error('no answer')));
    sent.on('error', (error) => answered(error.message));
    sent.end();
  });
}

/** Resident bytes of the server and of what it started. */
function memory() {
  const all = new Map();
  for (const name of readdirSync('/proc').filter((one) => /^\d+$/.test(one))) {
    try {
      const status = readFileSync(`/proc/${name}/status`, 'utf8');
      const of = (key) => Number(new RegExp(`^${key}:\\s+(\\d+)`, 'm').exec(status)?.[1] ?? 0);
      all.set(Number(name), { parent: of('PPid'), bytes: of('VmRSS') * 1024 });
    } catch {
      // It has ended since.
    }
  }
  const isOurs = (id) => id === pid || (all.has(id) && all.get(id).parent > 1 && isOurs(all.get(id).parent));
  let sum = 0;
  for (const [id, { bytes }] of all) if (isOurs(id)) sum += bytes;
  return sum;
}
