// Serves the built application, as a server that strangers may reach is to be served: to this machine alone unless a host
// is given, under its own names, with an end to every request. Usage: serve.mjs [--port 3000] [--host 0.0.0.0]
import { readFileSync } from 'node:fs';
import { createServer } from 'node:http';
import { fileURLToPath } from 'node:url';
import { parseArgs } from 'node:util';
import next from 'next';

const { values } = parseArgs({
  options: { port: { type: 'string', default: '3000' }, host: { type: 'string', default: '127.0.0.1' } },
});
const { host } = values;
const port = Number(values.port);

/** ms that a request's head, and all of it, may take to come in: a part of a pack is 8 MB at most. */
const HEAD = 10_000;
const WHOLE = 60_000;
/** Connections at once: a page keeps six. */
const CONNECTIONS = 256;
const METHODS = ['GET', 'HEAD', 'POST', 'PUT'];

// A name of somebody else's that leads here would let their pages pass for ours.
const names = new Set(['localhost', '127.0.0.1', '[::1]', host]);
const isOurs = (name = '') => names.has(name.replace(/:\d+$/, '')) || host === '0.0.0.0';

const dir = fileURLToPath(new URL('..', import.meta.url));
const build = readFileSync(`${dir}/.next/BUILD_ID`, 'utf8').trim();
const app = next({ dev: false, dir, hostname: host, port });
await app.prepare();
const answer = app.getRequestHandler();

const server = createServer(
  { headersTimeout: HEAD, requestTimeout: WHOLE, connectionsCheckingInterval: 2_000, maxHeaderSize: 16_384 },
  (request, response) => {
    const refuse = (status, words, headers = {}) => {
      response.writeHead(status, { 'Content-Type': 'text/plain; charset=utf-8', ...headers });
      response.end(words);
    };
    if (!isOurs(request.headers.host)) refuse(421, `Open Up Fit at http://localhost:${port}.`);
    else if (!METHODS.includes(request.method ?? ''))
      refuse(405, 'There is nothing here that is asked for like this.', { Allow: METHODS.join(', ') });
    else {
      // A page that keeps another build says by this that a newer one is here (src/offline).
      response.setHeader('X-Up-Fit-Build', build);
      void answer(request, response);
    }
  },
);
server.maxConnections = CONNECTIONS;
server.listen(port, host, () => console.log(`Ready on http://localhost:${port}`));
