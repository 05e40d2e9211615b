import opentype, { type Font } from 'opentype.js';
import type { Layer, Mark, TemplateDrawing, Words } from '@/core/template/drawing';

/** A font, for words that must reach a file as outlines. WOFF or OpenType bytes. */
export function readFont(bytes: ArrayBuffer): Font {
  return opentype.parse(bytes);
}

/** The same drawing with every word turned into filled outlines, as it looks alike wherever it is opened. */
export function outlineWords(drawing: TemplateDrawing, font: Font): TemplateDrawing {
  const outlined = (layer: Layer): Layer => ({
    ...layer,
    marks: [...layer.marks, ...layer.words.map((words) => outlineWord(words, font))],
    words: [],
  });
  return { ...drawing, layers: drawing.layers.map(outlined) };
}

/** Words as filled outlines. */
export function outlineWord({ text, x, y, size, anchor, rotation = 0 }: Words, font: Font): Mark {
  const width = font.getAdvanceWidth(text, size);
  const from = anchor === 'start' ? 0 : anchor === 'middle' ? -width / 2 : -width;
  const cos = Math.cos(rotation);
  const sin = Math.sin(rotation);
  const at = (px: number, py: number) =>
    `${round(x + px * cos - py * sin)} ${round(y + px * sin + py * cos)}`;
  const d = font.getPath(text, from, 0, size).commands.map((command) => {
    switch (command.type) {
      case 'M':
      case 'L':
        return `${command.type}${at(command.x, command.y)}`;
      case 'Q':
        return `Q${at(command.x1, command.y1)} ${at(command.x, command.y)}`;
      case 'C':
        return `C${at(command.x1, command.y1)} ${at(command.x2, command.y2)} ${at(command.x, command.y)}`;
      case 'Z':
        return 'Z';
    }
  });
  return { d: d.join(''), stroke: 0 };
}

function round(value: number): number {
  return Math.round(value * 1000) / 1000;
}
