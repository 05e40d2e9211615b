'use client';
import { dequal } from 'dequal';
import { WHOLE, type View } from '@/core/many/view';
import { useShop } from '@/state/shop/shop';
import { Popup } from '@/ui/Popup';
import { late } from '@/ui/late';

const ViewQuestions = late(() => import('./ViewQuestions').then((module) => module.ViewQuestions));

/** The view of the range that is shown, and what is asked of it. */
export function ViewPopup({ view }: { view: View }) {
  const views = useShop((shop) => shop.settings.views);
  const current = views.find((one) => dequal(one, { ...view, name: one.name }));
  const isWhole = dequal({ ...view, standing: 'all' }, WHOLE);
  return (
    <Popup
      trigger={
        <button
          className={`verb max-w-44 truncate whitespace-nowrap ${isWhole ? '' : 'font-bold'}`}
          aria-label="View of the range"
          onPointerEnter={ViewQuestions.fetch}
          onFocus={ViewQuestions.fetch}
        >
          {current ? current.name : isWhole ? 'View…' : 'View: changed…'}
        </button>
      }
      align="end"
      className="max-h-[calc(100vh-8rem)] w-[380px] overflow-auto"
    >
      <ViewQuestions view={view} />
    </Popup>
  );
}
