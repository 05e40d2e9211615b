'use client';
import type { FillPiece } from '@/core/fit/schema';
import { changePiece } from '@/state/bench/open-fit';
import type { Live } from '../live/useLive';
import { ColourField } from './ColourField';
import { MixMenu } from './MixMenu';
import { Row } from './Row';
import { ZoneMenu } from './ZoneMenu';

/** A fill's colour and where it lies. */
export function FillRow({ live, piece }: { live: Live; piece: FillPiece }) {
  const set = (change: Partial<FillPiece>) => void changePiece(live.face.id, { ...piece, ...change });
  return (
    <Row label="Fill">
      <ColourField
        live={live}
        name="Colour"
        colour={piece.colour}
        onColour={(colour) => {
          set({ colour });
        }}
      />
      <span className="measure">{piece.colour}</span>
      <MixMenu live={live} piece={piece} />
      <ZoneMenu
        live={live}
        zoneId={piece.zoneId}
        onZone={(zoneId) => {
          set({ zoneId });
        }}
      />
    </Row>
  );
}
