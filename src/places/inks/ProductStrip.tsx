'use client';
import type { ResolvedBlank } from '@/core/blank/resolve';
import type { Raster } from '@/core/raster/raster';
import { Toggle } from '@/ui/Toggle';
import { RasterCanvas } from './RasterCanvas';

interface Props {
  blank: ResolvedBlank;
  colourId: string;
  pictures: readonly Raster[] | null;
  disabled: boolean;
  onChoose: (colourId: string) => void;
}

/** The same inks on every colour of the product; one of them is worked on. */
export function ProductStrip({ blank, colourId, pictures, disabled, onChoose }: Props) {
  const { colours } = blank.blank;
  if (colours.length < 2) return null;
  return (
    <ul
      aria-label="On every colour of the product"
      tabIndex={0}
      className="relative flex shrink-0 gap-2 overflow-x-auto border-t border-viewing-rule px-3 py-2"
    >
      {colours.map(({ id, name, hex }, i) => {
        const picture = pictures?.[i];
        return (
          <li key={id} className="shrink-0">
            <Toggle
              pressed={id === colourId}
              disabled={disabled}
              onPress={() => {
                onChoose(id);
              }}
              className={`block w-[76px] text-left text-sm ${id === colourId ? 'font-semibold outline outline-2 outline-offset-2 outline-thread' : ''}`}
            >
              <span className="block h-[58px] border border-viewing-rule" style={{ background: hex }}>
                {picture && (
                  <RasterCanvas raster={picture} className="h-full w-full object-contain" aria-hidden />
                )}
              </span>
              <span className="block truncate">{name}</span>
            </Toggle>
          </li>
        );
      })}
    </ul>
  );
}
