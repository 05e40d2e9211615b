import { useRouter } from 'next/navigation';
import type { ResolvedBlank } from '@/core/blank/resolve';
import { regridded, SHAPE_KINDS, SHAPE_NAMES } from '@/core/mockup/photo/marks';
import { onPhoto } from '@/core/mockup/photo/surface';
import { photoTroubles } from '@/core/mockup/photo/troubles';
import type { PhotoScene, PhotoSurface } from '@/core/mockup/photo/schema';
import { exportPhoto, removePhoto, type StoredPhoto } from '@/state/handover/photos';
import { Choice } from '@/ui/Field';
import { NameField } from '@/ui/NameField';
import { Heading } from '@/ui/StripParts';
import type { Marking } from './marking';
import type { Marks } from './useMarks';
import { Toggle } from '@/ui/Toggle';
import { Slider } from '@/ui/Slider';
import { tellDone } from '@/ui/tell';

interface Props {
  photo: StoredPhoto;
  marks: Marks;
  blank: ResolvedBlank | null;
  chosen: number;
  marking: Marking | null;
  onChoose: (index: number) => void;
  onMark: (kind: Marking['kind'] | null) => void;
  onDone: () => void;
}

const HOW: Record<Marking['kind'], string> = {
  plane: 'Click the four corners of the print, from the upper left clockwise.',
  cylinder:
    'Click the upper left and upper right end of the print’s edges, then the lower right and lower left.',
  cloth:
    'Click the four corners of the print, from the upper left clockwise; then draw the grid along the folds.',
  front: 'Click round what lies in front of the print, a hand or a handle, and then Done.',
};

/** The surfaces of a photo, what each shows, and what lies in front. */
export function MarkStrip({ photo, marks, blank, chosen, marking, onChoose, onMark, onDone }: Props) {
  const { scene } = marks;
  const surface = scene.surfaces[chosen];
  const troubles = photoTroubles(scene);
  const router = useRouter();
  const changeSurface = (change: Partial<PhotoSurface>) => {
    marks.change(replaced(scene, chosen, change));
  };
  return (
    <aside
      aria-label="Marks"
      className="w-[320px] shrink-0 overflow-auto border-l border-rule bg-docket px-4 py-2"
    >
      <NameField
        label="Name of the photo"
        value={scene.name}
        onName={(name) => {
          marks.change({ ...scene, name });
        }}
      />
      {marking ? (
        <div className="border-y border-ink py-2">
          <p>{HOW[marking.kind]}</p>
          <p role="status" className="measure mt-1 text-sm text-ink-2">
            {marking.points.length} {marking.kind === 'front' ? 'marked' : 'of 4 marked'}
          </p>
          {marking.trouble && (
            <p role="alert" className="text-sm text-fix">
              {marking.trouble}
            </p>
          )}
          <span className="mt-1 flex gap-4">
            <button className="verb" onClick={onDone}>
              Done
            </button>
            <button
              className="verb"
              onClick={() => {
                onMark(null);
              }}
            >
              Leave it
            </button>
          </span>
        </div>
      ) : (
        <div className="flex flex-wrap gap-x-4 gap-y-1 py-2">
          {SHAPE_KINDS.map((kind) => (
            <button
              key={kind}
              className="verb"
              onClick={() => {
                onMark(kind);
              }}
            >
              Mark a {SHAPE_NAMES[kind]}
            </button>
          ))}
          <button
            className="verb"
            onClick={() => {
              onMark('front');
            }}
          >
            Mark what lies in front
          </button>
        </div>
      )}
      {troubles.map((trouble) => (
        <p key={trouble} role="alert" className="py-1 text-sm text-look">
          {trouble}
        </p>
      ))}
      <Heading>Print surfaces</Heading>
      {scene.surfaces.map(({ id, shape }, i) => (
        <div key={id} className="flex min-h-8 items-center gap-3 border-b border-rule">
          <Toggle
            pressed={i === chosen}
            className="chosen-word"
            onPress={() => {
              onChoose(i);
            }}
          >
            {i + 1}. {SHAPE_NAMES[shape.kind]}
          </Toggle>
          <button
            className="verb ml-auto"
            aria-label={`Take off surface ${i + 1}`}
            onClick={() => {
              marks.change({ ...scene, surfaces: scene.surfaces.filter((_, at) => at !== i) });
              onChoose(0);
            }}
          >
            take off
          </button>
        </div>
      ))}
      {surface && blank && <Feed surface={surface} blank={blank} onChange={changeSurface} />}
      {surface && <ShapeFields surface={surface} onChange={changeSurface} />}
      {scene.fronts.length > 0 && <Heading>In front</Heading>}
      {scene.fronts.map((_, i) => (
        <div key={i} className="flex min-h-8 items-center border-b border-rule">
          {i + 1}. a line of {scene.fronts[i]!.length} points
          <button
            className="verb ml-auto"
            aria-label={`Take off line ${i + 1}`}
            onClick={() => {
              marks.change({ ...scene, fronts: scene.fronts.filter((__, at) => at !== i) });
            }}
          >
            take off
          </button>
        </div>
      ))}
      <Heading>Light and shade of the photo</Heading>
      <SliderRow
        label="On the print"
        value={Math.round(scene.shading * 100)}
        low={0}
        high={100}
        unit="%"
        onChange={(percent) => {
          marks.change({ ...scene, shading: percent / 100 });
        }}
      />
      <div className="flex gap-4 py-4">
        <button className="verb" onClick={() => void exportPhoto(photo)}>
          Save it as a file
        </button>
        <button
          className="verb"
          onClick={() => {
            void removePhoto(photo).then((undo) => {
              router.push('/pictures');
              tellDone(`${scene.name} is taken off.`, undo);
            });
          }}
        >
          Take the photo off
        </button>
      </div>
    </aside>
  );
}

function replaced(scene: PhotoScene, index: number, change: Partial<PhotoSurface>): PhotoScene {
  return { ...scene, surfaces: scene.surfaces.map((one, i) => (i === index ? { ...one, ...change } : one)) };
}

interface PartProps {
  surface: PhotoSurface;
  onChange: (change: Partial<PhotoSurface>) => void;
}

/** Which face a surface shows, and which part of it: the panels of a folded sheet are cut from the one design. */
function Feed({ surface, blank, onChange }: PartProps & { blank: ResolvedBlank }) {
  const face = blank.faces.find(({ id }) => id === surface.faceId) ?? blank.faces[0]!;
  return (
    <>
      {blank.faces.length > 1 && (
        <Choice
          label="Shows"
          value={face.id}
          choices={blank.faces.map(({ id, name }) => [id, name] as const)}
          onChange={(faceId) => {
            onChange({ faceId, zoneId: null });
          }}
        />
      )}
      {face.zones.length > 1 && (
        <Choice
          label={surface.shape.kind === 'cylinder' ? 'Its middle' : 'Part of it'}
          value={surface.zoneId ?? ''}
          choices={[
            ['', 'all of the face'] as const,
            ...face.zones.map(({ id, name }) => [id, name] as const),
          ]}
          onChange={(zoneId) => {
            onChange({ faceId: face.id, zoneId: zoneId === '' ? null : zoneId });
          }}
        />
      )}
    </>
  );
}

const GRIDS = [3, 4, 5, 6, 8] as const;

function ShapeFields({ surface, onChange }: PartProps) {
  const { shape } = surface;
  if (shape.kind === 'cylinder')
    return (
      <SliderRow
        label="From edge to edge"
        value={shape.sweep}
        low={30}
        high={180}
        unit="°"
        onChange={(sweep) => {
          onChange({ shape: { ...shape, sweep } });
        }}
      />
    );
  if (shape.kind !== 'cloth') return null;
  const at = onPhoto(shape);
  const grid = (columns: number, rows: number) => {
    onChange({
      shape: regridded(
        shape,
        (u, v) => {
          const { x, y } = at(u, v);
          return [x, y];
        },
        columns,
        rows,
      ),
    });
  };
  const counts = GRIDS.map((count) => [String(count), `${count} points`] as const);
  return (
    <>
      <Choice
        label="Grid across"
        value={String(shape.columns)}
        choices={counts}
        onChange={(count) => {
          grid(Number(count), shape.rows);
        }}
      />
      <Choice
        label="Grid down"
        value={String(shape.rows)}
        choices={counts}
        onChange={(count) => {
          grid(shape.columns, Number(count));
        }}
      />
    </>
  );
}

function SliderRow({
  label,
  value,
  low,
  high,
  unit,
  onChange,
}: {
  label: string;
  value: number;
  low: number;
  high: number;
  unit: string;
  onChange: (value: number) => void;
}) {
  return (
    <div className="flex min-h-9 items-center gap-3 border-b border-rule">
      <span className="grow">{label}</span>
      <Slider
        label={label}
        min={low}
        max={high}
        step={1}
        value={value}
        onChange={onChange}
        className="w-32"
      />
      <span className="measure w-12 text-right font-semibold">
        {value}
        {unit === '%' ? ' %' : unit}
      </span>
    </div>
  );
}
