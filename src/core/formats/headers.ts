import { readAvifHeader } from './avif';
import type { ByteReader } from './bytes';
import { readGifHeader } from './gif';
import type { Header } from './header';
import { readJpegHeader } from './jpeg';
import { readPngHeader } from './png';
import type { Format } from './registry';
import { readTiffHeader } from './tiff';
import { readWebpHeader } from './webp';

/** What reads the header of a picture, by its format; null for a drawing, which has no pixels of its own. */
export const HEADERS: Record<Format, ((read: ByteReader, page: number) => Header) | null> = {
  png: readPngHeader,
  jpeg: readJpegHeader,
  webp: readWebpHeader,
  tiff: readTiffHeader,
  gif: readGifHeader,
  avif: readAvifHeader,
  pdf: null,
  svg: null,
};
