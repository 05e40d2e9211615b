import type { Facts } from '@/core/artwork/facts';
import type { Body } from '@/core/blank/kinds';
import { wayRound } from '@/core/blank/kinds';
import { shippedBlanks } from '@/core/blank/library';
import type { PrintFace, ResolvedBlank } from '@/core/blank/resolve';
import { extentOf, opaqueBox } from '@/core/fit/geometry';
import { centreOn, newFill, newPiece, scalePiece, setWidth } from '@/core/fit/place';
import { newRepeat } from '@/core/fit/repeat';
import { DEMO_FILES, type DemoKey } from './files';
import { CUT_BLANK, cutDesigns } from './stickers';
import type { Blank } from '@/core/blank/schema';
import type {
  ArtworkPiece,
  Design,
  FillPiece,
  Fit,
  FitFace,
  Piece,
  RepeatPiece,
  Role,
} from '@/core/fit/schema';

/** The demo shop: the gift counter of a lighthouse kept by volunteers, entirely made up. */
export const SHOP_NAME = 'Gullwick Light';

export { DEMO_FILES, type DemoKey };

/** The blanks that the shop sells on. */
export const DEMO_COLUMNS = [
  'mug-325',
  'tumbler-470',
  'tumbler-taper-480',
  'shirt',
  'sticker-75',
  'sticker-die-cut',
] as const;

type FactsOf = (key: DemoKey) => Facts;

interface DemoDesign {
  id: string;
  name: string;
  artworks: readonly (readonly [key: DemoKey, role: Role])[];
}

const DESIGNS: readonly DemoDesign[] = [
  { id: 'harbour-panorama', name: 'Harbour panorama', artworks: [['harbour-panorama', 'ground']] },
  { id: 'lighthouse', name: 'Lighthouse', artworks: [['lighthouse', 'motif']] },
  { id: 'knot-badge', name: 'Knot badge', artworks: [['knot-badge', 'motif']] },
  { id: 'compass-rose', name: 'Compass rose', artworks: [['compass-rose', 'motif']] },
  { id: 'keep-the-light', name: 'Keep the light', artworks: [['keep-the-light', 'motif']] },
  { id: 'wave-repeat', name: 'Wave repeat', artworks: [['wave-repeat', 'ground']] },
  {
    id: 'night-watch',
    name: 'Night watch',
    artworks: [
      ['night-sky', 'ground'],
      ['lighthouse', 'motif'],
    ],
  },
  { id: 'storm', name: 'Storm', artworks: [['storm', 'ground']] },
  { id: 'tide-pool', name: 'Tide pool', artworks: [['crab', 'motif']] },
  { id: 'tide-pool-stickers', name: 'Tide-pool stickers', artworks: [['tide-pool-sheet', 'motif']] },
  { id: 'harbour-card', name: 'Harbour card', artworks: [['harbour-card', 'ground']] },
  { id: 'old-flyer', name: 'Old flyer', artworks: [['old-flyer', 'motif']] },
];

/** The designs as stored records; an artwork's id is the SHA-256 of its file. */
export function demoDesigns(facts: FactsOf): Design[] {
  return DESIGNS.map(({ id, name, artworks }, order) => ({
    upfit: 'design/1',
    id,
    name,
    order,
    artworks: artworks.map(([key, role]) => ({ artworkId: facts(key).sha256, role })),
  }));
}

/** Sets pieces on one face, by the shop's hand: some rightly, some deliberately wrong. */
class Hand {
  private count = 0;
  constructor(
    readonly face: PrintFace,
    private readonly body: Body,
    private readonly facts: FactsOf,
  ) {}

  motif(key: DemoKey): ArtworkPiece {
    return this.piece(key, 'motif');
  }

  ground(key: DemoKey): ArtworkPiece {
    return this.piece(key, 'ground');
  }

  fill(colour: string): FillPiece {
    return newFill('fill', colour);
  }

  /** Tiled over the face; where a wrap closes on itself, so that the seam does. */
  repeat(key: DemoKey): RepeatPiece {
    const tile = this.ground(key);
    return newRepeat(tile, this.factsOf(tile), this.face, wayRound(this.body, this.face));
  }

  wide(piece: ArtworkPiece, width: number): ArtworkPiece {
    return setWidth(piece, this.factsOf(piece), width);
  }

  scaled(piece: ArtworkPiece, factor: number): ArtworkPiece {
    return scalePiece(piece, this.factsOf(piece), factor);
  }

  /** On a zone's centre, moved off it by (dx, dy) mm. */
  on(piece: ArtworkPiece, zoneId: string, dx = 0, dy = 0): ArtworkPiece {
    const zone = this.face.zones.find(({ id }) => id === zoneId) ?? this.face.zones[0]!;
    return centreOn(piece, this.factsOf(piece), { x: zone.x + dx, y: zone.y + dy });
  }

  moved(piece: ArtworkPiece, dx: number, dy: number): ArtworkPiece {
    const box = opaqueBox(piece, this.factsOf(piece));
    return centreOn(piece, this.factsOf(piece), { x: box.x + dx, y: box.y + dy });
  }

  /** Moved so that its foot ends a distance short of the bleed edge. */
  footShort(piece: ArtworkPiece, gap: number): ArtworkPiece {
    const { bottom } = extentOf(opaqueBox(piece, this.factsOf(piece)));
    return this.moved(piece, 0, this.face.height + this.face.bleed - gap - bottom);
  }

  again(piece: ArtworkPiece): ArtworkPiece {
    return { ...piece, id: `${piece.id}-${++this.count}` };
  }

  private piece(key: DemoKey, role: Role): ArtworkPiece {
    const facts = this.facts(key);
    return newPiece(`${key}-${++this.count}`, facts.sha256, facts, role, this.face);
  }

  private factsOf(piece: ArtworkPiece): Facts {
    const key = (Object.keys(DEMO_FILES) as DemoKey[]).find(
      (one) => this.facts(one).sha256 === piece.artworkId,
    );
    if (!key) throw new Error(`The demo has no artwork ${piece.artworkId}.`);
    return this.facts(key);
  }
}

type Setting = readonly [design: string, blank: string, colour: string, set: (hand: Hand) => Piece[]];

/** Which design sits on which blank, and how. Between them they show every verdict of every rule. */
const SETTINGS: readonly Setting[] = [
  ['harbour-panorama', 'mug-325', 'white', (h) => [h.ground('harbour-panorama')]],
  ['harbour-panorama', 'tumbler-470', 'white', (h) => [h.ground('harbour-panorama')]],
  [
    'harbour-panorama',
    'shirt',
    'oat',
    (h) => [h.on({ ...h.wide(h.ground('harbour-panorama'), 280), role: 'motif' }, 'front', 0, -90)],
  ],

  ['lighthouse', 'mug-325', 'white', (h) => bothSides(h, h.wide(h.motif('lighthouse'), 56))],
  ['lighthouse', 'tumbler-470', 'pearl', (h) => [h.on(h.wide(h.motif('lighthouse'), 92), 'front')]],
  ['lighthouse', 'shirt', 'night', (h) => [h.motif('lighthouse')]],
  ['lighthouse', 'sticker-75', 'white', (h) => [h.fill('#dfe8ea'), h.motif('lighthouse')]],

  ['knot-badge', 'mug-325', 'white', (h) => bothSides(h, h.wide(h.motif('knot-badge'), 62))],
  ['knot-badge', 'tumbler-470', 'white', (h) => [h.on(h.wide(h.motif('knot-badge'), 80), 'front')]],
  [
    'knot-badge',
    'shirt',
    'oat',
    (h) => [h.moved(h.on(h.wide(h.motif('knot-badge'), 110), 'front'), 0, -120)],
  ],
  ['knot-badge', 'sticker-75', 'white', (h) => [h.fill('#ffffff'), h.wide(h.motif('knot-badge'), 70)]],

  ['compass-rose', 'mug-325', 'white', (h) => [h.on(h.wide(h.motif('compass-rose'), 78), 'front', 2)]],
  [
    'compass-rose',
    'shirt',
    'fog',
    (h) => [h.moved(h.on(h.wide(h.motif('compass-rose'), 190), 'front'), 0, -80)],
  ],
  ['compass-rose', 'sticker-75', 'white', (h) => [h.wide(h.motif('compass-rose'), 66)]],

  ['keep-the-light', 'mug-325', 'white', (h) => [h.on(h.wide(h.motif('keep-the-light'), 90), 'front')]],
  [
    'keep-the-light',
    'shirt',
    'white',
    (h) => [h.moved(h.on(h.wide(h.motif('keep-the-light'), 324), 'front'), 0, -40)],
  ],
  ['keep-the-light', 'sticker-75', 'white', (h) => [h.fill('#f3ead7'), h.motif('keep-the-light')]],

  ['wave-repeat', 'mug-325', 'white', (h) => [h.footShort(h.ground('wave-repeat'), 4.1)]],
  ['wave-repeat', 'tumbler-470', 'white', (h) => [h.repeat('wave-repeat')]],
  ['wave-repeat', 'sticker-75', 'white', (h) => [h.ground('wave-repeat')]],

  [
    'night-watch',
    'mug-325',
    'white',
    (h) => [h.ground('night-sky'), ...bothSides(h, h.wide(h.motif('lighthouse'), 56))],
  ],
  [
    'night-watch',
    'tumbler-470',
    'white',
    (h) => [h.footShort(h.ground('night-sky'), 0.15), h.on(h.wide(h.motif('lighthouse'), 92), 'front')],
  ],

  ['wave-repeat', 'tumbler-taper-480', 'white', (h) => [h.repeat('wave-repeat')]],
  [
    'night-watch',
    'tumbler-taper-480',
    'white',
    (h) => [h.ground('night-sky'), h.on(h.wide(h.motif('lighthouse'), 84), 'front')],
  ],
  ['knot-badge', 'tumbler-taper-480', 'steel', (h) => [h.on(h.wide(h.motif('knot-badge'), 76), 'front')]],

  ['storm', 'mug-325', 'white', (h) => [h.ground('storm')]],
  ['storm', 'tumbler-470', 'white', (h) => [h.ground('storm')]],

  ['tide-pool', 'mug-325', 'white', (h) => [h.fill('#dfe8ea'), ...tidePool(h)]],
  ['tide-pool', 'shirt', 'kelp', (h) => [h.moved(h.on(h.wide(h.motif('crab'), 105), 'front'), 0, -130)]],
  ['tide-pool', 'sticker-75', 'white', (h) => [h.fill('#ffffff'), h.motif('crab')]],

  ['harbour-card', 'mug-325', 'white', (h) => [h.ground('harbour-card')]],
  ['old-flyer', 'mug-325', 'white', (h) => [h.on(h.wide(h.motif('old-flyer'), 70), 'front')]],
];

/** The same motif on both sides of a mug. */
function bothSides(hand: Hand, piece: ArtworkPiece): Piece[] {
  return [hand.on(piece, 'left'), hand.on(hand.again(piece), 'right')];
}

function tidePool(hand: Hand): Piece[] {
  const set = ['kelp', 'crab', 'anemone', 'starfish', 'limpet', 'whelk'] as const;
  return set.map((key, index) => {
    const piece = hand.scaled(hand.motif(key), 0.45);
    return hand.moved(hand.on(piece, 'front'), (index - 2.5) * 33, index % 2 === 0 ? -4.5 : 8.5);
  });
}

/** The shop's fits. Stickers of it are not cut yet: that takes their pixels. */
export function demoFits(facts: FactsOf): Fit[] {
  const blanks = new Map<string, ResolvedBlank>(shippedBlanks().map((one) => [one.blank.id, one]));
  const made = SETTINGS.map(([designId, blankId, colourId, set]) => {
    const { blank, faces } = blanks.get(blankId)!;
    const face = faces[0]!;
    return demoFit(designId, blank, colourId, [
      { faceId: face.id, pieces: set(new Hand(face, blank.body, facts)) },
    ]);
  });
  const { blank } = blanks.get(CUT_BLANK)!;
  const cut = cutDesigns(facts).map(({ designId, faces }) => demoFit(designId, blank, 'white', faces));
  return [...made, ...cut];
}

function demoFit(designId: string, blank: Blank, colourId: string, faces: FitFace[]): Fit {
  return {
    upfit: 'fit/1',
    id: `${designId}--${blank.id}`,
    designId,
    blankId: blank.id,
    blankVersion: blank.version,
    colourId,
    stateId: null,
    sizeId: null,
    faces,
  };
}
