import { makeDocket } from '@/core/check/docket';
import { ruleName } from '@/core/check/registry';
import type { Readers } from '@/files/artwork';
import type { Args } from '../args';
import type { Answer } from '../answer';
import { PLACED_OPTIONS, readPlaced } from '../placed';

export const CHECK_OPTIONS = PLACED_OPTIONS;

/** `check`: the docket of one artwork on one face. Status 1 where it holds a Fix. */
export async function check(args: Args, readers: () => Promise<Readers>): Promise<Answer> {
  const ready = await readers();
  const { blank, face, fit, facts, pixels } = await readPlaced(ready, args);
  const raster = await pixels(face.target);
  const docket = makeDocket(blank, fit, {
    facts: () => facts,
    pixels: () => raster,
    press: ready.engine.bakePress(null, 'relative'),
    everyColour: !args.values.has('colour'),
  });
  const findings = docket.findings.map(({ remedies, ...finding }) => ({
    ...finding,
    remedies: remedies.map(({ id, label }) => ({ id, label })),
  }));
  const lines = findings.map(
    ({ verdict, rule, message }) => `${verdict.padEnd(5)}  ${ruleName(rule)}: ${message}`,
  );
  return {
    json: { verdict: docket.verdict, findings, colours: docket.looks, sizes: docket.sizes },
    text: [`${blank.blank.name}: ${docket.verdict}`, ...lines].join('\n'),
    status: docket.verdict === 'fix' ? 1 : 0,
  };
}
