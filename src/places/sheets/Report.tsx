'use client';
import { fixed, showLength, type UnitSetting } from '@/core/length/show';
import type { Sheet } from '@/core/sheet/schema';
import { Row } from './Rows';
import type { LaidOut } from './useLayout';

/** How well the sheet is used, what would still go on it, and what it costs. */
export function Report({
  sheet,
  laid,
  unit,
  onPrice,
}: {
  sheet: Sheet;
  laid: LaidOut | null;
  unit: UnitSetting;
  onPrice: (price: number | null) => void;
}) {
  const { price, paper } = sheet;
  const report = laid?.report;
  const count = laid?.layout.laid.length ?? 0;
  return (
    <div role="status" aria-label="What the sheet says" className="border-b border-ink py-2">
      <p className="flex items-baseline justify-between">
        <span className="text-lg font-bold">
          {laid?.layout.sheets ?? 0} {laid?.layout.sheets === 1 ? 'sheet' : 'sheets'}
        </span>
        <span className="measure">
          {report && count > 0 ? `${fixed(report.used * 100, 1)} % of it used` : ''}
        </span>
      </p>
      {report?.more !== null && report?.more !== undefined && count > 0 && (
        <p className="text-sm">
          {report.more === 0
            ? 'The last print would not go on once more.'
            : `The last print would go on ${report.more} more ${report.more === 1 ? 'time' : 'times'}.`}
        </p>
      )}
      {report?.row !== null && report?.row !== undefined && (
        <p className="text-sm">One more row of the last print needs {showLength(report.row, unit)}.</p>
      )}
      {laid?.layout.troubles.map((trouble) => (
        <p key={trouble} className="text-sm text-fix">
          {trouble}
        </p>
      ))}
      <Row name={paper.height === null ? 'cost of a metre' : 'cost of a sheet'}>
        <input
          aria-label={paper.height === null ? 'Cost of a metre' : 'Cost of a sheet'}
          inputMode="decimal"
          placeholder="not known"
          defaultValue={price ?? ''}
          onBlur={(event) => {
            const typed = event.target.value.trim().replace(',', '.');
            const value = Number(typed);
            if (typed === '') onPrice(null);
            else if (Number.isFinite(value) && value >= 0) onPrice(value);
            else event.target.value = price === null ? '' : String(price);
          }}
          onKeyDown={(event) => {
            if (event.key === 'Enter') event.currentTarget.blur();
          }}
          className="measure w-24 bg-tape-pale px-1 text-right text-on-tape placeholder:text-on-tape/75"
        />
      </Row>
      {report?.cost && (
        <p className="measure text-sm">
          {fixed(report.cost.all, 2)} in all, {fixed(report.cost.each, 2)} a print
        </p>
      )}
    </div>
  );
}
