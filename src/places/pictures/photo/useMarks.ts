import { useState } from 'react';
import type { PhotoScene } from '@/core/mockup/photo/schema';
import { changePhoto } from '@/state/handover/photos';
import type { StoredPhoto } from '@/state/handover/photos';

/** The marks of a photo as the hand changes them: each change is kept as it is made, and can be undone. */
export function useMarks(photo: StoredPhoto) {
  const [past, setPast] = useState<readonly PhotoScene[]>([]);
  const [future, setFuture] = useState<readonly PhotoScene[]>([]);
  const [draft, setDraft] = useState<PhotoScene | null>(null);
  const keep = (scene: PhotoScene) => void changePhoto(photo, scene);
  return {
    scene: draft ?? photo.scene,
    /** While something is drawn: shown, not kept. */
    draw: setDraft,
    change: (scene: PhotoScene) => {
      setDraft(null);
      setPast([...past, photo.scene]);
      setFuture([]);
      keep(scene);
    },
    undo:
      past.length === 0
        ? null
        : () => {
            setFuture([photo.scene, ...future]);
            setPast(past.slice(0, -1));
            keep(past.at(-1)!);
          },
    redo:
      future.length === 0
        ? null
        : () => {
            setPast([...past, photo.scene]);
            setFuture(future.slice(1));
            keep(future[0]!);
          },
  };
}
export type Marks = ReturnType<typeof useMarks>;
