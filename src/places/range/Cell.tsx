'use client';
import type { ResolvedBlank } from '@/core/blank/resolve';
import { tellingFinding } from '@/core/check/docket';
import { rank } from '@/core/check/finding';
import type { Design, Fit } from '@/core/fit/schema';
import { currentDocket } from '@/state/bench/dockets';
import { previewUrl } from '@/state/artwork/previews';
import { blankOf } from '@/state/shop/library';
import { contextOf, useShop, type Shop } from '@/state/shop/shop';
import { FitDrawing } from '@/ui/flat/FitDrawing';
import { SetDrawing } from '@/ui/flat/SetDrawing';
import { VERDICT_INK, VERDICT_WORDS, VerdictShape } from '@/ui/Verdict';
import { Hint } from '@/ui/Hint';
import { MenuLine, VerbMenu } from '@/ui/Menu';
import { spotMark } from './spots';

export const CELL_WIDTH = 148;
const DRAWING_HEIGHT = 104;

interface Props {
  column: ResolvedBlank;
  /** px that the drawing is laid out for; a narrower cell shows it smaller. */
  drawingWidth: number;
  design: Design;
  /** Its fits on this blank, in order. */
  versions: readonly Fit[];
  onFit: () => void;
  onOpen: (fitId: string) => void;
  /** Makes another version beside the only one. */
  onVersions: () => void;
  onRemove: () => void;
}

/** A cell of the range: the fit itself drawn small with its verdict, or one click from being fitted. */
export function Cell({ column, drawingWidth, design, versions, onFit, onOpen, onVersions, onRemove }: Props) {
  const artworks = useShop((shop) => shop.artworks);
  // The worst of its versions speaks for the cell.
  const fit = useShop((shop) => worstOf(versions, shop));
  const docket = useShop((shop) => (fit ? currentDocket(fit, shop) : undefined));
  const own = useShop((shop) => (fit && blankOf(fit, shop)) ?? column);
  const whole = useShop((shop) => !fit || contextOf(fit, shop) !== null);
  const { blank } = own;
  const face = shownFace(own, fit);
  const mark = spotMark({ designId: design.id, blankId: column.blank.id });
  if (!fit) {
    return (
      <td {...mark} className="h-px border-b border-r border-rule p-0">
        <button
          aria-label={`Fit ${design.name} on ${blank.name}`}
          onClick={onFit}
          className="grid h-full min-h-32 w-full place-items-center text-ink-2 hover:bg-docket hover:text-thread"
        >
          fit it
        </button>
      </td>
    );
  }
  const telling = docket && tellingFinding(docket.findings);
  const verdict = whole ? docket?.verdict : 'fix';
  const word = !whole
    ? 'Something is missing'
    : !verdict
      ? 'measuring…'
      : verdict === 'ready'
        ? 'Ready'
        : (telling?.word ?? VERDICT_WORDS[verdict]);
  const colour = blank.colours.find(({ id }) => id === fit.colourId)?.hex ?? '#ffffff';
  const drawn = {
    colour,
    pictureOf: (id: string) => {
      const artwork = artworks.get(id);
      return artwork && previewUrl(artwork);
    },
    factsOf: (id: string) => artworks.get(id)?.facts,
    width: drawingWidth,
    height: DRAWING_HEIGHT,
  };
  return (
    <td {...mark} className="group/cell relative border-b border-r border-rule p-[6px] align-top">
      <Hint words={telling?.message}>
        <button
          aria-label={`${design.name} on ${blank.name}: ${verdict ? VERDICT_WORDS[verdict] : 'measuring'}${verdict && verdict !== 'ready' ? `, ${word}` : ''}`}
          onClick={() => {
            onOpen(fit.id);
          }}
          className="block w-full text-left outline-offset-4"
        >
          <span className="block bg-viewing">
            {own.faces.length > 1 && face.cut ? (
              <SetDrawing faces={own.faces} fit={fit} {...drawn} />
            ) : (
              <FitDrawing
                blank={own}
                face={face}
                sizeId={fit.sizeId}
                pieces={fit.faces.find(({ faceId }) => faceId === face.id)?.pieces ?? []}
                {...drawn}
              />
            )}
          </span>
          <span
            className={`measure mt-1 flex items-center gap-1.5 px-0.5 text-sm font-semibold ${verdict ? VERDICT_INK[verdict] : 'text-ink-2'}`}
          >
            {verdict && <VerdictShape verdict={verdict} />}
            <span className="truncate">{word}</span>
            {versions.length > 1 && (
              <span className="ml-auto shrink-0 font-normal text-ink-2">{versions.length} versions</span>
            )}
          </span>
        </button>
      </Hint>
      <VerbMenu
        label="Fit…"
        spoken={`${design.name} on ${blank.name}: what can be done`}
        align="end"
        className="verb absolute bottom-1.5 right-2 bg-frame pl-1 text-sm opacity-0 focus-visible:opacity-100 group-hover/cell:opacity-100 data-[state=open]:opacity-100"
      >
        <MenuLine
          onSelect={() => {
            onOpen(fit.id);
          }}
        >
          {versions.length > 1 ? 'Its versions side by side…' : 'Open it on the bench'}
        </MenuLine>
        {versions.length === 1 && (
          <>
            <MenuLine onSelect={onVersions}>Another version beside it…</MenuLine>
            <MenuLine onSelect={onRemove}>Take it off this blank</MenuLine>
          </>
        )}
      </VerbMenu>
    </td>
  );
}

/** The version with the worst verdict; the first of such, and one that cannot be measured before all. */
function worstOf(versions: readonly Fit[], shop: Shop): Fit | undefined {
  const grade = (fit: Fit) => {
    if (!contextOf(fit, shop)) return 3;
    const verdict = currentDocket(fit, shop)?.verdict;
    return verdict ? rank(verdict) : -1;
  };
  return [...versions].sort((a, b) => grade(b) - grade(a))[0];
}

/** The face that speaks for a fit: the first that carries something. */
export function shownFace({ faces }: ResolvedBlank, fit: Fit | undefined): ResolvedBlank['faces'][number] {
  const carrying = (fit?.faces ?? []).filter(({ pieces }) => pieces.length > 0).map(({ faceId }) => faceId);
  return faces.find(({ id }) => carrying.includes(id)) ?? faces[0]!;
}
