import { act, renderHook, waitFor } from '@testing-library/react';
import { shippedBlanks } from '@/core/blank/library';
import type { Fit } from '@/core/fit/schema';
import { WHOLE } from '@/core/many/view';
import { useShown } from '@/places/range/useShown';
import { useView } from '@/state/many/view';
import { useShop } from '@/state/shop/shop';
import { designNamed, fitNamed } from '../support/shop-store';

/** What each fit costs, and what share it earns, by its name. */
const MONEY: Record<string, { cost: number; margin: number | null }> = {
  gull: { cost: 4, margin: 0.5 },
  knot: { cost: 9, margin: -0.1 },
  wave: { cost: 6, margin: null },
};

// By name: no bytes are summed here, which a page's own realm would have to give.
jest.mock('@/core/digest', () => ({ digestOf: (words: string) => words }));
jest.mock('@/state/price/earning', () => ({ moneyIn: () => (fit: Fit) => MONEY[fit.id] }));

test('rows stand in their own order until it is reckoned what they cost, then by that; none is left out before', async () => {
  const names = Object.keys(MONEY);
  useShop.setState({
    designs: new Map(names.map((name, i) => [name, designNamed(name, [], i)])),
    fits: new Map(names.map((name) => [name, fitNamed(name, { designId: name })])),
    blanks: new Map(shippedBlanks().map((one) => [one.blank.id, one])),
    settings: { ...useShop.getState().settings, columns: ['mug-325'] },
  });
  useView.setState({ ...WHOLE, sort: 'costs', money: 'loss' });
  const { result } = renderHook(() => useShown(''));
  const found = () => result.current.found.map(({ name }) => name);
  expect(found()).toEqual(['gull', 'knot', 'wave']);
  await waitFor(() => {
    expect(found()).toEqual(['knot']);
  });
  act(() => {
    useView.setState({ money: null });
  });
  expect(found()).toEqual(['knot', 'wave', 'gull']);
});
