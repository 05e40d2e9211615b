'use client';
import type { ArtworkPiece } from '@/core/fit/schema';
import { asRepeat } from '../acts/adding';
import type { Live } from '../live/useLive';
import { ClipMenu } from './ClipRow';
import { MixMenu } from './MixMenu';
import { RenditionMenu } from './RenditionMenu';
import { Row } from './Row';
import { SlotMenu } from './SlotMenu';

/** What can be made of an artwork where it lies: seen through a shape, tiled, a slot, laid over what is under it otherwise. */
export function ArtworkRow({ live, piece }: { live: Live; piece: ArtworkPiece }) {
  return (
    <Row label="Artwork">
      <ClipMenu live={live} piece={piece} />
      <button
        className="verb"
        onClick={() => {
          asRepeat(live, piece);
        }}
      >
        Repeat
      </button>
      <RenditionMenu live={live} piece={piece} />
      <SlotMenu live={live} piece={piece} />
      <MixMenu live={live} piece={piece} />
    </Row>
  );
}
