'use client';
import type { ResolvedBlank } from '@/core/blank/resolve';
import type { Parting } from '@/core/cut/parting';
import { stickerSize } from '@/core/cut/set';
import { largestOf, regrouped, scaleSpread, sized, type StickerSet } from '@/core/cut/sorting';
import { fixed, showLength, type UnitSetting } from '@/core/length/show';
import { CutLengths } from '@/ui/CutLengths';
import { LengthValue } from '@/ui/LengthValue';
import { OneOf } from '@/ui/OneOf';
import { Select } from '@/ui/Select';
import { Checkbox } from '@/ui/Checkbox';
import { aspectsOf } from '@/core/blank/kinds';

/** How the whole set is cut, put together and sized. */
export function SetSettings({
  set,
  parting,
  blank,
  kinds,
  unit,
  name,
  onKind,
  onChange,
}: {
  set: StickerSet;
  parting: Parting;
  blank: ResolvedBlank;
  kinds: readonly ResolvedBlank[];
  unit: UnitSetting;
  name: string;
  onKind: (id: string) => void;
  onChange: (set: StickerSet) => void;
}) {
  const { settings } = set;
  const cut = (change: Partial<StickerSet['settings']>) => {
    onChange({ ...set, settings: { ...settings, ...change } });
  };
  return (
    <div className="border-t-2 border-ink pt-1 text-sm">
      {kinds.length > 1 && (
        <div className="flex items-center gap-2 border-b border-rule py-1.5">
          <span className="w-24 shrink-0 text-ink-2">Made as</span>
          <Select
            label="Made as"
            value={blank.blank.id}
            choices={kinds.map((kind) => [kind.blank.id, kind.blank.name])}
            onChange={onKind}
            className="grow"
          />
        </div>
      )}
      <OneOf
        label="Edge"
        options={[
          { id: 'white', name: 'white border' },
          { id: 'spread', name: 'none, colours run out' },
        ]}
        value={settings.edge}
        onChoose={(edge) => {
          cut({ edge, border: edge === 'spread' ? 0 : settings.border || 3 });
        }}
      />
      <div className="flex flex-wrap gap-x-5 gap-y-1 border-b border-rule py-1.5">
        <CutLengths cut={settings} unit={unit} onSet={cut} />
        <Checkbox
          checked={settings.holes === 'keep'}
          onChange={(on) => {
            cut({ holes: on ? 'keep' : 'drop' });
          }}
        >
          cut holes out
        </Checkbox>
      </div>
      {parting.motifs.length > 1 && (
        <p className="flex flex-wrap items-center gap-x-1.5 border-b border-rule py-1.5 text-ink-2">
          <LengthValue
            name="Gap"
            mm={set.gap}
            unit={unit}
            refuse={(mm) => (mm < 0 || mm > 500 ? 'Type 0 to 500 mm.' : null)}
            onSet={(gap) => {
              onChange(regrouped(set, parting, { name, gap }));
            }}
          >
            Shapes closer than
          </LengthValue>
          <span>make one sticker</span>
        </p>
      )}
      <Sizes set={set} parting={parting} blank={blank} unit={unit} onChange={onChange} />
    </div>
  );
}

/** One scale for all or not, and the sizes that the house makes. */
function Sizes({
  set,
  parting,
  blank,
  unit,
  onChange,
}: {
  set: StickerSet;
  parting: Parting;
  blank: ResolvedBlank;
  unit: UnitSetting;
  onChange: (set: StickerSet) => void;
}) {
  const spread = scaleSpread(set);
  const offered = aspectsOf(blank.blank.body).sticker?.toShape?.offered ?? [];
  const several = set.stickers.length > 1;
  const take = (side: number) => {
    const index = largestOf(set, parting);
    const { width, height } = stickerSize(set.stickers[index]!, parting);
    const artwork = Math.max(5, side - 2 * set.settings.border);
    onChange(sized(set, parting, index, width >= height ? { width: artwork } : { height: artwork }));
  };
  return (
    <>
      {several && (
        <div className="flex items-center gap-1.5 border-b border-rule py-1.5">
          <Checkbox
            checked={set.oneScale}
            onChange={(oneScale) => {
              const scale = set.stickers[0]!.scale;
              onChange({
                ...set,
                oneScale,
                stickers: oneScale ? set.stickers.map((one) => ({ ...one, scale })) : set.stickers,
              });
            }}
          >
            One scale: a size typed sizes all
          </Checkbox>
          {spread > 1.001 && (
            <span className="measure ml-auto text-look">up to {fixed(spread, 2)} times apart</span>
          )}
        </div>
      )}
      {offered.length > 0 && set.stickers.length > 0 && (
        <p className="flex flex-wrap items-center gap-x-3 border-b border-rule py-1.5">
          <span className="text-ink-2">{several ? 'Largest cut to' : 'Cut to'}</span>
          {offered.map((side) => (
            <button
              key={side}
              className="verb measure"
              onClick={() => {
                take(side);
              }}
            >
              {showLength(side, unit)}
            </button>
          ))}
        </p>
      )}
    </>
  );
}
