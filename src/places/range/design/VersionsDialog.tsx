'use client';
import { toast } from '@/ui/toast';
import type { ResolvedBlank } from '@/core/blank/resolve';
import type { Design, Fit } from '@/core/fit/schema';
import { coloursFor } from '@/core/fit/version';
import { currentSummary } from '@/state/bench/dockets';
import { sentence } from '@/state/sentence';
import { addVersion, setVersion, versionsOf } from '@/state/shop/designs';
import { blankOf } from '@/state/shop/library';
import { removeFit } from '@/state/shop/records';
import { useShop } from '@/state/shop/shop';
import { Checkbox } from '@/ui/Checkbox';
import { Dialog, LeaveDialog } from '@/ui/Dialog';
import { drawnOf } from '@/core/product/drawn';
import { NameField } from '@/ui/NameField';
import { tellDone } from '@/ui/tell';
import { VERDICT_INK, VERDICT_WORDS, VerdictShape } from '@/ui/Verdict';
import { SmallFit } from '../../shell/SmallFit';

interface Props {
  designId: string;
  blankId: string;
  onOpen: (fitId: string) => void;
  onClose: () => void;
}

const DRAWING = { width: 232, height: 190 };

/** A design's fits on one blank side by side at one scale, each with its name and the product colours it is for. */
export function VersionsDialog({ designId, blankId, onOpen, onClose }: Props) {
  const shop = useShop();
  const design = shop.designs.get(designId);
  const blank = shop.blanks.get(blankId);
  const versions = versionsOf(shop.fits.values(), designId, blankId);
  if (!design || !blank || versions.length === 0) return null;
  const last = versions.at(-1)!;
  return (
    <Dialog
      title={`${design.name} on ${blank.blank.name}: ${versions.length} ${versions.length === 1 ? 'version' : 'versions'}`}
      description="Each is a fit of its own. A version for some of the product’s colours is checked on those alone; files and packs say its name and its colours."
      className="top-16 max-h-[86vh] w-[min(92vw,1080px)] overflow-auto"
      shade
      onClose={onClose}
    >
      <ul className="flex flex-wrap gap-x-6 gap-y-5">
        {versions.map((fit) => (
          <VersionCard
            key={fit.id}
            design={design}
            blank={blankOf(fit, shop) ?? blank}
            fit={fit}
            isOnly={versions.length === 1}
            onOpen={() => {
              onOpen(fit.id);
            }}
          />
        ))}
      </ul>
      <div className="mt-5 flex items-center gap-4 border-t border-rule pt-4">
        <button
          className="action"
          onClick={() =>
            void addVersion(last.id).then(({ result, undo }) => {
              tellDone(`“${result.version?.name ?? ''}” begins as a copy.`, undo);
            })
          }
        >
          Another version
        </button>
        <LeaveDialog>Leave</LeaveDialog>
      </div>
    </Dialog>
  );
}

function VersionCard({
  design,
  blank,
  fit,
  isOnly,
  onOpen,
}: {
  design: Design;
  blank: ResolvedBlank;
  fit: Fit;
  isOnly: boolean;
  onOpen: () => void;
}) {
  const summary = useShop((shop) => currentSummary(fit, shop));
  const { colours } = blank.blank;
  const named = fit.version?.colours ?? [];
  const name = fit.version?.name ?? 'the first, without a name';
  const shown = coloursFor(blank.blank, fit).find(({ id }) => id === fit.colourId) ?? colours[0]!;
  const set = (change: Parameters<typeof setVersion>[1]) => {
    setVersion(fit.id, change).catch((error: unknown) => toast(sentence(error)));
  };
  return (
    <li className="w-[232px]" aria-label={name}>
      <NameField
        small
        value={fit.version?.name ?? ''}
        label={`Name of the version ${name}`}
        placeholder="no name yet"
        onName={(typed) => {
          set({ name: typed });
        }}
      />
      <button
        className="mt-1 block bg-viewing"
        aria-label={`Open ${design.name}, ${name}, on the bench`}
        onClick={onOpen}
      >
        <SmallFit blank={blank} drawn={drawnOf(blank, fit)} fit={fit} colour={shown.hex} {...DRAWING} />
      </button>
      <p
        data-verdict={summary?.verdict}
        className={`measure mt-1 flex min-h-6 items-center gap-1.5 text-sm font-semibold ${summary ? VERDICT_INK[summary.verdict] : 'text-ink-2'}`}
      >
        {summary && <VerdictShape verdict={summary.verdict} />}
        <span className="truncate">
          {summary ? (summary.findings[0]?.word ?? VERDICT_WORDS[summary.verdict]) : 'measuring…'}
        </span>
      </p>
      {colours.length > 1 && (
        <fieldset className="mt-1 border-t border-rule pt-1">
          <legend className="float-left w-full text-sm text-ink-2">
            {named.length === 0 ? 'for every colour' : `for ${named.length} of ${colours.length} colours`}
          </legend>
          <div className="clear-both flex flex-wrap gap-x-3">
            {colours.map((colour) => (
              <Checkbox
                key={colour.id}
                className="text-sm"
                spoken={`${name} is for ${colour.name}`}
                checked={named.includes(colour.id)}
                onChange={(on) => {
                  set({
                    colours: colours
                      .map(({ id }) => id)
                      .filter((id) => (id === colour.id ? on : named.includes(id))),
                  });
                }}
              >
                {colour.name}
              </Checkbox>
            ))}
          </div>
        </fieldset>
      )}
      <p className="mt-1.5 flex gap-4 text-sm">
        <button className="verb" onClick={onOpen}>
          Open
        </button>
        {!isOnly && (
          <button
            className="verb"
            onClick={() =>
              void removeFit(fit.id).then((undo) => {
                tellDone(`${design.name}, ${name}, is off ${blank.blank.name}.`, undo);
              })
            }
          >
            Take off
          </button>
        )}
      </p>
    </li>
  );
}
