import { expose } from 'comlink';

/** A worker in this thread: what it is sent goes through a channel, as to a real one. */
export class FakeWorker extends EventTarget {
  static made: FakeWorker[] = [];
  private readonly channel = new MessageChannel();
  ended = false;

  constructor(service: object) {
    super();
    FakeWorker.made.push(this);
    const { port1, port2 } = this.channel;
    expose(service, port2);
    port1.addEventListener('message', (event) => {
      if (!this.ended)
        this.dispatchEvent(new MessageEvent('message', { data: (event as MessageEvent).data }));
    });
    port1.start();
  }

  postMessage(message: unknown, transfer: Transferable[] = []): void {
    this.channel.port1.postMessage(message, transfer);
  }

  terminate(): void {
    this.ended = true;
    this.channel.port1.close();
  }

  die(): void {
    this.dispatchEvent(new Event('error', { cancelable: true }));
  }
}
