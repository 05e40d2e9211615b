import {
  decodePDFRawStream,
  PDFArray,
  PDFDict,
  PDFName,
  PDFNumber,
  PDFRawStream,
  type PDFContext,
  type PDFObject,
} from '@cantoo/pdf-lib';
import { profileName } from '@/core/formats/icc';

/** What a colour space comes to. */
export interface SpaceFound {
  mode: 'grey' | 'rgb' | 'cmyk' | 'lab';
  spot?: string;
  profile?: string;
}

const BY_NAME: Record<string, SpaceFound['mode']> = {
  DeviceGray: 'grey',
  CalGray: 'grey',
  G: 'grey',
  DeviceRGB: 'rgb',
  CalRGB: 'rgb',
  RGB: 'rgb',
  DeviceCMYK: 'cmyk',
  CMYK: 'cmyk',
  Lab: 'lab',
};
const BY_CHANNELS: Record<number, SpaceFound['mode']> = { 1: 'grey', 3: 'rgb', 4: 'cmyk' };
/** Names that are process inks or none, and no spots. */
const PROCESS = new Set(['Cyan', 'Magenta', 'Yellow', 'Black', 'All', 'None']);

/** The modes, spots and profiles of a colour space (ISO 32000-1, 8.6); none where it is a pattern or cannot be read. */
export function colourSpace(space: PDFObject | undefined, context: PDFContext, depth = 0): SpaceFound[] {
  if (space instanceof PDFName) {
    const mode = BY_NAME[space.decodeText()];
    return mode ? [{ mode }] : [];
  }
  if (!(space instanceof PDFArray) || depth > 4) return [];
  const [kind, second, third] = space.asArray().map((one) => context.lookup(one));
  const name = kind instanceof PDFName ? kind.decodeText() : '';
  switch (name) {
    case 'ICCBased':
      return fromProfile(second);
    case 'Indexed':
    case 'I':
    case 'Pattern':
      return colourSpace(second, context, depth + 1);
    case 'Separation':
      return withSpots([second], third, context, depth);
    case 'DeviceN':
      return withSpots(second instanceof PDFArray ? second.asArray() : [], third, context, depth);
    default:
      return colourSpace(kind, context, depth + 1);
  }
}

function fromProfile(stream: PDFObject | undefined): SpaceFound[] {
  if (!(stream instanceof PDFRawStream)) return [];
  const channels = stream.dict.lookup(PDFName.of('N'));
  const mode = channels instanceof PDFNumber ? BY_CHANNELS[channels.asNumber()] : undefined;
  if (!mode) return [];
  return [{ mode, profile: namedProfile(stream) ?? 'unnamed profile' }];
}

function namedProfile(stream: PDFRawStream): string | null {
  try {
    return profileName(decodePDFRawStream(stream).decode());
  } catch {
    return null;
  }
}

function withSpots(
  names: readonly (PDFObject | undefined)[],
  instead: PDFObject | undefined,
  context: PDFContext,
  depth: number,
): SpaceFound[] {
  const spots = names
    .filter((name) => name instanceof PDFName)
    .map((name) => name.decodeText())
    .filter((name) => !PROCESS.has(name));
  const modes = colourSpace(instead, context, depth + 1);
  return [...modes, ...spots.map((spot): SpaceFound => ({ mode: modes[0]?.mode ?? 'cmyk', spot }))];
}

/** The profile that a document says it is meant for (ISO 32000-1, 14.11.5); null where it says none. */
export function outputProfile(catalog: PDFDict): string | null {
  const intents = catalog.lookup(PDFName.of('OutputIntents'));
  const first = intents instanceof PDFArray ? intents.lookup(0) : undefined;
  const profile = first instanceof PDFDict ? first.lookup(PDFName.of('DestOutputProfile')) : undefined;
  return profile instanceof PDFRawStream ? namedProfile(profile) : null;
}
