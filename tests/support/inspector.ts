/** Measures the files named on standard input, one after another in this one process; answers a line of JSON each. */
import { readFileSync } from 'node:fs';
import { bytesSource } from '@/core/formats/source';
import { UpFitError } from '@/core/errors';
import { measureArtwork, type Readers } from '@/files/artwork';
import { nodePages } from '@/files/pdf/node';
import { loadNodeEngine } from '@/imaging/node';

const load = async (): Promise<Readers> => ({ engine: await loadNodeEngine(), drawPage: nodePages() });
let readers = await load();
let replaced = 0;
for (const path of readFileSync(0, 'utf8').trim().split('\n')) {
  const source = bytesSource(new Uint8Array(readFileSync(path)));
  const start = performance.now();
  let answer: string;
  try {
    answer = (await measureArtwork(readers, { name: path, source })).facts.format;
  } catch (error) {
    if (error instanceof UpFitError) answer = error.code;
    else if (error instanceof WebAssembly.RuntimeError) {
      answer = 'unreadable';
      readers = await load();
      replaced++;
    } else throw error;
  }
  process.stdout.write(
    `${JSON.stringify({ path, answer, ms: Math.round(performance.now() - start), replaced })}\n`,
  );
}
process.exit(0);
