'use client';
import * as Menu from '@radix-ui/react-dropdown-menu';
import * as Popover from '@radix-ui/react-popover';
import { coverLoss, newPiece } from '@/core/fit/place';
import { placedPpi } from '@/core/fit/density';
import { fixed } from '@/core/length/show';
import { changePieces, piecesOf, useHand } from '@/state/bench';
import { previewUrl } from '@/state/previews';
import { useShop } from '@/state/shop';
import { centreOnZone, changeRole, layGround, perform, selectNext, takeOff } from './verbs';
import type { Live } from './useLive';

/** The selected piece said as a sentence, and what can be done to it as verbs. */
export function PieceStrip({ live, onBringIn }: { live: Live; onBringIn: () => void }) {
  const { pieces, selected, placed } = live;
  return (
    <div
      role="toolbar"
      aria-label="Piece"
      className="flex h-[34px] shrink-0 items-center gap-4 border-b border-rule bg-docket px-4 text-sm"
    >
      {pieces.length > 1 && (
        <span className="measure flex items-center gap-1.5">
          <button aria-label="Piece before" onClick={() => selectNext(live, -1)}>
            ‹
          </button>
          {selected ? pieces.indexOf(selected) + 1 : '–'} of {pieces.length}
          <button aria-label="Piece after" onClick={() => selectNext(live, 1)}>
            ›
          </button>
        </span>
      )}
      {selected ? (
        <>
          <span className="flex min-w-0 items-baseline gap-2">
            <span className="truncate font-semibold" title={selected.name}>
              {selected.name}
            </span>
            <button
              className="verb"
              aria-label={`Role: ${selected.role}. Change it`}
              onClick={() => {
                changeRole(live);
              }}
            >
              {selected.role}
            </button>
            {placed && <PlacedFacts live={live} />}
          </span>
          <span className="ml-auto flex shrink-0 items-center gap-3.5">
            {placed && <ArtworkVerbs live={live} />}
            {selected.kind === 'fill' && <ColourField live={live} name="Colour" colour={selected.colour} />}
            <button
              className="verb"
              onClick={() => {
                takeOff(live);
              }}
            >
              Take off
            </button>
          </span>
        </>
      ) : (
        <span className="text-ink-2">
          {pieces.length === 0 ? 'Drop artwork here to begin.' : 'Click a piece, or press Tab.'}
        </span>
      )}
      <span
        className={`flex shrink-0 items-center gap-3.5 border-l border-rule pl-3.5 ${selected ? '' : 'ml-auto'}`}
      >
        <AddMenu live={live} onBringIn={onBringIn} />
      </span>
    </div>
  );
}

function PlacedFacts({ live }: { live: Live }) {
  const { piece, facts } = live.placed!;
  const ppi = facts.pixels
    ? `${Math.floor(placedPpi(facts.pixels, piece, live.face).least + 0.005)} PPI`
    : 'vector';
  const loss = piece.role === 'ground' ? coverLoss(piece, live.face) : null;
  const cut = loss && Object.entries(loss).filter(([, share]) => share >= 0.0005);
  return (
    <span className="measure truncate text-ink-2">
      {ppi}
      {cut &&
        cut.length > 0 &&
        ` · cut away ${cut.map(([side, share]) => `${side} ${fixed(share * 100, 1)} %`).join(', ')}`}
    </span>
  );
}

function ArtworkVerbs({ live }: { live: Live }) {
  return (
    <>
      <button
        className="verb"
        onClick={() => {
          perform(live, 'inside');
        }}
      >
        Fit inside
      </button>
      <button
        className="verb"
        onClick={() => {
          perform(live, 'cover');
        }}
      >
        Cover bleed
      </button>
      <Menu.Root>
        <Menu.Trigger className="verb">Centre on…</Menu.Trigger>
        <MenuSheet>
          {live.face.zones.map(({ id, name }) => (
            <MenuLine
              key={id}
              onSelect={() => {
                centreOnZone(live, id);
              }}
            >
              {name}
            </MenuLine>
          ))}
          <MenuLine
            onSelect={() => {
              perform(live, 'centreAcross');
            }}
          >
            nearest, across only
          </MenuLine>
          <MenuLine
            onSelect={() => {
              perform(live, 'centreDown');
            }}
          >
            nearest, down only
          </MenuLine>
        </MenuSheet>
      </Menu.Root>
      <Menu.Root>
        <Menu.Trigger className="verb">Turn…</Menu.Trigger>
        <MenuSheet>
          <MenuLine
            onSelect={() => {
              perform(live, 'quarterTurn');
            }}
          >
            a quarter right
          </MenuLine>
          <MenuLine
            onSelect={() => {
              perform(live, 'flip');
            }}
          >
            over, left to right
          </MenuLine>
        </MenuSheet>
      </Menu.Root>
    </>
  );
}

function AddMenu({ live, onBringIn }: { live: Live; onBringIn: () => void }) {
  const artworks = useShop((shop) => shop.artworks);
  const { face } = live;
  const add = (artworkId: string) => {
    const artwork = artworks.get(artworkId)!;
    const role = artwork.facts.alpha.present ? 'motif' : 'ground';
    const piece = newPiece(crypto.randomUUID(), artworkId, artwork.facts, role, face);
    void changePieces(face.id, [...piecesOf(face.id), piece]);
    useHand.setState({ selectedId: piece.id });
  };
  return (
    <Menu.Root>
      <Menu.Trigger className="verb">Add…</Menu.Trigger>
      <MenuSheet>
        <MenuLine onSelect={onBringIn}>artwork from a file</MenuLine>
        <MenuLine
          onSelect={() => {
            layGround({ ...live, selected: undefined }, '#ffffff');
          }}
        >
          a plain ground
        </MenuLine>
        <Menu.Separator className="my-1 border-t border-rule" />
        <div className="max-h-80 overflow-auto">
          {[...artworks.values()].map((artwork) => (
            <MenuLine
              key={artwork.id}
              onSelect={() => {
                add(artwork.id);
              }}
            >
              <span className="grid h-8 w-12 place-items-center bg-viewing">
                <img src={previewUrl(artwork)} alt="" className="max-h-7 max-w-11" />
              </span>
              <span className="max-w-56 truncate">{artwork.facts.name}</span>
            </MenuLine>
          ))}
        </div>
      </MenuSheet>
    </Menu.Root>
  );
}

function MenuSheet({ children }: { children: React.ReactNode }) {
  return (
    <Menu.Portal>
      <Menu.Content
        className="z-40 border border-ink bg-docket py-1 text-sm"
        align="start"
        sideOffset={6}
        data-arrows
      >
        {children}
      </Menu.Content>
    </Menu.Portal>
  );
}

function MenuLine({ children, onSelect }: { children: React.ReactNode; onSelect: () => void }) {
  return (
    <Menu.Item
      onSelect={onSelect}
      className="flex cursor-pointer items-center gap-3 px-3 py-1 outline-none data-[highlighted]:bg-thread data-[highlighted]:text-on-thread"
    >
      {children}
    </Menu.Item>
  );
}

function ColourField({ live, name, colour }: { live: Live; name: string; colour: string }) {
  return (
    <Popover.Root>
      <Popover.Trigger className="flex items-center gap-2" aria-label={`${name} ${colour}: change`}>
        <span className="h-4 w-6 border border-ink" style={{ background: colour }} />
        <span className="measure">{colour}</span>
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          className="z-40 flex items-center gap-3 border border-ink bg-docket p-3 text-sm"
          sideOffset={6}
        >
          <label className="flex items-center gap-2">
            Pick
            <input
              type="color"
              value={colour}
              onChange={(event) => {
                layGround(live, event.target.value);
              }}
            />
          </label>
          <label className="flex items-center gap-2">
            or type
            <input
              defaultValue={colour}
              size={8}
              className="measure border-b border-ink px-1"
              onKeyDown={(event) => {
                const value = event.currentTarget.value.trim().toLowerCase();
                if (event.key === 'Enter' && /^#[0-9a-f]{6}$/.test(value)) layGround(live, value);
              }}
            />
          </label>
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}
