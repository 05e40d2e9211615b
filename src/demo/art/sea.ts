import { circle, dice, line, n, path, rect, svg, wave } from './pen';

export const INK = '#1d2f4f';
const CREAM = '#f3ead7';
const RED = '#b23a2a';

function sky(id: string, top: string, middle: string, low: string): string {
  return (
    `<linearGradient id="${id}" x1="0" y1="0" x2="0" y2="1"><stop offset="0" stop-color="${top}"/>` +
    `<stop offset=".55" stop-color="${middle}"/><stop offset="1" stop-color="${low}"/></linearGradient>`
  );
}

function stars(width: number, height: number, count: number, seed: number, size: number): string {
  const roll = dice(seed);
  let out = '';
  for (let i = 0; i < count; i++) {
    const bright = roll();
    out += circle(
      roll() * width,
      roll() ** 1.4 * height,
      size * (0.35 + bright),
      bright > 0.7 ? '#fff6d8' : '#c9d3e6',
    );
  }
  return out;
}

/** The tower alone, 300 x 1000 about x = 0, its foot at y = 0. */
function tower(x: number, y: number, scale: number): string {
  const bands = [0, 1, 2, 3, 4].map((band) => {
    const low = band * 150;
    const half = (at: number) => 100 - at * 0.052;
    const colour = band % 2 === 0 ? CREAM : RED;
    const [a, b] = [half(low), half(low + 150)];
    return path(`M${-a} ${-low}L${n(-b)} ${-low - 150}L${n(b)} ${-low - 150}L${a} ${-low}Z`, colour);
  });
  return (
    `<g transform="translate(${n(x)} ${n(y)}) scale(${n(scale * 100) === '0' ? scale : scale})">` +
    path('M-230 30C-200 -30 -80 -40 0 -40S200 -30 230 30Z', '#1b222d') +
    bands.join('') +
    rect(-84, -772, 168, 22, '#1b222d') +
    rect(-42, -862, 84, 90, '#ffd56a') +
    path('M-58 -862L0 -940L58 -862Z', '#1b222d') +
    rect(-20, -90, 40, 90, '#1b222d') +
    rect(-11, -420, 22, 46, '#1b222d') +
    '</g>'
  );
}

/** The lighthouse and its glowing beam on nothing: the beam is half transparent and fades out. */
export function lighthouse(): string {
  const beam = (id: string, flip: boolean) =>
    `<linearGradient id="${id}" x1="${flip ? 1 : 0}" x2="${flip ? 0 : 1}" y1="0" y2="0">` +
    '<stop offset="0" stop-color="#ffd56a" stop-opacity=".8"/><stop offset="1" stop-color="#ffd56a" stop-opacity=".06"/></linearGradient>';
  return svg(
    1200,
    1500,
    path('M642 470L1180 300V660Z', 'url(#r)') +
      path('M558 470L20 300V660Z', 'url(#l)') +
      tower(600, 1420, 1.15),
    beam('r', false) + beam('l', true),
  );
}

/** A harbour that closes on itself: what leaves at the right edge comes in at the left. */
export function harbour(): string {
  const width = 2260;
  const height = 960;
  const roll = dice(11);
  const roofs = ['#c4523a', '#e0a83f', '#3d6f6d', '#ead9bd', '#8a4a3a'];
  let hills = '';
  for (const [base, fill, steps] of [
    [640, '#33435c', 5],
    [690, '#263447', 7],
  ] as const) {
    const period = width / steps;
    const heights = Array.from({ length: steps }, () => 90 + roll() * 130);
    let d = `M0 ${base - heights[0]!}`;
    for (let i = 0; i < steps; i++) {
      const next = base - heights[(i + 1) % steps]!;
      const here = base - heights[i]!;
      d += `C${n((i + 0.4) * period)} ${n(here)} ${n((i + 0.6) * period)} ${n(next)} ${n((i + 1) * period)} ${n(next)}`;
    }
    hills += path(`${d}V${height}H0Z`, fill);
  }
  let houses = '';
  const count = 30;
  for (let i = 0; i < count; i++) {
    const w = 44 + roll() * 22;
    const h = 60 + roll() * 58;
    const x = (i + 0.5) * (width / count) - w / 2;
    const fill = roofs[Math.floor(roll() * roofs.length)]!;
    houses +=
      rect(x, 772 - h, w, h, fill) +
      path(`M${n(x - 7)} ${n(772 - h)}l${n(w / 2 + 7)} -34l${n(w / 2 + 7)} 34z`, '#20252b');
    houses +=
      rect(x + w * 0.22, 772 - h + 16, 11, 15, '#ffe7a8') +
      rect(x + w * 0.62, 772 - h + 16, 11, 15, '#ffe7a8');
  }
  let sea = rect(0, 770, width, height - 770, '#15233b');
  for (let i = 0; i < 4; i++) sea += line(wave(-113, width + 113, 812 + i * 38, 113, 26), '#7f96b6', 4);
  return svg(
    width,
    height,
    rect(0, 0, width, height, 'url(#s)') +
      stars(width, 460, 150, 5, 2.6) +
      hills +
      houses +
      sea +
      tower(630, 800, 0.58) +
      tower(1630, 800, 0.58),
    sky('s', '#172146', '#3c5b93', '#b98f70'),
  );
}

/** Heavy ink: a deep night over the water. */
export function nightSky(): string {
  const width = 1800;
  const height = 1200;
  const moon = path('M880 304A92 92 0 1 0 990 430A84 84 0 0 1 880 304Z', '#f4ecd2');
  let sea = rect(0, 960, width, 240, '#0c1322');
  for (let i = 0; i < 5; i++) sea += line(wave(-90, width + 90, 1000 + i * 40, 180, 16), '#2f4266', 5);
  return svg(
    width,
    height,
    rect(0, 0, width, height, 'url(#s)') + stars(width, 900, 420, 9, 3.4) + moon + sea,
    sky('s', '#070b18', '#121a33', '#223158'),
  );
}

/** A wave tile that repeats without a seam, laid out several times. */
export function waves(across: number, down: number): string {
  const tile = 240;
  const width = tile * across;
  const height = tile * down;
  let body = rect(0, 0, width, height, '#dbe7e2');
  for (let row = -1; row <= down * 4; row++) {
    const shift = row % 2 === 0 ? 0 : tile / 2;
    const stroke = row % 2 === 0 ? '#1e6d74' : INK;
    body += line(
      wave(shift - tile * 2, width + tile * 2, row * 60 + 30, tile / 2, 44),
      stroke,
      row % 2 === 0 ? 9 : 6,
    );
  }
  return svg(width, height, body);
}
