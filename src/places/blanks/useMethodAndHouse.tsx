'use client';
import { useState } from 'react';
import { METHODS } from '@/core/blank/methods';
import type { HouseSpec } from '@/core/blank/schema';
import { useShop } from '@/state/shop/shop';
import { Choice } from '@/ui/Field';

/** A printing method and a house that prints by it, chosen together. */
export function useMethodAndHouse(
  first: string,
  houseLabel = 'House',
): {
  methodId: string;
  spec: HouseSpec;
  fields: React.ReactNode;
} {
  const specs = useShop((shop) => shop.specs);
  const [methodId, setMethodId] = useState(first);
  const [specId, setSpecId] = useState<string | null>(null);
  const own = [...specs.values()].filter(({ methods }) => methods.includes(methodId));
  const spec = own.find(({ id }) => id === specId) ?? own[0]!;
  const fields = (
    <>
      <Choice
        label="Printed by"
        value={methodId}
        choices={METHODS.map(({ id, name }) => [id, name])}
        onChange={setMethodId}
      />
      <Choice
        label={houseLabel}
        value={spec.id}
        choices={own.map(({ id, house, bleed }) => [id, `${house}, bleed ${bleed.value} mm`])}
        onChange={setSpecId}
      />
    </>
  );
  return { methodId, spec, fields };
}
