import { WorkerHost } from './host';
import { Latest } from './latest';
import type { LookAsked, PlatesSeen, PlatesService, ProposeAsked, StripAsked } from './plates-messages';
import type { Raster } from '@/core/raster/raster';
import type { Proposal } from '@/core/plates/propose';

export type {
  HeldPrint,
  LookAsked,
  PlateFound,
  PlateSeen,
  PlatesSeen,
  ProposeAsked,
} from './plates-messages';

const spawn = () => new Worker(new URL('./plates.worker.ts', import.meta.url), { type: 'module' });
const looking = new WorkerHost<PlatesService>(spawn);
// Eight proposals take their time, and looking does not wait for them.
const proposing = new WorkerHost<PlatesService>(spawn);

/** How a look is taken: on a small copy, on a fine one, or at a window of it. Each is asked for anew by itself. */
export type Pace = 'coarse' | 'fine' | 'close';

const look = (asked: LookAsked) => looking.call((service) => service.look(asked));
const looks: Record<Pace, Latest<LookAsked, PlatesSeen | null>> = {
  coarse: new Latest(look),
  fine: new Latest(look),
  close: new Latest(look),
};

const proposes = new Latest<ProposeAsked, Proposal[]>((asked) =>
  proposing.call((service) => service.propose(asked)),
);

const strips = new Latest<StripAsked, Raster[]>((asked) => proposing.call((service) => service.strip(asked)));

/** A plan on products of several colours; null where it was asked for anew meanwhile. */
export function platesOnProducts(asked: StripAsked): Promise<Raster[] | null> {
  return strips.ask(asked);
}

/** What plates look like, away from the page's own thread; null where the hand has moved on, or nothing lies there. */
export function lookAtPlates(pace: Pace, asked: LookAsked): Promise<PlatesSeen | null> {
  return looks[pace].ask(asked);
}

/** A print in one ink, in two and so on; null where it was asked for anew meanwhile. */
export function proposeInks(asked: ProposeAsked): Promise<Proposal[] | null> {
  return proposes.ask(asked);
}

/** Ends the workers, whose memory goes with them; what is asked after that starts them anew. */
export function closePlates(): void {
  looking.end();
  proposing.end();
}
