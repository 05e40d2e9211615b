'use client';
import { VERBS } from '../bench/acts/verbs';
import { Dialog, LeaveDialog } from '@/ui/Dialog';

type Keys = readonly (readonly [keys: string, what: string])[];

const verbs = Object.values(VERBS).map(({ keys, name }) => [keys, name] as const);

/** By what they do; on the bench, but for the first three and those of the range. */
const SHEETS: readonly (readonly [heading: string, keys: Keys])[] = [
  [
    'Measures',
    [
      ['?', 'These keys'],
      ['Ctrl K', 'Go to, or do, anything by its name'],
      ['Ctrl Z', 'Take back what was done last; on the bench, undo'],
      ['W, H, A', 'Type the width, the height, the angle; Tab goes to the next number'],
      ['Arrows', 'Nudge by 1 mm or 1/16 in; with Shift ten steps; with Alt a tenth'],
      ['1 to 9', 'Centre on the face’s first zone, its second, and so on'],
      ['D', 'Step and repeat by a distance'],
      ['P', 'Let width and height change apart, or keep the proportion'],
      ['N', 'Take distances to the next line: safe edge, trim, bleed edge'],
      ['Alt while dragging', 'Do not snap'],
    ],
  ],
  [
    'Pieces',
    [
      ['Tab', 'Next piece, then its dimensions'],
      ['Shift click, Space', 'Choose one more, or one less'],
      ['Click again', 'The piece under it'],
      ['Ctrl A', 'Choose all'],
      ['I, E', 'Inscribe: add words; type the words of the text that is chosen'],
      ['Escape', 'Choose nothing'],
      ...verbs,
    ],
  ],
  [
    'Looking',
    [
      ['0, J, Shift J', 'The whole face; what is chosen; the zone'],
      ['=', 'True size'],
      ['+, -, Ctrl wheel', 'Larger, smaller'],
      ['Wheel, arrows', 'Move the flat, where nothing is chosen'],
      ['U', 'Lay out the list of pieces, or put it away'],
      ['L', 'Show or hide the legend'],
      ['Ctrl Y, Ctrl Shift Z', 'Redo'],
    ],
  ],
  [
    'The range',
    [
      ['Arrows, Home, End', 'Walk from cell to cell; with Ctrl to the corners'],
      ['Enter', 'Open the fit, or fit it'],
      ['Space, Ctrl click', 'Choose one more, or one less'],
      ['Shift arrows, click', 'Choose the block up to it'],
      ['Ctrl A, Escape', 'Choose all that is shown; choose none'],
      ['A letter', 'Search for a design'],
    ],
  ],
];

/** All keys by what they do. */
export function KeysDialog({ onClose }: { onClose: () => void }) {
  return (
    <Dialog title="Keys" className="top-10 w-[1120px] max-w-[96vw] text-sm" shade onClose={onClose}>
      <div className="max-h-[76vh] gap-8 overflow-auto [column-count:3]">
        {SHEETS.map(([heading, keys]) => (
          <dl key={heading} className="mb-4">
            <h3 className="border-b border-ink font-semibold">{heading}</h3>
            {keys.map(([key, what]) => (
              <div key={key + what} className="flex break-inside-avoid gap-3 border-b border-rule py-[3px]">
                <dt className="measure w-28 shrink-0 font-semibold">{key}</dt>
                <dd>{what}</dd>
              </div>
            ))}
          </dl>
        ))}
      </div>
      <div className="mt-4 flex">
        <LeaveDialog>Leave</LeaveDialog>
      </div>
    </Dialog>
  );
}
