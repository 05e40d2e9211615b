import fc from 'fast-check';
import { parseLength, parseSize } from '@/core/length/parse';
import { showBytes } from '@/core/length/bytes';
import { nudgeStep, showLength, showSize, typedLength } from '@/core/length/show';
import { pixelsFor } from '@/core/length/units';

const mm = (text: string, options = {}) => {
  const reading = parseLength(text, options);
  if (!reading.ok) throw new Error(reading.message);
  return reading.mm;
};
const slip = (text: string, options = {}) => {
  const reading = parseLength(text, options);
  if (reading.ok) throw new Error(`${text} was read as ${reading.mm}`);
  return reading;
};

describe('a length as people write it', () => {
  test.each([
    ['5 3/8 in + 4 mm', 140.525],
    ['11in 4mm', 283.4],
    ['8 5/16"', 211.1375],
    ['6,7 cm', 67],
    ['3 1/8 in', 79.375],
    ['3½ in', 88.9],
    ['1 ft 2 in', 355.6],
    ['1\' 2"', 355.6],
    ['5/16 in', 7.9375],
    ['.5 in', 12.7],
    ['72 pt', 25.4],
    ['-2 mm', -2],
    ['10 mm - 4 mm', 6],
    ['5 + 3 in', 203.2],
    ['1.5 m', 1500],
    ['120MM', 120],
    ['1,234.5 mm', 1234.5],
    ['1.234,5 mm', 1234.5],
    ['1,234,567 mm', 1234567],
    ["5'11", 1803.4],
    ["0'11.25", 285.75],
    ["5' 11 1/2", 1816.1],
    ["1' + 2 mm", 306.8],
  ])('%s is %d mm', (text, expected) => {
    expect(mm(text)).toBeCloseTo(expected, 9);
  });

  test('a number without a unit takes the seller’s, or is asked about', () => {
    expect(mm('12', { unit: 'mm' })).toBe(12);
    expect(mm('2', { unit: 'in' })).toBe(50.8);
    expect(slip('12').message).toContain('Add mm or in');
  });

  test('pixels have a length only at a known density', () => {
    expect(mm('300 px', { ppi: 300 })).toBeCloseTo(25.4, 9);
    expect(slip('300 px').message).toContain('pixel');
  });

  test.each([
    ['2,400 mm', 1, 'two ways'],
    ['5-3/8 in', 1, 'two ways'],
    ['12 mmx', 5, 'character 6'],
    ['12 § mm', 3, 'character 4'],
    ['1/0 in', 0, 'zero'],
    ['4 ++ 2 mm', 3, 'Two signs'],
    ['4 mm +', 5, 'ends with a sign'],
    ['1.2.3 mm', 3, 'too many'],
  ])('%s is asked about at its character', (text, at, words) => {
    const reading = slip(text);
    expect(reading.at).toBe(at);
    expect(reading.message).toContain(words);
  });

  test('nothing at all says what to write', () => {
    expect(slip('  ').message).toContain('Write a length');
  });

  test('what is shown in millimetres reads back to within its rounding', () => {
    fc.assert(
      fc.property(fc.double({ min: 0, max: 5000, noNaN: true }), (length) => {
        expect(Math.abs(mm(showLength(length)) - length)).toBeLessThanOrEqual(0.05 + 1e-9);
      }),
    );
  });

  test('no text makes the reader throw', () => {
    const alphabet = fc.constantFrom(...'0123456789 .,/+-"\'inmcftpx½');
    fc.assert(
      fc.property(fc.string({ unit: alphabet, maxLength: 14 }), (text) => {
        const reading = parseLength(text, { unit: 'mm' });
        expect(reading.ok ? Number.isFinite(reading.mm) : reading.message.length > 0).toBe(true);
      }),
    );
  });
});

describe('a size', () => {
  test.each([
    ['120mmx56mm', 120, 56],
    ['3 1/8 inx2 in', 79.375, 50.8],
    ['8 x 2 5/8 in', 203.2, 66.675],
    ['10 cm × 4 in', 100, 101.6],
  ])('%s', (text, width, height) => {
    const size = parseSize(text);
    expect(size).toMatchObject({ ok: true });
    if (size.ok) {
      expect(size.width).toBeCloseTo(width, 9);
      expect(size.height).toBeCloseTo(height, 9);
    }
  });

  test('a lone length is no size', () => {
    expect(parseSize('120 mm')).toMatchObject({ ok: false });
  });
});

describe('lengths shown', () => {
  test.each([
    [79.375, '3 1/8 in'],
    [12.7, '1/2 in'],
    [25.4, '1 in'],
    [80, '~3 1/8 in'],
    [-12.7, '−1/2 in'],
    [0, '0 in'],
  ])('%d mm in sixteenths', (length, text) => {
    expect(showLength(length, { unit: 'in', inches: 'sixteenths' })).toBe(text);
  });

  test('decimals of an inch, and millimetres without a minus zero', () => {
    expect(showLength(79.375, { unit: 'in', inches: 'decimal' })).toBe('3.125 in');
    expect(showLength(-0.01)).toBe('0.0 mm');
    expect(showSize(222.186, 92)).toBe('222.2 × 92.0 mm');
  });

  test('a nudge is a millimetre or a sixteenth', () => {
    expect(nudgeStep({ unit: 'mm', inches: 'decimal' })).toBe(1);
    expect(nudgeStep({ unit: 'in', inches: 'decimal' })).toBeCloseTo(1.5875, 9);
  });
});

test('pixels along a length are rounded to whole ones', () => {
  expect(pixelsFor(226.186, 300)).toBe(2671);
  expect(pixelsFor(25.4, 300)).toBe(300);
});

describe('a length as it is typed over', () => {
  const settings = [
    { unit: 'mm', inches: 'decimal' },
    { unit: 'in', inches: 'decimal' },
    { unit: 'in', inches: 'sixteenths' },
  ] as const;

  test('comes to the same when it is read again, whatever it is and however it is shown', () => {
    const any = fc.double({ min: 0.01, max: 3000, noNaN: true });
    fc.assert(
      fc.property(any, fc.constantFrom(...settings), (length, setting) => {
        expect(Math.abs(mm(typedLength(length, setting), { unit: setting.unit }) - length)).toBeLessThan(
          0.001,
        );
      }),
    );
  });

  test.each([
    [6.35, 'mm', '6.35 mm'],
    [79.375, 'mm', '79.375 mm'],
    [120, 'mm', '120.0 mm'],
    [79.375, 'in', '3 1/8 in'],
    [120, 'in', '4.72441 in'],
  ] as const)('%d mm in %s is %s', (length, unit, said) => {
    expect(typedLength(length, { unit, inches: 'sixteenths' })).toBe(said);
  });

  test('half tenths of a millimetre are told, and no finer ones', () => {
    expect(showLength(6.35)).toBe('6.35 mm');
    expect(showLength(0.25)).toBe('0.25 mm');
    expect(showLength(6.34)).toBe('6.3 mm');
    expect(showLength(-1.15)).toBe('−1.15 mm');
  });
});

describe('a file’s size', () => {
  test.each([
    [1, '1 kB'],
    [812_345, '812 kB'],
    [999_600, '1 MB'],
    [12_400_000, '12.4 MB'],
    [50_000_000, '50 MB'],
    [1_536_000_000, '1.5 GB'],
  ])('%d bytes are %s', (bytes, said) => {
    expect(showBytes(bytes)).toBe(said);
  });
});
