'use client';
import { useRouter } from 'next/navigation';
import { toast } from 'sonner';
import { importFiles, sentence } from '@/state/imports';
import { designFromArtwork } from '@/state/range';
import { useShop } from '@/state/shop';
import { DropTarget } from '@/ui/DropTarget';
import { ArtworkRow } from './ArtworkRow';

/** Everything brought in, with what was measured in it and what it is good for. */
export function ArtworkPlace() {
  const artworks = useShop((shop) => shop.artworks);
  const router = useRouter();
  const bringIn = async (files: File[]) => {
    try {
      await importFiles(files);
    } catch (error) {
      toast(sentence(error));
    }
  };
  const list = [...artworks.values()].sort((a, b) => b.addedAt - a.addedAt);
  return (
    <DropTarget
      onFiles={(files) => void bringIn(files)}
      label="Drop artwork"
      className="flex min-h-0 grow flex-col"
    >
      {(open) => (
        <>
          <div className="flex h-[46px] shrink-0 items-center gap-5 border-b border-rule px-4">
            <h1 className="text-lg font-bold">
              {list.length} {list.length === 1 ? 'artwork' : 'artworks'}
            </h1>
            <span className="text-sm text-ink-2">
              Originals are kept byte for byte, in this browser only.
            </span>
            <button className="action ml-auto" onClick={open}>
              Add artwork
            </button>
          </div>
          {list.length === 0 ? (
            <p className="p-6 text-ink-2">
              Drop pictures here to learn what they are good for: PNG, JPEG, TIFF, WebP, GIF or AVIF.
            </p>
          ) : (
            <ul className="min-h-0 grow overflow-auto">
              {list.map((artwork) => (
                <ArtworkRow
                  key={artwork.id}
                  artwork={artwork}
                  onDesign={() => {
                    void designFromArtwork(artwork).then((design) => {
                      toast(`“${design.name}” is a row of the range now.`, {
                        action: {
                          label: 'Go there',
                          onClick: () => {
                            router.push('/');
                          },
                        },
                      });
                    });
                  }}
                />
              ))}
            </ul>
          )}
        </>
      )}
    </DropTarget>
  );
}
