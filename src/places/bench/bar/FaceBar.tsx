'use client';
import { useState } from 'react';
import { differences } from '@/core/blank/numbers';
import { carryOver } from '@/core/fit/resize-garment';
import { showLength, showSize } from '@/core/length/show';
import { changeFit } from '@/state/bench/open-fit';
import { useHand } from '@/state/bench/hand';
import { showUnderlay } from '@/state/shop/blanks';
import { resolveHere } from '@/state/shop/library';
import { onNewest } from '@/state/shop/newest';
import { useShop } from '@/state/shop/shop';
import { ViewToolbar } from './ViewToolbar';
import { useUnderlay } from '../live/useUnderlay';
import type { Live } from '../live/useLive';
import { Slider } from '@/ui/Slider';
import { Select } from '@/ui/Select';
import { Segments, Toggle } from '@/ui/Toggle';
import { aspectsOf } from '@/core/blank/kinds';

/** Which face and size is on the bench, the template under it, a newer blank if there is one; how it is looked at. */
export function FaceBar({ live }: { live: Live }) {
  const newer = useNewer(live);
  const underlay = useUnderlay(live);
  /** Under the hand, before it is on the disk. */
  const [strength, setStrength] = useState<number | null>(null);
  const { faces, blank } = live.blank;
  return (
    <div className="flex min-h-[30px] shrink-0 items-center gap-x-4 border-b max-[1100px]:flex-wrap max-[1100px]:[&_button]:min-h-6 border-rule bg-frame px-3 text-sm">
      {faces.length > 1 && <Faces live={live} />}
      {blank.sizes.length > 0 && <Sizes live={live} />}
      {underlay && (
        <span className="flex items-center gap-2 text-ink-2">
          template under it
          <Slider
            label="How strongly the template shows"
            words={`${Math.round(underlay.opacity * 100)} %`}
            max={1}
            step={0.05}
            value={strength ?? underlay.opacity}
            onChange={(opacity) => {
              setStrength(opacity);
              void showUnderlay(underlay.key, opacity);
            }}
            className="w-24"
          />
        </span>
      )}
      {newer}
      <ViewToolbar live={live} />
    </div>
  );
}

/** More faces than these are chosen from a list. */
const MOST_IN_LINE = 4;

function Faces({ live }: { live: Live }) {
  const allFaces = useHand((hand) => hand.allFaces);
  // Where there are many, their names alone take the room there is.
  const few = live.blank.faces.length <= 3;
  const carries = (id: string) =>
    live.fit.faces.some(({ faceId, pieces }) => faceId === id && pieces.length > 0);
  const open = (faceId: string) => {
    useHand.setState({ faceId, selectedIds: [], draft: null, snapped: null, zoom: null });
  };
  const many = live.blank.faces.length > MOST_IN_LINE;
  return (
    <span className="flex items-center gap-3 whitespace-nowrap">
      {many && (
        <Select
          label="Which face"
          value={live.face.id}
          choices={live.blank.faces.map(({ id, name }, i) => [
            id,
            `${i + 1} of ${live.blank.faces.length}: ${name}`,
          ])}
          onChange={open}
          className="max-w-56 text-ink"
        />
      )}
      {!many && (
        <Segments
          label="Face"
          value={live.face.id}
          choices={live.blank.faces.map(({ id, name }) => ({
            value: id,
            name: `${name}${!carries(id) && few ? ' (bare)' : ''}`,
            hint: carries(id) ? undefined : `Nothing is on the ${name} yet`,
          }))}
          onChange={open}
        />
      )}
      <Toggle
        pressed={allFaces}
        className="chosen-word text-ink-2"
        onPress={(on) => {
          useHand.setState({ allFaces: on });
        }}
      >
        side by side
      </Toggle>
    </span>
  );
}

/** Another size has another print area: pieces keep their size and hang as far below the collar. */
function Sizes({ live }: { live: Live }) {
  const { blank, method, spec } = live.blank;
  const shop = useShop.getState();
  const base = blank.sizes.find(({ print }) => print === 1)?.id ?? null;
  const current = live.fit.sizeId ?? base;
  const change = (sizeId: string) => {
    const to = resolveHere(blank, shop, { ...shop.settings.houses, [blank.id]: spec.id }, sizeId).faces;
    void changeFit((fit) => ({
      ...fit,
      sizeId,
      faces: carryOver(fit.faces, live.blank.faces, to, aspectsOf(blank.body).sewn !== null),
    }));
  };
  return (
    <Segments
      label={`Size, ${method.name}`}
      value={current ?? ''}
      choices={blank.sizes.map(({ id, name, print }) => ({
        value: id,
        name,
        spoken: `Size ${name}`,
        hint: showSize(
          (live.face.width / printOf(live, current)) * print,
          (live.face.height / printOf(live, current)) * print,
          live.unit,
        ),
      }))}
      className="measure flex"
      onChange={change}
    />
  );
}

function printOf({ blank }: Live, sizeId: string | null): number {
  return blank.blank.sizes.find(({ id }) => id === sizeId)?.print ?? 1;
}

/** Tells of a newer version of the blank and what differs; one press moves the fit onto it. */
function useNewer(live: Live): React.ReactNode {
  const { blank } = live.blank;
  const newest = useShop((shop) => shop.blanks.get(blank.id));
  if (!newest || newest.blank.version <= live.fit.blankVersion) return null;
  const changes = differences(blank.body, newest.blank.body).map(
    ({ name, mm }) => `${name} ${mm > 0 ? '+' : ''}${showLength(mm, live.unit)}`,
  );
  const move = () => {
    void changeFit((fit) => onNewest(fit, live.blank));
  };
  return (
    <span role="status" className="ml-auto flex min-w-0 items-center gap-3 text-look">
      <span className="truncate">
        Made on version {live.fit.blankVersion}; version {newest.blank.version} is newer
        {changes.length > 0 && `: ${changes.join(', ')}`}.
      </span>
      <button className="verb shrink-0" onClick={move}>
        Move to version {newest.blank.version}
      </button>
    </span>
  );
}
