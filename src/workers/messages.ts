import type { CutInks } from '@/core/blank/cut-inks';
import type { Failure } from './outcome';
import type { Facts } from '@/core/artwork/facts';
import type { Cmyk } from '@/core/colour/palette';
import type { Intent, Press } from '@/core/colour/press';
import type { Swatch } from '@/core/colour/swatches';
import type { Step } from '@/core/artwork/steps';
import type { PrintFace, ResolvedBlank } from '@/core/blank/resolve';
import type { Docket } from '@/core/check/docket';
import type { Finding } from '@/core/check/finding';
import type { Parting } from '@/core/cut/parting';
import type { PlatePlan } from '@/core/fit/plates';
import type { Fit, FitFace } from '@/core/fit/schema';
import type { UnitSetting } from '@/core/length/show';
import type { DocketPage } from '@/core/pack/docket-page';
import type { PrintChoice, PrintPlan } from '@/core/print/plan';
import type { Print } from '@/core/sheet/print';
import type { PressLines } from '@/core/sheet/press-lines';
import type { Sheet } from '@/core/sheet/schema';
import type { CutPage } from '@/files/cut-lines';
import type { Raster } from '@/core/raster/raster';
import type { PhotoScene } from '@/core/mockup/photo/schema';
import type { Dress, Scene } from '@/core/mockup/schema';
import type { TurnFormat, Turning } from '@/core/mockup/turning';
import type { BesideAsked } from '@/files/beside';
import type { PictureFormat } from '@/core/mockup/schema';
import type { PlateFormat } from '@/files/plates';
import type { SheetFormat } from '@/files/sheet';
import type { TemplateReading } from '@/core/template/reading';

/** Told while work goes on, 0 to 1. */
export type OnProgress = (share: number) => void;

/** What a worker answers: errors travel as data, and say whether the engine has died of it. */
export type Outcome<T> = { ok: true; value: T } | (Failure & { dead: boolean });

/** A fit to be worked on, with the files it shows. */
export interface FitJob {
  blank: ResolvedBlank;
  fit: Fit;
  press: PressAsked;
  artworks: JobArtwork[];
}

/** A printing profile, the shipped one where none is given, and how it is to be gone through. */
export interface PressAsked {
  profile: { id: string; name: string; file: Blob } | null;
  intent: Intent;
}

/** An artwork of a job. `key` changes with its file and its steps: pixels are kept by it. */
export interface JobArtwork {
  id: string;
  key: string;
  facts: Facts;
  original: Blob;
  steps: readonly Step[];
}

/** A file to be measured, after its steps. */
export interface FileAsked {
  name: string;
  file: Blob;
  steps: readonly Step[];
}

export interface ArtworkResult {
  facts: Facts;
  preview: Blob;
}

/** Which print files of a fit are made, and how. */
export interface PrintFilesAsked {
  /** The design's name, after which they are named. */
  design: string;
  faceIds: readonly string[];
  parts: 'face' | 'zones' | 'pieces';
  choice: PrintChoice;
  /** Whether all go into one PDF, a page each, where that is what is made. */
  together: boolean;
}

export interface PrintFile {
  name: string;
  file: Blob;
  plan: PrintPlan;
  faceId: string;
  /** What was drawn as pixels though it is a drawing, a sentence each. */
  told: readonly string[];
}

/** Sheets to be written, with the prints that lie on them by name, and the press card that goes with them. */
export interface SheetFilesAsked {
  sheet: Sheet;
  prints: readonly Print[];
  cards: readonly PressLines[];
  format: SheetFormat;
  ppi: number;
}

/** A house's template file as it was read, with a picture of the page. */
export interface TemplateRead {
  reading: TemplateReading;
  pages: number;
  picture: Blob;
}

/** A template file to be written. */
export interface TemplateAsked {
  title: string;
  size: string;
  paper: 'mm' | 'in';
  format: 'pdf' | 'svg' | 'png';
  ppi: number;
}

/** A picture of fits, the first of them in front. */
export interface PictureAsked {
  setting: { scene: Scene } | { photo: PhotoScene; name: string; file: Blob };
  /** `#rrggbb` of each fit's product. */
  colours: readonly string[];
  width: number;
  height: number;
  dress: Dress;
  format: PictureFormat;
  /** Whether colours are shown as printed. */
  proof: boolean;
  /** Whether it is to be told how much of the headline reads. */
  reads: boolean;
}

/** One turn of a fit in a scene, as a file that moves. */
export interface TurnAsked extends Pick<PictureAsked, 'colours' | 'width' | 'height' | 'dress' | 'proof'> {
  scene: Scene;
  turning: Turning;
  format: TurnFormat;
}

export interface PictureFile {
  file: Blob;
  /** How much of the first fit's headline reads. */
  read: { name: string; share: number } | null;
}

/** The plates of a face that are to be made. */
export interface PlateFilesAsked {
  faceId: string;
  plan: PlatePlan;
  /** `#rrggbb` of the product. */
  product: string;
  format: PlateFormat;
  /** Whether registration marks, a ruler, names and patches stand round them in the PDF. */
  marks: boolean;
}

export interface PlateFilesMade {
  pixels: { width: number; height: number };
  ppi: number;
  /** Each plate alone, in the order of printing, and all of them as one PDF. */
  each: { name: string; file: Blob; ink: string; hex: string; area: number }[];
  pdf: { name: string; file: Blob };
}

/** What the engine's worker does. `flag` is one shared number: set to 1, the work stops at its next step. */
export interface EngineService {
  measure(asked: FileAsked, flag: Int32Array, onProgress: OnProgress): Promise<Outcome<ArtworkResult>>;
  /** The connected shapes of an artwork. */
  partPicture(artwork: JobArtwork, flag: Int32Array, onProgress: OnProgress): Promise<Outcome<Parting>>;
  /** The faces of a fit with their cut lines made anew. */
  cutFaces(job: FitJob, flag: Int32Array, onProgress: OnProgress): Promise<Outcome<FitFace[]>>;
  /** What one half of the rules finds on a fit's faces. */
  findings(
    job: FitJob,
    unit: UnitSetting,
    half: 0 | 1,
    flag: Int32Array,
    onProgress: OnProgress,
  ): Promise<Outcome<Finding[]>>;
  /** The docket of a fit; `found` is what both halves of the rules found on its faces, where they were measured. */
  docket(
    job: FitJob,
    unit: UnitSetting,
    found: readonly Finding[] | undefined,
    flag: Int32Array,
    onProgress: OnProgress,
  ): Promise<Outcome<Docket>>;
  printFiles(
    job: FitJob,
    asked: PrintFilesAsked,
    flag: Int32Array,
    onProgress: OnProgress,
  ): Promise<Outcome<PrintFile[]>>;
  /** The print of a face, trim plus bleed, so many pixels along its longer side. */
  facePrint(
    job: FitJob,
    faceId: string,
    across: number,
    flag: Int32Array,
    onProgress: OnProgress,
  ): Promise<Outcome<Raster>>;
  plateFiles(
    job: FitJob,
    asked: PlateFilesAsked,
    flag: Int32Array,
    onProgress: OnProgress,
  ): Promise<Outcome<PlateFilesMade>>;
  sheetFiles(
    jobs: readonly FitJob[],
    asked: SheetFilesAsked,
    flag: Int32Array,
    onProgress: OnProgress,
  ): Promise<Outcome<Blob[]>>;
  /** A picture of fits in a scene or on a photo. */
  picture(
    jobs: readonly FitJob[],
    asked: PictureAsked,
    flag: Int32Array,
    onProgress: OnProgress,
  ): Promise<Outcome<PictureFile>>;
  /** One turn of fits in a scene. */
  turn(
    jobs: readonly FitJob[],
    asked: TurnAsked,
    flag: Int32Array,
    onProgress: OnProgress,
  ): Promise<Outcome<Blob>>;
  /** The docket of a fit as a page. */
  docketPage(
    job: FitJob,
    sheet: DocketPage,
    flag: Int32Array,
    onProgress: OnProgress,
  ): Promise<Outcome<Blob>>;
  /** Fits side by side: a PDF, or each of its pages as PNG. */
  besidePages(
    jobs: readonly FitJob[],
    asked: BesideAsked,
    flag: Int32Array,
    onProgress: OnProgress,
  ): Promise<Outcome<Blob[]>>;
  readTemplate(name: string, file: Blob, page: number): Promise<Outcome<TemplateRead>>;
  writeTemplate(face: PrintFace, asked: TemplateAsked): Promise<Outcome<Blob>>;
  /** The part of a drawing at a point given in shares, by its number; null where there is none. */
  partAt(name: string, file: Blob, point: { x: number; y: number }): Promise<Outcome<number | null>>;
  inksOf(colours: readonly string[]): Promise<Outcome<Cmyk[]>>;
  /** The colour, as `#rrggbb`, that inks have on the print. */
  colourOfInks(asked: PressAsked, inks: Cmyk): Promise<Outcome<string>>;
  /** What a printing profile makes of colours. */
  press(asked: PressAsked): Promise<Outcome<Press>>;
  /** What a profile file says of itself; refused where it is no printing profile. */
  readProfile(file: Blob): Promise<Outcome<{ id: string; name: string }>>;
  /** Cut lines alone as PDF, a page each. */
  cutPdf(title: string, pages: readonly CutPage[], inks: CutInks): Promise<Outcome<Blob>>;
  /** A page of swatches as PDF. */
  swatchPage(title: string, swatches: readonly Swatch[]): Promise<Outcome<Blob>>;
}
