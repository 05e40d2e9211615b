'use client';
import { useState } from 'react';
import { toast } from '@/ui/toast';
import { askAsPage, askInWords } from '@/core/blank/entries/ask';
import { houseEntries } from '@/core/blank/entries/house';
import { houseQuestions } from '@/core/blank/questions';
import type { HouseSpec } from '@/core/blank/schema';
import { safeName } from '@/core/pack/names';
import { saveAs } from '@/state/handover/download';
import { sentence } from '@/state/sentence';
import { stateEntries } from '@/state/shop/houses';
import { useShop } from '@/state/shop/shop';
import { today } from '@/state/today';
import { Heading } from '@/ui/StripParts';
import { tellDone } from '@/ui/tell';
import { EntryField } from './EntryField';

/** What nobody has stated yet, to be sent; an answer typed here closes its question, with the day. */
export function OpenQuestions({ spec }: { spec: HouseSpec }) {
  const methods = useShop((shop) => shop.methods);
  const shopName = useShop((shop) => shop.settings.shopName);
  const transfers = spec.methods.some((id) => methods.get(id)?.mirrored);
  const open = houseQuestions(spec, transfers);
  const about = spec.about ?? 'your prints';
  const questions = open.map(({ question }) => question);
  if (open.length === 0)
    return (
      <>
        <Heading>To ask</Heading>
        <p className="mt-1 text-sm text-ink-2">Nothing: every number is stated.</p>
      </>
    );
  const copy = () => {
    navigator.clipboard.writeText(askInWords(spec.house, about, questions)).then(
      () => toast('The questions are on the clipboard.'),
      () => toast('The browser did not let the questions onto the clipboard: save them as a page.'),
    );
  };
  const savePage = () => {
    const page = askAsPage({ shop: shopName, house: spec.house, about, date: today() }, questions);
    saveAs(new Blob([page], { type: 'text/html' }), `${safeName(spec.house)}-questions.html`);
  };
  return (
    <>
      <Heading>
        To ask · {open.length} {open.length === 1 ? 'question' : 'questions'}
      </Heading>
      <p className="mt-1 flex gap-4 text-sm">
        <button type="button" className="verb" onClick={copy}>
          Copy as text
        </button>
        <button type="button" className="verb" onClick={savePage}>
          Save as a page
        </button>
      </p>
      <ul className="text-sm">
        {open.map(({ id, question }) => (
          <li key={id} className="mt-2">
            <p>{question}</p>
            <Answer spec={spec} id={id} />
          </li>
        ))}
      </ul>
    </>
  );
}

function Answer({ spec, id }: { spec: HouseSpec; id: string }) {
  const unit = useShop((shop) => shop.settings.unit);
  const [text, setText] = useState<string | null>(null);
  const [trouble, setTrouble] = useState<string | null>(null);
  const entry = houseEntries([]).find((one) => one.id === id)!;
  const answer = async () => {
    const typed = text ?? entry.typed(spec, unit);
    const wrong = typed === '' ? 'Type or choose the answer first.' : entry.trouble(typed, unit);
    setTrouble(wrong);
    if (wrong !== null) return;
    try {
      const { undo } = await stateEntries(
        'specs',
        spec,
        { [id]: typed },
        { kind: 'house', date: today() },
        unit,
      );
      tellDone(`${spec.house} states the ${entry.name}.`, undo);
    } catch (error) {
      setTrouble(sentence(error));
    }
  };
  return (
    <div className="flex items-end gap-3">
      <div className="min-w-0 grow">
        <EntryField
          bare
          entry={{ ...entry, name: `answer: ${entry.name}` }}
          value={text ?? entry.typed(spec, unit)}
          source={null}
          trouble={trouble}
          onChange={setText}
        />
      </div>
      <button
        type="button"
        className="verb mb-1"
        aria-label={`Stated: ${entry.name}`}
        onClick={() => void answer()}
      >
        Stated
      </button>
    </div>
  );
}
