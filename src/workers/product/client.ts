import { transfer, type Remote } from 'comlink';
import type { Press } from '@/core/colour/press';
import type { PrintFace } from '@/core/blank/resolve';
import type { Piece } from '@/core/fit/schema';
import type { PicturePoint } from '@/core/product/lines';
import { WorkerHost } from '../host';
import type { FaceShown, LookTold, Place, ProductService, ProductShown } from './messages';

/** What is to be shown, before its faces have their versions. */
export type ProductAsked = Omit<ProductShown, 'faces' | 'model'> & {
  faces: readonly { face: PrintFace; pieces: readonly Piece[] }[];
};

/** The views of one product, drawn in a worker of their own onto a canvas of the page. */
export class ProductView {
  private readonly host: WorkerHost<ProductService>;
  private readonly known = new Map<string, ImageBitmap>();
  private readonly versions = new Map<
    string,
    { face: PrintFace; pieces: readonly Piece[]; version: number }
  >();
  private next: ProductAsked | undefined;
  private drawing = false;
  private closed = false;
  private press: Press | undefined;

  /**
   * `told` hears of each look once it is drawn; `ended` that its worker is gone, and with it the canvas, which can be
   * handed over once only.
   */
  constructor(
    canvas: HTMLCanvasElement,
    private readonly told: (looks: LookTold[]) => void,
    ended: () => void,
  ) {
    this.host = new WorkerHost(
      () => new Worker(new URL('./product.worker.ts', import.meta.url), { type: 'module' }),
      () => {
        if (!this.closed) ended();
        this.closed = true;
      },
    );
    const surface = canvas.transferControlToOffscreen();
    this.do((service) => service.open(transfer(surface, [surface])));
  }

  /** Has something done that nobody waits for: where it fails, the drawing after it tells. */
  private do(job: (service: Remote<ProductService>) => Promise<unknown>): void {
    if (!this.closed) this.host.call(job).catch(() => undefined);
  }

  private ask<T>(job: (service: Remote<ProductService>) => Promise<T>): Promise<T> {
    if (this.closed) return Promise.reject(new DOMException('Stopped.', 'AbortError'));
    return this.host.call(job);
  }

  /** Hands over what the inks make of colours, once. */
  setPress(press: Press): void {
    if (this.press === press) return;
    this.press = press;
    this.do((service) => service.setPress(press));
  }

  /** Shows a state of the product. While one is being drawn, only the newest of those that come in is kept. */
  show(asked: ProductAsked, pictureOf: (artworkId: string) => ImageBitmap | undefined): void {
    for (const [id] of asked.facts) {
      const picture = pictureOf(id);
      if (!picture || this.known.get(id) === picture) continue;
      this.known.set(id, picture);
      this.do((service) => service.addPicture(id, picture));
    }
    this.next = asked;
    if (!this.drawing) void this.draw();
  }

  /** What is on the canvas, as a PNG. */
  async picture(): Promise<Blob> {
    return this.ask((service) => service.picture());
  }

  /** The place of a face that a place of a look shows. */
  async placeAt(look: number, x: number, y: number): Promise<Place | null> {
    return this.ask((service) => service.placeAt(look, x, y));
  }

  /** Where each look shows a place of a face. */
  async seenAt(place: Place): Promise<(PicturePoint | null)[]> {
    return this.ask((service) => service.seenAt(place));
  }

  close(): void {
    this.next = undefined;
    this.closed = true;
    this.host.end(new DOMException('Stopped.', 'AbortError'));
  }

  private async draw(): Promise<void> {
    this.drawing = true;
    while (this.next) {
      const asked = this.next;
      this.next = undefined;
      try {
        this.told(await this.ask((service) => service.show(this.versioned(asked))));
      } catch {
        // One state that cannot be drawn keeps none after it from being drawn.
      }
    }
    this.drawing = false;
  }

  /** A face that is the same as before keeps its number, so that nothing on it is drawn again. */
  private versioned(asked: ProductAsked): ProductShown {
    const faces = asked.faces.map(({ face, pieces }): FaceShown => {
      const before = this.versions.get(face.id);
      const version =
        before?.face === face && before.pieces === pieces ? before.version : (before?.version ?? 0) + 1;
      this.versions.set(face.id, { face, pieces, version });
      return { face, pieces, version };
    });
    const { blank } = asked.blank;
    const cuts = asked.faces.map(({ face }) => face.cut?.d);
    const model = JSON.stringify([blank.id, blank.version, asked.sizeId, blank.body, cuts]);
    return { ...asked, faces, model };
  }
}
