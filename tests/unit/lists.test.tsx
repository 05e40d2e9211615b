import { cleanup, render, screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { CommandList } from '@/ui/CommandList';
import { columnsOf, DataTable } from '@/ui/DataTable';
import { SearchMenu } from '@/ui/SearchMenu';
import { asPage } from '../support/page';

/** Lists of a few lines and of thousands: what is drawn of them, in which order, and what is found. */

const user = userEvent.setup({ pointerEventsCheck: 0 });
beforeAll(() => {
  asPage();
  // Nothing has a size here: rooms of ten lines.
  Object.defineProperties(Element.prototype, {
    clientHeight: { configurable: true, get: () => 360 },
    clientWidth: { configurable: true, get: () => 800 },
  });
  Object.defineProperty(HTMLElement.prototype, 'offsetHeight', { configurable: true, get: () => 36 });
});
afterEach(cleanup);

describe('a table', () => {
  interface Row {
    id: string;
    name: string;
    copies: number;
  }
  const COLUMNS = columnsOf<Row>([
    { id: 'name', name: 'design', by: ({ name }) => name },
    { id: 'copies', name: 'ordered', by: ({ copies }) => copies },
    { id: 'note', name: 'note' },
  ]);
  const show = (rows: readonly Row[]) =>
    render(
      <DataTable label="Fits" columns={COLUMNS} rows={rows} idOf={({ id }) => id} tick={<i>all</i>}>
        {({ name, copies }) => (
          <>
            <td />
            <td>{name}</td>
            <td>{copies}</td>
            <td />
          </>
        )}
      </DataTable>,
    );
  const names = () =>
    within(screen.getByRole('table', { name: 'Fits' }))
      .getAllByRole('row')
      .slice(1)
      .map((row) => within(row).getAllByRole('cell')[1]!.textContent);
  const three = [
    { id: 'b', name: 'Mug 10', copies: 2 },
    { id: 'a', name: 'Mug 9', copies: 30 },
    { id: 'c', name: 'cup', copies: 4 },
  ];

  test('is put in order by a head: up, down, and as it came; numbers in names count as numbers', async () => {
    show(three);
    expect(names()).toEqual(['Mug 10', 'Mug 9', 'cup']);
    const head = screen.getByRole('columnheader', { name: 'design' });
    const press = () => user.click(within(head).getByRole('button'));
    await press();
    expect(names()).toEqual(['cup', 'Mug 9', 'Mug 10']);
    expect(head.getAttribute('aria-sort')).toBe('ascending');
    await press();
    expect(names()).toEqual(['Mug 10', 'Mug 9', 'cup']);
    expect(head.getAttribute('aria-sort')).toBe('descending');
    await press();
    expect(head.getAttribute('aria-sort')).toBeNull();
    await user.click(screen.getByRole('button', { name: 'ordered' }));
    expect(names()).toEqual(['Mug 10', 'cup', 'Mug 9']);
    expect(screen.queryByRole('button', { name: 'note' })).toBeNull();
  });

  test('draws what is in sight of thousands, and says how many there are', () => {
    show(Array.from({ length: 6000 }, (_, i) => ({ id: `${i}`, name: `Fit ${i}`, copies: i })));
    const table = screen.getByRole('table', { name: 'Fits' });
    expect(table.getAttribute('aria-rowcount')).toBe('6001');
    const drawn = names();
    expect(drawn[0]).toBe('Fit 0');
    expect(drawn.length).toBeGreaterThan(5);
    expect(drawn.length).toBeLessThan(60);
  });
});

describe('a list that is searched', () => {
  const groups = (run: (id: number) => void) => [
    {
      heading: 'Fits',
      items: Array.from({ length: 3000 }, (_, i) => ({
        id: `${i}`,
        name: i === 2417 ? 'Lighthouse at dusk' : `Storm ${i}`,
        run: () => {
          run(i);
        },
      })),
    },
  ];

  test('lists some of thousands, says how many more there are, and finds each', async () => {
    const run = jest.fn();
    render(<CommandList label="Type a name" groups={groups(run)} />);
    expect(screen.getAllByRole('option')).toHaveLength(60);
    expect(screen.getByText('and 2940 more: type a few letters')).toBeTruthy();
    const field = screen.getByPlaceholderText('Type a name');
    await user.type(field, 'storm 29');
    expect(screen.getAllByRole('option')[0]!.textContent).toBe('Storm 29');
    expect(screen.getByText(/^and \d+ more: type on$/)).toBeTruthy();
    await user.clear(field);
    await user.type(field, 'dusk');
    expect(screen.getAllByRole('option').map(({ textContent }) => textContent)).toEqual([
      'Lighthouse at dusk',
    ]);
    await user.keyboard('{Enter}');
    expect(run.mock.calls).toEqual([[2417]]);
    // On the heels of the last letter.
    await user.clear(field);
    await user.type(field, 'storm 1234{Enter}');
    expect(run.mock.calls).toEqual([[2417], [1234]]);
  });

  test('behind a button it closes with what is taken, and begins anew', async () => {
    const run = jest.fn();
    render(<SearchMenu label="Design" groups={groups(run)} trigger={<button>Add a print…</button>} />);
    const button = screen.getByRole('button', { name: 'Add a print…' });
    await user.click(button);
    await user.type(screen.getByPlaceholderText('Design'), 'dusk');
    await user.click(screen.getByRole('option', { name: 'Lighthouse at dusk' }));
    expect(run).toHaveBeenCalledTimes(1);
    expect(screen.queryByRole('listbox')).toBeNull();
    await user.click(button);
    expect((screen.getByPlaceholderText('Design') as HTMLInputElement).value).toBe('');
  });
});
