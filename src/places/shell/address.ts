import { usePathname, useSearchParams } from 'next/navigation';

// Places read what is asked for from the address in the browser: the page itself may be one that was kept for when the
// server is gone (src/offline), and stands for every address of its kind.

/** The fit that a bench's address is of. */
export function useFitId(): string {
  return decodeURIComponent(usePathname().split('/')[2] ?? '');
}

/** The fits that an address names, none or several. */
export function useFitIds(): readonly string[] {
  return useSearchParams().getAll('fit');
}
