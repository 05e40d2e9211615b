import { bodyAt, type PrintFace, type ResolvedBlank } from '../blank/resolve';
import type { Mouth } from './bodies/round';
import type { Holder } from './families';
import { productOf, type Model } from './kinds';

/** The product of a blank, at one of its graded sizes. `faceId` matters where a face is only seen on the thing laid open. */
export function modelOf(
  known: Pick<ResolvedBlank, 'blank' | 'faces'>,
  sizeId: string | null = null,
  faceId: string | null = null,
  holder: Holder = 'none',
): Model & { mouth?: Mouth } {
  const body = bodyAt(known.blank, sizeId);
  const kind = productOf(body);
  const mouth = kind.mouth?.(body);
  return { ...kind.model(body, known, faceId, holder), ...(mouth && { mouth }) };
}

/** What of a face is seen on its product, in mm: its trim, and what is wrapped round its edges. */
export function seenOf({ width, height, edge }: PrintFace) {
  return { left: -edge, top: -edge, right: width + edge, bottom: height + edge };
}
