'use client';
import { BLENDS, type Blend } from '@/core/fit/mix';
import type { Piece } from '@/core/fit/schema';
import { changePiece } from '@/state/bench/open-fit';
import { Choice } from '@/ui/Field';
import { Popup } from '@/ui/Popup';
import type { Live } from '../live/useLive';
import { CountValue } from './CountValue';

const CHOICES = [['', 'is laid over it'], ...BLENDS.map((blend) => [blend, blend] as const)] as const;

/** How strongly a piece is laid over what is under it, and how their colours mix. */
export function MixMenu({ live, piece }: { live: Live; piece: Piece }) {
  const percent = Math.round((piece.opacity ?? 1) * 100);
  const set = (opacity: number, blend: Blend | undefined) => {
    const next = { ...piece };
    delete next.opacity;
    delete next.blend;
    void changePiece(live.face.id, {
      ...next,
      ...(opacity < 100 && { opacity: opacity / 100 }),
      ...(blend && { blend }),
    });
  };
  return (
    <Popup
      align="end"
      className="w-[280px]"
      trigger={
        <button
          className="verb whitespace-nowrap"
          aria-label={`Opacity ${percent} %, ${piece.blend ?? 'plain'}: change`}
        >
          {percent === 100 && !piece.blend
            ? 'Opacity…'
            : `${percent} %${piece.blend ? ` ${piece.blend}` : ''}…`}
        </button>
      }
    >
      {piece.knockout ? (
        <p className="text-ink-2">It takes away what is under it, and mixes with nothing.</p>
      ) : (
        <>
          <CountValue
            name="Opacity in percent"
            value={percent}
            from={1}
            to={100}
            unit="%"
            onSet={(typed) => {
              set(typed, piece.blend);
            }}
          >
            opacity
          </CountValue>
          <Choice<Blend | ''>
            label="with what is under it"
            value={piece.blend ?? ''}
            choices={CHOICES}
            className="w-32"
            onChange={(blend) => {
              set(percent, blend === '' ? undefined : blend);
            }}
          />
        </>
      )}
    </Popup>
  );
}
