import { create } from 'zustand';
import type { Cmyk } from '@/core/colour/palette';
import type { Intent, Press } from '@/core/colour/press';
import type { StoredProfile } from '@/store/kept';
import type { Settings } from '@/store/schema';
import { engine } from '@/workers/client';
import type { PressAsked } from '@/workers/messages';
import { changeSettings, keep, takeOut } from '../shop/records';
import { useShop, type Shop } from '../shop/shop';

/** The profile and intent that a house's prints go through. */
export function pressChoice(specId: string, { settings, profiles }: Pick<Shop, 'settings' | 'profiles'>) {
  const chosen = settings.presses[specId];
  const profile = chosen?.profileId ? profiles.get(chosen.profileId) : undefined;
  return { profile: profile ?? null, intent: chosen?.intent ?? 'relative' };
}

/** The same as the engine is asked for it. */
export function pressAsked(specId: string, shop: Pick<Shop, 'settings' | 'profiles'>): PressAsked {
  return pressChoice(specId, shop);
}

/** What tells one press from another. */
export function pressKey(specId: string, shop: Pick<Shop, 'settings' | 'profiles'>): string {
  const { profile, intent } = pressChoice(specId, shop);
  return `${profile?.id ?? 'shipped'}/${intent}`;
}

/** Presses as they have come from the engine, by their key: null while one is on its way. */
export const usePresses = create<Record<string, Press | null>>(() => ({}));

/** Has a house's press brought in, once. */
export function bringPress(specId: string): void {
  const shop = useShop.getState();
  const key = pressKey(specId, shop);
  if (key in usePresses.getState()) return;
  usePresses.setState({ [key]: null });
  engine.press(pressAsked(specId, shop)).then(
    (press) => {
      usePresses.setState({ [key]: press });
    },
    () => {
      // What could not be had is asked for again the next time.
      usePresses.setState(
        (so) => Object.fromEntries(Object.entries(so).filter(([one]) => one !== key)),
        true,
      );
    },
  );
}

/** The colour, as `#rrggbb`, that inks have in a house's print. */
export function colourOfInks(specId: string, inks: Cmyk): Promise<string> {
  return engine.colourOfInks(pressAsked(specId, useShop.getState()), inks);
}

/** Keeps a printing profile that the seller brings; refused with a sentence where it is none. */
export async function keepProfile(file: File): Promise<StoredProfile> {
  const { id, name } = await engine.readProfile(file);
  const profile = {
    id,
    name: name || file.name.replace(/\.ic[cm]$/i, ''),
    fileName: file.name,
    addedAt: Date.now(),
    file: new Blob([await file.arrayBuffer()]),
  };
  await keep('profiles', profile);
  return profile;
}

/** Takes a profile out; houses that went through it go through the shipped one. */
export function removeProfile(id: string): Promise<() => Promise<void>> {
  return takeOut('profiles', id);
}

/** Chooses what a house's prints go through. */
export async function choosePress(
  specId: string,
  choice: Partial<Settings['presses'][string]>,
): Promise<void> {
  await changeSettings(({ presses }) => {
    const before = presses[specId] ?? { profileId: null, intent: 'relative' as Intent };
    return { presses: { ...presses, [specId]: { ...before, ...choice } } };
  });
}
