import { toast } from '@/ui/toast';
import { removeArtwork } from '@/state/artwork/artworks';
import { sentence } from '@/state/sentence';
import { designFromArtwork } from '@/state/shop/fitting';
import { tellDone } from '@/ui/tell';
import type { Artwork } from './types';

/** Makes an artwork a row of the range; `go` leads there. */
export async function makeDesign(artwork: Artwork, go: () => void): Promise<void> {
  const design = await designFromArtwork(artwork);
  toast(`“${design.name}” is a row of the range now.`, { action: { label: 'Go there', onClick: go } });
}

export async function takeOut(artwork: Artwork): Promise<void> {
  try {
    const undo = await removeArtwork(artwork);
    tellDone(`“${artwork.facts.name}” is taken out.`, undo);
  } catch (error) {
    toast(sentence(error));
  }
}
