interface Waiting {
  run: (lock: object) => void;
  refuse: (error: unknown) => void;
}

/** The browser's locks (W3C Web Locks), as much of them as the application asks for. */
export class Locks {
  private readonly held = new Map<string, (error: unknown) => void>();
  private readonly queues = new Map<string, Waiting[]>();

  request<T>(
    name: string,
    { ifAvailable = false, steal = false, signal }: LockOptions,
    work: (lock: object | null) => Promise<T>,
  ): Promise<T> {
    if (this.held.has(name) && !steal) {
      if (ifAvailable) return work(null);
      return new Promise<T>((done, refuse) => {
        const own: Waiting = { run: () => void this.hold(name, work).then(done, refuse), refuse };
        const queue = this.queues.get(name) ?? [];
        this.queues.set(name, [...queue, own]);
        signal?.addEventListener('abort', () => {
          this.queues.set(
            name,
            (this.queues.get(name) ?? []).filter((one) => one !== own),
          );
          refuse(new DOMException('left', 'AbortError'));
        });
      });
    }
    if (steal) this.held.get(name)?.(new DOMException('stolen', 'AbortError'));
    return this.hold(name, work);
  }

  private hold<T>(name: string, work: (lock: object) => Promise<T>): Promise<T> {
    return new Promise<T>((done, refuse) => {
      let stolen = false;
      this.held.set(name, (error) => {
        stolen = true;
        refuse(error);
      });
      void work({})
        .then(done, refuse)
        .finally(() => {
          if (stolen) return;
          this.held.delete(name);
          const [next, ...rest] = this.queues.get(name) ?? [];
          this.queues.set(name, rest);
          next?.run({});
        });
    });
  }
}
