'use client';
import { useState } from 'react';
import { DEAL_RULES, DEALT_BY, MOST_SLANT, type Dealt, type Lettering } from '@/core/type/schema';
import { inStyle } from '@/core/type/style';
import { forgetStyle, keepStyle } from '@/state/bench/styles';
import { useShop } from '@/state/shop/shop';
import { Choice } from '@/ui/Field';
import { LengthValue } from '@/ui/LengthValue';
import { MenuHeading, MenuLine, MenuRule, VerbMenu } from '@/ui/Menu';
import { Popup } from '@/ui/Popup';
import { tellDone } from '@/ui/tell';
import { NameDialog } from '../../shell/NameDialog';
import { refuseFar } from '../acts/refusals';
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

/** A shadow under the letters, how they lean, and colours that they have by turns. */
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
          </>
        )}
      </div>
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

/** How these words are set, kept under a name, and kept styles for them. */
export function StyleMenu({ lettering, onSet }: Omit<Props, 'live'>) {
  const styles = useShop((shop) => shop.settings.styles);
  const [keeping, setKeeping] = useState(false);
  return (
    <>
      <VerbMenu label="Style…">
        {styles.length > 0 && <MenuHeading>set these words in</MenuHeading>}
        {styles.map((style) => (
          <MenuLine
            key={style.name}
            onSelect={() => {
              onSet((now) => inStyle(style, now));
            }}
          >
            <span className="max-w-72 truncate">{style.name}</span>
          </MenuLine>
        ))}
        {styles.length > 0 && <MenuRule />}
        <MenuLine
          onSelect={() => {
            setKeeping(true);
          }}
        >
          keep how these are set…
        </MenuLine>
        {styles.length > 0 && <MenuHeading>take out</MenuHeading>}
        {styles.map(({ name }) => (
          <MenuLine
            key={name}
            onSelect={() =>
              void forgetStyle(name).then((undo) => {
                tellDone(`The style “${name}” is taken out; words in it stay.`, undo);
              })
            }
          >
            <span className="max-w-72 truncate">{name}</span>
          </MenuLine>
        ))}
      </VerbMenu>
      {keeping && (
        <NameDialog
          title="Keep how these words are set"
          description="Font, spacing, colours, outline, shadow, slant and bend; other words are set so in one step, on any fit."
          label="name of the style"
          verb="Keep it"
          first=""
          onSaid={async (name) => {
            const undo = await keepStyle(name, lettering);
            setKeeping(false);
            tellDone(`“${name.trim()}” is a style.`, undo);
          }}
          onClose={() => {
            setKeeping(false);
          }}
        />
      )}
    </>
  );
}
