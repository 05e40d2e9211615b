import { UpFitError } from '@/core/errors';
import type { Answer, ReaderSupply } from './answer';
import { badArgument, readArgs, type Args, type Takes } from './args';
import { blanks } from './commands/blanks';
import { check, CHECK_OPTIONS } from './commands/check';
import { inspect } from './commands/inspect';
import { picture, PICTURE_OPTIONS } from './commands/picture';
import { plates, PLATES_OPTIONS } from './commands/plates';
import { price, PRICE_OPTIONS } from './commands/price';
import { render, RENDER_OPTIONS } from './commands/render';
import { rows, ROWS_OPTIONS } from './commands/rows';
import { scenes } from './commands/scenes';
import { template, TEMPLATE_OPTIONS } from './commands/template';

type Command = Takes & { run: (args: Args, readers: ReaderSupply) => Promise<Answer> };

const COMMANDS: Record<string, Command> = {
  inspect: { files: true, run: inspect },
  blanks: { run: blanks },
  check: { options: CHECK_OPTIONS, run: check },
  scenes: { run: scenes },
  picture: { options: PICTURE_OPTIONS, switches: ['marks', 'steam'], run: picture },
  plates: { options: PLATES_OPTIONS, run: plates },
  price: { options: PRICE_OPTIONS, run: price },
  render: { options: RENDER_OPTIONS, switches: ['mirror'], run: render },
  rows: { options: ROWS_OPTIONS, run: rows },
  template: { options: TEMPLATE_OPTIONS, run: template },
};

/** What a run of the command line says, where, and the exit status it ends with. */
export interface Said {
  out: string;
  err: string;
  status: number;
}

/** Does what a command line asks, with the readers it is given; nothing is thrown, all is said. */
export async function run(argv: readonly string[], readers: ReaderSupply): Promise<Said> {
  const asJson = argv.includes('--json');
  try {
    const command = COMMANDS[argv[0] ?? ''];
    if (!command) throw badArgument(`Say what to do: ${Object.keys(COMMANDS).join(', ')}.`);
    const answer = await command.run(readArgs(argv, command), readers);
    return { out: asJson ? lines(answer.json) : `${answer.text}\n`, err: '', status: answer.status };
  } catch (error) {
    const told = tell(error);
    return asJson
      ? { out: lines({ error: told }), err: '', status: 2 }
      : { out: '', err: `${told.message}\n`, status: 2 };
  }
}

const lines = (json: unknown): string => `${JSON.stringify(json, null, 2)}\n`;

function tell(error: unknown): { code: string; message: string } {
  if (error instanceof UpFitError) return { code: error.code, message: error.message };
  return { code: 'unreadable', message: 'The file could not be worked through to its end: export it again.' };
}
