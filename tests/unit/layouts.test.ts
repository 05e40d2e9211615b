import { inOneOrder } from '@/core/key-order';
import fc from 'fast-check';
import { createElement } from 'react';
import { renderToStaticMarkup } from 'react-dom/server';
import { clipTo } from '@/core/fit/clip';
import { opaqueBox } from '@/core/fit/geometry';
import { newFill } from '@/core/fit/place';
import { newRepeat } from '@/core/fit/repeat';
import type { ArtworkPiece, Fit, FitFace, Piece } from '@/core/fit/schema';
import { firstLettering, newText } from '@/core/fit/text';
import { beginFaces, pieceIn } from '@/core/layout/begin';
import { boxOf, emptyPlace, layoutFault, layoutInWords, partsOf, withBox } from '@/core/layout/places';
import type { Layout, MotifPlace } from '@/core/layout/schema';
import { MILLIMETRES } from '@/core/length/show';
import { layText } from '@/core/type/layout';
import type { Artwork } from '@/store/schema';
import { readRecord } from '@/store/tables';
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

describe('a new fit by a starting layout', () => {
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
    upfit: 'layout/2',
    id: 'rim',
    blankId: 'mug-325',
    name: 'Rim',
    usual: true,
    keptAt: 0,
    artworks: [
      { artworkId: 'sea', role: 'ground' },
      { artworkId: 'gull', role: 'motif' },
    ],
    faces: kept.map((one) => ({ ...one, places: [] })),
  };
  const artworks = new Map(
    [
      artwork('sea', 200, 100),
      artwork('gull', 200, 100),
      artwork('logo', 200, 100),
      artwork('whelk', 100, 200),
    ].map((one) => [one.id, one]),
  );
  const begin = (
    by: Layout,
    chosen: Layout['artworks'],
    known: ReadonlyMap<string, Artwork> = artworks,
  ): FitFace[] =>
    beginFaces(by, {
      blank: mug,
      chosen,
      factsOf: (id) => known.get(id)?.facts ?? null,
      newId: () => crypto.randomUUID(),
    });
  const shown = (made: FitFace | undefined) =>
    made!.pieces.map((piece) => ('artworkId' in piece ? piece.artworkId : piece.kind));

  test('what is the design’s own gives its place to the new one’s; logo and words stay; the layout is left alone', () => {
    const before = JSON.stringify(layout);
    const [made] = begin(layout, [{ artworkId: 'whelk', role: 'motif' }]);
    expect(shown(made)).toEqual(['whelk', 'logo', 'text']);
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
    const [made] = begin(
      { ...layout, artworks: [], faces: [{ faceId: 'wrap', pieces: [words()], places: [] }] },
      [
        { artworkId: 'gull', role: 'motif' },
        { artworkId: 'sea', role: 'ground' },
      ],
    );
    expect(shown(made)).toEqual(['sea', 'text', 'gull']);
  });

  test('an artwork that is gone leaves no piece behind', () => {
    const known = new Map([['whelk', artwork('whelk', 100, 200)]]);
    const [made] = begin(layout, [{ artworkId: 'whelk', role: 'motif' }], known);
    expect(shown(made)).not.toContain('logo');
  });

  describe('with empty places', () => {
    const place = (id: string, more: Partial<MotifPlace> = {}): MotifPlace => ({
      ...(emptyPlace(id, 'motif', face, 'left') as MotifPlace),
      ...more,
    });
    const empty = (places: Layout['faces'][number]['places']): Layout => ({
      ...layout,
      artworks: [],
      faces: [{ faceId: 'wrap', pieces: [words()], places }],
    });

    test('“motif, 60 mm wide, left side”: what is seen of the artwork is that wide, its middle on the zone’s', () => {
      const left = face.zones.find(({ id }) => id === 'left')!;
      const [made] = begin(empty([place('one')]), [{ artworkId: 'gull', role: 'motif' }]);
      expect(shown(made)).toEqual(['text', 'gull']);
      const gull = made!.pieces[1] as ArtworkPiece;
      expect(opaqueBox(gull, artworks.get('gull')!.facts)).toMatchObject({
        x: expect.closeTo(left.x, 9) as number,
        y: expect.closeTo(left.y, 9) as number,
        width: expect.closeTo(60, 9) as number,
        height: expect.closeTo(30, 9) as number,
      });
    });

    test('one artwork fills every place of its role, several go round; a ground lies under what is kept', () => {
      const places = [place('one'), place('two', { x: 160 }), emptyPlace('all', 'ground', face, null)];
      const motif = { artworkId: 'gull', role: 'motif' } as const;
      expect(shown(begin(empty(places), [motif])[0])).toEqual(['text', 'gull', 'gull']);
      expect(
        shown(
          begin(empty(places), [
            motif,
            { artworkId: 'whelk', role: 'motif' },
            { artworkId: 'sea', role: 'ground' },
          ])[0],
        ),
      ).toEqual(['sea', 'text', 'gull', 'whelk']);
      expect(shown(begin(empty(places), [])[0])).toEqual(['text']);
    });

    test('any artwork is within any box, its middle and turn are the box’s, and it touches a side of it', () => {
      fc.assert(
        fc.property(
          fc.record({
            width: fc.double({ min: 1, max: 200, noNaN: true }),
            height: fc.double({ min: 1, max: 90, noNaN: true }),
            x: fc.double({ min: 0, max: 220, noNaN: true }),
            y: fc.double({ min: 0, max: 90, noNaN: true }),
            rotation: fc.double({ min: -3.2, max: 3.2, noNaN: true }),
          }),
          fc.integer({ min: 1, max: 40 }),
          fc.integer({ min: 1, max: 40 }),
          (box, w, h) => {
            const own = factsOf(solid(w, h));
            const seen = opaqueBox(pieceIn(place('one', box), 'any', own, face, 'p'), own);
            const share = Math.max(seen.width / box.width, seen.height / box.height);
            expect([seen.x, seen.y, seen.rotation, share, seen.width / seen.height]).toEqual(
              [box.x, box.y, box.rotation, 1, w / h].map((one) => expect.closeTo(one, 6) as number),
            );
          },
        ),
      );
    });

    test('a place larger than its face is refused in a sentence, one as large as it is not', () => {
      const fault = (more: Partial<MotifPlace>) =>
        layoutFault(
          [{ faceId: 'wrap', pieces: [], places: [place('one', { name: 'Left', ...more })] }],
          mug.faces,
          () => facts,
          MILLIMETRES,
        );
      expect(fault({ width: face.width })).toBeNull();
      expect(fault({ width: face.width + 0.01 })).toMatch(
        /^“Left” would be 222\.2 mm wide, and the wrap is 222\.2 mm: make it smaller\.$/,
      );
      expect(fault({ height: 92 })).toBeNull();
      expect(fault({ height: 93 })).toMatch(/93\.0 mm high, and the wrap is 92\.0 mm/);
      expect(fault({ x: -1 })).toMatch(/middle of “Left” would lie outside the wrap/);
    });

    test('a kept piece larger than its face is refused too; a ground may reach past it', () => {
      const fault = (piece: Piece) =>
        layoutFault([{ faceId: 'wrap', pieces: [piece], places: [] }], mug.faces, () => facts, MILLIMETRES);
      expect(fault(pieceAt(111, 46, 300, 150, { role: 'motif' }))).toMatch(/make it smaller/);
      expect(fault(pieceAt(111, 46, 300, 150, { role: 'ground' }))).toBeNull();
      expect(fault(newFill('fill', '#ffffff'))).toBeNull();
    });

    test('a box that is moved or sized is that box; a place without a height stays without', () => {
      const before = {
        faceId: 'wrap',
        pieces: [pieceAt(40, 46, 40, 20, { id: 'p' })],
        places: [place('one')],
      };
      const after = withBox(
        withBox(before, 'p', { x: 60, width: 20, height: 10 }, () => facts),
        'one',
        { y: 30 },
        () => facts,
      );
      expect(partsOf(after).map((part) => boxOf(part, () => facts))).toEqual([
        expect.objectContaining({ x: 60, y: 46, width: 20, height: 10 }),
        expect.objectContaining({ y: 30, width: 60 }),
      ]);
      expect(after.places[0]).toMatchObject({ height: null });
      expect(layoutInWords({ ...layout, artworks: [], faces: [after] })).toBe('1 piece kept, 1 empty place');
    });
  });

  test('a layout of the first version has a name and is what fits begin with', () => {
    const { faces, artworks: own } = layout;
    const first = {
      upfit: 'layout/1',
      blankId: 'mug-325',
      keptAt: 0,
      artworks: own,
      faces: faces.map(({ faceId, pieces, groups }) => ({ faceId, pieces, groups })),
    };
    const read = readRecord('layouts', first);
    expect(read).toMatchObject({
      ok: true,
      record: { id: 'mug-325', blankId: 'mug-325', name: 'Starting layout', usual: true },
    });
    if (read.ok) expect(begin(read.record, []).map(shown)).toEqual(begin(layout, []).map(shown));
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
  const written = (record: object) => inOneOrder(record);
  expect(written({ b: 1, a: null })).toBe('{"a":null,"b":1}');
  expect(written({ a: 1, b: [{ c: 2, d: 3 }] })).toBe(written({ b: [{ d: 3, c: 2 }], a: 1 }));
  expect(written({ a: [1, 2] })).not.toBe(written({ a: [2, 1] }));
});
