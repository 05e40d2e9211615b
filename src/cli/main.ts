import type { Writable } from 'node:stream';
import { nodeReaders } from './readers';
import { run } from './run';

/** Writes to its end: what is still on its way down a pipe is lost when the process ends before. */
const write = (stream: Writable, text: string): Promise<void> =>
  new Promise((written) => {
    stream.once('error', () => {
      written();
    });
    stream.write(text, () => {
      written();
    });
  });

// `npm run` starts it in Up Fit's folder: files are named from where the person is.
const { npm_lifecycle_event: script, INIT_CWD: from } = process.env;
if (script === 'upfit' && from) process.chdir(from);

const readers = nodeReaders();
const { out, err, status } = await run(process.argv.slice(2), readers.supply);
readers.close();
await write(process.stdout, out);
await write(process.stderr, err);
// The engine's threads keep Node alive after they have nothing left to do.
process.exit(status);
