'use client';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { startDesign } from '@/state/shop/fitting';
import { layoutsOf } from '@/core/layout/of-blank';
import { useShop } from '@/state/shop/shop';
import { Select } from '@/ui/Select';
import { tellDone } from '@/ui/tell';
import { NameDialog } from './NameDialog';

/** Stands for no layout. */
const BARE = 'bare';

/** Begins a design on a blank: a name, and the bench is open with nothing on the face, or by a starting layout. */
export function StartDesign({ blankId, onClose }: { blankId: string; onClose: () => void }) {
  const blank = useShop((shop) => shop.blanks.get(blankId)?.blank);
  const layouts = layoutsOf(blankId, useShop());
  const [begins, setBegins] = useState(layouts.find(({ usual }) => usual)?.id ?? BARE);
  const router = useRouter();
  return (
    <NameDialog
      title={`Start a design on ${blank?.name ?? 'it'}`}
      description={`Words, fills and artwork come on the bench.${layouts.length === 0 ? ' It begins with nothing on its faces.' : ''}`}
      label="name of the design"
      verb="Start it"
      onSaid={async (name) => {
        const { result, undo } = await startDesign(name, blankId, begins === BARE ? null : begins);
        router.push(`/bench/${result.id}`);
        tellDone(`“${name.trim()}” is begun on ${blank?.name ?? 'it'}.`, async () => {
          await undo();
          router.push('/');
        });
      }}
      onClose={onClose}
    >
      {layouts.length > 0 && (
        <div className="mb-3 flex items-center gap-3 text-sm">
          <span className="text-ink-2">begins with</span>
          <Select
            label="What it begins with"
            value={begins}
            choices={[...layouts.map(({ id, name }) => [id, name] as const), [BARE, 'a bare face']]}
            className="min-w-0 max-w-72"
            onChange={setBegins}
          />
        </div>
      )}
    </NameDialog>
  );
}
