import { useSearchParams } from 'next/navigation';
import { useState } from 'react';

/** What is chosen in a place: as its address asks for it, until something else is chosen there. */
export function useAsked(name: string): [string | null, (id: string | null) => void] {
  const asked = useSearchParams().get(name);
  const [followed, setFollowed] = useState(asked);
  const [chosenId, setChosenId] = useState(asked);
  if (asked !== followed) {
    setFollowed(asked);
    if (asked !== null) setChosenId(asked);
  }
  return [chosenId, setChosenId];
}
