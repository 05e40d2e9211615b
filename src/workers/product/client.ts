import { transfer, wrap, type Remote } from 'comlink';
import type { ProductService, RoundProductShown } from './messages';

/** The views of one round product, drawn in a worker of their own onto a canvas of the page. */
export class ProductView {
  private readonly service: Remote<ProductService>;
  private readonly worker: Worker;
  private readonly known = new Set<string>();
  private next: RoundProductShown | undefined;
  private drawing = false;

  constructor(canvas: HTMLCanvasElement) {
    this.worker = new Worker(new URL('./product.worker.tsx', import.meta.url), { type: 'module' });
    this.service = wrap<ProductService>(this.worker);
    const surface = canvas.transferControlToOffscreen();
    void this.service.open(transfer(surface, [surface]));
  }

  /** Shows a state of the product. While one is being drawn, only the newest of those that come in is kept. */
  show(shown: RoundProductShown, pictureOf: (artworkId: string) => ImageBitmap | undefined): void {
    for (const piece of shown.pieces) {
      if (piece.kind !== 'artwork' || this.known.has(piece.artworkId)) continue;
      const picture = pictureOf(piece.artworkId);
      if (!picture) continue;
      this.known.add(piece.artworkId);
      void this.service.addPicture(piece.artworkId, picture);
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
