'use client';
import { showBytes } from '@/core/length/bytes';
import Link from 'next/link';
import { askInWords } from '@/core/blank/entries/ask';
import { pressCard } from '@/core/blank/press-card';
import { toast } from '@/ui/toast';
import { describeSource, questionsFor } from '@/core/blank/questions';
import { printPixels, type ResolvedBlank } from '@/core/blank/resolve';
import { chooseHouse, stateEntries, titleOf } from '@/state/shop/houses';
import { useShop } from '@/state/shop/shop';
import { HousePicker } from './HousePicker';
import { NumberRow } from './NumberRow';
import { Fact, Heading } from '@/ui/StripParts';
import { today } from '@/state/today';
import { tellDone } from '@/ui/tell';

/** What the house asks, where each number comes from, and what is still to be asked. */
export function HouseNumbers({ resolved }: { resolved: ResolvedBlank }) {
  const { blank, spec, faces } = resolved;
  const { unit } = useShop((shop) => shop.settings);
  const specs = useShop((shop) => shop.specs);
  const others = [...specs.values()].filter(
    ({ methods, id }) => methods.includes(blank.methodId) || id === spec.id,
  );
  const questions = questionsFor(resolved);
  const state = async (entry: 'bleed' | 'safe', mm: number) => {
    const source = { kind: 'house' as const, date: today() };
    const { version, undo } = await stateEntries('specs', spec, { [entry]: `${mm} mm` }, source, unit);
    tellDone(`“${titleOf(spec)}” is version ${version} now.`, undo);
  };
  return (
    <>
      <Heading>House</Heading>
      <HousePicker spec={spec} others={others} onChoose={(id) => void chooseHouse(blank.id, id)} />
      <p className="mt-1 text-sm">
        <Link href={`/blanks/houses?house=${spec.id}`} className="verb">
          All that {spec.house} asks
        </Link>
      </p>
      <dl className="measure text-sm">
        <NumberRow
          name="bleed"
          mm={spec.bleed.value}
          unit={unit}
          source={describeSource(resolved, 'bleed')}
          refuse={(mm) => (mm < 0 ? 'Bleed cannot be negative.' : null)}
          onSet={(mm) => {
            void state('bleed', mm);
          }}
        />
        <NumberRow
          name={`safe, from the ${spec.safeFrom.value}`}
          mm={spec.safe.value}
          unit={unit}
          source={describeSource(resolved, 'safe')}
          refuse={(mm) => (mm < 0 ? 'A safe margin cannot be negative.' : null)}
          onSet={(mm) => {
            void state('safe', mm);
          }}
        />
        <Fact name="target, floor" value={`${faces[0]!.target}, ${faces[0]!.floor} PPI`} />
        <Fact
          name="files"
          value={`${spec.files.formats.value.join(', ').toUpperCase()} · ${spec.files.modes.value.join(', ').toUpperCase()}`}
        />
        <Fact name="pixels" value={pixelsInWords(resolved)} />
        <Fact name="density tag" value={spec.files.density.value ? 'required' : 'not needed'} />
        <Fact name="transparency" value={spec.files.alpha.value === 'kept' ? 'kept' : 'none'} />
        <Fact name="largest file" value={showBytes(spec.files.maxBytes.value)} />
        <Fact name="named" value={spec.files.naming.value} />
        {spec.press && <Fact name="press" value={pressCard(spec).join(' · ')} />}
      </dl>
      {questions.length > 0 && <Questions house={spec.house} name={blank.name} questions={questions} />}
    </>
  );
}

/** Exact pixels where the house states them, else those of the true size. */
function pixelsInWords({ spec, faces }: ResolvedBlank): string {
  const { width, height } = printPixels(faces[0]!, spec);
  return `${width} × ${height}, ${spec.files.pixels.value ? 'exactly' : 'true size'}`;
}

/** What nobody has stated yet, ready to be sent. */
function Questions({ house, name, questions }: { house: string; name: string; questions: string[] }) {
  const text = askInWords(house, `“${name}”`, questions);
  return (
    <div className="mt-2 border-l-4 border-look pl-3 text-sm">
      <p className="font-semibold text-look">To ask {house}</p>
      <ul>
        {questions.map((question) => (
          <li key={question}>{question}</li>
        ))}
      </ul>
      <button
        className="verb mt-1"
        onClick={() => {
          navigator.clipboard.writeText(text).then(
            () => toast('The questions are on the clipboard.'),
            () => toast('The browser did not let the questions onto the clipboard: select and copy them.'),
          );
        }}
      >
        Copy the questions
      </button>
    </div>
  );
}
