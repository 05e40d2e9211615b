import type { ResolvedBlank } from '@/core/blank/resolve';
import { makeDocket } from '@/core/check/docket';
import { COARSE_GRID, findingsOf, type DocketOptions } from '@/core/check/face-findings';
import type { Finding } from '@/core/check/finding';
import { HALVES } from '@/core/check/registry';
import type { Press } from '@/core/colour/press';
import type { Fit, Role } from '@/core/fit/schema';
import { boxShrink } from '@/core/raster/shrink';
import type { Raster } from '@/core/raster/raster';
import type { Measured } from '@/imaging/measure';

/** What dockets are made from: the same in both engines. */
export interface Docketed {
  blank: ResolvedBlank;
  measured: Measured;
  press: Press;
  fitOf: (measured: Measured, role: Role) => Fit;
}

/** One fit of many: its only piece so much further along, its pixels known from before or not. */
interface Asked {
  role: Role;
  moved: number;
  known: boolean;
}

type Measure = (name: string, limit: number, work: () => unknown) => Promise<void>;

/** Dockets of one artwork; nothing is known of its pixels, or all that was measured in them before. */
class Dockets {
  private kept: Raster;

  constructor(private readonly from: Docketed) {
    this.kept = { ...from.measured.raster! };
  }

  half(which: 0 | 1, asked: Asked): Finding[] {
    return findingsOf(this.from.blank, this.fit(asked), this.options(asked), HALVES[which]);
  }

  whole(asked: Asked, found: readonly Finding[]): void {
    makeDocket(this.from.blank, this.fit(asked), this.options(asked), found);
  }

  private fit({ role, moved }: Asked): Fit {
    const fit = this.from.fitOf(this.from.measured, role);
    for (const piece of fit.faces[0]!.pieces) if (piece.kind === 'artwork') piece.x += moved;
    return fit;
  }

  private options({ known }: Asked): DocketOptions {
    const { measured, press } = this.from;
    // Other pixels to the program, though the same bytes.
    if (!known) this.kept = { ...measured.raster! };
    return { facts: () => measured.facts, press, pixels: () => this.kept };
  }
}

/** The engine that measures the other half of the rules: says when it is ready, and answers each fit that it is asked for. */
export function otherHalf(from: Docketed): void {
  const dockets = new Dockets(from);
  self.onmessage = ({ data }: MessageEvent<Asked>) => {
    postMessage(dockets.half(1, data));
  };
  postMessage('ready');
}

/** Dockets of 24 megapixels as the bench asks for them, by two engines, and on reduced copies. */
export async function docketRows(measure: Measure, from: Docketed): Promise<void> {
  const dockets = new Dockets(from);
  const other = new Worker('/worker.js?half', { type: 'module' });
  const answered = () =>
    new Promise<Finding[]>((done) => {
      other.onmessage = ({ data }: MessageEvent<Finding[]>) => {
        done(data);
      };
    });
  await answered();
  let moved = 0;
  const check = async (role: Role, known: boolean) => {
    // Each time a tenth of a mm further, so that nothing is taken from the time before.
    const asked = { role, known, moved: (moved += 0.1) % 3 };
    const theirs = answered();
    other.postMessage(asked);
    const own = dockets.half(0, asked);
    dockets.whole(asked, [...own, ...(await theirs)]);
  };
  await measure('exact docket of a motif, all rules', 2.5, () => check('motif', false));
  await check('motif', false);
  await measure('exact docket after moving it', 1.5, () => check('motif', true));
  await measure('exact docket of a ground, all rules', 2.5, () => check('ground', false));
  other.terminate();

  const { blank, measured, press } = from;
  const reduced = boxShrink(measured.raster!, 15, 15);
  await measure('coarse docket', 0.15, () => {
    const raster = { ...reduced };
    const fit = from.fitOf(measured, 'motif');
    makeDocket(blank, fit, { facts: () => measured.facts, press, pixels: () => raster, coarse: COARSE_GRID });
  });
}
