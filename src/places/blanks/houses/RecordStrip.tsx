'use client';
import { useState, type ReactNode } from 'react';
import { toast } from '@/ui/toast';
import type { HouseSpec, Method } from '@/core/blank/schema';
import { sentence } from '@/state/sentence';
import {
  duplicateRecord,
  exportRecord,
  isAsItCame,
  isShippedRecord,
  putBack,
  removeRecord,
  titleOf,
  type Written,
} from '@/state/shop/houses';
import { Heading } from '@/ui/StripParts';
import { tellDone } from '@/ui/tell';
import { OpenQuestions } from './OpenQuestions';
import { SideBySide } from './SideBySide';

/** Beside a record's form: what it looks like, what is still to be asked, and what can be done with it. */
export function RecordStrip({
  table,
  record,
  onChoose,
  children,
}: {
  table: Written;
  record: HouseSpec | Method;
  onChoose: (id: string | null) => void;
  children: ReactNode;
}) {
  const [comparing, setComparing] = useState(false);
  const shipped = isShippedRecord(table, record.id);
  const copy = async () => {
    onChoose(await duplicateRecord(record));
  };
  const back = async () => {
    try {
      const { version, undo } = await putBack(table, record);
      tellDone(`“${titleOf(record)}” is as it came, version ${version}.`, undo);
    } catch (error) {
      toast(sentence(error));
    }
  };
  const remove = async () => {
    try {
      const undo = await removeRecord(table, record.id);
      onChoose(null);
      tellDone(`“${titleOf(record)}” is taken out.`, undo);
    } catch (error) {
      toast(sentence(error));
    }
  };
  return (
    <aside
      aria-label="About this record"
      className="relative w-[330px] shrink-0 overflow-auto border-l border-ink bg-docket px-5 pb-6 pt-3"
    >
      {children}
      {record.upfit === 'spec/1' && <OpenQuestions spec={record} />}
      <Heading>{table === 'specs' ? 'This house' : 'This method'}</Heading>
      <p className="mt-1.5 flex flex-wrap gap-x-4 gap-y-1.5">
        <button type="button" className="verb" onClick={() => void copy()}>
          Duplicate
        </button>
        {record.upfit === 'spec/1' && (
          <button
            type="button"
            className="verb"
            onClick={() => {
              setComparing(true);
            }}
          >
            Compare
          </button>
        )}
        <button
          type="button"
          className="verb"
          onClick={() => {
            exportRecord(record);
          }}
        >
          Save to a file
        </button>
        {shipped && !isAsItCame(record) && (
          <button type="button" className="verb" onClick={() => void back()}>
            Put it back as it came
          </button>
        )}
        {!shipped && (
          <button type="button" className="verb" onClick={() => void remove()}>
            Take out
          </button>
        )}
      </p>
      {comparing && record.upfit === 'spec/1' && (
        <SideBySide
          spec={record}
          onClose={() => {
            setComparing(false);
          }}
        />
      )}
    </aside>
  );
}
