'use client';
import type { ResolvedBlank } from '@/core/blank/resolve';
import { garmentExtent } from '@/core/blank/kinds/garment';
import { showLength, showSize, type UnitSetting } from '@/core/length/show';
import { useShop } from '@/state/shop';
import { FitDrawing } from '@/ui/flat/FitDrawing';

/** One scale for every drawing of the library, in px a mm, so that a sticker is small and a shirt is large. */
const PER_MM = 0.56;

/** The library: each blank as its own flat at one common scale, with its numbers. */
export function Blanks() {
  const blanks = useShop((shop) => shop.blanks);
  const unit = useShop((shop) => shop.settings.unit);
  return (
    <>
      <div className="flex h-[46px] shrink-0 items-center gap-5 border-b border-rule px-4">
        <h1 className="text-lg font-bold">{blanks.size} blanks</h1>
        <span className="text-sm text-ink-2">drawn to one scale</span>
      </div>
      <ul className="flex min-h-0 grow flex-wrap items-stretch gap-px overflow-auto bg-viewing-rule">
        {[...blanks.values()].map((resolved) => (
          <BlankSheet key={resolved.blank.id} resolved={resolved} unit={unit} />
        ))}
      </ul>
    </>
  );
}

function BlankSheet({ resolved, unit }: { resolved: ResolvedBlank; unit: UnitSetting }) {
  const { blank, faces, method, spec } = resolved;
  const face = faces[0]!;
  const { body } = blank;
  const extent = body.kind === 'garment' ? garmentExtent(body) : face;
  const width = Math.max(220, extent.width * PER_MM + 48);
  const say = (mm: number) => showLength(mm, unit);
  const rows: [string, string, boolean][] = [
    ['print area', showSize(face.width, face.height, unit), false],
    ['bleed', face.bleed > 0 ? say(face.bleed) : 'none', spec.bleed.source.kind === 'assumed'],
    ['safe', say(face.safe), spec.safe.source.kind === 'assumed'],
    ['target, floor', `${face.target}, ${face.floor} PPI`, spec.target.source.kind === 'assumed'],
    ...(body.kind === 'wrap'
      ? ([
          ['diameter', say(body.diameter), false],
          ['lip, foot left out', `${say(body.lip)}, ${say(body.foot)}`, false],
          ['handle gap', body.handle ? say(body.handle.gap) : 'none', false],
        ] as [string, string, boolean][])
      : []),
  ];
  return (
    <li className="flex grow flex-col bg-viewing text-viewing-ink">
      <div className="grid grow place-items-center p-3">
        <FitDrawing
          blank={resolved}
          face={face}
          colour={blank.colours[0]!.hex}
          pieces={[]}
          pictureOf={() => undefined}
          width={width}
          height={extent.height * PER_MM + 24}
          perMm={PER_MM}
        />
      </div>
      <div className="min-h-[228px] border-t border-ink bg-docket px-4 py-3 text-ink">
        <h2 className="font-bold">{blank.name}</h2>
        <p className="text-sm text-ink-2">
          {method.name} · {spec.house} · {blank.colours.length}{' '}
          {blank.colours.length === 1 ? 'colour' : 'colours'}
        </p>
        <dl className="measure mt-2 text-sm">
          {rows.map(([name, value, assumed]) => (
            <div key={name} className="flex justify-between gap-6 border-b border-rule py-0.5">
              <dt className="text-ink-2">{name}</dt>
              <dd className="font-semibold">
                {value}
                {assumed && <span className="text-look"> assumed</span>}
              </dd>
            </div>
          ))}
        </dl>
      </div>
    </li>
  );
}
