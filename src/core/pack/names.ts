import type { PrintFace, ResolvedBlank } from '../blank/resolve';
import { fixed } from '../length/show';

/** Letters, digits and hyphens only, so that a name is safe on every disk and upload page. */
export function safeName(text: string): string {
  return (
    text
      .normalize('NFKD')
      .replace(/[^\w\s.-]/g, '')
      .trim()
      .replace(/[\s._]+/g, '-')
      .toLowerCase() || 'untitled'
  );
}

/** `harbour-panorama_mug-325-ml_wrap_222x92mm.png`: design, blank, face and trim size in mm. */
export function printFileName(design: string, blank: ResolvedBlank, face: PrintFace, ending = 'png'): string {
  const size = `${fixed(face.width, 0)}x${fixed(face.height, 0)}mm`;
  return `${[design, blank.blank.name, face.name].map(safeName).join('_')}_${size}.${ending}`;
}
