import { expose } from 'comlink';
import { UpFitError } from '@/core/errors';
import { layText, type Font } from '@/core/type/layout';
import { requireReadableSize } from '@/core/artwork/limits';
import { bytesSource } from '@/core/formats/source';
import { textOf } from '@/files/svg/artwork';
import { browserPlain } from '@/files/svg/browser';
import type { MakePlain } from '@/files/svg/plain';
import { readShape } from '@/files/svg/shape';
import { wordFont } from '@/files/svg/word-fonts';
import { outlineWords } from '@/files/svg/words';
import { digest } from '@/imaging/digest';
import { fontFacts, fontOf, lackingIn, openFont } from '@/files/font';
import type { FaceSource, Read, TypeService } from './type-messages';

interface Face {
  font: Font;
  lacking: (text: string) => string[];
}
const faces = new Map<string, Promise<Face>>();

function faceOf({ id, file }: FaceSource): Promise<Face> {
  let face = faces.get(id);
  if (!face) {
    face = bytesOf(id, file).then((bytes) => {
      const opened = openFont(id, bytes);
      return { font: fontOf(opened), lacking: (text) => lackingIn(opened, text) };
    });
    faces.set(id, face);
    face.catch(() => faces.delete(id));
  }
  return face;
}

async function bytesOf(id: string, file: Blob | null): Promise<ArrayBuffer> {
  if (file) return file.arrayBuffer();
  const answer = await fetch(new URL(`/fonts/${encodeURIComponent(id)}.woff`, self.location.origin));
  if (!answer.ok)
    throw new UpFitError('not-found', 'This font is no longer here: choose another, or bring it in again.');
  return answer.arrayBuffer();
}

async function read<T>(name: string, work: () => Promise<T>): Promise<Read<T>> {
  try {
    return { ok: true, ...(await work()) };
  } catch (error) {
    return { ok: false, message: error instanceof UpFitError ? error.message : `“${name}” cannot be read.` };
  }
}

const service: TypeService = {
  lay: async (lettering, source) => layText(lettering, (await faceOf(source)).font),
  lacking: async (text, source) => (await faceOf(source)).lacking(text),
  inspect: (name, file) =>
    read(name, async () => {
      const bytes = await file.arrayBuffer();
      const facts = fontFacts(name, openFont(name, bytes));
      return { id: await digest(bytesSource(new Uint8Array(bytes))), facts };
    }),
  shapeOf: (name, file) =>
    read(name, async () => {
      requireReadableSize(name, file.size);
      return { shape: readShape(name, await file.text()) };
    }),
  outline: (name, file, fonts) =>
    read(name, async () => {
      requireReadableSize(name, file.size);
      const source = textOf(bytesSource(new Uint8Array(await file.arrayBuffer())));
      const all = await Promise.all(
        fonts.map(async (one) => wordFont(one.id, await bytesOf(one.id, one.file))),
      );
      return outlineWords(name, source, all, (plain ??= browserPlain(self.location.origin)));
    }),
};
let plain: MakePlain | undefined;

expose(service);
