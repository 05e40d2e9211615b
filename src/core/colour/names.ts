import { deltaE00 } from './difference';
import { rgbOf } from './hex';
import { labOf, type Lab } from './lab';

/** Plain words for colours, each with a colour that most people would call by it. */
const NAMED: readonly (readonly [name: string, hex: string])[] = [
  ['white', '#ffffff'],
  ['off-white', '#f3efe4'],
  ['light grey', '#c8c8c8'],
  ['grey', '#8a8a8a'],
  ['dark grey', '#4d4d4d'],
  ['black', '#0b0b0b'],
  ['cream', '#f4e6bd'],
  ['beige', '#d9c5a0'],
  ['tan', '#bb935c'],
  ['brown', '#7a4a21'],
  ['dark brown', '#402510'],
  ['rust', '#a5431c'],
  ['light pink', '#f8cbd4'],
  ['pink', '#f08bab'],
  ['hot pink', '#e5307f'],
  ['salmon', '#f3917c'],
  ['light red', '#ef6a61'],
  ['red', '#d8231f'],
  ['dark red', '#8c1216'],
  ['maroon', '#561019'],
  ['peach', '#fbcfa4'],
  ['light orange', '#fbb062'],
  ['orange', '#f4821f'],
  ['orange', '#ffa200'],
  ['dark orange', '#c85a0c'],
  ['light yellow', '#fbf1a0'],
  ['yellow', '#f8de28'],
  ['golden yellow', '#efb51c'],
  ['mustard', '#b58f1b'],
  ['olive', '#737025'],
  ['dark olive', '#3f3f17'],
  ['lime green', '#a9d829'],
  ['light green', '#a4dc9c'],
  ['green', '#36a241'],
  ['bright green', '#17e04a'],
  ['dark green', '#145c2c'],
  ['sage', '#93a888'],
  ['mint', '#bdeed6'],
  ['light teal', '#86cfc8'],
  ['teal', '#128d8b'],
  ['dark teal', '#0b4f55'],
  ['aqua', '#2fd7df'],
  ['pale blue', '#d3e6f5'],
  ['light blue', '#93c6ee'],
  ['sky blue', '#4ba6e3'],
  ['blue', '#1f63cb'],
  ['bright blue', '#1a2ff0'],
  ['dark blue', '#17358b'],
  ['navy', '#132047'],
  ['slate blue', '#58708f'],
  ['lavender', '#c9bdec'],
  ['light purple', '#a581da'],
  ['purple', '#7434ad'],
  ['purple', '#820082'],
  ['dark purple', '#401a63'],
  ['magenta', '#d026c0'],
  ['plum', '#7d2a63'],
  ['mauve', '#b58aa8'],
];

const TABLE: readonly (readonly [name: string, lab: Lab])[] = NAMED.map(([name, hex]) => [
  name,
  labOf(...rgbOf(hex)),
]);

/** The plain word nearest to a colour by CIEDE2000, for those who cannot tell by eye. */
export function plainName(hex: string): string {
  const lab = labOf(...rgbOf(hex));
  let best = '';
  let least = Infinity;
  for (const [name, other] of TABLE) {
    const far = deltaE00(lab, other);
    if (far < least) [best, least] = [name, far];
  }
  return best;
}
