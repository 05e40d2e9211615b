import { boxAbout, UPRIGHT, type Look, type Standing } from '../../product/scene';
import { boxOf, type Mesh } from '../../product/mesh';
import type { Beside } from '../schema';
import { awning } from './awning';
import { brushes } from './brushes';
import { crates } from './crates';
import { giftBox } from './gift-box';
import { hand } from './hand';
import type { Room } from './room';

/** What a scene shows beside its things, so that one sees where they belong: drawn to the size of the things. */
const DRAWN: Record<Beside, (room: Room) => Mesh[]> = { awning, brushes, crates, 'gift-box': giftBox, hand };

/** They are of colours of their own, and nothing is printed on them. */
const LOOK: Look = { colour: '#ffffff', finish: 'matt', ink: 'cover', prints: new Map() };

/** What stands beside the things of a scene. */
export function besideOf(named: readonly Beside[], things: readonly Standing[]): Standing[] {
  const [first] = things;
  if (!first || named.length === 0) return [];
  const { low, high } = boxAbout(things);
  const own = boxOf(first.meshes);
  const room = { low, high, unit: own.high[0] - own.low[0] };
  return named.map((name) => ({
    meshes: DRAWN[name](room).map((mesh) => ({ ...mesh, prop: true })),
    look: LOOK,
    pose: UPRIGHT,
  }));
}
