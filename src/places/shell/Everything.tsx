'use client';
import { fitTitle } from '@/core/fit/version';
import { useRouter } from 'next/navigation';
import { useOffered } from '@/state/commands';
import { useShop } from '@/state/shop/shop';
import { CommandList, type Listed } from '@/ui/CommandList';
import { takeBack, useDone } from '@/ui/tell';

/** Places that are no mark of the tape. */
const FURTHER = [
  { name: 'Measure a new blank', href: '/blanks/measure' },
  { name: 'Houses and methods', href: '/blanks/houses' },
  { name: 'Prices and places to sell', href: '/blanks/prices' },
  { name: 'What it earns: charts', href: '/earnings' },
  { name: 'Inks and plates', href: '/inks' },
  { name: 'Blank of any kind, by its numbers', href: '/blanks/make' },
  { name: 'Starting layouts', href: '/blanks/layouts' },
  { name: 'Blank from a house’s spec', href: '/blanks/spec' },
  { name: 'Blank from a template', href: '/blanks/template' },
];

/** All that can be gone to or done, as a list that is searched. */
export function Everything({
  marks,
  onDone,
}: {
  marks: readonly { name: string; href: string }[];
  onDone: () => void;
}) {
  const router = useRouter();
  const { designs, fits, blanks, artworks } = useShop();
  const { verbs } = useOffered();
  const done = useDone((one) => one.done);
  const goes = (id: string, name: string, href: string, note?: string): Listed => ({
    id,
    name,
    note,
    run: () => {
      router.push(href);
      onDone();
    },
  });
  const groups = [
    {
      heading: 'Do with what is chosen',
      items: verbs.map((verb): Listed => ({
        ...verb,
        run: () => {
          // Once the dialog is gone: what a verb opens would be closed with it.
          onDone();
          requestAnimationFrame(verb.run);
        },
      })),
    },
    {
      heading: 'Take back what was done',
      items: done.map((one, i): Listed => ({
        id: `done ${one.id}`,
        name: `Take back: ${one.sentence}`,
        keys: i === 0 && verbs.length === 0 ? 'Ctrl Z' : undefined,
        run: () => {
          onDone();
          void takeBack(one);
        },
      })),
    },
    { heading: 'Places', items: [...marks, ...FURTHER].map(({ name, href }) => goes(href, name, href)) },
    {
      heading: 'Fits',
      items: [...fits.values()].flatMap((fit) => {
        const { id, designId, blankId } = fit;
        const design = designs.get(designId);
        return design
          ? [
              goes(
                id,
                fitTitle(design, fit),
                `/bench/${id}`,
                `on ${blanks.get(blankId)?.blank.name ?? blankId}`,
              ),
            ]
          : [];
      }),
    },
    {
      heading: 'Blanks',
      items: [...blanks.values()].map(({ blank, method }) =>
        goes(blank.id, blank.name, `/blanks?blank=${blank.id}`, method.name),
      ),
    },
    {
      heading: 'Artwork',
      items: [...artworks.values()].map(({ id, facts }) =>
        goes(id, facts.name, `/artwork?artwork=${id}`, facts.format.toUpperCase()),
      ),
    },
  ];
  return <CommandList label="Type a name" groups={groups} />;
}
