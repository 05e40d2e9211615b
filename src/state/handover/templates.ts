import { UpFitError } from '@/core/errors';
import { trimSize, type PrintFace } from '@/core/blank/resolve';
import { showSize } from '@/core/length/show';
import { safeName } from '@/core/pack/names';
import type { ZipFile } from '@/files/zip';
import { engine } from '@/workers/client';
import type { TemplateAsked, TemplateRead } from '@/workers/messages';
import { saveAs } from './download';
import { useShop } from '../shop/shop';

export type { TemplateRead };

/** Reads a house's template file: its size, what it says of trim and bleed, and a picture to look at. */
export function readTemplateFile(file: File, page = 0): Promise<TemplateRead> {
  return engine.readTemplate(file.name, file, page);
}

/** Makes a face's template and hands it to the browser's downloads. */
export async function saveTemplate(
  name: string,
  face: PrintFace,
  format: TemplateAsked['format'],
  ppi = face.target,
): Promise<void> {
  const { path, data } = await templateFile(name, face, format, { ppi });
  saveAs(data, path);
}

/** A face's template at its true size, under the name that it is saved by. */
export async function templateFile(
  name: string,
  face: PrintFace,
  format: TemplateAsked['format'],
  { ppi = face.target }: { ppi?: number } = {},
): Promise<ZipFile> {
  const { unit } = useShop.getState().settings;
  const trim = trimSize(face);
  const file = await engine.writeTemplate(face, {
    title: `${name}, ${face.name.toLowerCase()}`,
    size: showSize(trim.width, trim.height, unit),
    paper: unit.unit,
    format,
    ppi,
  });
  if (file.size === 0) throw new UpFitError('unreadable', 'The template could not be written: try again.');
  return { path: `${safeName(name)}_${safeName(face.name)}_template.${format}`, data: file };
}
