'use client';
import Link from 'next/link';
import { useRouter, useSearchParams } from 'next/navigation';
import { useMemo, useState } from 'react';
import { toast } from '@/ui/toast';
import { KIND_IDS, kindOf, KINDS, type Body, type Kind } from '@/core/blank/kinds';
import { resolveAmong } from '@/core/blank/library';
import { makeBlank } from '@/core/blank/make';
import { sizedBody } from '@/core/blank/sized';
import { parseSize } from '@/core/length/parse';
import type { ResolvedBlank } from '@/core/blank/resolve';
import type { Blank } from '@/core/blank/schema';
import { sizesFault, USUAL_SIZES } from '@/core/blank/sizes';
import { bodyTroubles } from '@/core/blank/troubles';
import { sentence } from '@/state/sentence';
import { changeBlank, newBlank } from '@/state/shop/blanks';
import { useShop } from '@/state/shop/shop';
import { today } from '@/state/today';
import { Choice, Field } from '@/ui/Field';
import { tellDone } from '@/ui/tell';
import { useMethodAndHouse } from '../useMethodAndHouse';
import { BodyForm } from './BodyForm';
import { MakeBoard } from './MakeBoard';
import { SizesForm } from './SizesForm';

type Looks = Pick<Blank, 'sizes' | 'shownAs'>;

/** What a thing with two sides is drawn as. */
const SHOWN_AS = [
  ['card', 'a card'],
  ['pouch', 'a pouch'],
  ['bag', 'a bag'],
  ['cushion', 'a cushion'],
] as const;

/** A blank of any kind by its numbers, drawn while they are typed; or one there is, given another form. */
export function MakePlace() {
  const asked = useSearchParams();
  const blanks = useShop((shop) => shop.blanks);
  const from = blanks.get(asked.get('from') ?? '')?.blank ?? null;
  const like = from ?? blanks.get(asked.get('like') ?? '')?.blank ?? null;
  const size = parseSize(asked.get('size') ?? '');
  const body = like && ((size.ok && sizedBody(like.body, size)) || like.body);
  return <Make key={like?.id ?? ''} from={from} like={like && body && { ...like, body }} />;
}

/** `from` gets its next version; one that is only like another begins with that one's numbers. */
function Make({ from, like }: { from: Blank | null; like: Blank | null }) {
  const router = useRouter();
  const { unit } = useShop((shop) => shop.settings);
  const [kind, setKind] = useState<Kind>(like?.body.kind ?? 'two-sided');
  // What was typed of each kind, so that looking at another loses nothing.
  const [bodies, setBodies] = useState<Partial<Record<Kind, Body>>>(
    like ? { [like.body.kind]: like.body } : {},
  );
  const [name, setName] = useState(from?.name ?? '');
  const [looks, setLooks] = useState<Looks>({ sizes: like?.sizes ?? USUAL_SIZES, shownAs: like?.shownAs });
  const { methodId, spec, fields } = useMethodAndHouse(like?.methodId ?? KINDS[kind].form.methodId, {
    firstHouse: like?.specId ?? null,
  });
  const body = bodies[kind] ?? KINDS[kind].form.begin;
  const graded = kindOf(body).graded !== null;
  const own: Looks = {
    sizes: graded ? looks.sizes : [],
    ...(kind === 'two-sided' && looks.shownAs && { shownAs: looks.shownAs }),
  };
  const trouble = bodyTroubles(body, unit)[0]?.message ?? sizesFault(own.sizes);
  const resolved = useDrawn(body, { methodId, specId: spec.id, name, ...own });
  const setBody = (next: Body) => {
    setBodies((so) => ({ ...so, [kind]: next }));
  };
  const keep = async () => {
    try {
      if (from) {
        const { blank, undo } = await changeBlank(from, {
          body,
          name: name.trim() === '' ? from.name : name.trim(),
          sizes: own.sizes,
          shownAs: own.shownAs,
          measured: { kind: 'tape', date: today() },
        });
        tellDone(
          `Version ${blank.version} of “${blank.name}”. Fits keep version ${from.version} until you move them.`,
          undo,
        );
        router.push(`/blanks?blank=${blank.id}`);
        return;
      }
      const title = name.trim() === '' ? KINDS[kind].name : name;
      const blank = await newBlank(
        title,
        body,
        { methodId, specId: spec.id, ...own },
        { kind: 'tape', date: today() },
      );
      toast(`“${blank.name}” is in the library.`);
      router.push(`/blanks?blank=${blank.id}`);
    } catch (error) {
      toast(sentence(error));
    }
  };
  return (
    <>
      <div className="flex h-[46px] shrink-0 items-center gap-5 border-b border-rule bg-frame px-4">
        <h1 className="whitespace-nowrap text-lg font-bold">
          {from ? `The form of ${from.name}` : 'A blank by its numbers'}
        </h1>
        <p role={trouble ? 'alert' : undefined} className="min-w-0 truncate text-sm text-fix">
          {trouble}
        </p>
        <span className="ml-auto flex items-center gap-4">
          <Link href={from ? `/blanks?blank=${from.id}` : '/blanks'} className="verb whitespace-nowrap">
            {from ? 'Leave it as it is' : 'Back to the library'}
          </Link>
          <button
            className="action whitespace-nowrap"
            disabled={trouble !== null}
            onClick={() => void keep()}
          >
            {from ? 'Keep a new version' : 'Keep blank'}
          </button>
        </span>
      </div>
      <div className="flex min-h-0 grow">
        <section
          aria-label="Numbers"
          className="w-[452px] shrink-0 overflow-auto border-r border-ink bg-docket px-5 py-3"
        >
          {!from && (
            <Choice
              label="Kind"
              value={kind}
              choices={KIND_IDS.map((one) => [one, KINDS[one].name] as const)}
              onChange={setKind}
            />
          )}
          <p className="py-1 text-sm text-ink-2">{KINDS[kind].form.what}</p>
          <Field label="Name" words value={name} placeholder={KINDS[kind].name} onChange={setName} />
          <BodyForm key={kind} body={body} onBody={setBody} />
          {kind === 'two-sided' && (
            <Choice
              label="drawn as"
              value={looks.shownAs ?? 'card'}
              choices={SHOWN_AS}
              onChange={(shownAs) => {
                setLooks((so) => ({ ...so, shownAs }));
              }}
            />
          )}
          {graded && resolved && (
            <SizesForm
              sizes={looks.sizes}
              face={resolved.faces[0]!}
              onSizes={(sizes) => {
                setLooks((so) => ({ ...so, sizes }));
              }}
            />
          )}
          {!from && fields}
        </section>
        {resolved ? (
          <MakeBoard resolved={resolved} onBody={setBody} />
        ) : (
          <p className="grid grow place-items-center bg-viewing text-viewing-ink-2">
            It is drawn as soon as its numbers go together.
          </p>
        )}
      </div>
    </>
  );
}

/** The blank as it will be; null while its numbers cannot be drawn. */
function useDrawn(
  body: Body,
  told: Pick<Blank, 'methodId' | 'specId' | 'name'> & Looks,
): ResolvedBlank | null {
  const specs = useShop((shop) => shop.specs);
  const methods = useShop((shop) => shop.methods);
  const { methodId, specId, name, sizes, shownAs } = told;
  return useMemo(() => {
    if (bodyTroubles(body).length > 0) return null;
    return resolveAmong(
      { specs: specs.values(), methods: methods.values() },
      makeBlank({
        id: 'draft',
        name: name.trim() || 'It',
        body,
        measured: { kind: 'tape' },
        methodId,
        specId,
        sizes,
        ...(shownAs && { shownAs }),
      }),
    );
  }, [body, methodId, specId, name, sizes, shownAs, specs, methods]);
}
