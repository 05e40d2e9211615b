import { FORMATS } from '@/core/formats/registry';
import { useState } from 'react';
import type { Fit } from '@/core/fit/schema';
import { isSteaming, PICTURE_SIZES } from '@/core/mockup/scenes';
import { PICTURE_FORMATS, type PictureSet, type PictureStyle } from '@/core/mockup/schema';
import { pictureName, type PictureWanted } from '@/state/handover/pictures';
import { contextOf, useShop } from '@/state/shop/shop';
import { Checkbox } from '@/ui/Checkbox';
import { Choice, Field } from '@/ui/Field';
import { Heading } from '@/ui/StripParts';
import { BackdropField } from './BackdropField';
import { KeptSets } from './KeptSets';
import { OwnSize } from './OwnSize';
import { TurnDialog } from './TurnDialog';
import { usePicturesWork } from './usePicturesWork';
import { Progress } from '@/ui/Progress';

interface Props {
  fits: readonly Fit[];
  set: PictureSet;
  wanted: readonly PictureWanted[];
  onSet: (set: PictureSet) => void;
  onFits: (fits: readonly Fit[]) => void;
}

const FORMAT_NAMES = { jpeg: 'JPEG', png: 'PNG', webp: 'WebP' } as const;
const SHADOWS = [
  ['0', 'off'],
  ['0.5', 'light'],
  ['1', 'as usual'],
  ['1.4', 'strong'],
] as const;

/** How the pictures are made, and the button that makes them. */
export function StyleStrip({ fits, set, wanted, onSet, onFits }: Props) {
  const shop = useShop();
  const { style, allColours } = set;
  const onStyle = (next: PictureStyle) => {
    onSet({ ...set, style: next });
  };
  const work = usePicturesWork();
  const [turns, setTurns] = useState(false);
  const size = PICTURE_SIZES.find(({ width, height }) => width === style.width && height === style.height);
  const palette = paletteOf(fits, shop);
  const [first] = wanted;
  const change = (part: Partial<PictureStyle>) => {
    onStyle({ ...style, ...part });
  };
  return (
    <aside
      aria-label="How they are made"
      className="flex w-[300px] shrink-0 flex-col border-l border-rule bg-docket px-4 py-2"
    >
      <div className="min-h-0 grow overflow-auto">
        <KeptSets set={set} onSet={onSet} onFits={onFits} />
        <Heading>Size and file</Heading>
        <Choice
          label="Size"
          value={size?.id ?? 'own'}
          choices={[
            ...PICTURE_SIZES.map(
              ({ id, name, width, height }) => [id, `${name}, ${width} × ${height}`] as const,
            ),
            ['own', 'a size of my own'],
          ]}
          onChange={(id) => {
            const chosen = PICTURE_SIZES.find((one) => one.id === id);
            change(chosen ? { width: chosen.width, height: chosen.height } : { width: 1500, height: 1500 });
          }}
        />
        {!size && <OwnSize style={style} onStyle={onStyle} />}
        <Choice
          label="File"
          value={style.format}
          choices={PICTURE_FORMATS.map((format) => [format, FORMAT_NAMES[format]] as const)}
          onChange={(format) => {
            change({ format });
          }}
        />
        <Field
          label="Name"
          words
          value={style.naming}
          note={
            first
              ? pictureName(first, style, FORMATS[style.format].endings[0])
              : '{design} {blank} {scene} {colour} {size}'
          }
          onChange={(naming) => {
            change({ naming });
          }}
        />
        <Heading>What is in them</Heading>
        <Choice
          label="Product colours"
          value={allColours ? 'all' : 'own'}
          choices={[
            ['own', 'the fit’s own'],
            ['all', 'each of them'],
          ]}
          onChange={(which) => {
            onSet({ ...set, allColours: which === 'all' });
          }}
        />
        <Choice
          label="Colours of the print"
          value={style.proof ? 'printed' : 'designed'}
          choices={[
            ['designed', 'as designed'],
            ['printed', 'as printed'],
          ]}
          onChange={(which) => {
            change({ proof: which === 'printed' });
          }}
        />
        <Choice
          label="Shadow"
          value={String(style.dress.shadow) as (typeof SHADOWS)[number][0]}
          choices={SHADOWS}
          onChange={(shadow) => {
            change({ dress: { ...style.dress, shadow: Number(shadow) } });
          }}
        />
        {fits.some((fit) => steams(fit, shop)) && (
          <Checkbox
            className="mt-1 border-b border-rule py-1 text-sm"
            checked={style.dress.steam}
            onChange={(steam) => {
              change({ dress: { ...style.dress, steam } });
            }}
          >
            hot mugs steam: seen on what is darker
          </Checkbox>
        )}
        <BackdropField
          palette={palette}
          value={style.dress.colour}
          onChange={(colour) => {
            change({ dress: { ...style.dress, colour } });
          }}
        />
      </div>
      <div className="border-t border-ink pt-3">
        {work.progress ? (
          <div className="flex items-center gap-3">
            <Progress label="Pictures" share={work.progress.share} className="grow" />
            <span role="status" className="measure whitespace-nowrap text-sm">
              {work.progress.done} of {work.progress.of}
            </span>
            <button className="verb" onClick={work.stop}>
              Stop
            </button>
          </div>
        ) : (
          <button
            className="action w-full"
            disabled={wanted.length === 0}
            onClick={() => void work.make(wanted, set)}
          >
            {wanted.length === 0
              ? 'Choose a scene'
              : `Make ${wanted.length} ${wanted.length === 1 ? 'picture' : 'pictures'}`}
          </button>
        )}
        <button
          className="verb mt-2"
          onClick={() => {
            setTurns(true);
          }}
        >
          A picture that turns…
        </button>
        <p role="status" className="min-h-5 pt-1 text-sm text-ink-2">
          {work.said}
        </p>
        {turns && (
          <TurnDialog
            fits={fits}
            sceneIds={new Set(set.settingIds)}
            style={style}
            onClose={() => {
              setTurns(false);
            }}
          />
        )}
      </div>
    </aside>
  );
}

function steams(fit: Fit, shop: Parameters<typeof contextOf>[1]): boolean {
  const context = contextOf(fit, shop);
  return context !== null && isSteaming(context.blank);
}

/** Colours of the artworks that are pictured, for a backdrop that goes with them. */
function paletteOf(fits: readonly Fit[], shop: Parameters<typeof contextOf>[1]): string[] {
  const artworks = fits.flatMap((fit) => contextOf(fit, shop)?.artworks ?? []);
  const found = artworks.flatMap(({ facts }) => facts.palette.map(({ hex }) => hex));
  return [...new Set(found)].slice(0, 10);
}
