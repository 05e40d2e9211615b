'use client';
import { unparse } from 'papaparse';
import { useRef, type ReactNode } from 'react';
import { ResponsiveContainer } from 'recharts';
import { safeName } from '@/core/pack/names';
import { saveAs } from '@/state/handover/download';
import { Fold } from '@/ui/Fold';
import { MenuLine, VerbMenu } from '@/ui/Menu';
import { chartPicture, chartSvg } from './saving';

interface Props {
  title: string;
  /** What it says in one sentence. */
  says: ReactNode;
  /** Its numbers, the head first. */
  table: readonly (readonly string[])[];
  /** Whether there is anything to draw. */
  empty: boolean;
  children: ReactNode;
}

/** One chart with its numbers as a table, saved as a picture, as a drawing or as its numbers. */
export function Chart({ title, says, table, empty, children }: Props) {
  const box = useRef<HTMLDivElement>(null);
  const svg = () => box.current?.querySelector<SVGSVGElement>('svg.recharts-surface') ?? null;
  const name = safeName(title);
  const [head = [], ...rows] = table;
  return (
    <figure className="flex min-w-0 flex-col border border-rule bg-docket p-3">
      <figcaption className="flex items-baseline gap-3">
        <h2 className="font-bold">{title}</h2>
        <span className="ml-auto text-sm">
          <VerbMenu label="Save…" spoken={`Save ${title}`} align="end" disabled={empty}>
            <MenuLine
              onSelect={() => {
                const drawn = svg();
                if (drawn)
                  void chartPicture(drawn).then((data) => {
                    saveAs(data, `${name}.png`);
                  });
              }}
            >
              as a picture, PNG
            </MenuLine>
            <MenuLine
              onSelect={() => {
                const drawn = svg();
                if (drawn) saveAs(new Blob([chartSvg(drawn)], { type: 'image/svg+xml' }), `${name}.svg`);
              }}
            >
              as a drawing, SVG
            </MenuLine>
            <MenuLine
              onSelect={() => {
                saveAs(
                  new Blob(['\ufeff', unparse(table as string[][])], { type: 'text/csv' }),
                  `${name}.csv`,
                );
              }}
            >
              its numbers, CSV
            </MenuLine>
          </VerbMenu>
        </span>
      </figcaption>
      <p className="pb-2 text-sm text-ink-2">{says}</p>
      {empty ? (
        <p className="grow py-10 text-center text-ink-2">Nothing to draw yet.</p>
      ) : (
        <>
          <div ref={box} className="measure h-[210px] text-sm">
            <ResponsiveContainer width="100%" height="100%">
              {children}
            </ResponsiveContainer>
          </div>
          <Fold title="Its numbers" ruled={false} className="pt-1 text-sm">
            <div
              role="region"
              aria-label={`Numbers of ${title}`}
              tabIndex={0}
              className="relative max-h-44 overflow-auto"
            >
              <table className="w-full">
                <caption className="sr-only">{title}</caption>
                <thead>
                  <tr>
                    {head.map((word) => (
                      <th
                        key={word}
                        scope="col"
                        className="py-0.5 text-right font-normal text-ink-2 first:text-left"
                      >
                        {word}
                      </th>
                    ))}
                  </tr>
                </thead>
                <tbody>
                  {rows.map((row, i) => (
                    <tr key={i} className="border-t border-rule">
                      {row.map((cell, at) => (
                        <td key={at} className="measure py-0.5 text-right first:text-left">
                          {cell}
                        </td>
                      ))}
                    </tr>
                  ))}
                </tbody>
              </table>
            </div>
          </Fold>
        </>
      )}
    </figure>
  );
}
