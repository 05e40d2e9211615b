import { useMemo } from 'react';
import type { Fit } from '@/core/fit/schema';
import { CHECK_LIMITS } from '@/core/limits';
import { fitsIn } from '@/core/mockup/scenes';
import { photoTroubles } from '@/core/mockup/photo/troubles';
import { settingId, settingName, type PictureStyle, type Setting } from '@/state/handover/pictures';
import { useShop } from '@/state/shop/shop';
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
    </div>
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
