import { fireEvent, render, screen } from '@testing-library/react';
import type { MotifPiece } from '@/core/fit/schema';
import { MILLIMETRES } from '@/core/length/show';
import { tellHeldBack } from '@/places/shell/held-back';
import { Messages } from '@/ui/Messages';
import { blankById, faceOf, factsOf, pieceAt } from '../support/fits';
import { solid } from '../support/pictures';

const face = faceOf(blankById('shirt'));
const facts = factsOf(solid(300, 400, [0, 0, 0, 255]));

/** What is offered of a motif, once it stands on the page. */
async function offered(id: string, onFill: (full: MotifPiece) => boolean): Promise<HTMLElement> {
  tellHeldBack(pieceAt(100, 100, 30, 40, { id, name: id }), facts, face, MILLIMETRES, onFill);
  await screen.findByText(new RegExp(`“${id}” is 30.0 mm wide`));
  return screen.getByRole('button', { name: /^Fill the safe area/ });
}

test('one motif is told of at a time, and the offer is for that one', async () => {
  render(<Messages />);
  const filled: string[] = [];
  const fill = ({ id, width }: MotifPiece) => filled.push(`${id} ${width.toFixed(0)}`) > 0;
  await offered('gull', fill);
  const button = await offered('knot', fill);
  expect(screen.queryByText(/“gull”/)).toBeNull();
  fireEvent.click(button);
  expect(filled).toEqual([expect.stringMatching(/^knot 29\d$/)]);
});

test('where the motif is not there any more, that is said', async () => {
  render(<Messages />);
  fireEvent.click(await offered('gull', () => false));
  expect(await screen.findByText('“gull” is not as it was: nothing is done to it.')).toBeTruthy();
});
