import { act, render, screen } from '@testing-library/react';
import { Guard } from '@/ui/Guard';
import { late } from '@/ui/late';

const Said = ({ word }: { word: string }) => <p>{word}</p>;

test('a part comes once it is fetched, and what stands beside it stays', async () => {
  let fetched: (part: typeof Said) => void = () => undefined;
  const Part = late(() => new Promise<typeof Said>((done) => (fetched = done)));
  render(
    <>
      <button>beside</button>
      <Part word="here" />
    </>,
  );
  screen.getByRole('button').focus();
  expect(screen.queryByText('here')).toBeNull();
  expect(screen.getByRole('button')).toHaveProperty('style.display', '');
  await act(() => Promise.resolve(fetched(Said)));
  expect(screen.getByText('here')).toBeTruthy();
  expect(document.activeElement).toBe(screen.getByRole('button'));
});

test('fetched before it is shown, it is there at once', async () => {
  const Part = late(() => Promise.resolve(Said));
  Part.fetch();
  await Promise.resolve();
  render(<Part word="here" />);
  expect(screen.getByText('here')).toBeTruthy();
});

test('what could not be fetched is told, and asked for again', async () => {
  const quiet = jest.spyOn(console, 'error').mockImplementation(() => undefined);
  let tries = 0;
  const Part = late(() => (++tries === 1 ? Promise.reject(new Error('gone')) : Promise.resolve(Said)));
  await act(() =>
    Promise.resolve(
      render(
        <Guard what="This place">
          <Part word="here" />
        </Guard>,
      ),
    ),
  );
  expect(screen.getByRole('alert').textContent).toContain('This place cannot be shown');
  await act(() => Promise.resolve(screen.getByRole('button', { name: 'Try again' }).click()));
  expect(screen.getByText('here')).toBeTruthy();
  expect(tries).toBe(2);
  quiet.mockRestore();
});
