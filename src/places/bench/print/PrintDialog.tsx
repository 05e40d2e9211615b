'use client';
import { useState } from 'react';
import type { Fit } from '@/core/fit/schema';
import { partsOf, type PrintParts } from '@/core/pack/cut-out';
import { RENDITIONS } from '@/core/pack/renditions';
import { printFileName, uniqueNames } from '@/core/pack/names';
import { mirrorOwner, planPrint, planTroubles, type PrintMode } from '@/core/print/plan';
import { hasFewInks } from '@/state/handover/print';
import { useShop } from '@/state/shop/shop';
import { OneOf } from '@/ui/OneOf';
import { Dialog, LeaveDialog } from '@/ui/Dialog';
import type { Live } from '../live/useLive';
import type { PrintWork } from './usePrintWork';
import { FORMATS, PRINT_FORMATS, type PrintFormat } from '@/core/formats/registry';
import { fileTitle } from '@/core/fit/version';

const MIRROR_SAID = {
  file: 'This file is mirrored: nobody else may mirror it again.',
  driver: 'This file is not mirrored: the printer driver mirrors it.',
  house: 'This file is not mirrored: the house mirrors it.',
};

/** What is made of the fit and how, each choice with what the house would say of it. */
export function PrintDialog({ live, work, onClose }: { live: Live; work: PrintWork; onClose: () => void }) {
  const { blank, face, design, fit } = live;
  const { spec } = blank;
  const first = planPrint(blank, face);
  const [format, setFormat] = useState<PrintFormat>(first.format);
  const [mode, setMode] = useState<PrintMode>(first.mode);
  const [parts, setParts] = useState<PrintParts>('face');
  const [mirrored, setMirrored] = useState(first.mirrored);
  const inks = mode === 'cmyk' && FORMATS[format].print.inks;
  const choice = { format, mode: inks ? ('cmyk' as const) : ('rgb' as const), mirrored };
  const plan = planPrint(blank, face, choice);
  const troubles = planTroubles(plan, spec);
  const owner = mirrorOwner(blank);
  const wanted = (parts === 'faces' ? blank.faces : [face]).flatMap((one) => {
    const pieces = live.fit.faces.find(({ faceId }) => faceId === one.id)?.pieces ?? [];
    return partsOf(
      { face: one, pieces },
      parts === 'zones' || parts === 'pieces' ? parts : 'face',
      live.factsOf,
    );
  });
  const renditions = parts === 'renditions';
  const together = parts === 'faces' && format === 'pdf' && wanted.length > 1;
  const printed = together ? [{ face: { ...wanted[0]!.face, name: 'every face' } }] : wanted;
  const names = uniqueNames(
    printed.map((one) =>
      printFileName(fileTitle(design, fit, blank.blank), blank, one.face, planPrint(blank, one.face, choice)),
    ),
  );
  return (
    <Dialog title="Print files" className="top-24 w-[640px]" onClose={onClose}>
      <OneOf
        label="What"
        value={parts}
        onChoose={setParts}
        options={[
          { id: 'face', name: `the ${face.name.toLowerCase()}` },
          ...(blank.faces.length > 1 ? [{ id: 'faces' as const, name: 'every face' }] : []),
          ...(face.zones.length > 1 ? [{ id: 'zones' as const, name: 'each zone' }] : []),
          { id: 'pieces', name: 'each piece on its own' },
          { id: 'renditions', name: 'every rendition' },
        ]}
      />
      {!renditions && (
        <OneOf
          label="As"
          value={format}
          onChoose={setFormat}
          options={PRINT_FORMATS.map((id) => ({ id, name: FORMATS[id].name }))}
        />
      )}
      {!renditions && FORMATS[format].print.inks && (
        <OneOf
          label="Colours"
          value={choice.mode}
          onChoose={setMode}
          options={[
            { id: 'rgb', name: 'RGB, sRGB profile' },
            { id: 'cmyk', name: 'CMYK, through the house’s profile' },
          ]}
        />
      )}
      {owner && (
        <OneOf
          label="Mirrored"
          value={mirrored ? 'yes' : 'no'}
          onChoose={(value) => {
            setMirrored(value === 'yes');
          }}
          options={[
            { id: 'no', name: 'not in this file' },
            { id: 'yes', name: 'in this file' },
          ]}
        />
      )}
      {renditions ? (
        <Renditions fit={fit} />
      ) : (
        <>
          <ul className="measure mt-3 max-h-40 overflow-auto" aria-label="Files">
            {names.map((name) => (
              <li key={name}>{name}</li>
            ))}
            {names.length === 0 && <li className="text-ink-2">There is nothing on it to print.</li>}
          </ul>
          <p className="mt-2 text-sm text-ink-2">
            <Holds plan={plan} whole={parts === 'face' || parts === 'faces'} />
            {together && ' A page for each face.'}
          </p>
        </>
      )}
      {owner && (
        <p className={`mt-1 text-sm ${mirrored === (owner === 'file') ? 'text-ink-2' : 'text-fix'}`}>
          {mirrored === (owner === 'file')
            ? MIRROR_SAID[owner]
            : owner === 'file'
              ? `${spec.house} expects the file mirrored, and this one would not be.`
              : `This file would be mirrored, and the ${owner === 'driver' ? 'printer driver' : 'house'} mirrors it again: it would read backwards.`}
        </p>
      )}
      {(renditions ? [] : troubles).map((trouble) => (
        <p key={trouble} className="text-sm text-fix">
          {trouble}
        </p>
      ))}
      <div className="mt-4 flex items-center gap-4">
        <button
          className="action"
          disabled={names.length === 0}
          onClick={() => {
            onClose();
            void work.make(fit, face.id, parts, { ...choice, together });
          }}
        >
          {renditions ? 'Make them all' : names.length > 1 ? `Make ${names.length} files` : 'Make the file'}
        </button>
        <LeaveDialog>Leave</LeaveDialog>
      </div>
    </Dialog>
  );
}

/** What goes out together, each with what it is for. */
function Renditions({ fit }: { fit: Fit }) {
  const few = useShop((shop) => hasFewInks(fit, shop));
  return (
    <dl className="mt-3" aria-label="Files">
      {RENDITIONS.filter(({ fewInks }) => !fewInks || few).map(({ id, name, use, choice }) => (
        <div key={id} className="flex gap-3 border-b border-rule py-1">
          <dt className="w-44 shrink-0 font-semibold">
            {name}, {FORMATS[choice.format!].name}
          </dt>
          <dd className="text-sm text-ink-2">{use}</dd>
        </div>
      ))}
    </dl>
  );
}

function Holds({ plan, whole }: { plan: ReturnType<typeof planPrint>; whole: boolean }) {
  if (plan.format === 'svg')
    return 'True size; text, fills and drawings as paths, pictures inside it, nothing cut away.';
  if (plan.format === 'pdf')
    return `${plan.mode === 'cmyk' ? 'PDF/X-4 at true' : 'True'} size, with trim and bleed box; text, fills and drawings as paths, pictures at their full pixels.`;
  const { width, height } = plan.pixels;
  const size = whole
    ? `${width.toLocaleString('en')} × ${height.toLocaleString('en')} px at `
    : 'True size at ';
  return `${size}${plan.ppi} PPI, ${plan.alpha ? 'clear where nothing lies' : 'on white'}, with its density and profile.`;
}
