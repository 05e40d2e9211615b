'use client';
import { DndContext, useDraggable, type DragEndEvent } from '@dnd-kit/core';
import { MoveVertical } from 'lucide-react';
import type { PlannedInk, PlatePlan } from '@/core/fit/plates';
import { fixed } from '@/core/length/show';
import { leftOpen, merged, moved, swapped, withInk } from '@/core/plates/edit';
import type { PlateSeen } from '@/state/plates/plates';
import { Hint } from '@/ui/Hint';
import { MenuHeading, MenuLine, MenuRule, VerbMenu } from '@/ui/Menu';
import { NameField } from '@/ui/NameField';
import { Toggle } from '@/ui/Toggle';
import { ColourField } from '../bench/strip/ColourField';
import type { Live } from '../bench/live/useLive';

interface Props {
  live: Live;
  plan: PlatePlan;
  plates: readonly PlateSeen[];
  onPlan: (plan: PlatePlan) => void;
  /** Asks for a part that an ink is to take. */
  onGive: (inkId: string) => void;
}

/** Height of a line in px: an ink that is dragged so far changes places with the next. */
const LINE = 62;

/** The inks in the order in which they are printed; a base lies under all of them. */
export function InkList({ live, plan, plates, onPlan, onGive }: Props) {
  const base = plates.find((plate) => plate.base);
  const drop = ({ active, delta }: DragEndEvent) => {
    const from = plan.inks.findIndex(({ id }) => id === active.id);
    const to = Math.max(0, Math.min(plan.inks.length - 1, from + Math.round(delta.y / LINE)));
    if (to !== from) onPlan(moved(plan, String(active.id), to));
  };
  return (
    <DndContext onDragEnd={drop}>
      <ol aria-label="Plates, in the order of printing">
        {base && (
          <li className="flex items-center gap-2 border-b border-rule py-1.5">
            <span className="w-6 shrink-0" />
            <span className="measure w-4 shrink-0 text-right">1</span>
            <span className="h-5 w-6 shrink-0 border border-ink" style={{ background: base.hex }} />
            <span className="grow font-semibold">{base.name}</span>
            <Amount plate={base} />
          </li>
        )}
        {plan.inks.map((ink, i) => (
          <InkLine
            key={ink.id}
            ink={ink}
            number={i + (base ? 2 : 1)}
            plate={plates.find(({ name }) => name === ink.name)}
            {...{ live, plan, onPlan, onGive }}
          />
        ))}
      </ol>
    </DndContext>
  );
}

function Amount({ plate }: { plate: PlateSeen | undefined }) {
  return (
    <span className="measure shrink-0 text-right text-sm" data-amount>
      {plate ? `${fixed(plate.area / 100, 1)} cm² · ${fixed(plate.share * 100, 1)} %` : '…'}
    </span>
  );
}

function InkLine({
  live,
  plan,
  ink,
  number,
  plate,
  onPlan,
  onGive,
}: Omit<Props, 'plates'> & { ink: PlannedInk; number: number; plate: PlateSeen | undefined }) {
  const { attributes, listeners, setActivatorNodeRef, setNodeRef, transform, isDragging } = useDraggable({
    id: ink.id,
  });
  const at = plan.inks.indexOf(ink);
  const others = plan.inks.filter(({ id }) => id !== ink.id);
  return (
    <li
      ref={setNodeRef}
      style={transform ? { transform: `translateY(${transform.y}px)` } : undefined}
      className={`border-b border-rule bg-docket py-1.5 ${isDragging ? 'relative z-20 opacity-80' : ''}`}
    >
      <div className="flex items-center gap-2">
        <button
          ref={setActivatorNodeRef}
          {...attributes}
          {...listeners}
          aria-label={`Move ${ink.name} in the order of printing`}
          className="grid h-6 w-6 shrink-0 cursor-grab touch-none place-items-center text-ink-2 hover:text-ink"
        >
          <MoveVertical aria-hidden size={13} />
        </button>
        <span className="measure w-4 shrink-0 text-right">{number}</span>
        <ColourField
          live={live}
          name={`Ink ${ink.name}`}
          shown={false}
          colour={ink.hex}
          onColour={(hex) => {
            onPlan(withInk(plan, ink.id, { hex }));
          }}
        />
        <span className="min-w-0 grow overflow-hidden pl-1">
          <NameField
            small
            label={`Name of ink ${number}`}
            value={ink.name}
            onName={(name) => {
              onPlan(withInk(plan, ink.id, { name: name.slice(0, 60) }));
            }}
          />
        </span>
        <Amount plate={plate} />
      </div>
      <div className="flex items-center gap-3 pl-[92px] text-sm">
        <span className="measure w-[52px] text-ink-2">{ink.hex}</span>
        <Opacity
          ink={ink}
          onSet={(opacity) => {
            onPlan(withInk(plan, ink.id, { opacity }));
          }}
        />
        <Hint
          words={
            ink.locked
              ? 'stays while the number of inks is tried'
              : 'keep it while the number of inks is tried'
          }
        >
          <Toggle
            aria-label={`Keep ${ink.name}`}
            pressed={ink.locked ?? false}
            className="chosen-word min-h-6"
            onPress={(locked) => {
              onPlan(withInk(plan, ink.id, { locked }));
            }}
          >
            {ink.locked ? 'kept' : 'keep'}
          </Toggle>
        </Hint>
        <span className="ml-auto">
          <VerbMenu label="Ink…" spoken={`${ink.name}: what can be done`} align="end">
            <MenuLine
              onSelect={() => {
                onGive(ink.id);
              }}
            >
              give it a part…
            </MenuLine>
            <MenuLine
              disabled={at === 0}
              onSelect={() => {
                onPlan(moved(plan, ink.id, at - 1));
              }}
            >
              print it earlier
            </MenuLine>
            <MenuLine
              disabled={at === plan.inks.length - 1}
              onSelect={() => {
                onPlan(moved(plan, ink.id, at + 1));
              }}
            >
              print it later
            </MenuLine>
            <MenuLine
              disabled={others.length === 0}
              onSelect={() => {
                onPlan(leftOpen(plan, ink.id));
              }}
            >
              leave it open
            </MenuLine>
            {others.length > 0 && (
              <>
                <MenuRule />
                <MenuHeading>print it with</MenuHeading>
                {others.map(({ id, name }) => (
                  <MenuLine
                    key={id}
                    onSelect={() => {
                      onPlan(merged(plan, ink.id, id));
                    }}
                  >
                    {name}
                  </MenuLine>
                ))}
                <MenuRule />
                <MenuHeading>change places with</MenuHeading>
                {others.map(({ id, name }) => (
                  <MenuLine
                    key={id}
                    onSelect={() => {
                      onPlan(swapped(plan, ink.id, id));
                    }}
                  >
                    {name}
                  </MenuLine>
                ))}
              </>
            )}
          </VerbMenu>
        </span>
      </div>
    </li>
  );
}

function Opacity({ ink, onSet }: { ink: PlannedInk; onSet: (opacity: number) => void }) {
  return (
    <label className="flex items-center gap-1 text-ink-2">
      covers
      <input
        key={ink.opacity}
        aria-label={`How much ${ink.name} covers, in percent`}
        defaultValue={Math.round(ink.opacity * 100)}
        inputMode="numeric"
        className="measure w-9 bg-tape-pale px-1 text-right text-on-tape"
        onKeyDown={(event) => {
          if (event.key === 'Enter') event.currentTarget.blur();
        }}
        onBlur={(event) => {
          const percent = Number(event.currentTarget.value);
          if (percent >= 0 && percent <= 100) onSet(Math.round(percent) / 100);
          else event.currentTarget.value = String(Math.round(ink.opacity * 100));
        }}
      />
      %
    </label>
  );
}
