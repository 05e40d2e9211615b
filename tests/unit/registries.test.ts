import * as v from 'valibot';
import { BodySchema, KIND_IDS, kindOf, KINDS } from '@/core/blank/kinds';
import { shippedBlanks } from '@/core/blank/library';
import { METHODS } from '@/core/blank/methods';
import { numbersOf, withNumber } from '@/core/blank/numbers';
import { facesOf } from '@/core/blank/resolve';
import { MethodSchema } from '@/core/blank/schema';
import { bodyTroubles } from '@/core/blank/troubles';
import { RULE_IDS, RULE_VERSIONS, RULES_KEY } from '@/core/check/finding';
import { RULES } from '@/core/check/registry';
import { FORMAT_IDS, FORMATS, PRINT_FORMATS, printFormatOf } from '@/core/formats/registry';
import { formatOf } from '@/core/formats/sniff';
import { FAMILIES } from '@/core/product/families';
import { PRODUCT_KINDS, productOf } from '@/core/product/kinds';
import { modelOf } from '@/core/product/model';
import { viewsOf } from '@/core/product/views';
import { scenesFor } from '@/core/mockup/scenes';

describe('kinds of blank', () => {
  const kindsOf = new Map(shippedBlanks().map((blank) => [blank.blank.body.kind, blank]));

  test('what a body may be and what is known of a kind are one list; each kind has a shipped blank', () => {
    const named = BodySchema.options.map((option) => option.entries.kind.literal);
    expect([...KIND_IDS].sort()).toEqual([...named].sort());
    expect(Object.keys(PRODUCT_KINDS).sort()).toEqual([...named].sort());
    expect([...kindsOf.keys()].sort()).toEqual([...named].sort());
  });

  test.each(KIND_IDS)('%s: faces, lengths that can be changed, a product with sides, a scene', (kind) => {
    const known = kindsOf.get(kind)!;
    const { body } = known.blank;
    expect(kindOf(body)).toBe(KINDS[kind]);
    expect(facesOf(body).length).toBeGreaterThan(0);
    expect(bodyTroubles(body)).toEqual([]);
    const numbers = numbersOf(body);
    expect(numbers.length).toBeGreaterThan(1);
    for (const { id, mm } of numbers) {
      expect(Number.isFinite(mm)).toBe(true);
      const longer = withNumber(body, id, mm + 1);
      expect(numbersOf(longer!).find((one) => one.id === id)?.mm).toBeCloseTo(mm + 1, 9);
      expect(v.is(BodySchema, longer)).toBe(true);
    }
    const views = viewsOf(known);
    expect(views.length).toBeGreaterThan(0);
    expect(new Set(views.map(({ id }) => id)).size).toBe(views.length);
    expect(modelOf(known).meshes.length).toBeGreaterThan(0);
    expect(FAMILIES).toContain(productOf(body).family(known));
    expect(scenesFor(known).length).toBeGreaterThan(0);
  });

  test('a face on the side turned away is one that the body has', () => {
    for (const { blank, faces } of shippedBlanks()) {
      const { backFace } = productOf(blank.body);
      // A garment may have no back print, a pouch no second side.
      if (backFace !== null && faces.length > 1 && faces.some(({ id }) => id === backFace))
        expect(viewsOf({ blank, faces }).length).toBeGreaterThan(1);
    }
    expect(kindsOf.get('folded')!.faces.map(({ id }) => id)).toContain(PRODUCT_KINDS.folded.backFace);
    expect(kindsOf.get('two-sided')!.faces.map(({ id }) => id)).toContain('front');
  });

  test('how a face goes round: all the way, or less for a handle', () => {
    for (const { blank, faces } of shippedBlanks()) {
      const round = kindOf(blank.body).round(blank.body, faces[0]!);
      if (!round) continue;
      expect(round.way).toBeGreaterThan(0);
      expect(round.front).toBeGreaterThan(0);
      expect(round.front).toBeLessThan(faces[0]!.width);
      if (round.closes) expect(faces[0]!.width).toBeGreaterThanOrEqual(round.way - 1e-6);
    }
  });
});

describe('rules', () => {
  test('every id has one rule, in the one order, and every rule says what it is called and has a version', () => {
    expect(RULES.map(({ id }) => id)).toEqual(RULE_IDS);
    for (const { id, name } of RULES) {
      expect(name).toMatch(/^[A-Z]/);
      expect(Number.isInteger(RULE_VERSIONS[id])).toBe(true);
    }
    expect(new Set(RULES.map(({ name }) => name)).size).toBe(RULES.length);
    expect(RULES_KEY.split(',')).toHaveLength(RULES.length);
  });
});

describe('formats', () => {
  const FIRST_BYTES: Record<keyof typeof FORMATS, number[]> = {
    png: [0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a],
    jpeg: [0xff, 0xd8, 0xff, 0xe0],
    webp: [...Buffer.from('RIFF\0\0\0\0WEBP')],
    tiff: [...Buffer.from('II*\0')],
    gif: [...Buffer.from('GIF89a')],
    avif: [0, 0, 0, 24, ...Buffer.from('ftypavif')],
    pdf: [...Buffer.from('%PDF-1.7')],
    svg: [...Buffer.from('<svg xmlns="http://www.w3.org/2000/svg"/>')],
  };

  test.each(FORMAT_IDS)('%s is known by its own beginning and by no other', (id) => {
    expect(formatOf('a', Uint8Array.from(FIRST_BYTES[id]))).toBe(id);
    const head = Buffer.from(FIRST_BYTES[id]).toString('latin1');
    expect(FORMAT_IDS.filter((other) => FORMATS[other].begins(head))).toEqual([id]);
  });

  test('endings are one format’s alone, and print files end in ours', () => {
    const endings = FORMAT_IDS.flatMap((id) => FORMATS[id].endings as readonly string[]);
    expect(new Set(endings).size).toBe(endings.length);
    for (const id of PRINT_FORMATS)
      for (const ending of FORMATS[id].endings) expect(printFormatOf(`a.b.${ending.toUpperCase()}`)).toBe(id);
    expect(printFormatOf('a.gif')).toBeUndefined();
    expect(printFormatOf('png')).toBeUndefined();
  });
});

test('methods are each by their own id, and read as their schema', () => {
  expect(new Set(METHODS.map(({ id }) => id)).size).toBe(METHODS.length);
  for (const method of METHODS) expect(v.parse(MethodSchema, method)).toEqual(method);
});
