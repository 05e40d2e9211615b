'use client';
import Link from 'next/link';
import type { ArtworkPiece, TextPiece } from '@/core/fit/schema';
import { SLOT_RULES, type TextSlot } from '@/core/fit/slot';
import { placedLettering } from '@/core/fit/text';
import { slotNames, withSlot } from '@/core/rows/slots';
import { changePiece } from '@/state/bench/open-fit';
import { Choice } from '@/ui/Field';
import { LengthValue } from '@/ui/LengthValue';
import { NameField } from '@/ui/NameField';
import { Popup } from '@/ui/Popup';
import { refuseSize } from '../acts/refusals';
import type { Live } from '../live/useLive';

const RULES: Record<TextSlot['rule'], string> = {
  shrink: 'are shrunk',
  break: 'are broken into lines, then shrunk',
  tell: 'are told of',
};

/** Makes a text or an artwork a slot that a list fills row by row, and says what its words may do. */
export function SlotMenu({ live, piece }: { live: Live; piece: TextPiece | ArtworkPiece }) {
  const { slot } = piece;
  const set = (next: typeof piece.slot) => {
    void changePiece(live.face.id, withSlot(piece, next));
  };
  return (
    <Popup
      align="start"
      className="w-[330px]"
      trigger={
        <button
          className="verb whitespace-nowrap"
          aria-label={slot ? `Slot “${slot.name}”: change it` : 'Slot: fill it from a list'}
        >
          {slot ? `Slot “${slot.name.length > 16 ? `${slot.name.slice(0, 15)}…` : slot.name}”…` : 'Slot…'}
        </button>
      }
    >
      {slot ? (
        <>
          <div className="border-b border-rule py-1.5">
            <span className="text-ink-2">filled by the column of a list that is called</span>
            <NameField
              small
              label="Name of the slot"
              value={slot.name}
              onName={(name) => {
                set({ ...slot, name });
              }}
            />
          </div>
          {piece.kind === 'text' && piece.slot && <Room live={live} slot={piece.slot} onSet={set} />}
          <div className="flex items-center gap-5 pt-2.5">
            <Link className="action" href={`/rows?fit=${encodeURIComponent(live.fit.id)}`}>
              Rows…
            </Link>
            <button
              className="verb"
              onClick={() => {
                set(undefined);
              }}
            >
              No slot any more
            </button>
          </div>
        </>
      ) : (
        <>
          <p className="text-ink-2">
            A slot is filled from a list: each row gives it other{' '}
            {piece.kind === 'text' ? 'words' : 'artwork'}, and is checked and made into a print of its own.
          </p>
          <button
            className="action mt-2.5"
            onClick={() => {
              set(piece.kind === 'text' ? textSlot(live, piece) : { name: freeName(live, 'picture') });
            }}
          >
            Make it a slot
          </button>
        </>
      )}
    </Popup>
  );
}

/** The room that words have, and what happens to those that are wider. */
function Room({
  live: { unit },
  slot,
  onSet,
}: {
  live: Live;
  slot: TextSlot;
  onSet: (slot: TextSlot) => void;
}) {
  return (
    <>
      <div className="flex flex-wrap gap-x-4 gap-y-1 border-b border-rule py-1.5">
        <LengthValue
          name="Widest words"
          mm={slot.width}
          unit={unit}
          refuse={refuseSize}
          onSet={(width) => {
            onSet({ ...slot, width });
          }}
        >
          at most wide
        </LengthValue>
        {slot.rule === 'break' && (
          <LengthValue
            name="Highest lines"
            mm={slot.height}
            unit={unit}
            refuse={refuseSize}
            onSet={(height) => {
              onSet({ ...slot, height });
            }}
          >
            lines, high
          </LengthValue>
        )}
        <LengthValue
          name="Least capitals"
          mm={slot.least}
          unit={unit}
          refuse={refuseSize}
          onSet={(least) => {
            onSet({ ...slot, least });
          }}
        >
          caps at least
        </LengthValue>
      </div>
      <Choice
        label="wider words"
        value={slot.rule}
        choices={SLOT_RULES.map((rule) => [rule, RULES[rule]] as const)}
        className="w-52"
        onChange={(rule) => {
          onSet({ ...slot, rule });
        }}
      />
    </>
  );
}

/** A text's slot as it begins: as wide as its zone and the safe area let it be round its middle, and no smaller than prints well. */
function textSlot({ face, fit, blank }: Live, piece: TextPiece): TextSlot {
  const zones = face.zones.filter(({ x, width }) => Math.abs(piece.x - x) <= width / 2);
  const left = Math.max(face.safe, ...zones.map(({ x, width }) => x - width / 2));
  const right = Math.min(face.width - face.safe, ...zones.map(({ x, width }) => x + width / 2));
  const across = 2 * Math.min(piece.x - left, right - piece.x);
  const { cap } = placedLettering(piece);
  return {
    name: freeName({ fit }, 'name'),
    width: Math.max(piece.width, Math.round(across * 10) / 10),
    height: Math.max(piece.height, Math.round(cap * 26) / 10),
    least: Math.min(cap, blank.limits.capHeight),
    rule: 'shrink',
  };
}

function freeName({ fit }: Pick<Live, 'fit'>, name: string): string {
  const taken = new Set(slotNames(fit).map((one) => one.toLowerCase()));
  if (!taken.has(name)) return name;
  let n = 2;
  while (taken.has(`${name} ${n}`)) n++;
  return `${name} ${n}`;
}
