'use client';
import { useRouter } from 'next/navigation';
import { MenuLine, MenuRule } from '@/ui/Menu';
import { makeDesign, takeOut } from './acts';
import type { Artwork } from './types';

/** What can be done with an artwork of the list. */
export function PointedLines({ artwork }: { artwork: Artwork }) {
  const router = useRouter();
  return (
    <>
      <MenuLine
        onSelect={() =>
          void makeDesign(artwork, () => {
            router.push('/');
          })
        }
      >
        Make it a design
      </MenuLine>
      <MenuLine
        onSelect={() => {
          router.push(`/artwork/stickers?of=${artwork.id}`);
        }}
      >
        Cut stickers from it…
      </MenuLine>
      <MenuRule />
      <MenuLine onSelect={() => void takeOut(artwork)}>Take it out</MenuLine>
    </>
  );
}
