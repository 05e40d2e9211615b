'use client';
import Link from 'next/link';
import { useSearchParams } from 'next/navigation';
import { useState } from 'react';
import type { PhotoPoint } from '@/core/mockup/photo/schema';
import { shapeFrom, takenOver } from '@/core/mockup/photo/marks';
import { freeIdAmong } from '@/core/pack/names';
import { removePhoto, type StoredPhoto } from '@/state/handover/photos';
import { contextOf, useShop } from '@/state/shop/shop';
import { useFitIds } from '../../shell/address';
import type { Marking } from './marking';
import { MarkStrip } from './MarkStrip';
import { PhotoDrawing } from './PhotoDrawing';
import { useMarks } from './useMarks';
import { Guard } from '@/ui/Guard';
import { MenuLine, VerbMenu } from '@/ui/Menu';
import { tellDone } from '@/ui/tell';

/** A photo of a blank, on which its print surfaces are marked. */
export function PhotoPlace() {
  const fitIds = useFitIds();
  const photoId = useSearchParams().get('photo') ?? '';
  const photo = useShop((shop) => shop.photos.get(photoId));
  if (!photo) {
    return (
      <p className="p-6">
        This photo is no longer here.{' '}
        <Link href="/pictures" className="verb">
          Back to the pictures
        </Link>
      </p>
    );
  }
  return (
    <Guard
      key={photoId}
      what={`The photo “${photo.scene.name}”`}
      onTakeOut={() =>
        void removePhoto(photo).then((undo) => {
          tellDone(`${photo.scene.name} is taken off.`, undo);
        })
      }
    >
      <Photo photo={photo} fitIds={fitIds} />
    </Guard>
  );
}

function Photo({ photo, fitIds }: { photo: StoredPhoto; fitIds: readonly string[] }) {
  const shop = useShop();
  const marks = useMarks(photo);
  const [chosen, setChosen] = useState(0);
  const [marking, setMarking] = useState<Marking | null>(null);
  const fit =
    shop.fits.get(fitIds[0] ?? '') ?? [...shop.fits.values()].find((one) => contextOf(one, shop)) ?? null;
  const blank = fit && (contextOf(fit, shop)?.blank ?? null);

  const marked = [...shop.photos.values()].filter(
    ({ id, scene }) => id !== photo.id && scene.surfaces.length > 0,
  );

  const point = (at: PhotoPoint) => {
    if (!marking) return;
    const points = [...marking.points, at];
    if (marking.kind === 'front' || points.length < 4) setMarking({ ...marking, points, trouble: null });
    else finish({ ...marking, kind: marking.kind, points });
  };
  const finish = ({ kind, points }: Marking) => {
    const { scene } = marks;
    if (kind === 'front') {
      if (points.length < 3) {
        setMarking({
          kind,
          points,
          trouble: `A line round something has three points: ${points.length} are marked.`,
        });
        return;
      }
      marks.change({ ...scene, fronts: [...scene.fronts, [...points]] });
    } else {
      if (points.length < 4) {
        setMarking({
          kind,
          points,
          trouble: `It has four corners: ${points.length} are marked. Click the ones that are missing.`,
        });
        return;
      }
      const id = freeIdAmong(
        kind,
        scene.surfaces.map((one) => one.id),
      );
      const surface = { id, faceId: null, zoneId: null, shape: shapeFrom(kind, points) };
      marks.change({ ...scene, surfaces: [...scene.surfaces, surface] });
      setChosen(scene.surfaces.length);
    }
    setMarking(null);
  };
  return (
    <div className="flex min-h-0 grow flex-col">
      <div className="flex h-[46px] shrink-0 items-center gap-5 border-b border-rule bg-frame px-4">
        <h1 className="truncate text-lg font-bold">{photo.scene.name}</h1>
        <span className="measure whitespace-nowrap text-sm text-ink-2">
          {photo.scene.width} × {photo.scene.height} px
        </span>
        <p className="truncate text-ink-2">
          {blank
            ? `Shown with ${shop.designs.get(fit.designId)?.name ?? ''} on ${blank.blank.name}`
            : 'Fit a design on a blank to see it here'}
        </p>
        <span className="ml-auto flex shrink-0 items-center gap-4">
          {marked.length > 0 && (
            <VerbMenu label="Take the marks of…">
              {marked.map(({ id, scene }) => (
                <MenuLine
                  key={id}
                  onSelect={() => {
                    marks.change(takenOver(marks.scene, scene));
                    setMarking(null);
                    setChosen(0);
                  }}
                >
                  {scene.name}
                </MenuLine>
              ))}
            </VerbMenu>
          )}
          <button className="verb" disabled={!marks.undo} onClick={() => marks.undo?.()}>
            Undo
          </button>
          <button className="verb" disabled={!marks.redo} onClick={() => marks.redo?.()}>
            Redo
          </button>
          <Link
            className="action"
            href={`/pictures${fitIds.length > 0 ? `?${fitIds.map((id) => `fit=${encodeURIComponent(id)}`).join('&')}` : ''}`}
          >
            Make pictures with it
          </Link>
        </span>
      </div>
      <div className="flex min-h-0 grow">
        <PhotoDrawing
          photo={photo}
          marks={marks}
          fit={fit}
          chosen={chosen}
          marking={marking}
          onPoint={point}
          onChoose={setChosen}
        />
        <MarkStrip
          photo={photo}
          marks={marks}
          blank={blank}
          chosen={chosen}
          marking={marking}
          onChoose={setChosen}
          onMark={(kind) => {
            setMarking(kind && { kind, points: [], trouble: null });
          }}
          onDone={() => {
            if (marking) finish(marking);
          }}
        />
      </div>
    </div>
  );
}
