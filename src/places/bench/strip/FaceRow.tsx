import { showLength, showSize } from '@/core/length/show';
import type { Live } from '../live/useLive';
import { Row } from './Row';

/**
 * The face's own numbers, where no piece has a strip: there is a strip at all times, so that choosing a piece does not
 * move the flat under the hand.
 */
export function FaceRow({ live }: { live: Live }) {
  const { face, blank, unit } = live;
  const say = (mm: number) => showLength(mm, unit);
  const facts = [
    `${face.name.toLowerCase()} ${showSize(face.width, face.height, unit)}`,
    face.bend && 'bent onto its arc',
    face.edge > 0 && `edge ${say(face.edge)}`,
    face.bleed > face.edge ? `bleed ${say(face.bleed - face.edge)}` : 'no bleed',
    `safe area ${say(face.safe)} in`,
    `${face.target} PPI wanted`,
    blank.method.name.toLowerCase(),
  ];
  return (
    <Row>
      <span className="measure truncate text-ink-2">{facts.filter(Boolean).join(' · ')}</span>
    </Row>
  );
}
