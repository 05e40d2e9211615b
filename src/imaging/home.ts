import { createRequire } from 'node:module';
import { join } from 'node:path';

/** A path of Up Fit's own folder, in Node: what is bundled says where that is (scripts/prepare.mjs), all else runs in it. */
export function home(...path: string[]): string {
  return join(process.env['UPFIT_HOME'] ?? process.cwd(), ...path);
}

/** Loads packages as they are installed there, wherever the program was started. */
export function requireAtHome(): NodeJS.Require {
  return createRequire(home('package.json'));
}
