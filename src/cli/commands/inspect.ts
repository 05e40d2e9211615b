import { basename } from 'node:path';
import { describeFacts } from '@/core/artwork/describe';
import { UpFitError } from '@/core/artwork/errors';
import type { Facts } from '@/core/artwork/facts';
import type { Engine } from '@/imaging/engine';
import { measureArtwork } from '@/imaging/measure';
import { badArgument, type Args } from '../args';
import type { Answer } from '../answer';
import { readNamed } from '../placed';

type Result = Facts | { name: string; error: { code: string; message: string } };

/** `inspect FILE...`: the facts of each; one that cannot be read is told and the others go on. */
export async function inspect(args: Args, engine: () => Promise<Engine>): Promise<Answer> {
  if (args.files.length === 0) throw badArgument('inspect wants one file or more.');
  const results: Result[] = [];
  for (const file of args.files) {
    try {
      results.push((await measureArtwork(await engine(), ...(await readNamed(file)))).facts);
    } catch (error) {
      if (!(error instanceof UpFitError) || args.files.length === 1) throw error;
      results.push({ name: basename(file), error: { code: error.code, message: error.message } });
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
