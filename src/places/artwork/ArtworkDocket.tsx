'use client';
import { showBytes } from '@/core/length/bytes';
import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { describeFacts } from '@/core/fit/describe';
import { noteArtwork, replaceFile, setSteps } from '@/state/artwork/artworks';
import { useShop } from '@/state/shop/shop';
import { useFilePicker } from '@/ui/useFilePicker';
import { NameField } from '@/ui/NameField';
import { Heading } from '@/ui/StripParts';
import { makeDesign, takeOut } from './acts';
import type { DocketProps } from './types';
import { FlawList } from './FlawList';
import { LibraryFit } from './LibraryFit';
import { Origin } from './Origin';
import { Palette } from './Palette';
import { Renditions } from './Renditions';
import { StepList } from './StepList';
import { useTitle } from '@/ui/useTitle';

/** All that is known of one artwork, on a strip of paper, and what can be done with it. */
export function ArtworkDocket(props: DocketProps) {
  const { artwork, change } = props;
  const { facts, fileName } = artwork;
  const unit = useShop((shop) => shop.settings.unit);
  useTitle(facts.name);
  return (
    <aside
      aria-label="Facts"
      className="relative flex w-[340px] shrink-0 flex-col overflow-auto border-l border-ink bg-docket px-5 pb-6 pt-3"
    >
      <NameField
        value={facts.name}
        label="Name"
        onName={(name) => {
          void noteArtwork(artwork.id, { name });
        }}
      />
      <p className="measure text-sm text-ink-2">
        {facts.pixels && `${facts.pixels.width} × ${facts.pixels.height} px · `}
        {facts.format.toUpperCase()} · {showBytes(facts.bytes)}
        {fileName && fileName !== facts.name && ` · from ${fileName}`}
      </p>
      <ul className="mt-2 border-t-2 border-ink pt-1.5">
        {describeFacts(facts, unit).map((said) => (
          <li key={said} className="py-0.5">
            {said}
          </li>
        ))}
        {facts.notes.map(({ code, message }) => (
          <li key={code} className="py-0.5 text-look">
            {message}
          </li>
        ))}
      </ul>
      <Uses {...props} />
      <p className="mt-1.5 text-sm">
        <Link href={`/artwork/stickers?of=${artwork.id}`} className="verb">
          Cut stickers from it
        </Link>
      </p>
      <LibraryFit facts={facts} />
      <FlawList artwork={artwork} change={change} />
      <StepList {...props} />
      <Palette artwork={artwork} change={change} />
      <Renditions {...props} />
      <Origin artwork={artwork} />
      <Verbs {...props} />
    </aside>
  );
}

/** The designs an artwork is in; one that is in none can be made one. */
function Uses({ artwork }: DocketProps) {
  const designs = useShop((shop) => shop.designs);
  const router = useRouter();
  const used = [...designs.values()].filter(({ artworks }) =>
    artworks.some(({ artworkId }) => artworkId === artwork.id),
  );
  if (used.length > 0)
    return <p className="mt-1.5 text-sm text-ink-2">In {used.map(({ name }) => name).join(', ')}</p>;
  const make = () =>
    makeDesign(artwork, () => {
      router.push('/');
    });
  return (
    <button className="verb mt-1.5 text-sm" onClick={() => void make()}>
      Make it a design
    </button>
  );
}

function Verbs({ artwork, change }: DocketProps) {
  const pick = useFilePicker('Replace the file', (file) => {
    change.run('File replaced', (options) => replaceFile(artwork, file, options));
  });
  return (
    <>
      <Heading>File</Heading>
      <p className="flex gap-5 pt-2">
        {pick.input}
        <button className="verb" disabled={change.busy !== null} onClick={pick.open}>
          Replace the file
        </button>
        {artwork.facts.palette.length === 0 && (
          <button
            className="verb"
            disabled={change.busy !== null}
            onClick={() => {
              change.run('Measured again', (options) => setSteps(artwork, artwork.steps, options));
            }}
          >
            Measure it again
          </button>
        )}
        <button className="verb" onClick={() => void takeOut(artwork)}>
          Take it out
        </button>
      </p>
    </>
  );
}
