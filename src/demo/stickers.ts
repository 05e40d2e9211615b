import type { Facts } from '@/core/artwork/facts';
import { USUAL_CUT, type CutSettings } from '@/core/fit/cut';
import { newPiece, setWidth } from '@/core/fit/place';
import { shippedBlanks } from '@/core/blank/library';
import type { ArtworkPiece, FitFace } from '@/core/fit/schema';
import { TIDE_POOL, TIDE_POOL_PLACES, TIDE_POOL_SHEET, type TidePool } from './art/marks';
import type { DemoKey } from './files';

/** What the shop's stickers are cut from. */
export const CUT_BLANK = 'sticker-die-cut';

/** Designs that are cut to shape, by their faces: the tide pool rightly, the compass rose too closely for its points. */
export function cutDesigns(facts: (key: DemoKey) => Facts): { designId: string; faces: FitFace[] }[] {
  return [
    { designId: 'tide-pool-stickers', faces: TIDE_POOL.map((name, i) => tideFace(name, i, facts)) },
    {
      designId: 'compass-rose',
      faces: [oneFace('Compass rose', 'compass-rose', 70, facts, { border: 0.4, radius: 0.2 })],
    },
    { designId: 'knot-badge', faces: [oneFace('Knot badge', 'knot-badge', 64, facts, {})] },
  ];
}

/** mm that the whole sheet would be across: the longest of its stickers is 60 mm. */
const SHEET_ACROSS = (60 / 900) * TIDE_POOL_SHEET.width;

/** One of the sheet's six, seen through its own part of it. */
function tideFace(name: TidePool, index: number, facts: (key: DemoKey) => Facts): FitFace {
  const { width, height } = TIDE_POOL_SHEET;
  const place = TIDE_POOL_PLACES[name];
  const face = oneFace(named(name), 'tide-pool-sheet', SHEET_ACROSS, facts, {});
  const clip = {
    shape: { kind: 'rectangle' as const },
    x: place.x / width,
    y: place.y / height,
    width: place.width / width,
    height: place.height / height,
  };
  const seen = {
    ...pieceOf('tide-pool-sheet', facts),
    ...{ clip, name: named(name), width: SHEET_ACROSS, height: (SHEET_ACROSS * height) / width },
  };
  return { ...face, faceId: `sticker-${index + 1}`, pieces: [seen] };
}

const named = (name: string) => name.charAt(0).toUpperCase() + name.slice(1);

function oneFace(
  name: string,
  key: DemoKey,
  across: number,
  facts: (key: DemoKey) => Facts,
  settings: Partial<CutSettings>,
): FitFace {
  return {
    faceId: 'sticker-1',
    pieces: [setWidth(pieceOf(key, facts), facts(key), across)],
    cut: { ...USUAL_CUT, ...settings, name, d: '', of: '' },
  };
}

function pieceOf(key: DemoKey, facts: (key: DemoKey) => Facts): ArtworkPiece {
  const { faces } = shippedBlanks().find(({ blank }) => blank.id === CUT_BLANK)!;
  const known = facts(key);
  return newPiece(`${key}-1`, known.sha256, known, 'motif', faces[0]!);
}
