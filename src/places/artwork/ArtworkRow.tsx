'use client';
import { describeFacts } from '@/core/artwork/describe';
import { artSize, type PrintFace } from '@/core/blank/resolve';
import type { Verdict } from '@/core/check/finding';
import { placedPpi } from '@/core/fit/density';
import { opaqueBox } from '@/core/fit/geometry';
import { newPiece } from '@/core/fit/place';
import { previewUrl } from '@/state/previews';
import { useShop, type Shop } from '@/state/shop';
import { VerdictShape } from '@/ui/Verdict';

type Artwork = Shop['artworks'] extends ReadonlyMap<string, infer A> ? A : never;

/** One artwork: its picture at its own aspect, its facts as sentences, the blanks it has enough pixels for. */
export function ArtworkRow({ artwork, onDesign }: { artwork: Artwork; onDesign: () => void }) {
  const shop = useShop();
  const { facts } = artwork;
  const all = [...shop.blanks.values()].map(({ faces }) => suits(artwork, faces[0]!).verdict);
  const count = (verdict: Verdict) => all.filter((one) => one === verdict).length;
  const onRange = shop.settings.columns.flatMap((id) => shop.blanks.get(id) ?? []);
  const used = [...shop.designs.values()].filter(({ artworks }) =>
    artworks.some((one) => one.artworkId === artwork.id),
  );
  return (
    <li className="grid grid-cols-[180px_minmax(0,1fr)_330px] gap-5 border-b border-rule px-4 py-3">
      <span className="grid h-[116px] place-items-center bg-viewing">
        <img src={previewUrl(artwork)} alt="" className="max-h-[108px] max-w-[172px] object-contain" />
      </span>
      <div className="min-w-0">
        <h2 className="truncate font-bold" title={facts.name}>
          {facts.name}
        </h2>
        <p className="measure text-sm text-ink-2">
          {facts.pixels && `${facts.pixels.width} × ${facts.pixels.height} px`} · {showBytes(facts.bytes)}
        </p>
        <ul className="mt-1 text-sm">
          {describeFacts(facts, shop.settings.unit).map((sentence) => (
            <li key={sentence}>{sentence}</li>
          ))}
          {facts.notes.map(({ code, message }) => (
            <li key={code} className="text-look">
              {message}
            </li>
          ))}
        </ul>
        <p className="mt-1 text-sm text-ink-2">
          {used.length > 0 ? (
            `In ${used.map(({ name }) => name).join(', ')}`
          ) : (
            <button className="verb" onClick={onDesign}>
              Make it a design
            </button>
          )}
        </p>
      </div>
      <table className="measure self-start text-sm">
        <caption className="pb-1 text-left">
          <span className="block font-semibold">Pixels enough, fitted whole</span>
          <span className="text-ink-2">
            of {shop.blanks.size} blanks: {count('ready')} at target, {count('look')} at floor, {count('fix')}{' '}
            not
          </span>
        </caption>
        <tbody>
          {onRange.map(({ blank, faces }) => {
            const { verdict, ppi } = suits(artwork, faces[0]!);
            return (
              <tr key={blank.id}>
                <td className="w-5">
                  <VerdictShape verdict={verdict} size={9} />
                </td>
                <td className="py-px">{blank.name}</td>
                <td className="text-right font-semibold">{Math.floor(ppi)} PPI</td>
              </tr>
            );
          })}
        </tbody>
      </table>
    </li>
  );
}

/** The PPI an artwork has on a face, a motif inside, an opaque one covering. */
function suits({ facts }: Artwork, face: PrintFace): { verdict: Verdict; ppi: number } {
  const pixels = facts.pixels;
  if (!pixels) return { verdict: 'ready', ppi: 0 };
  const piece = newPiece('suits', facts.sha256, facts, facts.alpha.present ? 'motif' : 'ground', face);
  const empty = opaqueBox(piece, facts).width === 0 || artSize(face).width === 0;
  const ppi = empty ? 0 : placedPpi(pixels, piece, face).least;
  return { ppi, verdict: ppi >= face.target - 0.005 ? 'ready' : ppi >= face.floor ? 'look' : 'fix' };
}

function showBytes(bytes: number): string {
  return bytes < 1024 * 1024 ? `${Math.ceil(bytes / 1024)} KiB` : `${(bytes / 1024 / 1024).toFixed(1)} MiB`;
}
