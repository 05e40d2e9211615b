import { wrap, type Remote } from 'comlink';
import { UpFitError } from '@/core/errors';

/** What a call hears whose worker ended under it, or was ended because no sign of life came from it. */
export class WorkerEnded extends UpFitError {
  constructor(readonly hung: boolean) {
    super(
      'unreadable',
      hung
        ? 'This took too long and was ended: try again, with a smaller or simpler file if it comes again.'
        : 'The work stopped in the middle and its engine was started again: try once more.',
    );
  }
}

/** How long a worker may be without a sign of life, in ms. */
const PATIENCE = 60_000;

/**
 * One worker behind typed calls: it starts with the first of them, every call has an end, and one that died is replaced
 * for the next. `onEnd` hears that what it knew is gone.
 */
export class WorkerHost<Service> {
  private worker: Worker | undefined;
  private service: Remote<Service> | undefined;
  private readonly waiting = new Set<(error: Error) => void>();

  constructor(
    private readonly spawn: () => Worker,
    private readonly onEnd: () => void = () => undefined,
  ) {}

  /** Calls under way. */
  get load(): number {
    return this.waiting.size;
  }

  /** Makes a call; `alive` is to be called with each sign of life of a long one. Throws WorkerEnded where it has no answer. */
  async call<T>(
    job: (service: Remote<Service>, alive: () => void) => Promise<T>,
    patience = PATIENCE,
  ): Promise<T> {
    let fail: (error: Error) => void = () => undefined;
    const died = new Promise<never>((_, reject) => (fail = reject));
    let timer: ReturnType<typeof setTimeout> | undefined;
    const alive = () => {
      clearTimeout(timer);
      // A sign of life may come after the answer.
      if (!this.waiting.has(fail)) return;
      timer = setTimeout(() => {
        // The others that it had did not hang: they are told that it ended, and may be tried again.
        fail(new WorkerEnded(true));
        this.end();
      }, patience);
    };
    this.waiting.add(fail);
    alive();
    try {
      return await Promise.race([job(this.start(), alive), died]);
    } finally {
      clearTimeout(timer);
      this.waiting.delete(fail);
    }
  }

  /** Ends the worker; calls that it still had are told. */
  end(error: Error = new WorkerEnded(false)): void {
    this.worker?.terminate();
    this.worker = undefined;
    this.service = undefined;
    this.onEnd();
    for (const fail of this.waiting) fail(error);
  }

  private start(): Remote<Service> {
    if (this.service) return this.service;
    const worker = this.spawn();
    const died = (event: Event) => {
      event.preventDefault();
      if (this.worker === worker) this.end();
    };
    worker.addEventListener('error', died);
    worker.addEventListener('messageerror', died);
    this.worker = worker;
    return (this.service = wrap<Service>(worker));
  }
}
