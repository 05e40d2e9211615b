import { WorkerHost } from './host';
import { Latest } from './latest';
import type { LookAsked, PlatesSeen, PlatesService, ProposeAsked } from './plates-messages';
import type { Proposal } from '@/core/plates/propose';

export type { HeldPrint, LookAsked, PlateFound, PlateSeen, PlatesSeen, ProposeAsked } from './plates-messages';

const spawn = () => new Worker(new URL('./plates.worker.ts', import.meta.url), { type: 'module' });
const looking = new WorkerHost<PlatesService>(spawn);
// Eight proposals take their time, and looking does not wait for them.
const proposing = new WorkerHost<PlatesService>(spawn);

const look = (asked: LookAsked) => looking.call((service) => service.look(asked));
const looks = new Latest<LookAsked, PlatesSeen | null>(look);
const closer = new Latest<LookAsked, PlatesSeen | null>(look);
const proposes = new Latest<ProposeAsked, Proposal[]>((asked) =>
  proposing.call((service) => service.propose(asked)),
);

/** What plates look like, away from the page's own thread; null where the hand has moved on, or nothing lies there. */
export function lookAtPlates(asked: LookAsked): Promise<PlatesSeen | null> {
  return (asked.close ? closer : looks).ask(asked);
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
