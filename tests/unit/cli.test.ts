import { execFileSync, spawnSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import jpegJs from 'jpeg-js';
import { PNG } from 'pngjs';
import { readMeasured, type MeasuredShape } from '@/cli/measured';
import { nodeReaders } from '@/cli/readers';
import { run } from '@/cli/run';
import { longTest } from '../support/long';

const folder = mkdtempSync(join(tmpdir(), 'up-fit-cli-'));
const file = (name: string) => join(folder, name);

const readers = nodeReaders();

/** Runs the command line in this process, on one engine for all of them. */
async function upfit(...args: string[]): Promise<{ status: number; json: Record<string, unknown> }> {
  const { status, out } = await run([...args, '--json'], readers.supply);
  return { status, json: JSON.parse(out) as never };
}

/** Runs the bundled command line as a seller does, in a process of its own. */
function inProcess(...args: string[]) {
  return started({}, ...args);
}

function started(options: { cwd?: string; env?: NodeJS.ProcessEnv }, ...args: string[]) {
  const command = [join(process.cwd(), 'dist/cli/main.mjs'), ...args];
  return spawnSync(process.execPath, command, { encoding: 'utf8', maxBuffer: 1e8, ...options });
}

/** A PNG written by another library: a red block with a clear margin. */
function writeBlock(name: string, width: number, height: number, margin: number): void {
  const png = new PNG({ width, height });
  for (let y = margin; y < height - margin; y++) {
    for (let x = margin; x < width - margin; x++) png.data.set([200, 30, 20, 255], (y * width + x) * 4);
  }
  writeFileSync(file(name), PNG.sync.write(png));
}

beforeAll(() => {
  writeBlock('block.png', 1200, 800, 0);
  writeBlock('margin.png', 400, 300, 50);
  const data = Buffer.alloc(640 * 480 * 4, 120);
  writeFileSync(file('photo.jpg'), jpegJs.encode({ width: 640, height: 480, data }, 90).data);
  const whole = readFileSync(file('block.png'));
  writeFileSync(file('half.png'), whole.subarray(0, whole.length / 2));
  writeFileSync(file('empty.png'), '');
  writeFileSync(file('words.png'), 'not a picture');
  const forged = Buffer.from(readFileSync(file('photo.jpg')));
  const frame = forged.indexOf(Buffer.from([0xff, 0xc0]));
  forged.writeUInt16BE(60_000, frame + 5);
  forged.writeUInt16BE(60_000, frame + 7);
  writeFileSync(file('forged.jpg'), forged);
});
afterAll(() => {
  readers.close();
  rmSync(folder, { recursive: true });
});

test('blanks: the shipped ones', async () => {
  const { status, json } = await upfit('blanks');
  expect(status).toBe(0);
  const ids = (json as unknown as { id: string }[]).map(({ id }) => id);
  expect(ids.length).toBeGreaterThanOrEqual(30);
  expect(ids).toEqual(expect.arrayContaining(['mug-325', 'tumbler-470', 'shirt', 'sticker-75']));
  expect(json).toContainEqual(expect.objectContaining({ target: 300, floor: 150 }));
});

test('inspect: the facts of a PNG and of a JPEG', async () => {
  const { json } = await upfit('inspect', file('margin.png'));
  expect(json).toMatchObject({
    name: 'margin.png',
    format: 'png',
    pixels: { width: 400, height: 300 },
    physical: null,
    density: null,
    colour: { mode: 'rgb', bits: 8, profile: null },
    alpha: { present: true, opaqueBounds: { x: 50, y: 50, width: 300, height: 200 }, softShare: 0 },
    orientation: 1,
    inks: 1,
  });
  const opaque = (await upfit('inspect', file('photo.jpg'))).json;
  expect(opaque).toMatchObject({
    format: 'jpeg',
    alpha: { present: false, opaqueBounds: { width: 640, height: 480 }, softShare: 0 },
  });
});

test('inspect: one bad file among good ones is told, the others go on', async () => {
  const { status, json } = await upfit('inspect', file('block.png'), file('half.png'), file('photo.jpg'));
  expect(status).toBe(2);
  expect(json).toMatchObject([{ format: 'png' }, { error: { code: 'unreadable' } }, { format: 'jpeg' }]);
});

test.each([
  ['empty.png', 'unreadable', 'is empty'],
  ['words.png', 'unreadable', 'not a picture'],
  ['half.png', 'unreadable', 'cut short'],
  ['forged.jpg', 'too-large', '60,000 × 60,000'],
  ['nowhere.png', 'not-found', 'is not there'],
])('inspect %s: one sentence and status 2', async (name, code, words) => {
  const { status, json } = await upfit('inspect', file(name));
  expect(status).toBe(2);
  expect(json).toMatchObject({ error: { code } });
  expect((json['error'] as { message: string }).message).toContain(words);
});

longTest('check: covering, inside, and a size of one’s own', async () => {
  const cover = await upfit(
    'check',
    '--blank',
    'mug-325',
    '--artwork',
    file('block.png'),
    '--place',
    'cover',
  );
  expect(cover.status).toBe(1);
  const findings = cover.json['findings'] as { rule: string; verdict: string; measured: number }[];
  expect(findings.find(({ rule }) => rule === 'bleed')).toMatchObject({ verdict: 'ready' });
  expect(findings.find(({ rule }) => rule === 'resolution')!.measured).toBeCloseTo(
    1200 / (226.186 / 25.4),
    2,
  );
  const sized = await upfit(
    'check',
    '--blank',
    'mug-325',
    '--artwork',
    file('block.png'),
    '--place',
    '3 1/8 inx2 1/12 in',
    '--at',
    '111.1mm,46mm',
  );
  expect(sized.status).toBe(0);
  expect(
    (sized.json['findings'] as typeof findings).find(({ rule }) => rule === 'resolution')!.measured,
  ).toBeCloseTo(384, 6);
});

test('render: exact pixels, density and no guide, read by another reader', async () => {
  const out = file('out.png');
  const { json } = await upfit(
    'render',
    '--blank',
    'mug-325',
    '--artwork',
    file('block.png'),
    '--place',
    '60mmx40mm',
    '--out',
    out,
  );
  expect(json).toMatchObject({ pixels: { width: 2671, height: 1134 }, ppi: 300 });
  const bytes = readFileSync(out);
  const png = PNG.sync.read(bytes);
  expect([png.width, png.height]).toEqual([2671, 1134]);
  const density = bytes.indexOf('pHYs');
  expect(bytes.readUInt32BE(density + 4)).toBe(11811);
  expect(bytes.includes('iCCP')).toBe(true);
  let there = 0;
  const reds = new Set<number>();
  for (let at = 0; at < png.data.length; at += 4) {
    if (png.data[at + 3] === 0) continue;
    there++;
    reds.add(png.data[at]!);
  }
  expect([...reds]).toEqual([200]);
  expect(there / ((60 / 25.4) * 300) / ((40 / 25.4) * 300)).toBeCloseTo(1, 2);
});

test('render: a JPEG lies on white, a mirrored file is turned over', async () => {
  const place = [
    '--blank',
    'shirt',
    '--artwork',
    file('block.png'),
    '--place',
    '60mmx40mm',
    '--at',
    '40mm,40mm',
    '--ppi',
    '72',
  ];
  await upfit('render', ...place, '--mirror', '--out', file('out.jpg'));
  const jpeg = jpegJs.decode(readFileSync(file('out.jpg')));
  expect([jpeg.width, jpeg.height]).toEqual([865, 1151]);
  const red = (x: number) => jpeg.data[(110 * jpeg.width + x) * 4 + 1]!;
  expect(red(100)).toBeGreaterThan(250);
  expect(red(865 - 100)).toBeLessThan(60);
});

test('render in inks gives a CMYK TIFF with the profile they are meant for', async () => {
  const place = ['--blank', 'mug-325', '--artwork', file('block.png'), '--ppi', '60'];
  const { json } = await upfit('render', ...place, '--mode', 'cmyk', '--out', file('inks.tif'));
  expect(json).toMatchObject({ mode: 'cmyk', mirrored: false });
  const info = execFileSync('tiffinfo', [file('inks.tif')], { encoding: 'utf8' });
  expect(info).toMatch(/separated/);
  expect(info).toMatch(/ICC Profile: <present>/);
});

test.each([
  [['check', '--blank', 'mug'], 'not-found'],
  [['check', '--blank', 'mug-325', '--artwork', file('block.png'), '--place', 'sideways'], 'bad-argument'],
  [
    ['check', '--blank', 'mug-325', '--artwork', file('block.png'), '--place', '2,400 mmx10 mm'],
    'bad-argument',
  ],
  [['check', '--blank', 'mug-325', '--artwork', file('block.png'), '--colour', 'mauve'], 'not-found'],
  [['check', '--blank', 'mug-325'], 'bad-argument'],
  [['render', '--blank', 'mug-325', '--artwork', file('block.png'), '--out', file('a.bmp')], 'bad-argument'],
  [
    [
      'render',
      '--blank',
      'mug-325',
      '--artwork',
      file('block.png'),
      '--mode',
      'cmyk',
      '--out',
      file('a.png'),
    ],
    'bad-argument',
  ],
  [['juggle'], 'bad-argument'],
  [['inspect', '--loud', 'x'], 'bad-argument'],
])('%j cannot be done: %s', async (args, code) => {
  const { status, json } = await upfit(...args);
  expect(status).toBe(2);
  expect(json).toMatchObject({ error: { code } });
});

describe('in a process of its own, without --json', () => {
  longTest('a file is told in sentences', () => {
    const { stdout } = inProcess('inspect', file('margin.png'));
    expect(stdout).toContain('Prints sharp up to 33.9 × 25.4 mm');
    expect(stdout).toContain('what is there takes 300 × 200 px from 50, 50.');
  });

  test('a check names each rule with its verdict', () => {
    const { status, stdout } = inProcess(
      'check',
      '--blank',
      'mug-325',
      '--artwork',
      file('block.png'),
      '--place',
      'cover',
    );
    expect(status).toBe(1);
    expect(stdout).toMatch(/^Mug 325 ml: fix\n/);
    expect(stdout).toContain('ready  Bleed: The ground reaches the bleed edge all round.');
    expect(stdout).toMatch(/fix\s+Resolution: /);
  });

  test('it is started anywhere, and takes files as they are named there', () => {
    const asked = ['inspect', 'margin.png', '--json'];
    const wanted = { name: 'margin.png', pixels: { width: 400, height: 300 } };
    const there = started({ cwd: file('') }, ...asked);
    expect(JSON.parse(there.stdout)).toMatchObject(wanted);
    // Through npm, which starts it in Up Fit's own folder.
    const env = { ...process.env, npm_lifecycle_event: 'upfit', INIT_CWD: file('') };
    expect(JSON.parse(started({ env }, ...asked).stdout)).toMatchObject(wanted);
  });

  test('what is long comes down a pipe whole', () => {
    const { status, stdout } = inProcess(
      'inspect',
      ...Array.from({ length: 200 }, () => file('words.png')),
      '--json',
    );
    expect(status).toBe(2);
    expect(stdout.length).toBeGreaterThan(20_000);
    expect(JSON.parse(stdout)).toHaveLength(200);
  });

  test('what cannot be done is one line on standard error', () => {
    const { status, stdout, stderr } = inProcess(
      'check',
      '--blank',
      'mug-325',
      '--artwork',
      file('words.png'),
    );
    expect(status).toBe(2);
    expect(stdout).toBe('');
    expect(stderr.trim().split('\n')).toHaveLength(1);
  });
});

describe('template', () => {
  const geometry = async (...args: string[]) => (await upfit('template', ...args)).json;

  test('a taper from diameters or from the way round', async () => {
    const worked = {
      outerRadius: expect.closeTo(676.498, 2),
      innerRadius: expect.closeTo(526.165, 2),
      sweep: expect.closeTo(23.947, 2),
      slant: expect.closeTo(150.333, 2),
      box: { width: expect.closeTo(280.69, 2), height: expect.closeTo(161.78, 2) },
    };
    expect(await geometry('--taper', 'top=90mm bottom=70mm height=150mm')).toMatchObject(worked);
    expect(
      await geometry('--taper', 'topRound=282.7433mm bottomRound=219.9115mm height=15 cm'),
    ).toMatchObject(worked);
  });

  test('a handle gap is taken from the sweep, so that it is still that at the narrow edge', async () => {
    const whole = (await geometry('--taper', 'top=90mm bottom=70mm height=150mm handle=26mm')) as Record<
      string,
      number
    >;
    expect(whole['sweep']).toBeCloseTo(23.947, 2);
    expect(((whole['sweep']! - whole['printSweep']!) * Math.PI * whole['innerRadius']!) / 180).toBeCloseTo(
      26,
      6,
    );
  });

  test('a cylinder, as people write lengths', async () => {
    expect(await geometry('--cylinder', 'diameter=79mm height=92mm handle=26mm')).toMatchObject({
      width: expect.closeTo(222.186, 3),
      height: 92,
      circumference: expect.closeTo(248.186, 3),
      zones: [
        { id: 'left', centre: expect.closeTo(-62.046, 3) },
        { id: 'front', centre: 0 },
        { id: 'right', centre: expect.closeTo(62.046, 3) },
      ],
    });
    expect(
      await geometry('--cylinder', 'circumference=9 5/8 in + 4 mm height=3 5/8 in overlap=4mm'),
    ).toMatchObject({
      width: expect.closeTo(252.475, 3),
      height: expect.closeTo(92.075, 3),
    });
  });

  test('as PNG: pixels are round(mm / 25.4 * ppi), and it carries its density', async () => {
    const { status } = await upfit(
      'template',
      '--flat',
      'width=96mm height=60mm bleed=2mm',
      '--out',
      file('t.png'),
      '--ppi',
      '200',
    );
    expect(status).toBe(0);
    const { width, height } = PNG.sync.read(readFileSync(file('t.png')));
    expect([width, height]).toEqual([Math.round((100 / 25.4) * 200), Math.round((64 / 25.4) * 200)]);
    expect((await upfit('inspect', file('t.png'))).json).toMatchObject({
      density: { x: expect.closeTo(200, 1) as number },
    });
  });

  test('as JSON and SVG', async () => {
    await upfit('template', '--blank', 'mug-cone', '--out', file('t.json'));
    expect(JSON.parse(readFileSync(file('t.json'), 'utf8'))).toHaveProperty('outerRadius');
    await upfit('template', '--blank', 'leaflet', '--face', 'inside', '--out', file('t.svg'));
    expect(readFileSync(file('t.svg'), 'utf8')).toContain('<g id="folds">');
  });

  test('what cannot be made is told', async () => {
    const none = await upfit('template', '--flat', 'width=3mm height=3mm', '--blank', 'coaster');
    expect(none.status).toBe(2);
    expect(none.json).toMatchObject({
      error: { code: 'bad-argument', message: expect.stringMatching(/wants one of/) as string },
    });
    expect((await upfit('template', '--blank', 'coaster', '--out', file('x.gif'))).status).toBe(2);
    const wide = await upfit('template', '--blank', 'banner-1800', '--out', file('wide.png'), '--ppi', '300');
    expect(wide.json).toMatchObject({ error: { code: 'too-large' } });
  });

  test.each<[shape: MeasuredShape, readings: string, words: RegExp]>([
    ['cylinder', 'diameter=79mm height=92mm handle=300mm', /wider than the way round/],
    ['cylinder', 'diameter=79mm', /wants height/],
    ['cylinder', 'diameter=0 height=92mm', /above zero/],
    ['cylinder', '79mm', /wants readings like circumference=248.2mm/],
    ['taper', 'top=90mm topRound=280mm bottom=70mm height=150mm', /top or topRound, not both/],
    ['taper', 'top=90mm bottom=70mm slant=5mm', /cannot reach/],
    ['flat', 'width=ninety height=3mm', /width: “n” at character 1/],
    ['flat', 'width=3mm depth=3mm', /there is no “depth”/],
    ['flat', 'width=3mm width=4mm', /has width twice/],
  ])('%s %s is told', (shape, readings, words) => {
    expect(() => readMeasured(shape, readings)).toThrow(words);
  });

  longTest('a blank or a size that is not there', async () => {
    expect((await upfit('template', '--blank', 'no-such')).json).toMatchObject({
      error: { code: 'not-found' },
    });
    const sized = (name: string) =>
      upfit('check', '--blank', 'shirt', '--size', name, '--artwork', file('block.png'));
    expect((await sized('9XL')).json).toMatchObject({ error: { code: 'not-found' } });
    expect((await sized('s')).json).toHaveProperty('findings');
  });
});

test('render: a taper’s art is bent onto its arc, at the box’s exact pixels', async () => {
  const { status } = await upfit(
    'render',
    '--blank',
    'tumbler-taper-480',
    '--artwork',
    file('block.png'),
    '--place',
    'cover',
    '--ppi',
    '40',
    '--out',
    file('arc.png'),
  );
  expect(status).toBe(0);
  const { width, height, data } = PNG.sync.read(readFileSync(file('arc.png')));
  expect([width, height]).toEqual([451, 262]);
  const alpha = (x: number, y: number) => data[(y * width + x) * 4 + 3];
  expect([
    alpha(0, 0),
    alpha(width >> 1, 2),
    alpha(width >> 1, height - 2),
    alpha(width >> 1, height >> 1),
  ]).toEqual([0, 255, 0, 255]);
});
