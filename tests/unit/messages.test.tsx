import { fireEvent, render, screen } from '@testing-library/react';
import { Messages } from '@/ui/Messages';
import { takeBack, tellDone, useDone } from '@/ui/tell';
import { toast } from '@/ui/toast';

test('what is said before there is a place for it stands there once there is, but for what was taken back', async () => {
  toast('The shop is open.');
  tellDone('The gull is taken off.', () => Promise.resolve());
  await takeBack(useDone.getState().done[0]!);
  render(<Messages />);
  expect(await screen.findByText('The shop is open.')).toBeTruthy();
  expect(screen.queryByText('The gull is taken off.')).toBeNull();
});

test('what was done is taken back by its message, once, and the message goes', async () => {
  render(<Messages />);
  const undo = jest.fn(() => Promise.resolve());
  tellDone('The knot is taken off.', undo);
  fireEvent.click(await screen.findByRole('button', { name: 'Undo' }));
  expect(undo).toHaveBeenCalledTimes(1);
  expect(useDone.getState().done).toEqual([]);
});
