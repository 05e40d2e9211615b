'use client';
import {
  DEAL_RULES,
  DEALT_BY,
  MOST_RINGS,
  MOST_SLANT,
  type Dealt,
  type Lettering,
  type Shadow,
} from '@/core/type/schema';
import { Choice } from '@/ui/Field';
import { Hint } from '@/ui/Hint';
import { LengthValue } from '@/ui/LengthValue';
import { Popup } from '@/ui/Popup';
import { refuseFar, refuseSize } from '../acts/refusals';
import type { Live } from '../live/useLive';
import { ColourField } from './ColourField';
import { CountValue } from './CountValue';

interface Props {
  live: Live;
  lettering: Lettering;
  onSet: (change: Partial<Lettering> | ((now: Lettering) => Partial<Lettering>)) => void;
}

/** Colours of these are offered first, since they stand out from one another. */
const FIRST_DEALT = ['#c0392b', '#0b5563', '#a65a00', '#2e6f40', '#5b3f8c'];
const MOST_COLOURS = 12;

/** What a shadow can be. */
const CASTS = [
  ['apart', 'apart from them'],
  ['joined', 'drawn out of them'],
  ['hatched', 'hatched'],
] as const;

/** A hatching that every method holds, to begin with. */
const FIRST_HATCH = { line: 0.6, gap: 0.6, angle: 45 };

/** A shadow under the letters, how they lean, more lines round and inside them, and colours that they have by turns. */
export function LookMenu({ live, lettering, onSet }: Props) {
  const { shadow, dealt, slant = 0 } = lettering;
  return (
    <Popup
      align="start"
      className="w-[340px]"
      trigger={
        <button className="verb whitespace-nowrap">
          {dealt ? `${dealt.colours.length} colours` : shadow ? 'Shadow' : 'Shadow, slant, colours'}…
        </button>
      }
    >
      <div className="flex flex-wrap items-center gap-x-4 gap-y-1 border-b border-rule pb-2">
        <span className="w-full text-ink-2">shadow under the letters</span>
        {(['right', 'down'] as const).map((way) => (
          <LengthValue
            key={way}
            name={`Shadow to the ${way === 'right' ? 'right' : 'foot'}`}
            mm={shadow?.[way] ?? null}
            unit={live.unit}
            refuse={refuseFar}
            onSet={(mm) => {
              onSet((now) => ({ shadow: moved(now, way, mm) }));
            }}
          >
            {way}
          </LengthValue>
        ))}
        {shadow && (
          <>
            <ColourField
              live={live}
              name="Shadow"
              colour={shadow.colour}
              onColour={(colour) => {
                onSet(({ shadow: own }) => ({ shadow: own && { ...own, colour } }));
              }}
            />
            <button
              className="verb"
              onClick={() => {
                onSet({ shadow: null });
              }}
            >
              No shadow
            </button>
            <ShadowFields live={live} shadow={shadow} onSet={onSet} />
          </>
        )}
      </div>
      <EdgeFields live={live} lettering={lettering} onSet={onSet} />
      <div className="flex items-center border-b border-rule py-1.5">
        <CountValue
          name="Slant in degrees"
          value={Math.round(slant)}
          from={-MOST_SLANT}
          to={MOST_SLANT}
          unit="°"
          onSet={(degrees) => {
            onSet({ slant: degrees });
          }}
        >
          slant
        </CountValue>
      </div>
      <Choice
        label="several colours"
        value={dealt?.by ?? 'none'}
        choices={[['none', 'one colour'], ...DEALT_BY.map((by) => [by, `${by} by ${by}`] as const)]}
        onChange={(by) => {
          onSet((now) => ({ dealt: by === 'none' ? null : { ...(now.dealt ?? begun(now)), by } }));
        }}
      />
      {dealt && <DealtFields live={live} dealt={dealt} onSet={onSet} />}
    </Popup>
  );
}

/** How a shadow lies, and the lines of one that is hatched. */
function ShadowFields({ live, shadow, onSet }: { live: Live; shadow: Shadow; onSet: Props['onSet'] }) {
  const { hatch, joined } = shadow;
  const set = (change: Partial<Shadow>) => {
    onSet(({ shadow: now }) => ({ shadow: now && { ...now, ...change } }));
  };
  return (
    <>
      <Choice
        label="it lies"
        value={hatch ? 'hatched' : joined ? 'joined' : 'apart'}
        choices={CASTS}
        onChange={(cast) => {
          set({ joined: cast === 'joined', hatch: cast === 'hatched' ? FIRST_HATCH : null });
        }}
      />
      {hatch && (
        <>
          {(['line', 'gap'] as const).map((part) => (
            <LengthValue
              key={part}
              name={part === 'line' ? 'Hatched lines' : 'Gap of the hatching'}
              mm={hatch[part]}
              unit={live.unit}
              refuse={refuseSize}
              onSet={(mm) => {
                set({ hatch: { ...hatch, [part]: mm } });
              }}
            >
              {part === 'line' ? 'lines' : 'gaps'}
            </LengthValue>
          ))}
          <CountValue
            name="Angle of the hatching in degrees"
            value={Math.round(hatch.angle)}
            from={-90}
            to={90}
            unit="°"
            onSet={(angle) => {
              set({ hatch: { ...hatch, angle } });
            }}
          >
            at
          </CountValue>
        </>
      )}
    </>
  );
}

/** A line inside the letters' edge, and more lines outside their outline. */
function EdgeFields({ live, lettering, onSet }: Props) {
  const { outline, rings = [], inline } = lettering;
  return (
    <div className="flex flex-wrap items-center gap-x-4 gap-y-1.5 border-b border-rule py-1.5">
      <LengthValue
        name="Line inside the edge"
        mm={inline?.width ?? null}
        unit={live.unit}
        refuse={(mm) => (mm === 0 ? null : refuseSize(mm))}
        onSet={(width) => {
          onSet(({ inline: now }) => ({
            inline: width > 0 ? { width, colour: now?.colour ?? '#ffffff' } : null,
          }));
        }}
      >
        line inside the edge
      </LengthValue>
      {inline && (
        <ColourField
          live={live}
          name="Line inside"
          colour={inline.colour}
          onColour={(colour) => {
            onSet(({ inline: now }) => ({ inline: now && { ...now, colour } }));
          }}
        />
      )}
      {rings.map((ring, i) => {
        const set = (change: Partial<typeof ring> | null) => {
          onSet(({ rings: now = [] }) => ({
            rings: now.flatMap((own, at) => (at !== i ? [own] : change ? [{ ...own, ...change }] : [])),
          }));
        };
        return (
          <span key={i} className="flex w-full items-center gap-x-4">
            <LengthValue
              name={`Outline ${i + 2}`}
              mm={ring.width}
              unit={live.unit}
              refuse={(mm) => (mm === 0 ? null : refuseSize(mm))}
              onSet={(width) => {
                set(width > 0 ? { width } : null);
              }}
            >
              outline {i + 2}
            </LengthValue>
            <ColourField
              live={live}
              name={`Outline ${i + 2}`}
              colour={ring.colour}
              onColour={(colour) => {
                set({ colour });
              }}
            />
            <button
              className="verb"
              onClick={() => {
                set(null);
              }}
            >
              Take off
            </button>
          </span>
        );
      })}
      <Hint words={outline ? 'Outside the outline that is there' : 'Give the letters an outline first'}>
        <button
          className="verb"
          disabled={!outline || rings.length >= MOST_RINGS}
          onClick={() => {
            onSet(({ outline: first, rings: now = [], colour }) => ({
              rings: first ? [...now, { width: first.width, colour }].slice(0, MOST_RINGS) : now,
            }));
          }}
        >
          One more outline
        </button>
      </Hint>
    </div>
  );
}

function DealtFields({ live, dealt, onSet }: { live: Live; dealt: Dealt; onSet: Props['onSet'] }) {
  const set = (change: Partial<Dealt>) => {
    onSet(({ dealt: now }) => ({ dealt: now ? { ...now, ...change } : null }));
  };
  return (
    <>
      <Choice
        label="dealt"
        value={dealt.rule}
        choices={DEAL_RULES.map((rule) => [rule, rule] as const)}
        onChange={(rule) => {
          set({ rule });
        }}
      />
      <div className="flex flex-wrap items-center gap-x-3 gap-y-1.5 pt-2">
        {dealt.colours.map((colour, i) => (
          <ColourField
            key={i}
            live={live}
            name={`Letters ${i + 1}`}
            colour={colour}
            onColour={(next) => {
              set({ colours: dealt.colours.map((one, at) => (at === i ? next : one)) });
            }}
          />
        ))}
      </div>
      <div className="flex flex-wrap gap-x-5 gap-y-1 pt-2">
        <button
          className="verb"
          disabled={dealt.colours.length >= MOST_COLOURS}
          onClick={() => {
            const free = FIRST_DEALT.find((colour) => !dealt.colours.includes(colour));
            set({ colours: [...dealt.colours, free ?? '#20252b'] });
          }}
        >
          One more colour
        </button>
        <button
          className="verb"
          disabled={dealt.colours.length <= 2}
          onClick={() => {
            set({ colours: dealt.colours.slice(0, -1) });
          }}
        >
          One less
        </button>
        <button
          className="verb"
          disabled={dealt.rule === 'in turn'}
          onClick={() => {
            set({ seed: dealt.seed + 1 });
          }}
        >
          Deal again
        </button>
      </div>
    </>
  );
}

/** A shadow moved one way; of one that was none yet the other way is as far. */
function moved({ shadow, colour }: Lettering, way: 'right' | 'down', mm: number): Lettering['shadow'] {
  if (!shadow)
    return mm === 0 ? null : { right: mm, down: mm, colour: colour === '#20252b' ? '#8a8f96' : '#20252b' };
  const next = { ...shadow, [way]: mm };
  return next.right === 0 && next.down === 0 ? null : next;
}

function begun({ colour }: Lettering): Dealt {
  const others = FIRST_DEALT.filter((one) => one !== colour);
  return { colours: [colour, ...others].slice(0, 5), by: 'letter', rule: 'no neighbours alike', seed: 1 };
}
