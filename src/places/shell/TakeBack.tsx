'use client';
import { useHotkeys } from 'react-hotkeys-hook';
import { toast } from '@/ui/toast';
import { OPEN_OVER } from '@/ui/Dialog';
import { takeBack, useDone } from '@/ui/tell';

/** Takes back what was done last, on Ctrl Z: everywhere but where a place has steps of its own. */
export function TakeBack({ at }: { at: string }) {
  useHotkeys(
    'mod+z',
    () => {
      if (document.querySelector(OPEN_OVER)) return;
      const [last] = useDone.getState().done;
      if (last) void takeBack(last).then(() => toast(`Taken back: ${last.sentence}`));
      else toast('Nothing was done here that could be taken back.');
    },
    { enabled: !OWN_STEPS.some((place) => at.startsWith(place)), preventDefault: true },
  );
  return null;
}

const OWN_STEPS = ['/bench', '/artwork/stickers'];
