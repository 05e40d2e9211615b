import { bendPoint, sectorPath } from '@/core/blank/bodies/sector';
import type { PrintFace } from '@/core/blank/resolve';

/** A tapered face as the arc it is cut to, in mm from the trim box's top left: bleed, cut, grid, centres, names. */
export function ArcLines({ face, px }: { face: PrintFace; px: number }) {
  const bend = face.bend!;
  const line = (x1: number, y1: number, x2: number, y2: number) =>
    Array.from({ length: 33 }, (_, i) => {
      const { x, y } = bendPoint(bend, x1 + ((x2 - x1) * i) / 32, y1 + ((y2 - y1) * i) / 32);
      return `${i === 0 ? 'M' : 'L'}${x} ${y}`;
    }).join('');
  const { width, height, bleed, safe } = face;
  const rows = [1, 2, 3].map((i) => line(0, (height * i) / 4, width, (height * i) / 4));
  const columns = Array.from({ length: 7 }, (_, i) =>
    line((width * (i + 1)) / 8, 0, (width * (i + 1)) / 8, height),
  );
  return (
    <g stroke="var(--color-viewing-ink)" fill="none">
      {bleed > 0 && (
        <path d={sectorPath(bend, bleed)} fill="#fff" fillOpacity="0.55" strokeWidth={0.6 * px} />
      )}
      <path d={sectorPath(bend)} fill="#fff" strokeWidth={1.6 * px} />
      <path d={[...rows, ...columns].join('')} strokeWidth={0.8 * px} strokeOpacity="0.25" />
      {safe > 0 && (
        <path d={sectorPath(bend, -safe)} strokeWidth={px} strokeDasharray={`${10 * px} ${7 * px}`} />
      )}
      {face.zones.map(({ id, name, x }) => {
        const at = bendPoint(bend, x, 0);
        const beside = bendPoint(bend, x + 0.5, 0);
        const turn = (Math.atan2(beside.y - at.y, beside.x - at.x) * 180) / Math.PI;
        return (
          <g key={id} transform={`translate(${at.x} ${at.y}) rotate(${turn}) scale(${px})`} stroke="none">
            <path
              d={`M-2 ${-bleed / px - 2}v11M2 ${-bleed / px - 2}v11`}
              stroke="var(--color-viewing-ink)"
              strokeWidth="1.6"
            />
            <text y={-bleed / px - 7} textAnchor="middle" fontSize="12.5" fill="var(--color-viewing-ink)">
              {name}
            </text>
          </g>
        );
      })}
    </g>
  );
}
