'use client';
import { useState } from 'react';
import { fixed, type UnitSetting } from '@/core/length/show';
import type { Lettering } from '@/core/type/schema';
import { LengthValue } from '@/ui/LengthValue';
import { MenuLine, VerbMenu } from '@/ui/Menu';
import { refuseFar, refuseSize } from '../acts/refusals';

interface Props {
  unit: UnitSetting;
  lettering: Lettering;
  /** Width of the widest line, in mm. */
  width: number;
  onSet: (change: Partial<Lettering>) => void;
}

/** How the lines are bent: not, on an arc by so many degrees, or on a wave so high and so long. */
export function BendField({ unit, lettering, width, onSet }: Props) {
  const { bend } = lettering;
  return (
    <span className="flex items-center gap-3">
      <VerbMenu label={bend === null ? 'Straight…' : bend.kind === 'arc' ? 'On an arc…' : 'On a wave…'}>
        <MenuLine
          onSelect={() => {
            onSet({ bend: null });
          }}
        >
          straight
        </MenuLine>
        <MenuLine
          onSelect={() => {
            onSet({ bend: { kind: 'arc', sweep: Math.PI / 3 } });
          }}
        >
          on an arc
        </MenuLine>
        <MenuLine
          onSelect={() => {
            onSet({ bend: { kind: 'wave', height: lettering.cap, length: width } });
          }}
        >
          on a wave
        </MenuLine>
      </VerbMenu>
      {bend?.kind === 'arc' && (
        <Sweep
          degrees={(bend.sweep * 180) / Math.PI}
          onSet={(degrees) => {
            onSet({ bend: { kind: 'arc', sweep: (degrees * Math.PI) / 180 } });
          }}
        />
      )}
      {bend?.kind === 'wave' && (
        <>
          <LengthValue
            name="Height of the wave"
            mm={bend.height}
            unit={unit}
            refuse={refuseFar}
            onSet={(height) => {
              onSet({ bend: { ...bend, height } });
            }}
          >
            high
          </LengthValue>
          <LengthValue
            name="Length of the wave"
            mm={bend.length}
            unit={unit}
            refuse={refuseSize}
            onSet={(length) => {
              onSet({ bend: { ...bend, length } });
            }}
          >
            long
          </LengthValue>
        </>
      )}
    </span>
  );
}

function Sweep({ degrees, onSet }: { degrees: number; onSet: (degrees: number) => void }) {
  const [typed, setTyped] = useState<string | null>(null);
  const finish = () => {
    const value = Number(typed?.replace(',', '.').replace(/−/g, '-').replace(/[°\s]/g, ''));
    if (typed !== null && typed.trim() !== '' && Number.isFinite(value) && Math.abs(value) <= 350)
      onSet(value);
    setTyped(null);
  };
  return (
    <input
      aria-label="Arc in degrees: above zero it arches, below it hangs"
      value={typed ?? `${fixed(degrees, 1)}°`}
      size={6}
      className="measure bg-tape-pale px-1 text-center text-on-tape"
      onFocus={(event) => {
        event.target.select();
      }}
      onChange={(event) => {
        setTyped(event.target.value);
      }}
      onBlur={finish}
      onKeyDown={(event) => {
        event.stopPropagation();
        if (event.key === 'Enter') finish();
        if (event.key === 'Escape') setTyped(null);
      }}
    />
  );
}
