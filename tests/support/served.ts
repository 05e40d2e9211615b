/** Where the suites find what is served for all of them: their processes inherit it. */
export const SERVED = 'UPFIT_SERVED';

export interface Served {
  /** Addresses of the application with nothing in it, and with the demo shop. */
  empty: string;
  demo: string;
  /** Profiles with the demo shop loaded, and with a `BenchShop` in it; each for its address alone. */
  profile: string;
  bench: string;
}

export function served(): Served {
  return JSON.parse(process.env[SERVED] ?? '') as Served;
}
