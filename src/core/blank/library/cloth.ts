import type { GarmentBody } from '../bodies/garment';
import { garmentForm } from '../forms';
import type { Blank } from '../schema';
import { USUAL_SIZES } from '../sizes';
import { blank, WHITE } from './make';

const CLOTH = [
  WHITE,
  { id: 'oat', name: 'Oat', hex: '#e2d8c3' },
  { id: 'fog', name: 'Fog', hex: '#a9aeb1' },
  { id: 'rust', name: 'Rust', hex: '#a4492f' },
  { id: 'kelp', name: 'Kelp', hex: '#37493c' },
  { id: 'night', name: 'Night', hex: '#1c2531' },
];

const print = (
  place: GarmentBody['prints'][number]['place'],
  width: number,
  height: number,
  below: number,
  keepOuts: GarmentBody['prints'][number]['keepOuts'] = [],
) => ({ place, width, height, below, keepOuts });

const SHIRT: GarmentBody = {
  ...garmentForm.begin,
  prints: [
    print('front', 305, 406, 60),
    print('back', 305, 406, 70),
    print('sleeve', 80, 80, 60),
    print('neck', 70, 50, 18),
  ],
};

/** Garments, caps, bags and what else is sewn. */
export const CLOTHES: readonly Blank[] = [
  blank({
    id: 'shirt',
    name: 'Shirt',
    body: SHIRT,
    methodId: 'direct-to-garment',
    specId: 'dunmere-shirt',
    colours: CLOTH,
    sizes: USUAL_SIZES,
  }),
  blank({
    id: 'shirt-screen',
    name: 'Shirt, four screens',
    body: { ...SHIRT, prints: [print('front', 330, 430, 60), print('back', 330, 430, 70)] },
    methodId: 'screen',
    specId: 'corrie-cloth',
    colours: CLOTH,
    sizes: USUAL_SIZES,
  }),
  blank({
    id: 'hooded-top',
    name: 'Hooded top',
    body: {
      kind: 'garment',
      cut: 'hooded',
      chest: 580,
      length: 700,
      sleeve: 590,
      collarWidth: 210,
      collarDrop: 70,
      prints: [
        print('front', 300, 330, 55, [
          {
            id: 'pocket',
            name: 'Pocket',
            effect: 'cover',
            shape: { kind: 'rectangle', x: 10, y: 268, width: 280, height: 62, cornerRadius: 0 },
          },
        ]),
        print('back', 330, 400, 130),
      ],
    },
    methodId: 'film-transfer',
    specId: 'corrie-cloth',
    colours: CLOTH.slice(1),
    sizes: USUAL_SIZES,
  }),
  blank({
    id: 'zip-top',
    name: 'Zip top',
    body: {
      kind: 'garment',
      cut: 'hooded',
      chest: 570,
      length: 690,
      sleeve: 590,
      collarWidth: 205,
      collarDrop: 70,
      prints: [
        print('front', 300, 280, 55, [
          {
            id: 'zip',
            name: 'Zip',
            effect: 'hole',
            shape: { kind: 'rectangle', x: 141, y: 0, width: 18, height: 280, cornerRadius: 0 },
          },
        ]),
        print('back', 330, 400, 130),
      ],
    },
    methodId: 'film-transfer',
    specId: 'corrie-cloth',
    colours: CLOTH.slice(2),
    sizes: USUAL_SIZES,
  }),
  blank({
    id: 'shirt-child',
    name: 'Child’s shirt',
    body: {
      kind: 'garment',
      cut: 'shirt',
      chest: 380,
      length: 500,
      sleeve: 140,
      collarWidth: 140,
      collarDrop: 48,
      prints: [print('front', 210, 250, 40), print('back', 210, 250, 50)],
    },
    methodId: 'direct-to-garment',
    specId: 'dunmere-shirt',
    colours: CLOTH.slice(0, 4),
    sizes: [
      { id: 'age-4', name: '3 to 4', garment: 0.86, print: 0.88 },
      { id: 'age-6', name: '5 to 6', garment: 0.93, print: 0.94 },
      { id: 'age-8', name: '7 to 8', garment: 1, print: 1 },
      { id: 'age-11', name: '9 to 11', garment: 1.1, print: 1.06 },
    ],
  }),
  blank({
    id: 'cap',
    name: 'Cap',
    body: {
      kind: 'garment',
      cut: 'cap',
      chest: 185,
      length: 150,
      sleeve: 0,
      collarWidth: 0,
      collarDrop: 0,
      prints: [print('front', 115, 58, 32)],
    },
    methodId: 'film-transfer',
    specId: 'corrie-cloth',
    colours: CLOTH.slice(1),
  }),
  blank({
    id: 'tote',
    name: 'Tote bag',
    body: {
      kind: 'garment',
      cut: 'tote',
      chest: 380,
      length: 420,
      sleeve: 270,
      collarWidth: 0,
      collarDrop: 0,
      prints: [print('front', 280, 300, 70), print('back', 280, 300, 70)],
    },
    methodId: 'direct-to-garment',
    specId: 'dunmere-shirt',
    colours: [{ id: 'raw', name: 'Raw cotton', hex: '#e6dcc6' }, CLOTH[5]!],
  }),
  blank({
    id: 'apron',
    name: 'Apron',
    body: {
      kind: 'garment',
      cut: 'apron',
      chest: 680,
      length: 860,
      sleeve: 0,
      collarWidth: 250,
      collarDrop: 0,
      prints: [
        print('front', 230, 230, 60, [
          {
            id: 'pocket-seam',
            name: 'Pocket seam',
            effect: 'hole',
            shape: { kind: 'rectangle', x: 0, y: 222, width: 230, height: 8, cornerRadius: 0 },
          },
        ]),
      ],
    },
    methodId: 'film-transfer',
    specId: 'corrie-cloth',
    colours: [CLOTH[1]!, CLOTH[5]!],
  }),
];
