import { basename } from 'node:path';
import { describeFacts } from '@/core/fit/describe';
import { UpFitError } from '@/core/errors';
import type { Facts } from '@/core/artwork/facts';
import { damaged } from '@/core/formats/sniff';
import { measureArtwork, type ArtworkFile } from '@/files/artwork';
import { badArgument, type Args } from '../args';
import type { Answer, ReaderSupply } from '../answer';
import { openNamed } from '../placed';
import { withWords } from '../words';

type Result = Facts | { name: string; error: { code: string; message: string } };

/** `inspect FILE...`: the facts of each; one that cannot be read is told and the others go on. */
export async function inspect(args: Args, readers: ReaderSupply): Promise<Answer> {
  if (args.files.length === 0) throw badArgument('inspect wants one file or more.');
  const results: Result[] = [];
  for (const file of args.files) {
    try {
      results.push(await factsOf(readers, file));
    } catch (error) {
      if (args.files.length === 1) throw error;
      const { code, message } = error instanceof UpFitError ? error : damaged(basename(file));
      results.push({ name: basename(file), error: { code, message } });
      if (error instanceof WebAssembly.RuntimeError) await readers(true);
    }
  }
  return {
    json: results.length === 1 ? results[0] : results,
    text: results
      .map((result) =>
        'error' in result ? result.error.message : `${result.name}\n${describeFacts(result).join('\n')}`,
      )
      .join('\n\n'),
    status: results.some((result) => 'error' in result) ? 2 : 0,
  };
}

/** A file that fails on a tired engine is tried once more on a fresh one. */
async function factsOf(readers: ReaderSupply, path: string): Promise<Facts> {
  const opened = openNamed(path);
  try {
    const file = await withWords(opened);
    return await measuredOf(readers, file);
  } finally {
    opened.source.close();
  }
}

async function measuredOf(readers: ReaderSupply, file: ArtworkFile): Promise<Facts> {
  try {
    return (await measureArtwork(await readers(), file)).facts;
  } catch (error) {
    if (!(await readers()).engine.tired()) throw error;
    return (await measureArtwork(await readers(true), file)).facts;
  }
}
