import type { ResolvedBlank } from '../blank/resolve';
import { factsFor, opaqueBox, type FactsOf } from '../fit/geometry';
import { isMotifKind, type Fit } from '../fit/schema';
import { nearestZone } from '../fit/zones';

/** The side that a fit's headline is set on: its largest lettering, or where there is none its largest motif; `front` where none is named. */
export function headlineSide({ faces }: Pick<ResolvedBlank, 'faces'>, fit: Fit, factsOf: FactsOf): string {
  const motifs = fit.faces.flatMap(({ faceId, pieces }) => {
    const face = faces.find(({ id }) => id === faceId);
    if (!face) return [];
    return pieces
      .filter(isMotifKind)
      .filter(({ role, visible }) => role === 'motif' && visible)
      .map((piece) => ({ face, piece, box: opaqueBox(piece, factsFor(piece, factsOf)) }));
  });
  const words = motifs.filter(({ piece }) => piece.kind === 'text');
  const [largest] = (words.length > 0 ? words : motifs).sort(
    (a, b) => b.box.width * b.box.height - a.box.width * a.box.height,
  );
  const zone = largest && nearestZone(largest.face.zones, largest.box)?.zone;
  return zone?.id ?? 'front';
}
