import type { Fit } from '@/core/fit/schema';
import { useShop } from '@/state/shop/shop';
import { blankOf } from '@/state/shop/library';
import { Checkbox } from '@/ui/Checkbox';
import { Hint } from '@/ui/Hint';

/** The fits that are pictured: what was ticked last is shown first, and in front where several stand together. */
export function FitList({
  fits,
  chosenIds,
  onChoose,
}: {
  fits: readonly Fit[];
  chosenIds: readonly string[];
  onChoose: (ids: readonly string[]) => void;
}) {
  const shop = useShop();
  const order = [...new Set(fits.map(({ designId }) => designId))].sort(
    (a, b) => (shop.designs.get(a)?.order ?? 0) - (shop.designs.get(b)?.order ?? 0),
  );
  const fitsOf = (id: string) => fits.filter(({ designId }) => designId === id);
  return (
    <nav
      aria-label="Fits"
      className="w-[248px] shrink-0 overflow-auto border-r border-rule bg-frame px-4 py-2"
    >
      <p className="pb-1 text-sm text-ink-2">
        {chosenIds.length} of {fits.length} chosen
      </p>
      {order.map((designId) => (
        <fieldset key={designId} className="border-b border-rule py-1.5">
          <Hint words={shop.designs.get(designId)?.name}>
            <legend className="float-left w-full truncate font-semibold">
              {shop.designs.get(designId)?.name}
            </legend>
          </Hint>
          {fitsOf(designId).map((fit) => (
            <Checkbox
              key={fit.id}
              checked={chosenIds.includes(fit.id)}
              onChange={(on) => {
                onChoose(on ? [fit.id, ...chosenIds] : chosenIds.filter((id) => id !== fit.id));
              }}
              className="w-full text-sm"
            >
              {blankOf(fit, shop)?.blank.name ?? fit.blankId}
              {fit.version && `, ${fit.version.name}`}
            </Checkbox>
          ))}
        </fieldset>
      ))}
    </nav>
  );
}
