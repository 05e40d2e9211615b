import { transfer, wrap, type Remote } from 'comlink';
import type { Press } from '@/core/colour/press';
import type { ProductService, RoundProductShown } from './messages';

/** The views of one round product, drawn in a worker of their own onto a canvas of the page. */
export class ProductView {
  private readonly service: Remote<ProductService>;
  private readonly worker: Worker;
  private readonly known = new Map<string, ImageBitmap>();
  private next: RoundProductShown | undefined;
  private drawing = false;
  private press: Press | undefined;

  constructor(canvas: HTMLCanvasElement) {
    this.worker = new Worker(new URL('./product.worker.tsx', import.meta.url), { type: 'module' });
    this.service = wrap<ProductService>(this.worker);
    const surface = canvas.transferControlToOffscreen();
    void this.service.open(transfer(surface, [surface]));
  }

  /** Hands over what the inks make of colours, once. */
  setPress(press: Press): void {
    if (this.press === press) return;
    this.press = press;
    void this.service.setPress(press);
  }

  /** Shows a state of the product. While one is being drawn, only the newest of those that come in is kept. */
  show(shown: RoundProductShown, pictureOf: (artworkId: string) => ImageBitmap | undefined): void {
    for (const [id] of shown.facts) {
      const picture = pictureOf(id);
      if (!picture || this.known.get(id) === picture) continue;
      this.known.set(id, picture);
      void this.service.addPicture(id, picture);
    }
    this.next = shown;
    if (!this.drawing) void this.draw();
  }

  close(): void {
    this.next = undefined;
    this.worker.terminate();
  }

  private async draw(): Promise<void> {
    this.drawing = true;
    while (this.next) {
      const shown = this.next;
      this.next = undefined;
      await this.service.show(shown);
    }
    this.drawing = false;
  }
}
