import { useEffect } from 'react';
import { useOffered } from '@/state/commands';
import type { Live } from '../live/useLive';
import { canDo, perform, VERBS, type VerbId } from './verbs';

/** Offers what can be done with what is chosen to the list of commands. */
export function useOfferedVerbs(live: Live): void {
  useEffect(() => {
    const verbs = (Object.keys(VERBS) as VerbId[])
      .filter((id) => canDo(live, id))
      .map((id) => ({
        id,
        name: VERBS[id].name,
        keys: VERBS[id].keys,
        run: () => {
          perform(live, id);
        },
      }));
    useOffered.setState({ verbs });
    return () => {
      useOffered.setState({ verbs: [] });
    };
  }, [live]);
}
