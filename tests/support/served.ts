/** Where the suites find what is served for all of them: their processes inherit it. */
export const SERVED = 'UPFIT_SERVED';

export interface Served {
  /** Addresses of the application with nothing in it, and with the demo shop. */
  empty: string;
  demo: string;
  /** A profile with the demo shop loaded and measured; for that address alone. */
  profile: string;
}

export function served(): Served {
  return JSON.parse(process.env[SERVED] ?? '') as Served;
}
