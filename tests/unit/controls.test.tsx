import { cleanup, fireEvent, render, screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { useState } from 'react';
import { Checkbox, Tick } from '@/ui/Checkbox';
import { CommandList } from '@/ui/CommandList';
import { Dialog, LeaveDialog } from '@/ui/Dialog';
import { Choice, Field } from '@/ui/Field';
import { Fold } from '@/ui/Fold';
import { Hint, Hints } from '@/ui/Hint';
import { LengthField } from '@/ui/LengthField';
import { EditableLength } from '@/ui/LengthValue';
import { MenuLine, VerbMenu } from '@/ui/Menu';
import { NameField } from '@/ui/NameField';
import { OneOf } from '@/ui/OneOf';
import { Popup } from '@/ui/Popup';
import { Progress } from '@/ui/Progress';
import '@/places/shell/KeysDialog';
import { Shortcuts } from '@/places/shell/Shortcuts';
import { Select } from '@/ui/Select';
import { Slider } from '@/ui/Slider';
import { Segments, Toggle } from '@/ui/Toggle';
import { asPage } from '../support/page';

beforeAll(asPage);
afterEach(cleanup);
const user = userEvent.setup({ pointerEventsCheck: 0 });
const MM = { unit: 'mm', inches: 'decimal' } as never;

describe('a list to choose from', () => {
  const choices = [
    ['', 'any of them'],
    ['mug', 'Mug'],
    ['shirt', 'Shirt'],
  ] as const;
  function Kinds({ onChange }: { onChange: (kind: string) => void }) {
    const [kind, setKind] = useState<string>('');
    return (
      <Select
        label="Kind"
        value={kind}
        choices={choices}
        onChange={(next) => {
          setKind(next);
          onChange(next);
        }}
      />
    );
  }

  test('says what is chosen, takes another, and none of them again', async () => {
    const told = jest.fn();
    render(<Kinds onChange={told} />);
    const box = screen.getByRole('combobox', { name: 'Kind' });
    expect(box.textContent).toBe('any of them');
    await user.click(box);
    await user.click(screen.getByRole('option', { name: 'Shirt' }));
    expect(told).toHaveBeenLastCalledWith('shirt');
    expect(box.textContent).toBe('Shirt');
    await user.click(box);
    await user.click(screen.getByRole('option', { name: 'any of them' }));
    expect(told).toHaveBeenLastCalledWith('');
  });

  test('by keys alone', async () => {
    const told = jest.fn();
    render(<Kinds onChange={told} />);
    await user.tab();
    await user.keyboard('{Enter}{ArrowDown}{Enter}');
    expect(told).toHaveBeenLastCalledWith('mug');
  });

  test('with its label beside it', () => {
    render(<Choice label="Made as" value="mug" choices={choices} onChange={jest.fn()} />);
    expect(screen.getByLabelText('Made as').textContent).toBe('Mug');
  });
});

describe('yes or no', () => {
  test('by its box and by its words', async () => {
    const told = jest.fn();
    const { rerender } = render(
      <Checkbox checked={false} onChange={told}>
        crop marks
      </Checkbox>,
    );
    await user.click(screen.getByRole('checkbox', { name: 'crop marks' }));
    expect(told).toHaveBeenLastCalledWith(true);
    rerender(
      <Checkbox checked onChange={told}>
        crop marks
      </Checkbox>,
    );
    await user.click(screen.getByText('crop marks'));
    expect(told).toHaveBeenLastCalledWith(false);
  });

  test('of a row, by its name; disabled it is left alone', async () => {
    const told = jest.fn();
    render(<Tick label="Every fit" checked disabled onChange={told} />);
    const box = screen.getByRole('checkbox', { name: 'Every fit' });
    expect(box.getAttribute('aria-checked')).toBe('true');
    await user.click(box);
    expect(told).not.toHaveBeenCalled();
  });
});

describe('one of a few', () => {
  test('words in a row: always one is chosen, pressing it again changes nothing', async () => {
    const told = jest.fn();
    const choices = [
      { value: 'front', name: 'front' },
      { value: 'left', name: 'left', spoken: 'from the left' },
    ];
    render(<Segments label="Side" value="front" choices={choices} onChange={told} />);
    await user.click(screen.getByRole('radio', { name: 'front' }));
    expect(told).not.toHaveBeenCalled();
    await user.click(screen.getByRole('radio', { name: 'from the left' }));
    expect(told).toHaveBeenCalledWith('left');
    await user.keyboard('{ArrowLeft}');
    expect(document.activeElement?.textContent).toBe('front');
  });

  test('with what is to be known of it', async () => {
    const told = jest.fn();
    render(
      <Hints>
        <OneOf
          label="Colours"
          value="rgb"
          options={[
            { id: 'rgb', name: 'RGB' },
            { id: 'cmyk', name: 'CMYK', note: 'the house asks for it' },
          ]}
          onChoose={told}
        />
      </Hints>,
    );
    expect(screen.getByRole('radiogroup', { name: 'Colours' })).toBeTruthy();
    await user.click(screen.getByRole('radio', { name: 'CMYK' }));
    expect(told).toHaveBeenCalledWith('cmyk');
    expect(screen.getByText('the house asks for it')).toBeTruthy();
  });

  test('a verb that stays on', async () => {
    const told = jest.fn();
    render(
      <Toggle pressed={false} onPress={told}>
        Pieces
      </Toggle>,
    );
    const verb = screen.getByRole('button', { name: 'Pieces' });
    expect(verb.getAttribute('aria-pressed')).toBe('false');
    await user.keyboard('{Shift>}');
    await user.click(verb);
    expect(told).toHaveBeenCalledWith(true, expect.objectContaining({ shiftKey: true }));
    await user.keyboard('{/Shift}');
  });
});

describe('a number along a scale', () => {
  test('by keys, within its ends, told what it means', async () => {
    const told = jest.fn();
    const { rerender } = render(
      <Slider label="Tolerance" words="8 %" min={1} max={40} step={1} value={8} onChange={told} />,
    );
    const needle = screen.getByRole('slider', { name: 'Tolerance' });
    expect(needle.getAttribute('aria-valuetext')).toBe('8 %');
    needle.focus();
    await user.keyboard('{ArrowRight}');
    expect(told).toHaveBeenLastCalledWith(9);
    await user.keyboard('{End}');
    expect(told).toHaveBeenLastCalledWith(40);
    rerender(<Slider label="Tolerance" min={1} max={40} step={1} value={40} onChange={told} />);
    told.mockClear();
    await user.keyboard('{ArrowRight}');
    expect(told).not.toHaveBeenCalled();
  });
});

describe('a length under the hand', () => {
  const field = (refuse?: (mm: number) => string | null) => {
    const [set, left] = [jest.fn(), jest.fn()];
    render(<LengthField name="Width" mm={80} unit={MM} refuse={refuse} onSet={set} onLeave={left} />);
    return { set, left, input: screen.getByRole('textbox', { name: 'Width' }) as HTMLInputElement };
  };

  test('takes inches and millimetres as people add them, and says what they come to', async () => {
    const { input, set, left } = field();
    await user.clear(input);
    await user.type(input, '5 3/8 in + 4 mm');
    expect(screen.getByRole('status').textContent).toContain('5.53');
    await user.keyboard('{Enter}');
    expect(set.mock.calls[0]![0]).toBeCloseTo(140.525, 9);
    expect(left).toHaveBeenCalled();
  });

  test('says which character is off and keeps what was typed', async () => {
    const { input, set, left } = field();
    await user.clear(input);
    await user.type(input, '12 furlongs');
    expect(input.getAttribute('aria-invalid')).toBe('true');
    await user.keyboard('{Enter}');
    expect(set).not.toHaveBeenCalled();
    expect(left).not.toHaveBeenCalled();
    expect(input.value).toBe('12 furlongs');
  });

  test('what may not be is refused in words; Escape leaves it as it was', async () => {
    const { input, set, left } = field((mm) => (mm > 100 ? 'It lies under 100 mm.' : null));
    await user.clear(input);
    await user.type(input, '120 mm');
    expect(screen.getByRole('status').textContent).toBe('It lies under 100 mm.');
    await user.keyboard('{Escape}');
    expect([set.mock.calls.length, left.mock.calls.length]).toEqual([0, 1]);
  });

  test('is a button until it is pressed', async () => {
    const set = jest.fn();
    render(<EditableLength name="Gap" mm={null} unit={MM} className="" onSet={set} />);
    await user.click(screen.getByRole('button', { name: 'Gap none: change' }));
    const input = screen.getByRole('textbox', { name: 'Gap' });
    await user.clear(input);
    await user.type(input, '3{Enter}');
    expect(set).toHaveBeenCalledWith(3);
  });
});

describe('words that are typed', () => {
  test('a name is kept by Enter or by leaving it, not by Escape, and never empty', async () => {
    const told = jest.fn();
    render(
      <Hints>
        <NameField label="Name" value="Gull" onName={told} />
      </Hints>,
    );
    const input = screen.getByRole('textbox', { name: 'Name' });
    await user.clear(input);
    await user.type(input, '   {Enter}');
    expect(told).not.toHaveBeenCalled();
    await user.clear(input);
    await user.type(input, 'Tern{Escape}');
    expect((input as HTMLInputElement).value).toBe('Gull');
    await user.clear(input);
    await user.type(input, ' Tern {Enter}');
    expect(told).toHaveBeenCalledWith('Tern');
  });

  test('a field says what is wrong with it, where it is read out', () => {
    render(<Field label="Bleed" value="x" trouble="“x” at character 1 is no number." onChange={jest.fn()} />);
    const input = screen.getByLabelText('Bleed');
    expect(input.getAttribute('aria-invalid')).toBe('true');
    expect(document.getElementById(input.getAttribute('aria-describedby')!)!.textContent).toContain(
      'no number',
    );
    expect(screen.getByRole('alert')).toBeTruthy();
  });
});

describe('what opens', () => {
  test('a fold, by its words', async () => {
    render(<Fold title="Colours: 3">slate</Fold>);
    const title = screen.getByRole('button', { name: 'Colours: 3' });
    expect([title.getAttribute('aria-expanded'), screen.queryByText('slate')]).toEqual(['false', null]);
    await user.click(title);
    expect(screen.getByText('slate')).toBeTruthy();
  });

  test('a menu, whose lines say their key; one that cannot be is passed by', async () => {
    const [done, never] = [jest.fn(), jest.fn()];
    render(
      <VerbMenu label="Add">
        <MenuLine disabled onSelect={never}>
          a clip
        </MenuLine>
        <MenuLine keys="T" onSelect={done}>
          a text
        </MenuLine>
      </VerbMenu>,
    );
    await user.click(screen.getByRole('button', { name: 'Add' }));
    expect(screen.getByRole('menuitem', { name: /a text/ }).textContent).toBe('a textT');
    await user.keyboard('{ArrowDown}{Enter}');
    expect([done.mock.calls.length, never.mock.calls.length]).toEqual([1, 0]);
  });

  test('a dialog goes with Escape, and with its own way out', async () => {
    const closed = jest.fn();
    render(
      <Dialog title="True size" className="" onClose={closed}>
        <LeaveDialog>Leave it</LeaveDialog>
      </Dialog>,
    );
    expect(screen.getByRole('dialog', { name: 'True size' })).toBeTruthy();
    await user.keyboard('{Escape}');
    await user.click(screen.getByRole('button', { name: 'Leave it' }));
    expect(closed).toHaveBeenCalledTimes(2);
  });

  test('what stands beside a button stays until it is left', async () => {
    render(<Popup trigger={<button>Rename</button>}>a field</Popup>);
    await user.click(screen.getByRole('button', { name: 'Rename' }));
    expect(screen.getByText('a field')).toBeTruthy();
    await user.keyboard('{Escape}');
    expect(screen.queryByText('a field')).toBeNull();
  });

  test('a hint comes with the focus; on what cannot be used it says why', async () => {
    render(
      <Hints>
        <Hint words="Take back crops first" disabled>
          <button disabled>Leave parts out</button>
        </Hint>
        <Hint words="">
          <button>plain</button>
        </Hint>
      </Hints>,
    );
    await user.tab();
    expect((await screen.findByRole('tooltip')).textContent).toBe('Take back crops first');
    expect(screen.getByRole('button', { name: 'plain' }).parentElement!.tagName).toBe('DIV');
  });
});

test('how far long work is: a share, or that it cannot be told', () => {
  const { rerender } = render(<Progress label="Sending" share={0.25} />);
  expect(screen.getByRole('progressbar', { name: 'Sending' }).getAttribute('aria-valuenow')).toBe('0.25');
  rerender(<Progress label="Sending" share={null} />);
  expect(screen.getByRole('progressbar').getAttribute('data-state')).toBe('indeterminate');
});

test('commands: what fits the letters stays, by name or by what it is on; Enter does the first', async () => {
  const runs = new Map(['mug', 'shirt', 'flip'].map((id) => [id, jest.fn()]));
  render(
    <CommandList
      label="Type a name"
      groups={[
        { heading: 'Do', items: [{ id: 'flip', name: 'Flip', keys: 'V', run: runs.get('flip')! }] },
        {
          heading: 'Fits',
          items: [
            { id: 'mug', name: 'Lighthouse', note: 'on Mug 325 ml', run: runs.get('mug')! },
            { id: 'shirt', name: 'Lighthouse', note: 'on Shirt', run: runs.get('shirt')! },
          ],
        },
        { heading: 'Empty', items: [] },
      ]}
    />,
  );
  expect(screen.queryByText('Empty')).toBeNull();
  const input = screen.getByPlaceholderText('Type a name');
  await user.type(input, 'shirt');
  const list = within(screen.getByRole('listbox'));
  expect(list.getAllByRole('option').map(({ textContent }) => textContent)).toEqual(['Lighthouseon Shirt']);
  await user.keyboard('{Enter}');
  expect([...runs].map(([id, run]) => [id, run.mock.calls.length])).toEqual([
    ['mug', 0],
    ['shirt', 1],
    ['flip', 0],
  ]);
  await user.clear(input);
  await user.type(input, 'zebra');
  expect(screen.getByText('Nothing here has that name.')).toBeTruthy();
  fireEvent.change(input, { target: { value: '' } });
  expect(list.getAllByRole('option')).toHaveLength(3);
});

test('the keys open on ?, with Shift or without, and not while one types', async () => {
  render(
    <>
      <input aria-label="Name" />
      <Shortcuts />
    </>,
  );
  await user.type(screen.getByRole('textbox', { name: 'Name' }), '?');
  expect(screen.queryByRole('dialog')).toBeNull();
  (document.activeElement as HTMLElement).blur();
  fireEvent.keyDown(document.body, { key: '?', code: 'Slash', shiftKey: true });
  // Its words come when they are first asked for: read by then, as they may take long to be.
  const keys = await screen.findByRole('dialog', { name: 'Keys' }, { timeout: 15_000 });
  expect(within(keys).getByText('Fit inside the safe area')).toBeTruthy();
  await user.keyboard('{Escape}');
  expect(screen.queryByRole('dialog')).toBeNull();
  fireEvent.keyUp(document.body, { key: '?', code: 'Slash' });
  fireEvent.keyDown(document.body, { key: '?', code: 'Minus' });
  expect(screen.getByRole('dialog', { name: 'Keys' })).toBeTruthy();
});
