'use client';
import { useState } from 'react';
import type { HouseSpec } from '@/core/blank/schema';
import { titleOf } from '@/state/shop/houses';
import { useShop } from '@/state/shop/shop';
import { Choice } from '@/ui/Field';

/** A printing method and a house that prints by it, chosen together. */
export function useMethodAndHouse(
  first: string,
  { houseLabel = 'House', firstHouse = null }: { houseLabel?: string; firstHouse?: string | null } = {},
): {
  methodId: string;
  spec: HouseSpec;
  fields: React.ReactNode;
} {
  const specs = useShop((shop) => shop.specs);
  const methods = useShop((shop) => shop.methods);
  const [methodId, setMethodId] = useState(first);
  const [specId, setSpecId] = useState(firstHouse);
  const [followed, setFollowed] = useState(first);
  // Another thing is printed another way.
  if (first !== followed) {
    setFollowed(first);
    setMethodId(first);
    setSpecId(null);
  }
  const own = [...specs.values()].filter(({ methods }) => methods.includes(methodId));
  // A method that no house is known to print by yet is printed by whichever asks as most do.
  const spec = own.find(({ id }) => id === specId) ?? own[0] ?? [...specs.values()][0]!;
  const fields = (
    <>
      <Choice
        label="Printed by"
        value={methodId}
        choices={[...methods.values()].map(({ id, name }) => [id, name])}
        onChange={setMethodId}
      />
      <Choice
        label={houseLabel}
        value={spec.id}
        choices={(own.length > 0 ? own : [spec]).map((one) => [one.id, titleOf(one)])}
        onChange={setSpecId}
      />
    </>
  );
  return { methodId, spec, fields };
}
