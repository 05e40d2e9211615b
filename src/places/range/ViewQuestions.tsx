'use client';
import { dequal } from 'dequal';
import { useState } from 'react';
import { RULE_IDS } from '@/core/check/finding';
import { ruleName } from '@/core/check/registry';
import { LITTLE, WHOLE, type View } from '@/core/many/view';
import { forgetView, keepView, look } from '@/state/many/view';
import { titleOf } from '@/state/shop/houses';
import { useShop, type Shop } from '@/state/shop/shop';
import { Choice } from '@/ui/Field';
import { tellDone } from '@/ui/tell';
import { NameForm } from '../shell/NameForm';

const SORTS = [
  ['own', 'as they were put'],
  ['name', 'by name'],
  ['wrong', 'what is wrong first'],
  ['occasion', 'by occasion, the next first'],
  ['measured', 'what was changed last first'],
  ['costs', 'what costs most first'],
  ['earns', 'what earns least first'],
] as const;

const ROWS = [
  ['none', 'one after another'],
  ['occasion', 'by occasion'],
  ['standing', 'by how they stand'],
] as const;

const COLUMNS = [
  ['none', 'one after another'],
  ['kind', 'by kind'],
  ['house', 'by house'],
  ['method', 'by method'],
] as const;

const MONEY = [
  ['', 'whatever it earns'],
  ['loss', 'sold at a loss'],
  ['little', `earning under ${LITTLE * 100} % of its price`],
  ['unknown', 'of which that is unknown'],
] as const;

const AGES = [
  ['', 'whenever changed'],
  ['1', 'changed within a day'],
  ['7', 'changed within a week'],
  ['30', 'changed within 30 days'],
] as const;

/** What of the range is shown, in which order and under which heads, and the views that are kept by name. */
export function ViewQuestions({ view }: { view: View }) {
  const shop = useShop();
  const { views } = shop.settings;
  const [naming, setNaming] = useState(false);
  return (
    <>
      {questionsOf(view, shop).map(({ label, value, choices, change }) => (
        <Choice
          key={label}
          label={label}
          value={value}
          choices={choices}
          className="w-56"
          onChange={(next) => {
            look(change(next));
          }}
        />
      ))}
      {views.length > 0 && <Kept views={views} />}
      <div className="mt-3 flex items-start gap-4">
        {naming ? (
          <div className="grow">
            <NameForm
              label="keep this view as"
              verb="Keep"
              most={120}
              onSaid={async (name) => {
                const undo = await keepView(name, view);
                setNaming(false);
                tellDone(`The view “${name.trim()}” is kept.`, undo);
              }}
            />
          </div>
        ) : (
          <button
            className="verb"
            onClick={() => {
              setNaming(true);
            }}
          >
            Keep this view by name…
          </button>
        )}
        <button
          className="verb ml-auto"
          disabled={dequal(view, WHOLE)}
          onClick={() => {
            look(WHOLE);
          }}
        >
          Show all
        </button>
      </div>
    </>
  );
}

/** A question of a view: what stands there now, what else can, and what that makes of the view. */
interface Question {
  label: string;
  value: string;
  choices: readonly (readonly [value: string, name: string])[];
  change: (value: string) => Partial<View>;
}

/** Every question of a view, about what the shop has. */
function questionsOf(view: View, { blanks, specs, methods, settings }: Shop): Question[] {
  const columns = settings.columns.flatMap((id) => blanks.get(id) ?? []);
  const colours = new Set(columns.flatMap(({ blank }) => blank.colours.map(({ name }) => name)));
  const houses = new Map(columns.map(({ spec }) => [spec.id, titleOf(specs.get(spec.id) ?? spec)]));
  const ways = new Map(columns.map(({ method }) => [method.id, methods.get(method.id)?.name ?? method.name]));
  return [
    { label: 'Rows', value: view.rows, choices: ROWS, change: (rows) => ({ rows: rows as View['rows'] }) },
    {
      label: 'in order',
      value: view.sort,
      choices: SORTS,
      change: (sort) => ({ sort: sort as View['sort'] }),
    },
    {
      label: 'Columns',
      value: view.columns,
      choices: COLUMNS,
      change: (own) => ({ columns: own as View['columns'] }),
    },
    {
      label: 'Against them',
      value: view.rule ?? '',
      choices: [['', 'whatever it is'], ...RULE_IDS.map((id) => [id, ruleName(id)] as const)],
      change: (rule) => ({ rule: rule === '' ? null : (rule as View['rule']) }),
    },
    {
      label: 'On products',
      value: view.colour ?? '',
      choices: [['', 'of every colour'], ...[...colours].sort().map((name) => [name, name] as const)],
      change: (colour) => ({ colour: colour || null }),
    },
    {
      label: 'Printed by',
      value: view.specId ?? '',
      choices: [['', 'every house'], ...houses],
      change: (specId) => ({ specId: specId || null }),
    },
    {
      label: 'by way of',
      value: view.methodId ?? '',
      choices: [['', 'every method'], ...ways],
      change: (methodId) => ({ methodId: methodId || null }),
    },
    {
      label: 'Money',
      value: view.money ?? '',
      choices: MONEY,
      change: (money) => ({ money: money === '' ? null : (money as View['money']) }),
    },
    {
      label: 'Age',
      value: view.days === null ? '' : String(view.days),
      choices: AGES,
      change: (days) => ({ days: days === '' ? null : Number(days) }),
    },
  ];
}

/** Views that are kept by name: shown again, or forgotten. */
function Kept({ views }: { views: readonly (View & { name: string })[] }) {
  return (
    <ul aria-label="Kept views" className="mt-3 border-t border-ink">
      {views.map(({ name, ...view }) => (
        <li key={name} className="flex items-center gap-4 border-b border-rule py-1">
          <button
            className="verb min-w-0 truncate"
            onClick={() => {
              look(view);
            }}
          >
            {name}
          </button>
          <button
            className="verb ml-auto"
            aria-label={`Forget the view ${name}`}
            onClick={() =>
              void forgetView(name).then((undo) => {
                tellDone(`The view “${name}” is forgotten.`, undo);
              })
            }
          >
            forget
          </button>
        </li>
      ))}
    </ul>
  );
}
