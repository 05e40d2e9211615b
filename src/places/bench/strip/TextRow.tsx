'use client';
import { placedLettering } from '@/core/fit/text';
import type { TextPiece } from '@/core/fit/schema';
import { fixed, showLength } from '@/core/length/show';
import { useHand } from '@/state/bench/hand';
import { LengthValue } from '@/ui/LengthValue';
import { VerbMenu, MenuLine } from '@/ui/Menu';
import { setLettering } from '../acts/adding';
import { refuseFar, refuseSize } from '../acts/refusals';
import type { Live } from '../live/useLive';
import { BendField } from './BendField';
import { ColourField } from './ColourField';
import { FontMenu } from './FontMenu';
import { LookMenu } from './LookMenu';
import { MixMenu } from './MixMenu';
import { Row } from './Row';

import { SlotMenu } from './SlotMenu';
import { StyleMenu } from './StyleMenu';
import { TileButton } from './TileButton';
import { WordsDialog } from './WordsDialog';
import { Hint } from '@/ui/Hint';

/** A text's own measurements: its words, face, cap height, spacing, colour, outline and bend. */
export function TextRow({ live, piece }: { live: Live; piece: TextPiece }) {
  const { unit } = live;
  const lettering = placedLettering(piece);
  const editing = useHand((hand) => hand.editing === 'words');
  const set = (change: Parameters<typeof setLettering>[2]) => void setLettering(live, piece.id, change);
  const points = (lettering.cap * 72) / 25.4;
  const widths = piece.ink.lines.map(({ width }) => (width * piece.height) / piece.ink.height);
  return (
    <Row label="Text">
      <button
        className="verb"
        onClick={() => {
          useHand.setState({ editing: 'words' });
        }}
      >
        Words…
      </button>
      {editing && <WordsDialog live={live} piece={piece} lettering={lettering} onSet={set} />}
      <FontMenu
        faceId={lettering.faceId}
        onFont={(faceId) => {
          set({ faceId });
        }}
      />
      <LengthValue
        name="Cap height"
        mm={lettering.cap}
        unit={unit}
        refuse={refuseSize}
        onSet={(cap) => {
          set((now) => ({ cap, gap: (now.gap * cap) / now.cap }));
        }}
      >
        caps
      </LengthValue>
      <span className="measure text-ink-2">{fixed(points, 1)} pt</span>
      <LengthValue
        name="Equal width"
        mm={lettering.equalWidth}
        none="own widths"
        unit={unit}
        refuse={(mm) => (mm === 0 ? null : refuseSize(mm))}
        onSet={(mm) => {
          set({ equalWidth: mm > 0 ? mm : null });
        }}
      >
        lines
      </LengthValue>
      {lettering.equalWidth === null ? (
        <button
          className="verb"
          onClick={() => {
            set({ equalWidth: Math.max(...widths) });
          }}
        >
          Make lines equal
        </button>
      ) : (
        <button
          className="verb"
          onClick={() => {
            set({ equalWidth: null });
          }}
        >
          Own widths
        </button>
      )}
      <LengthValue
        name="Space between lines"
        mm={lettering.gap}
        unit={unit}
        refuse={refuseFar}
        onSet={(gap) => {
          set(({ lines }) => ({ gap, lines: lines.map((line) => ({ ...line, gap: null })) }));
        }}
      >
        apart
      </LengthValue>
      <LengthValue
        name="Space between letters"
        mm={lettering.spacing}
        unit={unit}
        refuse={refuseFar}
        onSet={(spacing) => {
          set({ spacing });
        }}
      >
        between letters
      </LengthValue>
      <VerbMenu
        label={`${lettering.align === 'centre' ? 'Centred' : lettering.align === 'left' ? 'From the left' : 'To the right'}…`}
      >
        {(['left', 'centre', 'right'] as const).map((align) => (
          <MenuLine
            key={align}
            onSelect={() => {
              set({ align });
            }}
          >
            {align === 'centre'
              ? 'lines centred'
              : align === 'left'
                ? 'lines from the left'
                : 'lines to the right'}
          </MenuLine>
        ))}
      </VerbMenu>
      <ColourField
        live={live}
        name="Letters"
        colour={lettering.colour}
        onColour={(colour) => {
          set({ colour });
        }}
      />
      <LengthValue
        name="Outline"
        mm={lettering.outline?.width ?? null}
        unit={unit}
        refuse={(mm) => (mm === 0 ? null : refuseSize(mm))}
        onSet={(width) => {
          set(({ outline }) => ({
            outline: width > 0 ? { width, colour: outline?.colour ?? '#ffffff' } : null,
            ...(width > 0 ? {} : { rings: [] }),
          }));
        }}
      >
        outline
      </LengthValue>
      {lettering.outline && (
        <ColourField
          live={live}
          name="Outline"
          colour={lettering.outline.colour}
          onColour={(colour) => {
            set(({ outline }) => ({ outline: outline && { ...outline, colour } }));
          }}
        />
      )}
      <LengthValue
        name="Plate behind it"
        mm={lettering.plate?.margin ?? null}
        unit={unit}
        refuse={(mm) => (mm === 0 ? null : refuseSize(mm))}
        onSet={(margin) => {
          set(({ plate }) => ({ plate: margin > 0 ? { margin, colour: plate?.colour ?? '#ffffff' } : null }));
        }}
      >
        plate
      </LengthValue>
      {lettering.plate && (
        <ColourField
          live={live}
          name="Plate"
          colour={lettering.plate.colour}
          onColour={(colour) => {
            set(({ plate }) => ({ plate: plate && { ...plate, colour } }));
          }}
        />
      )}
      <LookMenu live={live} lettering={lettering} onSet={set} />
      <StyleMenu lettering={lettering} onSet={set} />
      <SlotMenu live={live} piece={piece} />
      <MixMenu live={live} piece={piece} />
      <TileButton live={live} piece={piece} />
      <BendField unit={unit} lettering={lettering} width={Math.max(...widths)} onSet={set} />
      <Hint words={'Width of each line, straight'}>
        <span className="measure truncate text-ink-2">
          {widths.length > 1 && widths.map((width) => showLength(width, unit)).join(' · ')}
        </span>
      </Hint>
    </Row>
  );
}
