'use client';
import { toast } from '@/ui/toast';
import { stretchAt } from '@/core/blank/bodies/sector';
import { printPixels, trimSize, type PrintFace, type ResolvedBlank } from '@/core/blank/resolve';
import { shapePath } from '@/core/blank/shape';
import { fixed, showLength, showSize, type UnitSetting } from '@/core/length/show';
import type { Nearest } from '@/core/measuring/nearest';
import { sentence } from '@/state/sentence';
import { saveTemplate } from '@/state/handover/templates';
import { useShop } from '@/state/shop/shop';
import { ArcLines } from '@/ui/flat/ArcLines';
import { FaceLines } from '@/ui/flat/FaceLines';
import { useRoomSize } from '@/ui/useRoomSize';
import { aspectsOf } from '@/core/blank/kinds';

/** The flat as far as it is known, its numbers, the nearest blank of the library, and the template to try on. */
export function SoFar({
  resolved,
  nearest,
  missing,
}: {
  resolved: ResolvedBlank | null;
  nearest: Nearest | null;
  missing: number;
}) {
  const { unit } = useShop((shop) => shop.settings);
  const { room, size } = useRoomSize();
  return (
    <section aria-label="Flat so far" className="flex min-w-0 grow flex-col px-8 pb-5 pt-4">
      <div ref={room} className="min-h-0 grow">
        {size && resolved && <FaceDrawing face={resolved.faces[0]!} unit={unit} {...size} />}
        {!resolved && (
          <p className="grid h-full place-items-center text-viewing-ink-2">
            {missing > 0
              ? `The flat is drawn here after ${missing} more ${missing === 1 ? 'measurement' : 'measurements'}.`
              : 'The flat is drawn once the marked measurement is right.'}
          </p>
        )}
      </div>
      {resolved && <Facts resolved={resolved} nearest={nearest} unit={unit} />}
    </section>
  );
}

function FaceDrawing({
  face,
  unit,
  width,
  height,
}: {
  face: PrintFace;
  unit: UnitSetting;
  width: number;
  height: number;
}) {
  const trim = trimSize(face);
  const margin = 2 * face.bleed;
  const scale = Math.min((width - 40) / (trim.width + margin), (height - 84) / (trim.height + margin));
  const px = 1 / scale;
  const left = (width - trim.width * scale) / 2;
  const top = (height - 44 - trim.height * scale) / 2;
  const line = top + (trim.height + face.bleed) * scale + 24;
  const right = left + trim.width * scale;
  const middle = (left + right) / 2;
  return (
    <svg
      role="img"
      aria-label={`Flat, ${showSize(trim.width, trim.height, unit)}`}
      width={width}
      height={height}
    >
      <g transform={`translate(${left} ${top}) scale(${scale})`}>
        {face.bend ? (
          <ArcLines face={face} px={px} />
        ) : (
          <>
            <path d={shapePath(face, face.edge)} fill="#fff" />
            <FaceLines face={face} px={px} />
          </>
        )}
      </g>
      <path
        d={`M${left} ${line}H${middle - 62}M${middle + 62} ${line}H${right}M${left - 4} ${line + 4}l8 -8M${right - 4} ${line + 4}l8 -8`}
        fill="none"
        stroke="var(--color-viewing-ink)"
      />
      <text
        x={middle}
        y={line + 4}
        textAnchor="middle"
        className="measure"
        fontSize="13"
        fontWeight="600"
        fill="var(--color-viewing-ink)"
      >
        {showLength(trim.width, unit)} across
      </text>
    </svg>
  );
}

function Facts({
  resolved,
  nearest,
  unit,
}: {
  resolved: ResolvedBlank;
  nearest: Nearest | null;
  unit: UnitSetting;
}) {
  const { blank, spec, faces } = resolved;
  const face = faces[0]!;
  const save = async (format: 'pdf' | 'svg' | 'png') => {
    try {
      await saveTemplate(blank.name, face, format);
    } catch (error) {
      toast(sentence(error));
    }
  };
  return (
    <div className="grid shrink-0 grid-cols-2 gap-10 pt-3">
      <dl className="measure">
        {factsOf(resolved, unit).map(([name, value]) => (
          <div key={name} className="flex justify-between border-b border-viewing-rule py-0.5">
            <dt className="text-viewing-ink-2">{name}</dt>
            <dd className="font-semibold">{value}</dd>
          </div>
        ))}
        <div className="flex justify-between py-0.5">
          <dt className="text-viewing-ink-2">at {face.target} PPI</dt>
          <dd className="font-semibold">{pixelWords(printPixels(face, spec))}</dd>
        </div>
      </dl>
      <div>
        {nearest && (
          <p data-nearest className="mb-2">
            Nearest: <b>{nearest.blank.name}</b>, {nearest.words}.
          </p>
        )}
        <p className="font-semibold">{tryWords(resolved)}</p>
        <p className="mt-1.5 flex gap-5">
          {(['pdf', 'svg', 'png'] as const).map((format) => (
            <button key={format} className="verb text-viewing-thread" onClick={() => void save(format)}>
              {format === 'pdf' ? 'Template as PDF' : format.toUpperCase()}
            </button>
          ))}
        </p>
      </div>
    </div>
  );
}

function tryWords({ blank }: ResolvedBlank): string {
  const { wall } = aspectsOf(blank.body);
  if (!wall) return 'Print the template and lay it on the thing.';
  return wall.handle
    ? 'Print the template and wrap it round: its ends should stop short of the handle, both edges flat on the wall.'
    : 'Print the template and wrap it round: the ends should meet, both edges flat on the wall.';
}

function factsOf({ faces }: ResolvedBlank, unit: UnitSetting): [string, string][] {
  const face = faces[0]!;
  const say = (mm: number) => showLength(mm, unit);
  const { bend } = face;
  if (!bend) return [['print area', showSize(face.width, face.height, unit)]];
  const percent = (y: number) => {
    const stretch = stretchAt(bend, y) * 100;
    return `${stretch > 0 ? '+' : ''}${fixed(stretch, 1)} %`;
  };
  return [
    ['outer radius', say(bend.outerRadius)],
    ['inner radius', say(bend.innerRadius)],
    ['sweep', `${fixed((bend.sweep * 180) / Math.PI, 1)}°`],
    ['stretch at the edges', `${percent(0)}  ${percent(face.height)}`],
  ];
}

function pixelWords({ width, height }: { width: number; height: number }): string {
  return `${width} × ${height} px`;
}
