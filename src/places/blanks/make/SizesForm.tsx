'use client';
import type { PrintFace } from '@/core/blank/resolve';
import type { Blank } from '@/core/blank/schema';
import { USUAL_SIZES } from '@/core/blank/sizes';
import { showSize } from '@/core/length/show';
import { freeIdAmong } from '@/core/pack/names';
import { useShop } from '@/state/shop/shop';
import { Heading } from '@/ui/StripParts';

type Sizes = Blank['sizes'];

interface Props {
  sizes: Sizes;
  /** The face whose print area is told for each size: that of the blank's own numbers. */
  face: PrintFace;
  onSizes: (sizes: Sizes) => void;
}

/** Graded sizes: each by how many per cent the garment and its print area are of the blank's own numbers. */
export function SizesForm({ sizes, face, onSizes }: Props) {
  const { unit } = useShop((shop) => shop.settings);
  const change = (index: number, to: Partial<Sizes[number]>) => {
    onSizes(sizes.map((size, i) => (i === index ? { ...size, ...to } : size)));
  };
  const field = (index: number, part: 'garment' | 'print', label: string) => {
    const { name, [part]: factor } = sizes[index]!;
    return (
      <td className="text-right">
        <input
          aria-label={`${name}: ${label} in per cent`}
          inputMode="decimal"
          defaultValue={percent(factor)}
          onChange={({ target }) => {
            const typed = Number(target.value.replace(',', '.'));
            if (Number.isFinite(typed) && typed > 0) change(index, { [part]: typed / 100 });
          }}
          className="w-14 border-b border-ink bg-tape-pale px-1 text-right text-on-tape"
        />{' '}
        %
      </td>
    );
  };
  return (
    <>
      <Heading>Its sizes</Heading>
      <table className="measure w-full text-sm">
        <thead className="text-ink-2">
          <tr>
            <th className="text-left font-normal">size</th>
            <th className="text-right font-normal">garment</th>
            <th className="text-right font-normal">print</th>
            <th className="text-right font-normal">{face.name.toLowerCase()}</th>
            <td />
          </tr>
        </thead>
        <tbody>
          {sizes.map((size, index) => (
            <tr key={size.id} className="border-b border-rule">
              <td>
                <input
                  aria-label={`Name of size ${size.name}`}
                  value={size.name}
                  maxLength={40}
                  onChange={({ target }) => {
                    change(index, { name: target.value });
                  }}
                  className="w-20 border-b border-transparent bg-docket font-semibold hover:border-rule focus:border-ink"
                />
              </td>
              {field(index, 'garment', 'garment')}
              {field(index, 'print', 'print')}
              <td className="text-right">
                {showSize(face.width * size.print, face.height * size.print, unit)}
              </td>
              <td className="py-1 pl-3 text-right">
                <button
                  className="verb"
                  aria-label={`Take size ${size.name} off`}
                  onClick={() => {
                    onSizes(sizes.filter((_, i) => i !== index));
                  }}
                >
                  Off
                </button>
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      <p className="mt-1 flex gap-4 text-sm">
        <button
          className="verb"
          onClick={() => {
            const id = freeIdAmong(
              'size',
              sizes.map((size) => size.id),
            );
            const last = sizes.at(-1);
            onSizes([...sizes, { garment: 1, print: 1, ...last, id, name: `Size ${sizes.length + 1}` }]);
          }}
        >
          Add a size
        </button>
        {sizes.length === 0 && (
          <button
            className="verb"
            onClick={() => {
              onSizes(USUAL_SIZES);
            }}
          >
            S to 3XL
          </button>
        )}
      </p>
    </>
  );
}

function percent(factor: number): string {
  return String(Math.round(factor * 1000) / 10);
}
