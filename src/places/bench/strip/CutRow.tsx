'use client';
import { toast } from '@/ui/toast';
import { shapeOf } from '@/core/cut/face';
import { lengthOf } from '@/core/cut/polygons';
import type { Cut } from '@/core/fit/cut';
import { outlineOf } from '@/core/fit/shape-clip';
import { showLength } from '@/core/length/show';
import { cutInksOf } from '@/core/blank/cut-inks';
import { cutPages, saveCutLines } from '@/state/handover/cut-files';
import { changeCut } from '@/state/bench/open-fit';
import { sentence } from '@/state/sentence';
import { readShape } from '@/state/bench/type';
import { CutLengths } from '@/ui/CutLengths';
import { MenuLine, VerbMenu } from '@/ui/Menu';
import { useFilePicker } from '@/ui/useFilePicker';
import type { Live } from '../live/useLive';
import { Row } from './Row';
import { ShapeLines } from './ShapeLines';
import { aspectsOf } from '@/core/blank/kinds';
import { fitTitle } from '@/core/fit/version';

const SHAPES: Record<Exclude<Cut['shape'], 'path'>, string> = {
  contour: 'the artwork’s outline',
  circle: 'a circle',
  rounded: 'a rounded rectangle',
  rectangle: 'a rectangle',
};
const HOLES: Record<Cut['holes'], string> = { drop: 'holes closed', keep: 'holes cut out' };
const ISLANDS: Record<Cut['islands'], string> = {
  keep: 'parts cut apart',
  bridge: 'parts bridged',
  drop: 'largest part only',
};
const EDGES: Record<Cut['edge'], string> = {
  white: 'white border',
  spread: 'edge colours run out',
};

/** How the sticker on the bench is cut: every word of it can be changed where it stands. */
export function CutRow({ live, cut }: { live: Live; cut: Cut }) {
  const { unit, face } = live;
  const set = (change: Partial<Cut>) => void changeCut(face.id, change);
  const inks = cutInksOf(live.blank.spec);
  const formats = [
    ['svg', 'SVG'],
    ['pdf', `PDF, in “${inks.cut}”`],
  ] as const;
  const picker = useFilePicker('A drawing whose shape the sticker is cut to', (file) => {
    readShape(file).then(
      (own) => {
        set({ shape: 'path', own });
      },
      (error: unknown) => toast(sentence(error)),
    );
  });
  const { outers, holes } = shapeOf(cut.d);
  const length = [...outers, ...holes].reduce((sum, ring) => sum + lengthOf(ring), 0);
  const kiss = aspectsOf(live.blank.blank.body).sticker?.cut === 'kiss';
  const choose = <T extends string>(words: Record<T, string>, now: T, take: (value: T) => void) =>
    Object.entries<string>(words).map(([value, word]) => (
      <MenuLine
        key={value}
        onSelect={() => {
          take(value as T);
        }}
      >
        {value === now ? `✓ ${word}` : word}
      </MenuLine>
    ));
  return (
    <Row label="Cut line">
      {picker.input}
      <VerbMenu
        label={`Cut to ${cut.shape === 'path' ? `“${cut.own?.name ?? 'own shape'}”` : SHAPES[cut.shape]}`}
      >
        {choose(SHAPES, cut.shape as keyof typeof SHAPES, (shape) => {
          set({ shape });
        })}
        <ShapeLines
          live={live}
          say={(name) => `the outline of the ${name}`}
          onShape={(shape) => {
            set({ shape: 'path', own: { name: shape.name, d: outlineOf(shape) } });
          }}
        />
        <MenuLine onSelect={picker.open}>the closed path of an SVG…</MenuLine>
      </VerbMenu>
      <CutLengths cut={cut} unit={unit} peel={kiss} onSet={set} />
      <VerbMenu label={EDGES[cut.edge]}>
        {choose(EDGES, cut.edge, (edge) => {
          set({
            edge,
            ...(edge === 'spread' && { border: 0 }),
            ...(edge === 'white' && cut.border === 0 && { border: 3 }),
          });
        })}
      </VerbMenu>
      {cut.shape === 'contour' && (
        <>
          <VerbMenu label={HOLES[cut.holes]}>
            {choose(HOLES, cut.holes, (holes) => {
              set({ holes });
            })}
          </VerbMenu>
          <VerbMenu label={ISLANDS[cut.islands]}>
            {choose(ISLANDS, cut.islands, (islands) => {
              set({ islands });
            })}
          </VerbMenu>
        </>
      )}
      <VerbMenu label="Line alone…">
        {formats.flatMap(([format, word]) =>
          (live.blank.faces.length > 1 ? [[face], live.blank.faces] : [[face]]).map((faces) => (
            <MenuLine
              key={`${format}${faces.length}`}
              onSelect={() => {
                const all = fitTitle(live.design, live.fit);
                const title = faces.length > 1 ? all : `${all} ${face.name}`;
                saveCutLines(title, cutPages(faces), format, inks).catch((error: unknown) =>
                  toast(sentence(error)),
                );
              }}
            >
              {word}, {faces.length > 1 ? `all ${faces.length} stickers` : 'this sticker'}
            </MenuLine>
          )),
        )}
      </VerbMenu>
      <span className="measure ml-auto text-ink-2">line {showLength(length, unit)}</span>
    </Row>
  );
}
