import { useEffect, useState } from 'react';
import type { Fit } from '@/core/fit/schema';
import type { PictureStyle } from '@/core/mockup/schema';
import { sentence } from '@/state/sentence';
import { makePicture, ownColour, settingId, type Setting } from '@/state/handover/pictures';
import { contextOf, useShop } from '@/state/shop/shop';

/** Longest side of a scene's small picture, in px. */
const SIDE = 300;

/** A scene with fits in it, small: its address, how much of the headline reads, or what is wrong. */
export interface Thumb {
  url: string | null;
  read: { name: string; share: number } | null;
  trouble: string | null;
}

const WAITING: Thumb = { url: null, read: null, trouble: null };

/** Draws a setting small, again whenever what it shows changes; the one before stays until then. */
export function useThumb(setting: Setting, fits: readonly Fit[], style: PictureStyle): Thumb {
  const [thumb, setThumb] = useState(WAITING);
  const { width, height, dress, proof } = style;
  const marks = setting.kind === 'photo' ? setting.photo.scene : setting.scene;
  const id = settingId(setting);
  useEffect(() => {
    const stop = new AbortController();
    let own: string | null = null;
    const draw = async () => {
      const [fit] = fits;
      const blank = fit && contextOf(fit, useShop.getState())?.blank;
      if (!fit || !blank) return;
      const scale = SIDE / Math.max(width, height);
      const size = { width: Math.round(width * scale), height: Math.round(height * scale) };
      const { file, read } = await makePicture(
        { setting, fits, colour: ownColour(fit, blank) },
        { ...size, format: 'jpeg', dress, proof },
        { signal: stop.signal, reads: true },
      );
      own = URL.createObjectURL(file);
      setThumb({ url: own, read, trouble: null });
    };
    draw().catch((error: unknown) => {
      if (!stop.signal.aborted) setThumb({ ...WAITING, trouble: sentence(error) });
    });
    return () => {
      stop.abort();
      if (own) URL.revokeObjectURL(own);
    };
    // A setting is made anew with every drawing of the page: what of it is shown is named here.
  }, [id, marks, fits, width, height, dress, proof]); // eslint-disable-line react-hooks/exhaustive-deps
  return thumb;
}
