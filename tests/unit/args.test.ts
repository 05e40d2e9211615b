import { readArgs } from '@/cli/args';
import { PICTURE_OPTIONS } from '@/cli/commands/picture';
import { PLATES_OPTIONS } from '@/cli/commands/plates';

const said = (argv: string, takes: Parameters<typeof readArgs>[1]) => {
  try {
    return readArgs(argv.split(' '), takes);
  } catch (error) {
    return (error as Error).message;
  }
};

test('an option is what its command takes it for: “marks” is a value to plates, and stands alone for a picture', () => {
  const plates = readArgs(['plates', '--marks', 'on', '--json'], { options: PLATES_OPTIONS });
  expect([plates.values.get('marks'), [...plates.switches]]).toEqual(['on', ['json']]);
  const picture = readArgs(['picture', '--marks', '--scene', 'plain'], {
    options: PICTURE_OPTIONS,
    switches: ['marks', 'steam'],
  });
  expect([picture.values.get('scene'), [...picture.switches]]).toEqual(['plain', ['marks']]);
});

test('a value may begin with a minus, stand behind “=”, and be given several times', () => {
  const { values, all } = readArgs(['check', '--at', '-5mm,3mm', '--place=inside', '--at', '1mm,2mm'], {
    options: ['at', 'place'],
  });
  expect(Object.fromEntries(values)).toEqual({ at: '1mm,2mm', place: 'inside' });
  expect(all.get('at')).toEqual(['-5mm,3mm', '1mm,2mm']);
});

test.each([
  ['check --steam', { options: ['place'] }, /no option --steam/],
  ['check --place', { options: ['place'] }, /--place wants a value/],
  ['picture --steam=on', { switches: ['steam'] }, /--steam stands alone/],
  ['picture --steam on', { switches: ['steam'] }, /“on” stands alone/],
  ['check a.png --place inside', { options: ['place'] }, /“a.png” stands alone/],
  ['blanks --json yes', {}, /“yes” stands alone/],
])('“%s” is told, and nothing of it passed over', (argv, takes, words) => {
  expect(said(argv, takes)).toMatch(words);
});

test('files are named by themselves where a command takes them', () => {
  expect(readArgs(['inspect', 'a.png', 'b.pdf', '--json'], { files: true }).files).toEqual([
    'a.png',
    'b.pdf',
  ]);
});
