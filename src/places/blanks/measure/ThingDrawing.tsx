'use client';
import type { Body } from '@/core/blank/kinds';
import { diametersOf, uprightOf } from '@/core/blank/bodies/round';
import type { Measured } from '@/core/measuring/readings';
import { roundBody } from '@/core/measuring/round';
import type { Thing } from '@/core/measuring/things';
import { useRoomSize } from '@/ui/useRoomSize';
import { aspectsOf } from '@/core/blank/kinds';

/** The thing itself with the tape where the measurement that is asked for is taken. It takes the shape of what was read. */
export function ThingDrawing({
  thing,
  measured,
  activeId,
}: {
  thing: Thing;
  measured: Measured;
  activeId: string;
}) {
  const { room, size } = useRoomSize();
  const read = (id: string, usual: number) => measured.steps.find(({ step }) => step.id === id)?.mm ?? usual;
  return (
    <div ref={room} className="h-full">
      {size && (
        <svg
          role="img"
          aria-label={`${thing.name}, with the tape on it`}
          width={size.width}
          height={size.height}
        >
          {thing.id === 'straight' || thing.id === 'narrowing' ? (
            <Cup thing={thing} body={measured.body} read={read} activeId={activeId} {...size} />
          ) : (
            <Slab thing={thing} read={read} activeId={activeId} {...size} />
          )}
        </svg>
      )}
    </div>
  );
}

interface Shown {
  read: (id: string, usual: number) => number;
  activeId: string;
  width: number;
  height: number;
}

/** Circles of a cup are seen from a little above: this much of their width is their height. */
const TILT = 0.13;
const LABEL = { fontSize: 12.5, fill: 'var(--color-viewing-ink)' } as const;

function Cup({ thing, body, read, activeId, width, height }: Shown & { thing: Thing; body: Body | null }) {
  const top = read('top', 260) / Math.PI;
  const usual = thing.id === 'straight' ? top : top * 0.8;
  const bottom = thing.id === 'straight' ? top : read('bottom', usual * Math.PI) / Math.PI;
  const cup =
    (body && aspectsOf(body).wall) ??
    roundBody({
      top,
      bottom,
      slant: Math.max(read('slant', top * 1.25), Math.abs(top - bottom)),
      lip: read('lip', 6),
      foot: read('foot', 6),
      handle: read('handle', 0),
    });
  const { print, lip, whole } = uprightOf(cup);
  const { top: dTop, bottom: dBottom } = diametersOf(cup);
  const widest = Math.max(dTop, dBottom);
  const reach = cup.handle ? cup.handle.reach : 0;
  const scale = Math.max(
    0.01,
    Math.min((width - 230) / (widest + reach), (height - 50) / (whole + widest * TILT)),
  );
  const cx = width / 2 - (reach * scale) / 2 + 20;
  const y0 = (height - whole * scale) / 2 + (widest * TILT * scale) / 4;
  const radiusAt = (down: number) => {
    const share = (down - lip) / print;
    return Math.max(1, ((dTop + (dBottom - dTop) * share) / 2) * scale);
  };
  const at = (down: number) => y0 + down * scale;
  const rim = radiusAt(0);
  const base = radiusAt(whole);
  const printTop = { y: at(lip), r: radiusAt(lip) };
  const printEnd = { y: at(lip + print), r: radiusAt(lip + print) };
  return (
    <>
      <defs>
        <linearGradient id="cup-wall">
          <stop offset="0" stopColor="#d3d2cf" />
          <stop offset="0.22" stopColor="#e9e8e5" />
          <stop offset="0.42" stopColor="#f4f3f1" />
          <stop offset="0.75" stopColor="#dddcd9" />
          <stop offset="1" stopColor="#bcbbb8" />
        </linearGradient>
      </defs>
      <ellipse cx={cx} cy={at(whole)} rx={base * 1.16} ry={base * TILT * 1.2} fill="#000" fillOpacity="0.2" />
      {cup.handle && (
        <path
          d={`M${cx + radiusAt(whole * 0.2)} ${at(whole * 0.22)}C${cx + rim + reach * scale * 1.35} ${at(whole * 0.16)} ${cx + rim + reach * scale * 1.25} ${at(whole * 0.8)} ${cx + radiusAt(whole * 0.75)} ${at(whole * 0.76)}`}
          fill="none"
          stroke={activeId === 'handle' ? 'var(--tape)' : '#eeedea'}
          strokeWidth={Math.max(8, cup.handle.thickness * scale)}
        />
      )}
      <path
        d={`M${cx - rim} ${at(0)}L${cx - base} ${at(whole)}A${base} ${base * TILT} 0 0 0 ${cx + base} ${at(whole)}L${cx + rim} ${at(0)}Z`}
        fill="url(#cup-wall)"
      />
      <ellipse cx={cx} cy={at(0)} rx={rim} ry={rim * TILT} fill="#d9d8d4" stroke="#fff" strokeWidth="3" />
      <Round cx={cx} {...printEnd} lit={activeId === 'bottom'} />
      <Round cx={cx} {...printTop} lit={activeId === 'top'} />
      <Along
        x1={cx - printTop.r - 26}
        y1={printTop.y}
        x2={cx - printEnd.r - 26}
        y2={printEnd.y}
        lit={activeId === 'slant'}
        label={thing.id === 'straight' ? 'printable height' : 'along the wall'}
      />
      <Beside x={cx + rim + 14} from={at(0)} to={printTop.y} lit={activeId === 'lip'} label="lip" />
      <Beside x={cx + base + 14} from={printEnd.y} to={at(whole)} lit={activeId === 'foot'} label="foot" />
      {(activeId === 'top' || activeId === 'bottom') && (
        <text
          x={cx}
          y={(activeId === 'top' ? printTop.y : printEnd.y) + printTop.r * TILT + 26}
          textAnchor="middle"
          fontWeight="600"
          {...LABEL}
        >
          tape here
        </text>
      )}
      {activeId === 'handle' && (
        <text x={cx + rim + reach * scale + 26} y={at(whole * 0.5)} fontWeight="600" {...LABEL}>
          {cup.handle ? 'keep this clear' : 'no handle'}
        </text>
      )}
      <Seam show={activeId === 'overlap'} x={cx} top={printTop.y} bottom={printEnd.y} />
    </>
  );
}

/** The tape round the wall, or the dashed line where it will go. */
function Round({ cx, y, r, lit }: { cx: number; y: number; r: number; lit: boolean }) {
  if (!lit) {
    return (
      <path
        d={`M${cx - r} ${y}A${r} ${r * TILT} 0 0 0 ${cx + r} ${y}`}
        fill="none"
        stroke="var(--color-viewing-ink)"
        strokeDasharray="8 4 2 4"
      />
    );
  }
  const band = 13;
  const count = 26;
  const ticks = Array.from({ length: count + 1 }, (_, i) => {
    const angle = Math.PI - (i / count) * Math.PI;
    const x = cx + r * Math.cos(angle);
    const edge = y + r * TILT * Math.sin(angle);
    return `M${x} ${edge + band / 2}v${i % 4 === 0 ? -8 : -5}`;
  });
  return (
    <g>
      <path
        d={`M${cx - r} ${y - band / 2}A${r} ${r * TILT} 0 0 0 ${cx + r} ${y - band / 2}v${band}A${r} ${r * TILT} 0 0 1 ${cx - r} ${y + band / 2}Z`}
        fill="var(--tape)"
        stroke="var(--on-tape)"
        strokeWidth="1"
      />
      <path d={ticks.join('')} stroke="var(--on-tape)" strokeWidth="1" />
    </g>
  );
}

function Along({
  x1,
  y1,
  x2,
  y2,
  lit,
  label,
}: {
  x1: number;
  y1: number;
  x2: number;
  y2: number;
  lit: boolean;
  label: string;
}) {
  const colour = lit ? 'var(--tape)' : 'var(--color-viewing-ink)';
  return (
    <g>
      <path
        d={`M${x1} ${y1}L${x2} ${y2}M${x1 - 5} ${y1 + 4}l10 -8M${x2 - 5} ${y2 + 4}l10 -8`}
        stroke={colour}
        strokeWidth={lit ? 4 : 1.2}
        fill="none"
      />
      <text
        x={Math.min(x1, x2) - 10}
        y={(y1 + y2) / 2}
        textAnchor="end"
        fontWeight={lit ? 600 : 400}
        {...LABEL}
      >
        {label}
      </text>
    </g>
  );
}

function Beside({
  x,
  from,
  to,
  lit,
  label,
}: {
  x: number;
  from: number;
  to: number;
  lit: boolean;
  label: string;
}) {
  if (!lit) return null;
  return (
    <g>
      <path d={`M${x} ${from}V${to}`} stroke="var(--tape)" strokeWidth="6" />
      <path d={`M${x - 6} ${from}h12M${x - 6} ${to}h12`} stroke="var(--color-viewing-ink)" />
      <text x={x + 12} y={(from + to) / 2 + 4} fontWeight="600" {...LABEL}>
        {label}, not printed
      </text>
    </g>
  );
}

function Seam({ show, x, top, bottom }: { show: boolean; x: number; top: number; bottom: number }) {
  if (!show) return null;
  return (
    <>
      <path
        d={`M${x - 7} ${top}V${bottom}h14V${top}Z`}
        fill="var(--tape)"
        fillOpacity="0.85"
        stroke="var(--on-tape)"
      />
      <text x={x + 16} y={(top + bottom) / 2} fontWeight="600" {...LABEL}>
        end over start
      </text>
    </>
  );
}

function Slab({ thing, read, activeId, width, height }: Shown & { thing: Thing }) {
  const w = read('width', 120);
  const h = read('height', 90);
  const depth = thing.id === 'frame' ? read('depth', Math.min(w, h) * 0.1) : 0;
  const scale = Math.min((width - 190) / (w + depth), (height - 110) / (h + depth));
  const x = (width - (w + depth) * scale) / 2 + 30;
  const y = (height - (h - depth) * scale) / 2 - 10;
  const [sw, sh, sd] = [w * scale, h * scale, depth * scale * 0.7];
  const r = Math.min(read('corner', 0), w / 2, h / 2) * scale;
  const lit = (id: string) => (activeId === id ? 'var(--tape)' : 'var(--color-viewing-ink)');
  const heavy = (id: string) => (activeId === id ? 4 : 1.2);
  return (
    <>
      {depth > 0 && (
        <path
          d={`M${x} ${y}l${sd} ${-sd}h${sw}v${sh}l${-sd} ${sd}V${y}Z`}
          fill="#d0cfcb"
          stroke={lit('depth')}
          strokeWidth={heavy('depth')}
          strokeLinejoin="round"
        />
      )}
      <rect
        x={x}
        y={y}
        width={sw}
        height={sh}
        rx={r}
        fill="#f7f6f2"
        stroke="var(--color-viewing-ink)"
        strokeWidth="1.4"
      />
      <path
        d={`M${x} ${y + sh + 24}h${sw}M${x - 4} ${y + sh + 28}l8 -8M${x + sw - 4} ${y + sh + 28}l8 -8`}
        stroke={lit('width')}
        strokeWidth={heavy('width')}
        fill="none"
      />
      <text x={x + sw / 2} y={y + sh + 44} textAnchor="middle" {...LABEL}>
        width
      </text>
      <path
        d={`M${x - 24} ${y}v${sh}M${x - 28} ${y + 4}l8 -8M${x - 28} ${y + sh + 4}l8 -8`}
        stroke={lit('height')}
        strokeWidth={heavy('height')}
        fill="none"
      />
      <text x={x - 34} y={y + sh / 2} textAnchor="end" {...LABEL}>
        height
      </text>
      {activeId === 'corner' && (
        <path
          d={`M${x} ${y + Math.max(r, 16)}A${Math.max(r, 16)} ${Math.max(r, 16)} 0 0 1 ${x + Math.max(r, 16)} ${y}`}
          stroke="var(--tape)"
          strokeWidth="5"
          fill="none"
        />
      )}
      {activeId === 'depth' && (
        <text x={x + sw + sd + 8} y={y + sh / 2 - sd} fontWeight="600" {...LABEL}>
          depth
        </text>
      )}
    </>
  );
}
