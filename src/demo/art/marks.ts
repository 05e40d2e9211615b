import { circle, line, n, path, rect, svg } from './pen';
import { INK } from './sea';

/** A two-colour badge: a ring and a figure-of-eight knot, flat colours and crisp edges. */
export function knotBadge(): string {
  const red = '#b23a2a';
  const loop = 'M500 500C590 380 780 380 780 500S590 620 500 500S220 380 220 500S410 620 500 500Z';
  const ring = `<circle cx="500" cy="500" r="430" fill="none" stroke="${INK}" stroke-width="74"/>`;
  return svg(
    1000,
    1000,
    ring + line(loop, red, 96) + line('M470 458L530 542', '#ffffff', 22) + line('M462 466L522 550', red, 60),
  );
}

/** A compass rose with long thin points. */
export function compassRose(): string {
  const point = (angle: number, reach: number, waist: number, dark: string, light: string) =>
    `<g transform="rotate(${angle} 500 500)">` +
    path(`M500 500L${500 - waist} ${500 - waist}L500 ${500 - reach}Z`, dark) +
    path(`M500 500L${500 + waist} ${500 - waist}L500 ${500 - reach}Z`, light) +
    '</g>';
  let body = `<circle cx="500" cy="500" r="330" fill="none" stroke="${INK}" stroke-width="7"/>`;
  for (let i = 0; i < 32; i++) {
    body += `<g transform="rotate(${i * 11.25} 500 500)">${rect(498, 150, 4, i % 2 === 0 ? 40 : 22, INK)}</g>`;
  }
  for (const angle of [45, 135, 225, 315]) body += point(angle, 330, 34, '#2e5d76', '#8fb3bf');
  for (const angle of [0, 90, 180, 270]) body += point(angle, 490, 52, INK, '#d9b45b');
  return svg(1000, 1000, body + circle(500, 500, 34, '#f3ead7') + circle(500, 500, 14, INK));
}

/** Letters as strokes on a 60 x 100 field, so that no font is needed. */
const LETTERS: Record<string, string> = {
  K: 'M0 0V100M58 0L4 56M22 40L60 100',
  E: 'M56 0H0V100H56M0 49H46',
  P: 'M0 100V0H30C64 0 64 54 30 54H0',
  T: 'M0 0H60M30 0V100',
  H: 'M0 0V100M60 0V100M0 49H60',
  L: 'M0 0V100H52',
  I: 'M12 0V100',
  G: 'M58 18C40 -10 0 -6 0 50S44 112 60 82V54H36',
};

function word(text: string, x: number, y: number, scale: number, colour: string): string {
  let at = 0;
  let out = '';
  for (const letter of text) {
    const shape = LETTERS[letter];
    if (shape)
      out += `<g transform="translate(${n(x + at * scale)} ${n(y)}) scale(${n(scale)})">${line(shape, colour, 19)}</g>`;
    at += letter === 'I' ? 54 : letter === ' ' ? 52 : 90;
  }
  return out;
}

/** The lettering "Keep the light", three lines set to one width. */
export function keepTheLight(): string {
  return svg(
    1240,
    1060,
    word('KEEP', 50, 50, 2.3, INK) +
      word('THE', 872, 62, 1.3, '#b23a2a') +
      line('M872 250H1190', '#b23a2a', 22) +
      word('LIGHT', 52, 420, 2.85, INK) +
      line('M120 860C330 790 420 930 620 860S910 790 1110 860', '#b23a2a', 24) +
      line('M120 950C330 880 420 1020 620 950S910 880 1110 950', INK, 24),
  );
}

/** Six tide-pool drawings of differing sizes, in px at the set's own scale. */
export const TIDE_POOL = ['crab', 'starfish', 'limpet', 'anemone', 'whelk', 'kelp'] as const;
export type TidePool = (typeof TIDE_POOL)[number];

const DRAWINGS: Record<TidePool, () => string> = {
  crab: () =>
    svg(
      900,
      640,
      [-1, 1]
        .map(
          (side) =>
            `<g transform="translate(450 0) scale(${side} 1)">` +
            [0, 1, 2]
              .map((i) =>
                line(
                  `M150 ${400 + i * 46}C250 ${390 + i * 40} 300 ${420 + i * 50} ${330 - i * 30} ${500 + i * 40}`,
                  '#8c2f22',
                  30,
                ),
              )
              .join('') +
            line('M150 330C250 290 290 250 300 190', '#8c2f22', 40) +
            path('M300 210C200 190 210 60 300 30C290 90 320 110 360 60C440 120 400 220 300 210Z', '#c4523a') +
            line('M60 290V210', '#8c2f22', 20) +
            circle(60, 200, 28, '#1b222d') +
            '</g>',
        )
        .join('') +
        path('M220 390C220 280 340 250 450 250S680 280 680 390S580 560 450 560S220 500 220 390Z', '#c4523a') +
        line('M360 440C400 480 500 480 540 440', '#8c2f22', 18),
    ),
  starfish: () => {
    const arm = [0, 72, 144, 216, 288].map(
      (a) =>
        `<g transform="rotate(${a} 350 360)">${path('M270 370C300 260 320 120 350 40C380 120 400 260 430 370Z', '#e0a83f')}${[0, 1, 2, 3].map((i) => circle(350, 110 + i * 60, 12, '#b57b1e')).join('')}</g>`,
    );
    return svg(700, 690, arm.join('') + circle(350, 360, 92, '#e0a83f') + circle(350, 360, 18, '#b57b1e'));
  },
  limpet: () =>
    svg(
      420,
      320,
      path('M20 290C60 130 150 30 210 30S360 130 400 290Z', '#7e8b86') +
        [70, 140, 210, 280, 350].map((x) => line(`M210 48L${x} 280`, '#58645f', 12)).join(''),
    ),
  anemone: () =>
    svg(
      620,
      620,
      Array.from({ length: 17 }, (_, i) => {
        const a = Math.PI * (0.04 + (i / 16) * 0.92);
        const x = 310 - Math.cos(a) * 270;
        const y = 330 - Math.sin(a) * 270;
        return line(
          `M${n(310 - Math.cos(a) * 90)} ${n(380 - Math.sin(a) * 60)}Q${n(x + 20)} ${n(y + 70)} ${n(x)} ${n(y)}`,
          i % 2 ? '#3d8f86' : '#256e73',
          28,
        );
      }).join('') + path('M190 380C190 340 430 340 430 380L460 600H160Z', '#1e5b63'),
    ),
  whelk: () =>
    svg(
      520,
      760,
      path(
        'M260 20C350 120 480 250 470 430C460 600 330 620 300 740C250 640 60 600 50 430C40 260 180 130 260 20Z',
        '#d8bd94',
      ) +
        [150, 260, 380, 490]
          .map((y, i) =>
            line(
              `M${200 - i * 46} ${y}C240 ${y + 50} 320 ${y + 40} ${340 + i * 36} ${y - 20}`,
              '#9d7c4f',
              22,
            ),
          )
          .join('') +
        path('M300 720C250 640 250 520 340 480C420 520 380 640 300 720Z', '#7a5b39'),
    ),
  kelp: () =>
    svg(
      360,
      900,
      line('M180 880C120 700 240 560 180 400S150 160 200 40', '#37593f', 24) +
        Array.from({ length: 8 }, (_, i) => {
          const y = 780 - i * 92;
          const side = i % 2 === 0 ? 1 : -1;
          return path(
            `M180 ${y}C${180 + side * 60} ${y - 90} ${180 + side * 150} ${y - 80} ${180 + side * 160} ${y - 130}C${180 + side * 110} ${y - 10} ${180 + side * 60} ${y + 20} 180 ${y}Z`,
            i % 3 === 0 ? '#55803f' : '#476f45',
          );
        }).join(''),
    ),
};

export function tidePool(name: TidePool): string {
  return DRAWINGS[name]();
}

/** Where each drawing of the tide pool lies on the sheet that holds all six, in px at the set's own scale. */
export const TIDE_POOL_SHEET = { width: 2400, height: 1800 };
export const TIDE_POOL_PLACES: Record<TidePool, { x: number; y: number; width: number; height: number }> = {
  crab: { x: 50, y: 60, width: 900, height: 640 },
  starfish: { x: 1040, y: 50, width: 700, height: 690 },
  whelk: { x: 1830, y: 50, width: 520, height: 760 },
  anemone: { x: 90, y: 1000, width: 620, height: 620 },
  limpet: { x: 960, y: 1180, width: 420, height: 320 },
  kelp: { x: 1700, y: 860, width: 360, height: 900 },
};

/** All six on one sheet, a group each. */
export function tidePoolSheet(): string {
  const groups = TIDE_POOL.map((name) => {
    const { x, y } = TIDE_POOL_PLACES[name];
    const inner = tidePool(name)
      .replace(/^<svg[^>]*>/, '')
      .replace(/<\/svg>$/, '');
    return `<g id="${name}" transform="translate(${x} ${y})">${inner}</g>`;
  });
  return svg(TIDE_POOL_SHEET.width, TIDE_POOL_SHEET.height, groups.join(''));
}
