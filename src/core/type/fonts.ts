import * as v from 'valibot';

/** A font that comes with Up Fit, served from its own server as `/fonts/ID.woff`. All under the Open Font License. */
export interface ShippedFont {
  id: string;
  name: string;
  /** What kind of font it is, in a word or two. */
  sort: string;
}

export const SHIPPED_FONTS: readonly ShippedFont[] = [
  { id: 'archivo-narrow', name: 'Archivo Narrow', sort: 'narrow' },
  { id: 'archivo-narrow-bold', name: 'Archivo Narrow Bold', sort: 'narrow, bold' },
  { id: 'zilla-slab', name: 'Zilla Slab', sort: 'slab serif' },
  { id: 'lora', name: 'Lora', sort: 'serif' },
  { id: 'playfair-display', name: 'Playfair Display', sort: 'high-contrast serif' },
  { id: 'pacifico', name: 'Pacifico', sort: 'brush script' },
  { id: 'bungee', name: 'Bungee', sort: 'sign lettering' },
];

export const FIRST_FONT = SHIPPED_FONTS[0]!.id;

/** What a font allows by its own record (OpenType, OS/2 table, `fsType`). */
export const EMBEDDINGS = ['installable', 'editable', 'print', 'restricted'] as const;

/** What was read in the file of a font that the seller brought. */
export const FontFactsSchema = v.object({
  name: v.string(),
  embedding: v.picklist(EMBEDDINGS),
  /** The licence as the file states it; empty where it states none. */
  licence: v.string(),
  glyphs: v.number(),
});
export type FontFacts = v.InferOutput<typeof FontFactsSchema>;

/** What a font's flag means for a seller, in a sentence. */
export const EMBEDDING_WORDS: Record<FontFacts['embedding'], string> = {
  installable: 'Its record allows any use in a file.',
  editable: 'Its record allows use in files that may be edited.',
  print: 'Its record allows use in files for viewing and printing.',
  restricted: 'Its record forbids use in files without its maker’s leave: look at your licence first.',
};
