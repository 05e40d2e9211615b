'use client';
import { toast } from '@/ui/toast';
import { dequal } from 'dequal';
import { factsFor } from '@/core/fit/geometry';
import { isMotifKind, type Design, type Fit, type Piece } from '@/core/fit/schema';
import { sentence } from '@/state/sentence';
import { addVersion } from '@/state/shop/designs';
import { layoutsOf } from '@/core/layout/of-blank';
import { removeFit, saveFit } from '@/state/shop/records';
import { contextOf, useShop } from '@/state/shop/shop';
import { MenuLine } from '@/ui/Menu';
import { tellDone } from '@/ui/tell';
import type { Asked } from '../asked';

/** A cell of the range, and what may be asked over the range. */
export interface CellOf {
  design: Design;
  blank: { id: string; name: string };
  /** Its fits on this blank, in order. */
  versions: readonly Fit[];
  onOpen: (fitId: string) => void;
  onAsk: (asked: Asked) => void;
}

/** Fits a design by a starting layout, by none (null), or by the blank's usual one. */
export function fitCell({ design, blank }: Pick<CellOf, 'design' | 'blank'>, layoutId?: string | null): void {
  // Fetched with the first fit that is begun.
  import('@/state/shop/fitting')
    .then(({ fitDesign }) => fitDesign(design.id, blank.id, layoutId))
    .then(tellSmaller)
    .catch((error: unknown) => {
      toast(sentence(error));
    });
}

/** Says of a fit with one motif where that lies smaller than it could. */
async function tellSmaller(fit: Fit): Promise<void> {
  const { tellHeldBack } = await import('../../shell/held-back');
  const { artworks, settings, blanks } = useShop.getState();
  const face = blanks.get(fit.blankId)?.faces[0];
  const motifs = fit.faces.flatMap(({ pieces }) =>
    pieces.filter(isMotifKind).filter(({ role }) => role === 'motif'),
  );
  const [motif] = motifs;
  if (!face || !motif || motifs.length > 1 || fit.faces.some(({ cut }) => cut)) return;
  const known = factsFor(motif, (id) => artworks.get(id)!.facts);
  tellHeldBack(motif, known, face, settings.unit, (full) => {
    // Nothing that was done to it meanwhile is lost.
    if (!dequal(useShop.getState().fits.get(fit.id), fit)) return false;
    const filled = (piece: Piece) => (piece.id === full.id ? full : piece);
    void saveFit({ ...fit, faces: fit.faces.map((one) => ({ ...one, pieces: one.pieces.map(filled) })) });
    return true;
  });
}

/** Opens a cell's fit; its versions side by side where it has several. */
export function openCell({ design, blank, versions, onOpen, onAsk }: CellOf): void {
  const [first] = versions;
  if (versions.length > 1) onAsk({ kind: 'versions', designId: design.id, blankId: blank.id });
  else if (first) onOpen(first.id);
}

/** What can be done with a cell that has a fit. */
export function CellLines(cell: CellOf) {
  const { design, blank, versions, onAsk } = cell;
  const [first] = versions;
  const whole = useShop((shop) => first !== undefined && contextOf(first, shop) !== null);
  if (!first) return null;
  const askVersions = () => {
    onAsk({ kind: 'versions', designId: design.id, blankId: blank.id });
  };
  return (
    <>
      <MenuLine
        onSelect={() => {
          openCell(cell);
        }}
      >
        {versions.length > 1 ? 'Its versions side by side…' : 'Open it on the bench'}
      </MenuLine>
      {versions.length === 1 && (
        <>
          <MenuLine
            onSelect={() =>
              void addVersion(first.id).then(({ undo }) => {
                askVersions();
                tellDone(`${design.name} has two versions on ${blank.name}.`, undo);
              })
            }
          >
            Another version beside it…
          </MenuLine>
          <MenuLine
            disabled={!whole}
            onSelect={() => {
              onAsk({ kind: 'size', fitId: first.id });
            }}
          >
            On another size…
          </MenuLine>
          <MenuLine
            onSelect={() =>
              void removeFit(first.id).then((undo) => {
                tellDone(`${design.name} is off ${blank.name}.`, undo);
              })
            }
          >
            Take it off this blank
          </MenuLine>
        </>
      )}
    </>
  );
}

/** The ways a bare cell can be fitted. */
export function FitLines(cell: Pick<CellOf, 'design' | 'blank'>) {
  const kept = useShop((shop) => shop.layouts);
  const layouts = layoutsOf(cell.blank.id, { layouts: kept });
  return (
    <>
      {layouts.map(({ id, name }) => (
        <MenuLine
          key={id}
          onSelect={() => {
            fitCell(cell, id);
          }}
        >
          {name}
        </MenuLine>
      ))}
      <MenuLine
        onSelect={() => {
          fitCell(cell, null);
        }}
      >
        {layouts.length > 0 ? 'a bare face' : 'Fit it'}
      </MenuLine>
    </>
  );
}
