import { createElement } from 'react';
import { renderToStaticMarkup } from 'react-dom/server';
import { clipTo } from '@/core/fit/clip';
import { opaqueBox } from '@/core/fit/geometry';
import { newFill } from '@/core/fit/place';
import { newRepeat } from '@/core/fit/repeat';
import type { ArtworkPiece, Fit, Piece } from '@/core/fit/schema';
import { firstLettering, newText } from '@/core/fit/text';
import { layText } from '@/core/type/layout';
import { facesByLayout } from '@/state/shop/layouts';
import { inOrder } from '@/core/key-order';
import { useShop } from '@/state/shop/shop';
import type { Artwork } from '@/store/schema';
import type { Layout } from '@/store/kept';
import { PieceDrawings } from '@/ui/flat/PieceDrawings';
import { blankById, faceOf, factsOf, pieceAt } from '../support/fits';
import { solid } from '../support/pictures';
import { face as typeface } from '../support/font';

const mug = blankById('mug-325');
const face = faceOf(mug);
const facts = factsOf(solid(200, 100));

function words(): Piece {
  const lettering = {
    ...firstLettering('archivo-narrow', '#123456', 8),
    outline: { width: 1, colour: '#ffffff' },
  };
  return newText('words', lettering, layText(lettering, typeface())!, { x: 60, y: 40 });
}

describe('a new fit by its blank’s starting layout', () => {
  const artwork = (id: string, width: number, height: number): Artwork => ({
    upfit: 'artwork/1',
    id,
    facts: factsOf(solid(width, height), { sha256: id, name: `${id}.png` }),
    addedAt: 0,
    preview: new Blob(),
    steps: [],
    fileName: null,
    origin: { source: '', licence: '', proof: '' },
    rendition: null,
  });
  const kept: Fit['faces'] = [
    {
      faceId: 'wrap',
      pieces: [
        pieceAt(111, 46, 230, 115, { id: 'ground', role: 'ground', artworkId: 'sea' }),
        pieceAt(40, 46, 40, 20, { id: 'motif', artworkId: 'gull' }),
        pieceAt(200, 80, 12, 6, { id: 'logo', artworkId: 'logo', groupId: 'mark' }),
        words(),
      ],
      groups: [{ id: 'mark', name: 'Mark', rotation: 0 }],
    },
  ];
  const layout: Layout = {
    upfit: 'layout/1',
    blankId: 'mug-325',
    keptAt: 0,
    artworks: [
      { artworkId: 'sea', role: 'ground' },
      { artworkId: 'gull', role: 'motif' },
    ],
    faces: kept,
  };
  beforeEach(() => {
    const artworks = [
      artwork('sea', 200, 100),
      artwork('gull', 200, 100),
      artwork('logo', 200, 100),
      artwork('whelk', 100, 200),
    ];
    useShop.setState({
      artworks: new Map(artworks.map((one) => [one.id, one])),
      layouts: new Map([['mug-325', layout]]),
    });
  });

  test('what is the design’s own gives its place to the new one’s; logo and words stay; the layout is left alone', () => {
    const before = JSON.stringify(layout);
    const [made] = facesByLayout(mug, [{ artworkId: 'whelk', role: 'motif' }])!;
    expect(made!.pieces.map((piece) => ('artworkId' in piece ? piece.artworkId : piece.kind))).toEqual([
      'whelk',
      'logo',
      'text',
    ]);
    const whelk = made!.pieces[0] as ArtworkPiece;
    expect(whelk).toMatchObject({ x: 40, y: 46, name: 'whelk' });
    // A tall one within the place of a wide one, not stretched.
    expect([whelk.width, whelk.height]).toEqual([expect.closeTo(10, 9), expect.closeTo(20, 9)]);
    expect(made!.pieces[1]!.groupId).toBe(made!.groups![0]!.id);
    expect(made!.groups![0]!.id).not.toBe('mark');
    expect(new Set(made!.pieces.map(({ id }) => id)).has('logo')).toBe(false);
    expect(JSON.stringify(layout)).toBe(before);
  });

  test('what has no place in it is set as on a bare blank: grounds under all, motifs on top', () => {
    useShop.setState({
      layouts: new Map([
        ['mug-325', { ...layout, artworks: [], faces: [{ faceId: 'wrap', pieces: [words()] }] }],
      ]),
    });
    const [made] = facesByLayout(mug, [
      { artworkId: 'gull', role: 'motif' },
      { artworkId: 'sea', role: 'ground' },
    ])!;
    expect(made!.pieces.map((piece) => ('artworkId' in piece ? piece.artworkId : piece.kind))).toEqual([
      'sea',
      'text',
      'gull',
    ]);
  });

  test('a blank without one has none; an artwork that is gone leaves no piece behind', () => {
    expect(facesByLayout(blankById('shirt'), [])).toBeNull();
    useShop.setState({ artworks: new Map([['whelk', artwork('whelk', 100, 200)]]) });
    const [made] = facesByLayout(mug, [{ artworkId: 'whelk', role: 'motif' }])!;
    expect(made!.pieces.some((piece) => 'artworkId' in piece && piece.artworkId === 'logo')).toBe(false);
  });
});

describe('pieces drawn small', () => {
  const draw = (pieces: Piece[]) =>
    renderToStaticMarkup(
      createElement(
        'svg',
        null,
        createElement(PieceDrawings, { pieces, face, pictureOf: () => 'blob:test', factsOf: () => facts }),
      ),
    );

  test('a text is its outlines, the ring under the letters', () => {
    const svg = draw([words()]);
    expect(svg.indexOf('fill="#ffffff"')).toBeGreaterThan(0);
    expect(svg.indexOf('fill="#123456"')).toBeGreaterThan(svg.indexOf('fill="#ffffff"'));
    expect(svg).not.toContain('<text');
  });

  test('a clip cuts its picture, a repeat is a pattern over its area, a knockout a mask over what is under it', () => {
    const piece = pieceAt(50, 40, 60, 30);
    expect(draw([clipTo(piece, { kind: 'ellipse' }, opaqueBox(piece, facts))])).toMatch(
      /<clipPath .*<image /s,
    );
    for (const [pattern, tiles] of [
      ['straight', 1],
      ['half-drop', 3],
      ['brick', 3],
      ['mirrored', 4],
    ] as const) {
      const svg = draw([{ ...newRepeat(piece, facts, face, null), pattern }]);
      expect(svg.match(/<image /g)).toHaveLength(tiles);
      expect(svg).toMatch(/<pattern [^>]*patternUnits="userSpaceOnUse"/);
    }
    const knocked = draw([
      newFill('g', '#204060'),
      { ...words(), knockout: true },
      newFill('over', '#ff0000'),
    ]);
    expect(knocked).toMatch(/<mask .*brightness\(0\).*<g mask=.*#204060.*<\/g>.*#ff0000/s);
  });
});

test('a record is written with its keys in one order, whichever they came in', () => {
  const written = (record: object) => JSON.stringify(record, inOrder);
  expect(written({ b: 1, a: null })).toBe('{"a":null,"b":1}');
  expect(written({ a: 1, b: [{ c: 2, d: 3 }] })).toBe(written({ b: [{ d: 3, c: 2 }], a: 1 }));
  expect(written({ a: [1, 2] })).not.toBe(written({ a: [2, 1] }));
});
