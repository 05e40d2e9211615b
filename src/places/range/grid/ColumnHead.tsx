'use client';
import type { ResolvedBlank } from '@/core/blank/resolve';
import { useShop } from '@/state/shop/shop';
import { LateMenu } from '@/ui/Menu';
import type { Asked } from '../asked';
import { spotMark } from '../spots';
import { ColumnLines } from './ColumnLines';
import { sizeInWords } from './words';

interface Props {
  column: ResolvedBlank;
  index: number;
  /** What its column is under with others; empty where it is under nothing. */
  head: string;
  /** px */
  place: { left: number; width: number };
  /** Whether Tab comes to it: to that of the column that has the focus alone. */
  focused: boolean;
  /** The designs that are shown, by id. */
  designs: readonly string[];
  onAsk: (asked: Asked) => void;
}

/** The head of a column: its blank, what that measures, and what can be done with it. */
export function ColumnHead({ column: resolved, index, head, place, focused, designs, onAsk }: Props) {
  const { blank } = resolved;
  const unit = useShop((shop) => shop.settings.unit);
  return (
    <div
      role="columnheader"
      aria-colindex={index + 2}
      {...spotMark({ blankId: blank.id })}
      style={place}
      className="absolute top-0 h-full border-r border-rule px-2 py-2.5 text-left"
    >
      {head && <span className="block truncate text-xs text-ink-2">{head}</span>}
      <LateMenu
        label={blank.name}
        spoken={`${blank.name}: column`}
        tabIndex={focused ? 0 : -1}
        className="line-clamp-2 text-left font-bold leading-tight"
      >
        <ColumnLines blank={blank} designs={designs} onAsk={onAsk} />
      </LateMenu>
      <span className="measure block text-sm text-ink-2">{sizeInWords(resolved, unit)}</span>
    </div>
  );
}
