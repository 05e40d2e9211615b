'use client';
import { gridOf } from '@/core/artwork/facts';
import { sayStep, withStep, type Step } from '@/core/artwork/steps';
import { setSteps } from '@/state/artwork/artworks';
import { hasLiveText, outlineText } from '@/state/artwork/words';
import { Heading } from '@/ui/StripParts';
import type { DocketProps } from './types';
import { FewInks } from './FewInks';
import { ClearBackground } from './ClearBackground';
import { Select } from '@/ui/Select';
import { Toggle } from '@/ui/Toggle';
import { Hint } from '@/ui/Hint';

const TURNS: readonly (readonly [verb: string, done: string, step: Step])[] = [
  ['Turn right', 'Turned a quarter right', { kind: 'turn', quarters: 1 }],
  ['Turn left', 'Turned a quarter left', { kind: 'turn', quarters: 3 }],
  ['Flip', 'Flipped left to right', { kind: 'flip', axis: 'across' }],
];

/** What is done to an artwork on its way to the print: each step can be taken back, more can be added. */
export function StepList({ artwork, tool, onTool, change }: DocketProps) {
  const { facts, steps } = artwork;
  const busy = change.busy !== null;
  const add = (label: string, step: Step) => {
    change.run(label, (options) => setSteps(artwork, withStep(steps, step), options));
  };
  const grid = gridOf(facts);
  const { x, y, width, height } = facts.alpha.opaqueBounds;
  const canCrop = width > 0 && (width < grid.width || height < grid.height);
  const moved = steps.some(({ kind }) => kind === 'crop' || kind === 'turn' || kind === 'flip');
  return (
    <>
      <Heading>Steps</Heading>
      {steps.length === 0 ? (
        <p className="py-1.5 text-sm text-ink-2">The file as it came in. Steps never touch it.</p>
      ) : (
        <ol>
          {steps.map((step, index) => (
            <li key={index} className="flex items-baseline gap-2 border-b border-rule py-1">
              <span className="measure w-4 text-ink-2">{index + 1}</span>
              <span className="grow">{sayStep(step)}</span>
              <button
                className="verb text-sm"
                disabled={busy}
                aria-label={`Take back: ${sayStep(step)}`}
                onClick={() => {
                  change.run('Step taken back', (options) =>
                    setSteps(
                      artwork,
                      steps.filter((one) => one !== step),
                      options,
                    ),
                  );
                }}
              >
                Take back
              </button>
            </li>
          ))}
        </ol>
      )}
      <p className="flex flex-wrap gap-x-4 gap-y-1 pt-1.5 text-sm">
        {canCrop && (
          <button
            className="verb"
            disabled={busy}
            onClick={() => {
              add('Cropped to what is there', {
                kind: 'crop',
                to: 'opaque',
                x: x / grid.width,
                y: y / grid.height,
                width: width / grid.width,
                height: height / grid.height,
              });
            }}
          >
            Crop to what is there
          </button>
        )}
        <Toggle
          className="verb"
          disabled={busy}
          pressed={tool === 'crop'}
          onPress={(on) => {
            onTool(on ? 'crop' : 'look');
          }}
        >
          Crop by hand
        </Toggle>
        {TURNS.map(([verb, done, step]) => (
          <button
            key={verb}
            className="verb"
            disabled={busy}
            onClick={() => {
              add(done, step);
            }}
          >
            {verb}
          </button>
        ))}
        {hasLiveText(artwork) && (
          <button
            className="verb"
            disabled={busy}
            onClick={() => {
              change.run('Its words are outlined', (options) => outlineText(artwork, options));
            }}
          >
            Outline its words
          </button>
        )}
        {facts.format === 'svg' && (
          <Hint
            words={moved && 'Take back crops and turns first: parts are picked on the whole drawing.'}
            disabled
          >
            <Toggle
              className="verb"
              disabled={busy || moved}
              pressed={tool === 'part'}
              onPress={(on) => {
                onTool(on ? 'part' : 'look');
              }}
            >
              Leave parts out
            </Toggle>
          </Hint>
        )}
      </p>
      {facts.pageCount > 1 && (
        <p className="flex items-center gap-2 pt-1.5 text-sm">
          Page
          <Select
            label="Page"
            value={String(facts.page)}
            disabled={busy}
            choices={Array.from({ length: facts.pageCount }, (_, page) => [
              String(page),
              `${page + 1} of ${facts.pageCount}`,
            ])}
            onChange={(chosen) => {
              const page = Number(chosen);
              add(`Page ${page + 1} is used`, { kind: 'page', page });
            }}
          />
        </p>
      )}
      {facts.background && (
        <ClearBackground
          colour={facts.background.hex}
          disabled={busy}
          onClear={(step) => {
            add('Background cleared', step);
          }}
        />
      )}
      <FewInks artwork={artwork} disabled={busy} onStep={add} />
    </>
  );
}
