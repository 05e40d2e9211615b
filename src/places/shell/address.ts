import { useChosen } from '@/state/many/chosen';
import { useHanded } from '@/state/many/handed';
import { targetsIn } from '@/state/many/preview';
import { usePathname, useSearchParams } from 'next/navigation';

// Places read what is asked for from the address in the browser: the page itself may be one that was kept for when the
// server is gone (src/offline), and stands for every address of its kind.

/** The fit that a bench's address is of. */
export function useFitId(): string {
  return decodeURIComponent(usePathname().split('/')[2] ?? '');
}

/** Where what is chosen on the range is taken to: an address is too short for hundreds of fits. */
export function withChosen(place: string): string {
  return `${place}?fits=chosen`;
}

/** Where some fits are taken to by themselves. */
export function withHanded(place: string, fitIds: readonly string[]): string {
  useHanded.setState({ fitIds });
  return `${place}?fits=handed`;
}

/** The fits that an address names, none or several, those that are chosen on the range, or what the last place handed on. */
export function useFitIds(): readonly string[] {
  const asked = useSearchParams();
  const keys = useChosen((chosen) => chosen.keys);
  const handed = useHanded(({ fitIds }) => fitIds);
  if (asked.get('fits') === 'handed') return handed;
  if (asked.get('fits') !== 'chosen') return asked.getAll('fit');
  return targetsIn(keys).flatMap(({ fit }) => fit?.id ?? []);
}
