'use client';
import { useRouter } from 'next/navigation';
import { useMemo, useState } from 'react';
import { toast } from '@/ui/toast';
import { PICTURE_SIZES } from '@/core/mockup/scenes';
import { USUAL_DRESS, type PictureSet } from '@/core/mockup/schema';
import { sentence } from '@/state/sentence';
import { takePhoto } from '@/state/handover/photos';
import { picturesOf, settingId, settingsFor, USUAL_NAMING } from '@/state/handover/pictures';
import { contextOf, useShop } from '@/state/shop/shop';
import { useFitIds } from '../shell/address';
import { useFilePicker } from '@/ui/useFilePicker';
import { FitList } from './FitList';
import { SceneGrid } from './SceneGrid';
import { StyleStrip } from './StyleStrip';

const FIRST_SET: PictureSet = {
  settingIds: ['plain', 'plain-flat', 'wall'],
  allColours: false,
  style: {
    width: PICTURE_SIZES[0]!.width,
    height: PICTURE_SIZES[0]!.height,
    format: 'jpeg',
    dress: USUAL_DRESS,
    proof: false,
    naming: USUAL_NAMING,
  },
};

/** Pictures for a listing: which fits, in which scenes, and how they are made. */
export function PicturesPlace() {
  const fitIds = useFitIds();
  const shop = useShop();
  const router = useRouter();
  const fits = useMemo(
    () => [...shop.fits.values()].filter((fit) => shop.designs.has(fit.designId) && contextOf(fit, shop)),
    [shop],
  );
  const known = fitIds.filter((id) => fits.some((fit) => fit.id === id));
  const [chosenIds, setChosenIds] = useState<readonly string[] | null>(null);
  const [set, setSet] = useState(FIRST_SET);
  const sceneIds = useMemo(() => new Set(set.settingIds), [set.settingIds]);
  const first = known.length > 0 ? known : fits.slice(0, 1).map(({ id }) => id);
  const ids = chosenIds ?? first;
  const chosen = ids.flatMap((id) => fits.find((fit) => fit.id === id) ?? []);
  const wanted = useMemo(
    () => picturesOf(chosen, sceneIds, set.allColours),
    [chosen, sceneIds, set.allColours],
  );
  const settings = useMemo(() => {
    const found = new Map(
      chosen.flatMap((fit) =>
        settingsFor(contextOf(fit, shop)!.blank, shop.photos.values()).map(
          (one) => [settingId(one), one] as const,
        ),
      ),
    );
    return [...found.values()];
  }, [chosen, shop]);
  const bringPhoto = async (file: File) => {
    try {
      const { photo, notes } = await takePhoto(file);
      for (const note of notes) toast(note);
      router.push(photoAddress(photo.id, ids));
    } catch (error) {
      toast(sentence(error));
    }
  };
  // One by one, so that memory stays that of one; what is no photo is told and keeps no other out.
  const bringPhotos = async (files: readonly File[]) => {
    let taken = 0;
    for (const file of files) {
      try {
        await takePhoto(file);
        taken++;
      } catch (error) {
        toast(sentence(error));
      }
    }
    toast(
      `${taken} of ${files.length} photos are in: mark the print surface of each, or take another’s marks.`,
    );
  };
  const picker = useFilePicker(
    'Photo of a blank',
    (file) => void bringPhoto(file),
    (files) => void bringPhotos(files),
  );
  return (
    <div className="flex min-h-0 grow flex-col">
      <div className="flex h-[46px] shrink-0 items-center gap-5 border-b border-rule bg-frame px-4">
        <h1 className="whitespace-nowrap text-lg font-bold">Pictures for a listing</h1>
        <p className="truncate text-ink-2">
          Drawn at their own size from the fit itself, in this browser. You are told what turns out of sight.
        </p>
        {picker.input}
        <button className="action ml-auto shrink-0" onClick={picker.open}>
          Bring a photo of a blank
        </button>
      </div>
      {fits.length === 0 ? (
        <Empty />
      ) : (
        <div className="flex min-h-0 grow">
          <FitList fits={fits} chosenIds={ids} onChoose={setChosenIds} />
          <SceneGrid
            fits={chosen}
            settings={settings}
            sceneIds={sceneIds}
            style={set.style}
            onChoose={(settingIds) => {
              setSet({ ...set, settingIds: [...settingIds] });
            }}
            onPhoto={(id) => {
              router.push(photoAddress(id, ids));
            }}
          />
          <StyleStrip
            fits={chosen}
            set={set}
            wanted={wanted}
            onSet={setSet}
            onFits={(late) => {
              setChosenIds(late.map(({ id }) => id));
            }}
          />
        </div>
      )}
    </div>
  );
}

function photoAddress(id: string, fitIds: readonly string[]): string {
  const query = fitIds.map((fitId) => `fit=${encodeURIComponent(fitId)}`).join('&');
  return `/pictures/photo?photo=${encodeURIComponent(id)}${query ? `&${query}` : ''}`;
}

function Empty() {
  return (
    <p className="p-6 text-ink-2">
      A picture shows a fit on its product: fit a design on a blank first, in the range.
    </p>
  );
}
