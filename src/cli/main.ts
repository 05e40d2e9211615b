import { UpFitError } from '@/core/artwork/errors';
import type { Readers } from '@/files/artwork';
import { nodePages } from '@/files/pdf/node';
import { loadNodeEngine } from '@/imaging/node';
import type { Answer, ReaderSupply } from './answer';
import { badArgument, readArgs, type Args } from './args';
import { blanks } from './commands/blanks';
import { check, CHECK_OPTIONS } from './commands/check';
import { inspect } from './commands/inspect';
import { render, RENDER_OPTIONS } from './commands/render';
import { template, TEMPLATE_OPTIONS } from './commands/template';

type Command = {
  options: readonly string[];
  run: (args: Args, readers: ReaderSupply) => Promise<Answer>;
};

const COMMANDS: Record<string, Command> = {
  inspect: { options: [], run: inspect },
  blanks: { options: [], run: blanks },
  check: { options: CHECK_OPTIONS, run: check },
  render: { options: RENDER_OPTIONS, run: render },
  template: { options: TEMPLATE_OPTIONS, run: template },
};

async function main(argv: string[]): Promise<number> {
  const asJson = argv.includes('--json');
  let loaded: Readers | undefined;
  try {
    const command = COMMANDS[argv[0] ?? ''];
    if (!command) throw badArgument(`Say what to do: ${Object.keys(COMMANDS).join(', ')}.`);
    const args = readArgs(argv, command.options);
    const answer = await command.run(args, async (renew = false) => {
      if (renew) loaded = undefined;
      return (loaded ??= { engine: await loadNodeEngine(), drawPage: nodePages() });
    });
    process.stdout.write(asJson ? `${JSON.stringify(answer.json, null, 2)}\n` : `${answer.text}\n`);
    return answer.status;
  } catch (error) {
    const told = tell(error);
    if (asJson) process.stdout.write(`${JSON.stringify({ error: told }, null, 2)}\n`);
    else process.stderr.write(`${told.message}\n`);
    return 2;
  } finally {
    loaded?.engine.close();
  }
}

function tell(error: unknown): { code: string; message: string } {
  if (error instanceof UpFitError) return { code: error.code, message: error.message };
  return { code: 'unreadable', message: 'The file could not be worked through to its end: export it again.' };
}

const status = await main(process.argv.slice(2));
// The engine's threads keep Node alive after they have nothing left to do.
process.exit(status);
