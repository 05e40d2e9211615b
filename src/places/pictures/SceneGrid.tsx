import { useMemo } from 'react';
import type { Fit } from '@/core/fit/schema';
import type { PictureStyle } from '@/core/mockup/schema';
import { CHECK_LIMITS } from '@/core/limits';
import { fitsIn } from '@/core/mockup/scenes';
import { photoTroubles } from '@/core/mockup/photo/troubles';
import { settingId, settingName, settingsFor, type Setting } from '@/state/handover/pictures';
import { fitTitle } from '@/core/fit/version';
import { contextOf, useShop } from '@/state/shop/shop';
import { useThumb } from './useThumb';
import { Toggle } from '@/ui/Toggle';

interface GridProps {
  fits: readonly Fit[];
  settings: readonly Setting[];
  sceneIds: ReadonlySet<string>;
  style: PictureStyle;
  onChoose: (ids: ReadonlySet<string>) => void;
  onPhoto: (photoId: string) => void;
}

/** Every scene that can show what was chosen, each with the first fit in it. */
export function SceneGrid({ fits, settings, sceneIds, style, onChoose, onPhoto }: GridProps) {
  const photos = useShop((shop) => shop.photos);
  const unmarked = [...photos.values()].filter(({ scene }) => photoTroubles(scene).length > 0);
  const first = settings.find((setting) => sceneIds.has(settingId(setting)));
  if (fits.length === 0)
    return <p className="grow p-6 text-ink-2">Choose a fit at the left to see it in its scenes.</p>;
  return (
    <div className="min-w-0 grow overflow-auto bg-viewing p-4 text-viewing-ink">
      <ul
        aria-label="Scenes"
        className="grid grid-cols-[repeat(auto-fill,minmax(188px,1fr))] gap-x-4 gap-y-5"
      >
        {unmarked.map(({ id, scene }) => (
          <li key={id} className="border border-dashed border-viewing-ink p-3 text-sm">
            <p className="font-semibold">{scene.name}</p>
            <p className="mt-1">{photoTroubles(scene)[0]}</p>
            <button
              className="mt-2 font-semibold underline underline-offset-4"
              onClick={() => {
                onPhoto(id);
              }}
            >
              Mark the photo
            </button>
          </li>
        ))}
        {settings.map((setting) => (
          <SceneCell
            key={settingId(setting)}
            setting={setting}
            fits={fits}
            style={style}
            chosen={sceneIds.has(settingId(setting))}
            first={setting === first}
            onPhoto={onPhoto}
            onToggle={() => {
              const next = new Set(sceneIds);
              if (!next.delete(settingId(setting))) next.add(settingId(setting));
              onChoose(next);
            }}
          />
        ))}
      </ul>
      {fits.length > 1 && first && (
        <FitRows fits={fits} settings={settings} sceneIds={sceneIds} style={style} />
      )}
    </div>
  );
}

/** Fits that are shown in rows of their own, at most: the others are made all the same. */
const MOST_ROWS = 12;

/** Every fit that was chosen in the scenes that were, a row each. */
function FitRows({
  fits,
  settings,
  sceneIds,
  style,
}: Pick<GridProps, 'fits' | 'settings' | 'sceneIds' | 'style'>) {
  const shop = useShop();
  return (
    <section aria-label="Fits in the chosen scenes" className="mt-6 border-t border-viewing-ink pt-3">
      {fits.slice(0, MOST_ROWS).map((fit, at) => {
        const context = contextOf(fit, shop);
        if (!context) return null;
        const own = settingsFor(context.blank, []).map(settingId);
        const shown = settings.filter(
          (one) => sceneIds.has(settingId(one)) && (one.kind === 'photo' || own.includes(settingId(one))),
        );
        const others = [...fits.slice(at + 1), ...fits.slice(0, at)];
        return (
          <div key={fit.id} className="mb-4">
            <h2 className="text-sm font-semibold">
              {fitTitle(context.design, fit)} on {context.blank.blank.name}
            </h2>
            <ul className="mt-1 flex flex-wrap gap-3">
              {shown.map((setting) => (
                <RowPicture
                  key={settingId(setting)}
                  setting={setting}
                  fit={fit}
                  others={others}
                  style={style}
                />
              ))}
              {shown.length === 0 && (
                <li className="text-sm">None of the chosen scenes is for such products.</li>
              )}
            </ul>
          </div>
        );
      })}
      {fits.length > MOST_ROWS && (
        <p className="text-sm">and {fits.length - MOST_ROWS} more fits, made as these are</p>
      )}
    </section>
  );
}

function RowPicture({
  setting,
  fit,
  others,
  style,
}: {
  setting: Setting;
  fit: Fit;
  others: readonly Fit[];
  style: PictureStyle;
}) {
  const together = setting.kind === 'scene' ? fitsIn(setting.scene) : 1;
  // Told apart by what they are: a list made anew would be drawn anew.
  const ids = [fit, ...others].slice(0, together);
  const key = JSON.stringify(ids);
  const shown = useMemo(() => JSON.parse(key) as Fit[], [key]);
  const { url, trouble } = useThumb(setting, shown, style);
  return (
    <li
      className="h-[120px] overflow-hidden border border-viewing-rule"
      style={{ aspectRatio: `${style.width} / ${style.height}` }}
    >
      {url ? (
        <img src={url} alt={settingName(setting)} className="h-full w-full" />
      ) : (
        <span className="grid h-full place-items-center px-2 text-sm">{trouble ?? 'drawing…'}</span>
      )}
    </li>
  );
}

interface CellProps extends Pick<GridProps, 'fits' | 'style' | 'onPhoto'> {
  setting: Setting;
  chosen: boolean;
  /** Whether it is the first picture of the listing. */
  first: boolean;
  onToggle: () => void;
}

function SceneCell({ setting, fits, style, chosen, first, onToggle, onPhoto }: CellProps) {
  const together = setting.kind === 'scene' ? fitsIn(setting.scene) : 1;
  const shown = useMemo(() => fits.slice(0, together), [fits, together]);
  const { url, read, trouble } = useThumb(setting, shown, style);
  const name = settingName(setting);
  const cropped = read !== null && read.share < CHECK_LIMITS.readShare;
  const percent = read ? `${Math.floor(read.share * 100)} %` : '';
  return (
    <li className="flex flex-col">
      <Toggle
        pressed={chosen}
        aria-label={name}
        onPress={onToggle}
        className={`relative w-full overflow-hidden border ${chosen ? 'border-viewing-thread outline-3 outline-viewing-thread' : 'border-viewing-rule'}`}
        style={{ aspectRatio: `${style.width} / ${style.height}` }}
      >
        {url ? (
          <img src={url} alt={`${name}, with the fit in it`} className="h-full w-full" />
        ) : (
          <span className="grid h-full place-items-center px-2 text-sm">{trouble ?? 'drawing…'}</span>
        )}
      </Toggle>
      <span className="mt-1 flex items-baseline gap-2 text-sm">
        <span className={chosen ? 'font-semibold' : ''}>{name}</span>
        {setting.kind === 'photo' && (
          <button
            className="ml-auto shrink-0 underline underline-offset-4"
            onClick={() => {
              onPhoto(setting.photo.id);
            }}
          >
            marks…
          </button>
        )}
      </span>
      {together > fits.length && <span className="text-xs">shows {together} fits: choose more of them</span>}
      {cropped && (
        <span role={first ? 'alert' : undefined} className={`text-xs ${first ? 'font-semibold' : ''}`}>
          {first && 'First picture: '}
          {percent} of “{read.name}” reads
        </span>
      )}
    </li>
  );
}
