import { shippedBlanks } from '@/core/blank/library';
import { SCENES, scenesFor, sidesIn } from '@/core/mockup/scenes';
import type { Answer } from '../answer';

/** `scenes`: what a picture can be set in, the kinds of blank that each shows, and from which sides. */
export function scenes(): Promise<Answer> {
  const json = SCENES.map((scene) => ({
    id: scene.id,
    name: scene.name,
    kinds: [
      ...new Set(
        shippedBlanks()
          .filter((blank) => scenesFor(blank).includes(scene))
          .map(({ blank }) => blank.body.kind),
      ),
    ].sort(),
    sides: sidesIn(scene),
  }));
  const text = json
    .map(({ id, name, kinds, sides }) => `${id}  ${name}  ${sides.join(', ')}  ${kinds.join(', ')}`)
    .join('\n');
  return Promise.resolve({ json, text, status: 0 });
}
