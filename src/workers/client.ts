import type { CutInks } from '@/core/blank/cut-inks';
import { proxy, type Remote } from 'comlink';
import { UpFitError } from '@/core/errors';
import type { Cmyk } from '@/core/colour/palette';
import type { Press } from '@/core/colour/press';
import type { Swatch } from '@/core/colour/swatches';
import type { PrintFace } from '@/core/blank/resolve';
import type { Docket } from '@/core/check/docket';
import type { Finding } from '@/core/check/finding';
import type { BesideAsked } from '@/files/beside';
import type { CutPage } from '@/files/cut-lines';
import type { DocketPage } from '@/core/pack/docket-page';
import type { Parting } from '@/core/cut/parting';
import type { FitFace } from '@/core/fit/schema';
import type { Raster } from '@/core/raster/raster';
import type { UnitSetting } from '@/core/length/show';
import type {
  ArtworkResult,
  EngineService,
  FileAsked,
  FitJob,
  JobArtwork,
  OnProgress,
  Outcome,
  PictureAsked,
  PictureFile,
  PlateFilesAsked,
  PlateFilesMade,
  PressAsked,
  PrintFile,
  PrintFilesAsked,
  SheetFilesAsked,
  TemplateAsked,
  TurnAsked,
  TemplateRead,
} from './messages';
import { WorkerEnded, WorkerHost } from './host';

export interface JobOptions {
  signal?: AbortSignal;
  onProgress?: OnProgress;
}

/** Why the engine cannot run in this browser, in one sentence; `null` where it can. */
export function engineHindrance(): string | null {
  if (typeof SharedArrayBuffer !== 'undefined' && self.crossOriginIsolated) return null;
  return 'This browser does not let the page share memory with its workers, so pictures cannot be measured: open Up Fit at http://localhost:3000 or over https, in a current browser.';
}

/** How long a job that was stopped may go on before its worker is ended, in ms: an engine that hangs hears no flag. */
const PATIENCE = 4000;
/** A worker that held more than a file of so many bytes gives its memory back once it has been idle for so long. */
const HEAVY_BYTES = 32 * 1024 * 1024;
const IDLE = 20_000;
/** How long an engine may work without a sign of life, in ms: longer than its longest step takes on a busy machine. */
const LIFE = 180_000;

type Job<T> = (service: Remote<EngineService>, flag: Int32Array, tell: OnProgress) => Promise<Outcome<T>>;

/** One engine in one worker. It starts with its first job, and a dead one is replaced for the next. */
class EngineClient {
  private readonly host = new WorkerHost<EngineService>(
    () => {
      const hindrance = engineHindrance();
      if (hindrance) throw new UpFitError('unsupported', hindrance);
      return new Worker(new URL('./engine.worker.ts', import.meta.url), { type: 'module' });
    },
    () => (this.heavy = false),
  );
  private heavy = false;
  private idle: ReturnType<typeof setTimeout> | undefined;

  /** Jobs under way. */
  get load(): number {
    return this.host.load;
  }

  async run<T>(options: JobOptions, bytes: number, job: Job<T>, again = true): Promise<T> {
    const { signal, onProgress } = options;
    signal?.throwIfAborted();
    clearTimeout(this.idle);
    this.heavy ||= bytes > HEAVY_BYTES;
    const flag = new Int32Array(new SharedArrayBuffer(4));
    let hanging: ReturnType<typeof setTimeout> | undefined;
    const stop = () => {
      Atomics.store(flag, 0, 1);
      hanging = setTimeout(() => {
        // Others that it has are not stopped with it: they are done again.
        this.host.end();
      }, PATIENCE);
    };
    signal?.addEventListener('abort', stop);
    let outcome: Outcome<T> | null;
    try {
      outcome = await this.host.call((service, alive) => {
        const tell = (share: number) => {
          alive();
          onProgress?.(share);
        };
        return job(service, flag, proxy(tell));
      }, LIFE);
    } catch (error) {
      if (signal?.aborted) throw new DOMException('Stopped.', 'AbortError');
      // The worker ended over another job than this one, or over this one: a second time is told. One that hung, hangs.
      if (!(error instanceof WorkerEnded) || error.hung || !again) throw error;
      outcome = null;
    } finally {
      clearTimeout(hanging);
      signal?.removeEventListener('abort', stop);
      this.rest();
    }
    if (outcome === null) return this.run(options, bytes, job, false);
    if (outcome.ok) return outcome.value;
    if (outcome.stopped) throw new DOMException('Stopped.', 'AbortError');
    if (outcome.dead) {
      this.host.end();
      // It may have died of the files before this one.
      if (again) return this.run(options, bytes, job, false);
    }
    throw new UpFitError(outcome.code, outcome.message);
  }

  /** Gives a heavy worker's memory back once it has been idle for a while. */
  private rest(): void {
    if (this.load > 0 || !this.heavy) return;
    this.idle = setTimeout(() => {
      this.host.end();
    }, IDLE);
  }
}

/** Engines that work side by side: one uses one core. */
export const ENGINES = 2;

/** Pixels of a fit's artworks from which two engines share what is measured in them: each has to decode them. */
const SHARED_PIXELS = 6e6;

function pixelsShown({ artworks }: FitJob): number {
  return artworks.reduce(
    (sum, { facts: { pixels } }) => sum + (pixels ? pixels.width * pixels.height : 0),
    0,
  );
}

/** The page's engines. A job goes to the one with the least to do, of two alike to the one that has its pixels. */
class EnginePool {
  private readonly clients = Array.from({ length: ENGINES }, () => new EngineClient());
  /** Which engine worked on what last. */
  private readonly had = new Map<string, EngineClient>();

  measure(asked: FileAsked, options: JobOptions = {}): Promise<ArtworkResult> {
    const { name, file } = asked;
    return this.run([`${name}/${file.size}`], file.size, options, (service, flag, tell) =>
      service.measure(asked, flag, tell),
    );
  }

  partPicture(artwork: JobArtwork, options: JobOptions = {}): Promise<Parting> {
    const { facts, original } = artwork;
    return this.run([`${facts.name}/${facts.bytes}`], original.size, options, (service, flag, tell) =>
      service.partPicture(artwork, flag, tell),
    );
  }

  cutFaces(job: FitJob, options: JobOptions = {}): Promise<FitFace[]> {
    return this.runFit(job, options, (service, flag, tell) => service.cutFaces(job, flag, tell));
  }

  /** The docket of a fit. Where it is much work and nobody else waits, two engines measure half of the rules each. */
  async docket(job: FitJob, unit: UnitSetting, options: JobOptions = {}): Promise<Docket> {
    const found =
      this.isIdle && pixelsShown(job) > SHARED_PIXELS ? await this.findings(job, unit, options) : undefined;
    return this.runFit(job, options, (service, flag, tell) => service.docket(job, unit, found, flag, tell));
  }

  private async findings(job: FitJob, unit: UnitSetting, options: JobOptions): Promise<Finding[]> {
    const stop = new AbortController();
    const signal = AbortSignal.any([stop.signal, ...(options.signal ? [options.signal] : [])]);
    const shares = [0, 0];
    const half = (which: 0 | 1) => {
      const onProgress = (share: number) => {
        shares[which] = share;
        options.onProgress?.((shares[0]! + shares[1]!) / 2);
      };
      const find: Job<Finding[]> = (service, flag, tell) => service.findings(job, unit, which, flag, tell);
      // The same half goes to the same engine again, which knows what was measured before an edit.
      return this.runFits([job], { signal, onProgress }, find, which);
    };
    try {
      return (await Promise.all([half(0), half(1)])).flat();
    } catch (error) {
      stop.abort();
      throw error;
    }
  }

  private get isIdle(): boolean {
    return this.clients.every(({ load }) => load === 0);
  }

  printFiles(job: FitJob, asked: PrintFilesAsked, options: JobOptions = {}): Promise<PrintFile[]> {
    return this.runFit(job, options, (service, flag, tell) => service.printFiles(job, asked, flag, tell));
  }

  facePrint(job: FitJob, faceId: string, across: number, options: JobOptions = {}): Promise<Raster> {
    return this.runFit(job, options, (service, flag, tell) =>
      service.facePrint(job, faceId, across, flag, tell),
    );
  }

  plateFiles(job: FitJob, asked: PlateFilesAsked, options: JobOptions = {}): Promise<PlateFilesMade> {
    return this.runFit(job, options, (service, flag, tell) => service.plateFiles(job, asked, flag, tell));
  }

  sheetFiles(jobs: readonly FitJob[], asked: SheetFilesAsked, options: JobOptions = {}): Promise<Blob[]> {
    const bytes = jobs.flatMap(({ artworks }) => artworks.map(({ original }) => original.size));
    return this.run([], Math.max(0, ...bytes), options, (service, flag, tell) =>
      service.sheetFiles(jobs, asked, flag, tell),
    );
  }

  picture(jobs: readonly FitJob[], asked: PictureAsked, options: JobOptions = {}): Promise<PictureFile> {
    return this.runFits(jobs, options, (service, flag, tell) => service.picture(jobs, asked, flag, tell));
  }

  turn(jobs: readonly FitJob[], asked: TurnAsked, options: JobOptions = {}): Promise<Blob> {
    return this.runFits(jobs, options, (service, flag, tell) => service.turn(jobs, asked, flag, tell));
  }

  docketPage(job: FitJob, sheet: DocketPage, options: JobOptions = {}): Promise<Blob> {
    return this.runFit(job, options, (service, flag, tell) => service.docketPage(job, sheet, flag, tell));
  }

  besidePages(jobs: readonly FitJob[], asked: BesideAsked, options: JobOptions = {}): Promise<Blob[]> {
    const bytes = jobs.flatMap(({ artworks }) => artworks.map(({ original }) => original.size));
    return this.run([], Math.max(0, ...bytes), options, (service, flag, tell) =>
      service.besidePages(jobs, asked, flag, tell),
    );
  }

  /** The number of the part of a drawing at a point, in shares of it from its top left; null where there is none. */
  partAt(file: Blob, name: string, point: { x: number; y: number }): Promise<number | null> {
    return this.run([], file.size, {}, (service) => service.partAt(name, file, point));
  }

  /** Inks of colours through the shipped printing profile. */
  inksOf(colours: readonly string[]): Promise<Cmyk[]> {
    return this.run([], 0, {}, (service) => service.inksOf(colours));
  }

  colourOfInks(asked: PressAsked, inks: Cmyk): Promise<string> {
    return this.run([], 0, {}, (service) => service.colourOfInks(asked, inks));
  }

  press(asked: PressAsked): Promise<Press> {
    return this.run([], 0, {}, (service) => service.press(asked));
  }

  readProfile(file: Blob): Promise<{ id: string; name: string }> {
    return this.run([], file.size, {}, (service) => service.readProfile(file));
  }

  cutPdf(title: string, pages: readonly CutPage[], inks: CutInks): Promise<Blob> {
    return this.run([], 0, {}, (service) => service.cutPdf(title, pages, inks));
  }

  swatchPage(title: string, swatches: readonly Swatch[]): Promise<Blob> {
    return this.run([], 0, {}, (service) => service.swatchPage(title, swatches));
  }

  readTemplate(name: string, file: Blob, page = 0): Promise<TemplateRead> {
    return this.run([], file.size, {}, (service) => service.readTemplate(name, file, page));
  }

  writeTemplate(face: PrintFace, asked: TemplateAsked): Promise<Blob> {
    return this.run([], 0, {}, (service) => service.writeTemplate(face, asked));
  }

  private runFit<T>(fit: FitJob, options: JobOptions, job: Job<T>): Promise<T> {
    return this.runFits([fit], options, job);
  }

  private runFits<T>(fits: readonly FitJob[], options: JobOptions, job: Job<T>, half?: 0 | 1): Promise<T> {
    const artworks = fits.flatMap((fit) => fit.artworks);
    const names = artworks.map(({ facts }) => `${facts.name}/${facts.bytes}`);
    const keys = half === undefined ? names : [...names.map((name) => `${half} ${name}`), ...names];
    const bytes = Math.max(0, ...artworks.map(({ original }) => original.size));
    return this.run(keys, bytes, options, job);
  }

  private run<T>(keys: readonly string[], bytes: number, options: JobOptions, job: Job<T>): Promise<T> {
    const least = Math.min(...this.clients.map(({ load }) => load));
    const free = this.clients.filter(({ load }) => load === least);
    const had = keys.map((key) => this.had.get(key)).find((one) => one && free.includes(one));
    const client = had ?? free[0]!;
    for (const key of keys) this.had.set(key, client);
    return client.run(options, bytes, job);
  }
}

/** True of the error that a stopped job ends with. */
export function isStopped(error: unknown): boolean {
  return error instanceof DOMException && error.name === 'AbortError';
}

export const engine = new EnginePool();
