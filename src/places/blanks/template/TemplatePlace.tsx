'use client';
import Link from 'next/link';
import { useState } from 'react';
import { toast } from '@/ui/toast';
import { resized } from '@/core/template/reading';
import type { EdgeSet, Picked } from '@/core/template/picked';
import { sentence } from '@/state/sentence';
import { readTemplateFile, type TemplateRead } from '@/state/handover/templates';
import { DropTarget } from '@/ui/DropTarget';
import { PickPanel } from './PickPanel';
import { TemplateSheet } from './TemplateSheet';

/** A blank from a house's template file: what it really measures, and trim, bleed and safe picked off its lines. */
export function TemplatePlace() {
  const [file, setFile] = useState<File | null>(null);
  const [read, setRead] = useState<TemplateRead | null>(null);
  const [picked, setPicked] = useState<Picked | null>(null);
  const [page, setPage] = useState(0);
  const [set, setSet] = useState<EdgeSet>('trim');
  const [reading, setReading] = useState(false);

  const open = async (next: File | undefined, at = 0) => {
    if (!next) return;
    setReading(true);
    try {
      const found = await readTemplateFile(next, at);
      setFile(next);
      setPage(at);
      show(found);
    } catch (error) {
      toast(sentence(error));
    } finally {
      setReading(false);
    }
  };
  const show = (found: TemplateRead) => {
    const { trim, bleed } = found.reading;
    setRead(found);
    setPicked(trim && { trim, bleed, safe: null });
  };
  return (
    <DropTarget
      onFiles={(files) => void open(files[0])}
      label="Drop a template: PDF, SVG, PNG or JPEG"
      className="flex min-h-0 grow flex-col"
    >
      {(choose) => (
        <>
          <div className="flex h-[46px] shrink-0 items-center gap-5 border-b border-rule bg-frame px-4">
            <h1 className="whitespace-nowrap text-lg font-bold">Blank from a template</h1>
            <span role="status" className="truncate text-sm text-ink-2">
              {reading ? 'Reading…' : (read?.reading.name ?? '')}
            </span>
            <span className="ml-auto flex items-center gap-4">
              <Link href="/blanks" className="verb whitespace-nowrap">
                Back to the library
              </Link>
              <button className={read ? 'verb whitespace-nowrap' : 'action'} onClick={choose}>
                {read ? 'Another file' : 'Choose a file'}
              </button>
            </span>
          </div>
          {read ? (
            <div className="flex min-h-0 grow">
              <TemplateSheet read={read} picked={picked} set={set} onPick={setPicked} />
              <PickPanel
                key={`${read.reading.name}-${page}`}
                read={read}
                picked={picked}
                page={page}
                set={set}
                onSet={setSet}
                onPage={(at) => void open(file ?? undefined, at)}
                onResize={(side, mm) => {
                  show({ ...read, reading: resized(read.reading, side, mm) });
                }}
                onPick={setPicked}
              />
            </div>
          ) : (
            <div className="grid grow place-items-center bg-viewing text-viewing-ink">
              <div className="w-[460px] border-t-2 border-viewing-ink pt-4">
                <p className="text-lg font-bold">Drop the template the house gives you</p>
                <p className="mt-1 text-viewing-ink-2">
                  A PDF, an SVG or a picture. Its true size is read from its boxes, its units or its density,
                  and said where it could mislead. Then trim, bleed and safe area are picked off its lines.
                </p>
              </div>
            </div>
          )}
        </>
      )}
    </DropTarget>
  );
}
