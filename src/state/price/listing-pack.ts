import { unparse } from 'papaparse';
import { UpFitError } from '@/core/errors';
import { fieldsOf, filled, trueSizes, type Fields } from '@/core/listing/fields';
import { columnsOf, variantTable } from '@/core/listing/columns';
import { listingTroubles, type ListingTrouble } from '@/core/listing/check';
import { headlineSide } from '@/core/listing/first';
import type { Listing } from '@/core/listing/schema';
import { skuTroubles, variantsOf, type Variant } from '@/core/listing/variants';
import { CHECK_LIMITS } from '@/core/limits';
import { MEGABYTE } from '@/core/length/bytes';
import { USUAL_DRESS } from '@/core/mockup/schema';
import { fitsIn, sidesIn } from '@/core/mockup/scenes';
import { safeName, uniqueNames } from '@/core/pack/names';
import { cents } from '@/core/price/cost';
import type { Outlet } from '@/core/price/outlet';
import type { Fit } from '@/core/fit/schema';
import { fitTitle } from '@/core/fit/version';
import type { ZipFile } from '@/files/zip';
import { makeZip } from '@/workers/zip-client';
import { saveAs } from '../handover/download';
import {
  coloursOf,
  makePicture,
  ownColour,
  settingName,
  settingsFor,
  type PictureWanted,
  type Setting,
} from '../handover/pictures';
import { contextOf, useShop, type Shop } from '../shop/shop';
import { earningOfFit } from './earning';
import { eachByEngines } from '../engine/each';
import { changeListings, listingOf } from './listings';

/** Pictures of a listing where its place sets no number, and px a side where it sets no size. */
const USUAL_PICTURES = 8;
const USUAL_SIZE = { width: 2000, height: 2000 };

/** Everything that a listing of a fit is made of. */
export interface ListingOf {
  fit: Fit;
  title: string;
  listing: Listing;
  fields: Fields;
  variants: Variant[];
  troubles: ListingTrouble[];
  pictures: ListedPicture[];
  earning: ReturnType<typeof earningOfFit>;
  /** What a variant costs, in its own size; null where that is unknown. */
  costOf: (variant: Variant) => string | null;
}

/** One picture of a listing, and what is said of it to who cannot see it. */
export interface ListedPicture {
  wanted: PictureWanted;
  alt: string;
}

/** A fit's listing as it stands at a place to sell; null where the fit is not whole. */
export function listingFor(fit: Fit, shop: Shop, outlet: Outlet): ListingOf | null {
  const context = contextOf(fit, shop);
  if (!context) return null;
  const { blank, design } = context;
  const words = shop.settings.listingWords;
  const listing = listingOf(fit.id, shop);
  const fields = fieldsOf(fit, { blank, design }, words);
  const variants = variantsOf(blank, fit, fitTitle(design, fit), listing.sku);
  return {
    fit,
    title: `${fitTitle(design, fit)} on ${blank.blank.name}`,
    listing,
    fields,
    variants,
    troubles: [
      ...listingTroubles(listing, outlet.limits, {
        sizes: trueSizes(blank, fit),
        notOurs: words.notOurs,
      }),
      ...skuTroubles(variants),
    ],
    pictures: picturesListed(fit, shop, outlet).map((wanted) => ({
      wanted,
      alt: filled(words.alt, {
        ...fields,
        colour: wanted.colour.name,
        view: settingName(wanted.setting).toLowerCase(),
      }).text,
    })),
    earning: earningOfFit(fit, shop, { outlet }),
    costOf: ({ sizeId }) =>
      cents(earningOfFit({ ...fit, sizeId: sizeId ?? fit.sizeId }, shop, { outlet })?.earning.cost ?? null),
  };
}

/**
 * The pictures of a listing, in order: the fit from the side that its headline is on, then every colour so, then it in other scenes; as
 * many as the place takes.
 */
function picturesListed(fit: Fit, shop: Shop, outlet: Outlet): PictureWanted[] {
  const blank = contextOf(fit, shop)!.blank;
  const settings = settingsFor(blank, shop.photos.values()).filter(
    (setting) => setting.kind === 'photo' || fitsIn(setting.scene) === 1,
  );
  const side = headlineSide(blank, fit, (id) => shop.artworks.get(id)!.facts);
  const reads = (setting: Setting) => setting.kind === 'scene' && sidesIn(setting.scene).includes(side);
  const order = [...settings.filter(reads), ...settings.filter((setting) => !reads(setting))];
  const [first] = order;
  if (!first) return [];
  const own = ownColour(fit, blank);
  const colours = [own, ...coloursOf(blank).filter(({ id }) => id !== own.id)];
  return [
    ...colours.map((colour) => ({ setting: first, fits: [fit], colour })),
    ...order.slice(1).map((setting) => ({ setting, fits: [fit], colour: own })),
  ].slice(0, outlet.limits.pictures ?? USUAL_PICTURES);
}

/** Drafts the words of some fits' listings from the shop's own templates: what stands there already stays. */
export async function draftListings(fitIds: readonly string[]): Promise<() => Promise<void>> {
  const shop = useShop.getState();
  const { title, description, tags } = shop.settings.listingWords;
  const drafted = new Map(
    fitIds.flatMap((fitId) => {
      const fit = shop.fits.get(fitId);
      const context = fit && contextOf(fit, shop);
      if (!context) return [];
      const fields = fieldsOf(fit, context, shop.settings.listingWords);
      const say = (template: string) => filled(template, fields).text;
      const own = say(tags)
        .split(',')
        .map((tag) => tag.trim().toLocaleLowerCase())
        .filter((tag) => tag !== '');
      return [
        [fitId, { title: say(title), description: say(description), tags: [...new Set(own)] }] as const,
      ];
    }),
  );
  const { undo } = await changeListings([...drafted.keys()], (before) => {
    const draft = drafted.get(before.fitId)!;
    return {
      title: before.title.trim() === '' ? draft.title : before.title,
      description: before.description.trim() === '' ? draft.description : before.description,
      tags: before.tags.length === 0 ? [...draft.tags] : before.tags,
    };
  });
  return undo;
}

export interface ListingProgress {
  doing: string;
  share: number;
}

/**
 * Makes listings as a zip: of each its pictures in order, its texts, its variants as CSV, and all of it as JSON. Gives back
 * what is to be known of it, a sentence each. Throws with a sentence where one would not be taken.
 */
export async function saveListings(
  fits: readonly Fit[],
  outlet: Outlet,
  { signal, onProgress }: { signal: AbortSignal; onProgress: (progress: ListingProgress) => void },
): Promise<string[]> {
  const shop = useShop.getState();
  const all = fits.flatMap((fit) => listingFor(fit, shop, outlet) ?? []);
  for (const { title, troubles } of all) {
    const [worst] = troubles.filter(({ verdict }) => verdict === 'fix');
    if (worst) throw new UpFitError('bad-argument', `${title}: ${worst.message}`);
  }
  const files: ZipFile[] = [];
  const said: string[] = [];
  const folders = uniqueNames(all.map(({ title }) => safeName(title)));
  for (const [at, one] of all.entries()) {
    const folder = all.length > 1 ? `${folders[at]!}/` : '';
    const { pictures, notes } = await picturesMade(one, outlet, signal, (doing, share) => {
      onProgress({ doing, share: (at + share) / all.length });
    });
    if (signal.aborted) return said;
    said.push(...notes);
    files.push(
      ...pictures.map(({ name, file }) => ({ path: `${folder}pictures/${name}`, data: file })),
      ...textsOf(one, outlet, pictures).map(({ path, data }) => ({ path: `${folder}${path}`, data })),
    );
  }
  const { zip } = await makeZip(files, { path: 'list.json', head: { upfit: 'listings/1' } }, { signal });
  const [only] = all;
  saveAs(zip, `${only && all.length === 1 ? folders[0]! : safeName(shop.settings.shopName)}_listing.zip`);
  return said;
}

interface MadePicture {
  name: string;
  alt: string;
  file: Blob;
}

async function picturesMade(
  { pictures, title }: ListingOf,
  { limits }: Outlet,
  signal: AbortSignal,
  tell: (doing: string, share: number) => void,
): Promise<{ pictures: MadePicture[]; notes: string[] }> {
  const made: MadePicture[] = [];
  const notes: string[] = [];
  const size = limits.pictureSize ?? USUAL_SIZE;
  let done = 0;
  tell(`Picture 1 of ${pictures.length}, ${title}`, 0);
  await eachByEngines(pictures, signal, async ({ wanted, alt }, i) => {
    const { file, read } = await makePicture(
      wanted,
      { ...size, format: 'jpeg', dress: USUAL_DRESS, proof: false },
      { signal, reads: i === 0 },
    );
    if (i === 0 && read && read.share < CHECK_LIMITS.readShare)
      notes.push(
        `In the first picture of ${title} only ${Math.floor(read.share * 100)} % of “${read.name}” reads.`,
      );
    if (limits.pictureBytes !== null && file.size > limits.pictureBytes * MEGABYTE)
      notes.push(
        `Picture ${i + 1} of ${title} is ${(file.size / MEGABYTE).toFixed(1)} MB, and ${limits.pictureBytes} MB are taken.`,
      );
    const name = `${String(i + 1).padStart(2, '0')}-${safeName(settingName(wanted.setting))}-${safeName(wanted.colour.name)}.jpg`;
    made[i] = { name, alt, file };
    done++;
    tell(
      `Picture ${Math.min(done + 1, pictures.length)} of ${pictures.length}, ${title}`,
      done / pictures.length,
    );
  });
  return { pictures: made, notes };
}

/** A listing's words and numbers as files. */
function textsOf(
  { listing, variants, fields, costOf, title: called }: ListingOf,
  outlet: Outlet,
  pictures: readonly MadePicture[],
): ZipFile[] {
  const { title, description, tags, attributes, asking, stock } = listing;
  const said = (variant: Variant) => ({
    sku: variant.sku,
    title,
    colour: variant.colour,
    size: variant.size ?? '',
    price: asking ?? '',
    currency: outlet.currency,
    cost: costOf(variant) ?? '',
    stock: stock[variant.key] === undefined ? '' : String(stock[variant.key]),
    design: fields['design'] ?? '',
    blank: fields['blank'] ?? '',
    tags: tags.join(', '),
  });
  const table = variantTable(variants, columnsOf(outlet.columns), said);
  const text = (...lines: string[]) => new Blob([lines.join('\n')], { type: 'text/plain' });
  return [
    {
      path: 'texts.txt',
      data: text(
        title,
        '',
        description,
        '',
        tags.join(', '),
        ...(attributes.length > 0 ? ['', ...attributes.map(({ name, value }) => `${name}: ${value}`)] : []),
        '',
        ...pictures.map(({ name, alt }) => `${name}: ${alt}`),
      ),
    },
    { path: 'variants.csv', data: new Blob(['\ufeff', unparse(table)], { type: 'text/csv' }) },
    {
      path: 'listing.json',
      data: new Blob([
        JSON.stringify(
          {
            upfit: 'listing-pack/1',
            called,
            place: outlet.name,
            title,
            description,
            tags,
            attributes,
            asking,
            currency: outlet.currency,
            facts: fields,
            variants: variants.map(said),
            pictures: pictures.map(({ name, alt }) => ({ name, alt })),
          },
          null,
          2,
        ),
      ]),
    },
  ];
}
