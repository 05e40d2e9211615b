'use client';
import { useState } from 'react';
import { kindOf, type Body } from '@/core/blank/kinds';
import { numbersOf, withNumber } from '@/core/blank/numbers';
import { parseLength } from '@/core/length/parse';
import { showLength } from '@/core/length/show';
import { useShop } from '@/state/shop/shop';
import { Choice, Field } from '@/ui/Field';
import { MenuLine, VerbMenu } from '@/ui/Menu';
import { NameField } from '@/ui/NameField';
import { Heading } from '@/ui/StripParts';

interface Props {
  body: Body;
  onBody: (body: Body) => void;
}

/** All that a body is told by: words, whole numbers, its parts, and its lengths. */
export function BodyForm({ body, onBody }: Props) {
  const { form } = kindOf(body);
  return (
    <>
      {form.picks.map((pick) => (
        <Choice
          key={pick.name}
          label={pick.name}
          value={pick.get(body)}
          choices={pick.choices}
          onChange={(value) => {
            onBody(pick.set(body, value));
          }}
        />
      ))}
      <Parts body={body} onBody={onBody} />
      <Heading>Its lengths</Heading>
      {numbersOf(body).map(({ id, name, mm }) => (
        <Length key={id} id={id} name={name} mm={mm} body={body} onBody={onBody} />
      ))}
      {form.counts(body).map((count) => (
        <Count
          key={count.name}
          name={count.name}
          most={count.most}
          value={count.get(body)}
          onCount={(value) => {
            onBody(count.set(body, value));
          }}
        />
      ))}
    </>
  );
}

function Parts({ body, onBody }: Props) {
  const { parts } = kindOf(body).form;
  if (!parts) return null;
  const names = parts.of(body);
  const offered = parts.offered(body);
  if (names.length === 0 && offered.length === 0) return null;
  return (
    <>
      <Heading>Its {parts.name}</Heading>
      <ul aria-label={`Its ${parts.name}`} className="text-sm">
        {names.map((name, index) => {
          const without = parts.remove(body, index);
          return (
            <li
              key={`${index} ${name}`}
              className="flex items-baseline justify-between gap-3 border-b border-rule py-1"
            >
              {parts.rename ? (
                <span className="min-w-0 grow">
                  <NameField
                    small
                    value={name}
                    label={`Name of ${name}`}
                    onName={(next) => {
                      onBody(parts.rename!(body, index, next.slice(0, 120)));
                    }}
                  />
                </span>
              ) : (
                <span className="font-semibold">{name}</span>
              )}
              {without && (
                <button
                  className="verb whitespace-nowrap"
                  aria-label={`Take ${name} off`}
                  onClick={() => {
                    onBody(without);
                  }}
                >
                  Take off
                </button>
              )}
            </li>
          );
        })}
      </ul>
      {offered.length > 0 && (
        <p className="mt-1 text-sm">
          <VerbMenu label={`Add to its ${parts.name}`}>
            {offered.map((name) => (
              <MenuLine
                key={name}
                onSelect={() => {
                  onBody(parts.add(body, name));
                }}
              >
                {name}
              </MenuLine>
            ))}
          </VerbMenu>
        </p>
      )}
    </>
  );
}

/** A length as it is typed: the drawing follows every character that makes sense. */
function Length({ id, name, mm, body, onBody }: Props & { id: string; name: string; mm: number }) {
  const { unit } = useShop((shop) => shop.settings);
  const [text, setText] = useState<string | null>(null);
  const [trouble, setTrouble] = useState<string | null>(null);
  const type = (typed: string) => {
    setText(typed);
    const read = parseLength(typed, { unit: unit.unit });
    if (!read.ok) {
      setTrouble(read.message);
      return;
    }
    const next = withNumber(body, id, read.mm);
    setTrouble(next ? null : 'Type a length above zero.');
    if (next) onBody(next);
  };
  return (
    <div
      onBlur={() => {
        if (trouble === null) setText(null);
      }}
    >
      <Field
        label={name}
        value={text ?? showLength(mm, unit)}
        trouble={trouble}
        {...(text !== null && { note: showLength(mm, { ...unit, unit: unit.unit === 'mm' ? 'in' : 'mm' }) })}
        onChange={type}
      />
    </div>
  );
}

function Count({
  name,
  most,
  value,
  onCount,
}: {
  name: string;
  most: number;
  value: number;
  onCount: (count: number) => void;
}) {
  const [text, setText] = useState<string | null>(null);
  const read = text === null ? value : Number(text);
  const sound = Number.isInteger(read) && read >= 1 && read <= most;
  return (
    <div
      onBlur={() => {
        if (sound) setText(null);
      }}
    >
      <Field
        label={name}
        value={text ?? String(value)}
        trouble={sound ? null : `Type a whole number from 1 to ${most}.`}
        onChange={(typed) => {
          setText(typed);
          const count = Number(typed);
          if (Number.isInteger(count) && count >= 1 && count <= most) onCount(count);
        }}
      />
    </div>
  );
}
