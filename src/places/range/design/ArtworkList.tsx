'use client';
import { toast } from '@/ui/toast';
import { artworkIdsOf, type Design, type Role } from '@/core/fit/schema';
import { inRoles } from '@/state/artwork/folders';
import { previewUrl } from '@/state/artwork/previews';
import { sentence } from '@/state/sentence';
import { addToDesign, moveArtworks, setArtworkRole, takeOffDesign } from '@/state/shop/designs';
import { useShop } from '@/state/shop/shop';
import { Hint } from '@/ui/Hint';
import { MenuHeading, MenuLine, MenuRule, VerbMenu } from '@/ui/Menu';
import { Heading } from '@/ui/StripParts';
import { tellDone } from '@/ui/tell';
import { Segments } from '@/ui/Toggle';
import type { Kept } from '@/state/shop/commit';
import { ArtworkLine } from '../../shell/ArtworkLine';

const ROLES: readonly { value: Role; name: string }[] = [
  { value: 'ground', name: 'ground' },
  { value: 'motif', name: 'motif' },
];

/** The artworks of a design, each with the role it usually has. What its fits show stays as it is. */
export function ArtworkList({ design, others }: { design: Design; others: readonly Design[] }) {
  const { artworks, fits } = useShop();
  const own = new Set(design.artworks.map(({ artworkId }) => artworkId));
  const spare = [...artworks.values()].filter(({ id }) => !own.has(id));
  const shown = new Set(
    [...fits.values()].filter(({ designId }) => designId === design.id).flatMap(artworkIdsOf),
  );
  const act = (work: Promise<Kept<void>>, said: string) => {
    work.then(
      ({ undo }) => {
        tellDone(said, undo);
      },
      (error: unknown) => toast(sentence(error)),
    );
  };
  return (
    <section aria-label="Artworks of the design" className="min-w-0">
      <Heading>{design.artworks.length === 0 ? 'Artworks' : `Artworks: ${design.artworks.length}`}</Heading>
      {design.artworks.length === 0 && (
        <p className="py-2 text-sm text-ink-2">
          None. A design may be words and fills alone; artworks that are added here lie on every fit that is
          made from now on.
        </p>
      )}
      <ul>
        {design.artworks.map(({ artworkId, role }) => {
          const artwork = artworks.get(artworkId);
          if (!artwork) return null;
          const { name } = artwork.facts;
          return (
            <li key={artworkId} className="flex items-center gap-3 border-b border-rule py-1.5">
              <span className="grid h-9 w-12 shrink-0 place-items-center bg-viewing">
                <img src={previewUrl(artwork)} alt="" className="max-h-8 max-w-11" />
              </span>
              <Hint words={name}>
                <span className="min-w-0 grow truncate">{name}</span>
              </Hint>
              <Segments
                label={`Role of ${name}`}
                value={role}
                choices={ROLES}
                onChange={(to) => {
                  act(setArtworkRole(design.id, artworkId, to), `“${name}” is a ${to} from now on.`);
                }}
              />
              <VerbMenu label="…" spoken={`${name}: what can be done`} align="end">
                <MenuLine
                  onSelect={() => {
                    act(
                      takeOffDesign(design.id, [artworkId]),
                      `“${name}” is off “${design.name}”${shown.has(artworkId) ? '; fits that show it keep it' : ''}.`,
                    );
                  }}
                >
                  Take it off this design
                </MenuLine>
                {others.length > 0 && (
                  <>
                    <MenuRule />
                    <MenuHeading>Move it to</MenuHeading>
                  </>
                )}
                {others.map((to) => (
                  <MenuLine
                    key={to.id}
                    onSelect={() => {
                      act(
                        moveArtworks([artworkId], design.id, to.id),
                        `“${name}” belongs to “${to.name}” now.`,
                      );
                    }}
                  >
                    <span className="max-w-72 truncate">{to.name}</span>
                  </MenuLine>
                ))}
              </VerbMenu>
            </li>
          );
        })}
      </ul>
      <p className="mt-2">
        <VerbMenu label="Add an artwork…" disabled={spare.length === 0}>
          {spare.map((artwork) => (
            <ArtworkLine
              key={artwork.id}
              artwork={artwork}
              onSelect={() => {
                act(
                  addToDesign(design.id, inRoles([artwork])),
                  `“${artwork.facts.name}” joined “${design.name}”.`,
                );
              }}
            />
          ))}
        </VerbMenu>
      </p>
    </section>
  );
}
