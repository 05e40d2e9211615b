'use client';
import { toast } from '@/ui/toast';
import type { Holder } from '@/core/product/families';
import { viewsOf } from '@/core/product/views';
import { safeName } from '@/core/pack/names';
import { useHand } from '@/state/bench/hand';
import { sentence } from '@/state/sentence';
import type { LookAt } from '@/state/bench/product';
import { saveAs } from '@/state/handover/download';
import { Dialog, LeaveDialog } from '@/ui/Dialog';
import { shownColour, type Live } from '../live/useLive';
import { fitTitle } from '@/core/fit/version';
import { useProductView } from './useProductView';

/** Room for a look's words beneath it, in px. */
const WORDS = 20;

interface Cell {
  id: string;
  words: string;
  yaw: number;
  pitch: number;
  faceId: string | null;
  holder: Holder;
  colour: string;
}

/** Every named side in the colour that is shown, then every colour or state from the usual side. */
function cellsOf(live: Live): Cell[] {
  const { blank } = live.blank;
  const views = viewsOf(live.blank);
  const colour = shownColour(live);
  const looks = blank.states.length > 0 ? blank.states : blank.colours;
  const usual = views.find(({ id }) => id === live.face.id) ?? views[0]!;
  return [
    ...views.map(({ id, name, yaw, pitch, faceId, holder }) => ({
      id: `view-${id}`,
      words: name,
      yaw,
      pitch,
      faceId,
      holder,
      colour,
    })),
    ...(looks.length > 1 ? looks : []).map(({ id, name, hex }) => ({
      id: `colour-${id}`,
      words: name,
      yaw: usual.yaw,
      pitch: usual.pitch,
      faceId: usual.faceId,
      holder: usual.holder,
      colour: hex,
    })),
  ];
}

/** As many columns as leave the cells nearest to square. */
function gridOf(
  count: number,
  width: number,
  height: number,
): { columns: number; across: number; down: number } {
  const columns = Array.from({ length: count }, (_, i) => i + 1).reduce((best, many) => {
    const side = (n: number) => Math.min(width / n, height / Math.ceil(count / n) - WORDS);
    return side(many) > side(best) ? many : best;
  }, 1);
  return { columns, across: width / columns, down: height / Math.ceil(count / columns) };
}

/** All sides and all colours of the product at one look, to be kept as a picture. */
export function ContactSheet({ live }: { live: Live }) {
  const open = useHand((hand) => hand.contactSheet);
  if (!open) return null;
  return (
    <Dialog
      title={`${fitTitle(live.design, live.fit)} on ${live.blank.blank.name}, from all sides`}
      className="top-[5vh] flex h-[88vh] w-[94vw] flex-col"
      shade
      onClose={() => {
        useHand.setState({ contactSheet: false });
      }}
    >
      <Looks live={live} />
    </Dialog>
  );
}

function Looks({ live }: { live: Live }) {
  const cells = cellsOf(live);
  const colour = shownColour(live);
  const looksIn = ({ width, height }: { width: number; height: number }): LookAt[] => {
    const { columns, across, down } = gridOf(cells.length, width, height);
    return cells.map((cell, i) => ({
      yaw: cell.yaw,
      pitch: cell.pitch,
      faceId: cell.faceId,
      holder: cell.holder,
      colour: cell.colour,
      left: (i % columns) * across,
      top: Math.floor(i / columns) * down,
      width: across,
      height: down - WORDS,
      turns: false,
    }));
  };
  const { room, size, view, told } = useProductView(live, colour, looksIn, false);
  const looks = size ? looksIn(size) : [];
  const save = async () => {
    try {
      const picture = await view!.picture();
      const named = await withWords(picture, looks, cells, size!.width);
      saveAs(
        named,
        `${safeName(fitTitle(live.design, live.fit))}_${safeName(live.blank.blank.name)}_all-sides.png`,
      );
    } catch (error) {
      toast(sentence(error));
    }
  };
  return (
    <>
      <div ref={room} className="relative min-h-0 grow overflow-hidden bg-viewing text-viewing-ink">
        {looks.map(({ left, top, width, height }, i) => {
          const worst = told[i]?.reads
            .filter(({ share }) => share >= 0.15)
            .sort((a, b) => a.share - b.share)[0];
          const reads =
            worst && worst.share < 0.985
              ? ` · ${Math.floor(worst.share * 100)} % of “${worst.name}” reads`
              : '';
          return (
            <p
              key={cells[i]!.id}
              className="absolute truncate px-2 text-center text-sm leading-5"
              style={{ left, top: top + height, width }}
            >
              <b className="font-semibold">{cells[i]!.words}</b>
              {reads}
            </p>
          );
        })}
      </div>
      <div className="flex gap-4 pt-3">
        <button className="verb" disabled={told.length === 0} onClick={() => void save()}>
          Save as a picture
        </button>
        <LeaveDialog>Leave</LeaveDialog>
      </div>
    </>
  );
}

/** The looks on the neutral ground they were judged on, each with its words beneath. */
async function withWords(
  picture: Blob,
  looks: readonly LookAt[],
  cells: readonly Cell[],
  width: number,
): Promise<Blob> {
  const drawn = await createImageBitmap(picture);
  const canvas = new OffscreenCanvas(drawn.width, drawn.height);
  const context = canvas.getContext('2d')!;
  const scale = drawn.width / width;
  context.fillStyle = '#bdbdbd';
  context.fillRect(0, 0, drawn.width, drawn.height);
  context.drawImage(drawn, 0, 0);
  drawn.close();
  context.scale(scale, scale);
  context.fillStyle = '#20252b';
  context.font = `600 13px ${getComputedStyle(document.body).fontFamily}`;
  context.textAlign = 'center';
  looks.forEach((look, i) => {
    context.fillText(cells[i]!.words, look.left + look.width / 2, look.top + look.height + 14);
  });
  return canvas.convertToBlob({ type: 'image/png' });
}
