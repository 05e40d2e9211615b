/** Whether this tab may change a fit: one tab writes at a time, the others follow. */
export type Role = 'writing' | 'following';

interface Heard {
  /** This tab's role changed. */
  onRole: (role: Role) => void;
  /** Writes all that is still to be written; asked before the fit is handed over. */
  finish: () => Promise<unknown>;
}

type Message = { kind: 'hand-over' };

/** How long the other tab has to finish its edit before the fit is taken from it, in ms: it may be frozen. */
const PATIENCE = 1500;

/** A fit held open in this tab. */
export class FitHold {
  private readonly channel: BroadcastChannel;
  private readonly lock: string;
  private release: (() => void) | null = null;
  private closed = false;
  /** Ends this tab's place in the queue. */
  private queued = new AbortController();

  constructor(
    fitId: string,
    private readonly heard: Heard,
  ) {
    this.lock = `up-fit/fit/${fitId}`;
    this.channel = new BroadcastChannel(this.lock);
    this.channel.addEventListener('message', () => {
      if (this.release) void this.handOver();
    });
  }

  /** Takes the fit to write on if no other tab has it; else follows, and takes it as soon as the other lets go. */
  async open(): Promise<Role> {
    const free = await new Promise<boolean>((answer) => {
      this.hold({ ifAvailable: true }, answer);
    });
    if (!free) this.wait();
    return free ? 'writing' : 'following';
  }

  /** Whether this tab has the fit to write on. */
  get writes(): boolean {
    return this.release !== null;
  }

  /** Asks the other tab to finish and hand the fit over; takes it where no answer comes. */
  takeOver(): void {
    this.channel.postMessage({ kind: 'hand-over' } satisfies Message);
    setTimeout(() => {
      if (!this.release && !this.closed) this.hold({ steal: true }, () => undefined);
    }, PATIENCE);
  }

  close(): void {
    this.closed = true;
    this.queued.abort();
    this.release?.();
    this.channel.close();
  }

  private async handOver(): Promise<void> {
    await this.heard.finish();
    this.release?.();
  }

  private wait(): void {
    this.queued = new AbortController();
    this.hold({ signal: this.queued.signal }, () => undefined);
  }

  /** Holds the lock until it is let go or taken away. */
  private hold(options: LockOptions, answer: (got: boolean) => void): void {
    void navigator.locks
      .request(this.lock, options, async (lock) => {
        answer(lock !== null);
        if (!lock || this.closed || this.release) return;
        await new Promise<void>((release) => {
          this.release = release;
          // A place in the queue that is still taken would bring the fit back as soon as it is handed over.
          if (options.steal) this.queued.abort();
          this.heard.onRole('writing');
        });
      })
      .catch(() => undefined)
      .finally(() => {
        if (!this.release || this.closed) return;
        this.release = null;
        this.heard.onRole('following');
        this.wait();
      });
  }
}
