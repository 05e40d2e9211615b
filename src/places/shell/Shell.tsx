'use client';
import { usePathname } from 'next/navigation';
import { useEffect, useState, useSyncExternalStore, type ReactNode } from 'react';
import { keepBuild, takeNewBuild, useNewBuild } from '@/state/build';
import { sendWaiting } from '@/state/handover/waiting';
import { sweepDockets } from '@/state/bench/dockets';
import { sentence } from '@/state/sentence';
import { changeSettings } from '@/state/shop/records';
import { followOthers, leaveRefused, tryAgain, useRefused } from '@/state/shop/commit';
import { openShop, useShop, type Shop } from '@/state/shop/shop';
import { engineHindrance, isStopped } from '@/state/engine/engine';
import { askToKeep, clearLoose, onStanding, roomTrouble } from '@/state/shop/storage';
import { Tape } from '@/ui/Tape';
import { Shortcuts } from './Shortcuts';
import { Hints } from '@/ui/Hint';
import { Commands } from './Commands';
import { UnitMenu } from './UnitMenu';
import { TakeBack } from './TakeBack';
import { useStrayDrops } from './useStrayDrops';
import { Guard } from '@/ui/Guard';
import { toast } from '@/ui/toast';
import { late } from '@/ui/late';

// Fetched beside the place that opens, which does not wait for them.
const ImportStrip = late(() => import('./ImportStrip').then((module) => module.ImportStrip));
const Messages = late(() => import('@/ui/Messages').then((module) => module.Messages));
// Fetched when it is first asked for: no place opens with it.
const ShopDialog = late(() => import('./ShopDialog').then((module) => module.ShopDialog));

const MARKS = [
  { name: 'Blanks', href: '/blanks' },
  { name: 'Artwork', href: '/artwork' },
  { name: 'Range', href: '/' },
  { name: 'Pictures', href: '/pictures' },
  { name: 'Sheets', href: '/sheets' },
  { name: 'Packs', href: '/packs' },
];

/** What stands round every place: the tape, files on their way in, and what went wrong. */
export function Shell({ demo, children }: { demo: boolean; children: ReactNode }) {
  const at = usePathname();
  const phase = useShop((shop) => shop.phase);
  const trouble = useShop((shop) => shop.trouble);
  const settings = useShop((shop) => shop.settings);
  const hindrance = useHindrance();
  const room = useRoomLeft();
  const [shopOpen, setShopOpen] = useState(false);
  useOpenShop(demo);
  useTroubles();
  useStrayDrops();
  useSweep();

  const dark = useDarkFrame(settings.theme);
  const { unit } = settings;
  return (
    <Hints>
      <div className="flex h-dvh flex-col">
        <a
          href="#place"
          className="verb absolute left-4 top-1 z-50 bg-docket px-2 py-1 not-focus:sr-only"
          onClick={(event) => {
            // The address keeps what it says of the place.
            event.preventDefault();
            document.getElementById('place')?.focus();
          }}
        >
          Skip to the work
        </a>
        <Tape marks={MARKS} at={markOf(at)}>
          <button
            className="max-w-20 truncate min-[1200px]:max-w-40"
            aria-label={`Shop ${settings.shopName}: its name and archive`}
            onClick={() => {
              setShopOpen(true);
            }}
          >
            {settings.shopName}
          </button>
          <UnitMenu unit={unit} />
          <button
            aria-label={`${dark ? 'Dark' : 'Light'} frame: change`}
            onClick={() => void changeSettings({ theme: dark ? 'light' : 'dark' })}
          >
            <span className={dark ? '' : 'font-semibold text-ink'}>light</span> ·{' '}
            <span className={dark ? 'font-semibold text-ink' : ''}>dark</span>
          </button>
          <Shortcuts />
          <Commands marks={MARKS} />
          <TakeBack at={at} />
        </Tape>
        {shopOpen && (
          <ShopDialog
            onClose={() => {
              setShopOpen(false);
            }}
          />
        )}
        {hindrance && <Notice>{hindrance}</Notice>}
        {trouble && <Notice>{trouble}</Notice>}
        <Refused />
        <Newer />
        {room && <Notice>{room}</Notice>}
        <Guard what="What comes in">
          <ImportStrip />
        </Guard>
        <main id="place" tabIndex={-1} className="flex min-h-0 grow flex-col outline-none">
          {phase === 'open' ? (
            <Guard key={at} what="This place">
              {children}
            </Guard>
          ) : (
            <Opening phase={phase} />
          )}
        </main>
        <Guard what="The corner for messages">
          <Messages />
        </Guard>
      </div>
    </Hints>
  );
}

function Notice({ children }: { children: ReactNode }) {
  return (
    <p role="alert" className="border-b border-fix bg-docket px-4 py-2 text-fix">
      {children}
    </p>
  );
}

/** What the browser refused to store: told wherever one is, with a way to try again and one to leave it. */
function Refused() {
  const { trouble, waiting } = useRefused();
  if (trouble === null) return null;
  return (
    <Notice>
      {trouble} {waiting > 1 ? `${waiting} changes wait.` : ''}{' '}
      <button className="verb ml-4" onClick={tryAgain}>
        Try again
      </button>
      <button className="verb ml-4" onClick={leaveRefused}>
        Leave it undone
      </button>
    </Notice>
  );
}

/** A newer Up Fit is offered, and never put under what is open. */
function Newer() {
  const state = useNewBuild((build) => build.state);
  if (state === 'none') return null;
  return (
    <p role="status" className="border-b border-rule bg-docket px-4 py-2">
      {state === 'ready'
        ? 'A newer Up Fit is here. All is saved first.'
        : 'A newer Up Fit was taken in another window. Reload this one to have the same.'}{' '}
      <button className="verb ml-4" onClick={() => void takeNewBuild()}>
        {state === 'ready' ? 'Change to it' : 'Reload'}
      </button>
    </p>
  );
}

function Opening({ phase }: { phase: Shop['phase'] }) {
  return (
    <p role="status" className="p-6 text-ink-2">
      {OPENING[phase]}
    </p>
  );
}

const OPENING: Record<Shop['phase'], string> = {
  opening: 'Opening your shop…',
  waiting: 'Another window holds this shop with an older Up Fit: close that window, and this one goes on.',
  open: '',
  closed: '',
  left: 'A newer Up Fit was opened in another window. All is saved: reload this window to go on.',
};

/** Whether the frame is dark: as the seller chose, or as the system is. The viewing grey stays the same in both. */
function useDarkFrame(theme: 'system' | 'light' | 'dark'): boolean {
  const [dark, setDark] = useState(false);
  useEffect(() => {
    const system = matchMedia('(prefers-color-scheme: dark)');
    const follow = () => {
      const next = theme === 'dark' || (theme === 'system' && system.matches);
      document.documentElement.dataset['theme'] = next ? 'dark' : 'light';
      setDark(next);
    };
    follow();
    system.addEventListener('change', follow);
    return () => {
      system.removeEventListener('change', follow);
    };
  }, [theme]);
  return dark;
}

const neverChanges = () => () => undefined;

function useHindrance(): string | null {
  return useSyncExternalStore(neverChanges, engineHindrance, () => null);
}

/** What is to be said of the room left, looked at again whenever artwork comes in or goes. */
function useRoomLeft(): string | null {
  const [room, setRoom] = useState<string | null>(null);
  const phase = useShop((shop) => shop.phase);
  const count = useShop((shop) => shop.artworks.size);
  useEffect(() => {
    if (phase !== 'open') return;
    let current = true;
    void roomTrouble().then((said) => {
      if (current) setRoom(said);
    });
    if (count > 0) void askToKeep();
    return () => {
      current = false;
    };
  }, [phase, count]);
  return room;
}

let opening: Promise<void> | undefined;

/** What becomes of the store while the page is open. */
onStanding((state) => {
  const { phase } = useShop.getState();
  if (state === 'waiting') useShop.setState({ phase: 'waiting' });
  else if (state === 'left') useShop.setState({ phase: 'left' });
  else if (state === 'open' && phase === 'waiting') useShop.setState({ phase: 'opening' });
});

/** Tells what went wrong where nobody else does: there is one place for it. */
function useTroubles(): void {
  useEffect(() => {
    const tell = (event: PromiseRejectionEvent) => {
      event.preventDefault();
      if (!isStopped(event.reason)) toast(sentence(event.reason));
    };
    addEventListener('unhandledrejection', tell);
    return () => {
      removeEventListener('unhandledrejection', tell);
    };
  }, []);
}

function useOpenShop(demo: boolean): void {
  useEffect(() => {
    opening ??= open(demo);
  }, [demo]);
}

async function open(demo: boolean): Promise<void> {
  try {
    followOthers();
    await openShop();
    const { aside } = useShop.getState();
    if (aside.length > 0)
      toast(
        `${aside.length} stored records do not read and are set aside: press the shop’s name to see them.`,
      );
    void clearLoose();
    const { settings } = useShop.getState();
    // A demo whose loading was cut short is gone on with: what is there already is known by its files.
    if (demo && !settings.demoLoaded && engineHindrance() === null) {
      const { loadDemo } = await import('@/state/shop/demo');
      await loadDemo();
    }
    sendWaiting();
    void keepBuild();
  } catch (error) {
    useShop.setState({ phase: 'closed', trouble: `The shop could not be opened: ${sentence(error)}` });
  }
}

/** Measures again whatever a change has made stale. */
function useSweep(): void {
  const fits = useShop((shop) => shop.fits);
  const unit = useShop((shop) => shop.settings.unit);
  const blanks = useShop((shop) => shop.blanks);
  const phase = useShop((shop) => shop.phase);
  const onBench = useShop((shop) => shop.onBench);
  useEffect(() => {
    if (phase === 'open' && engineHindrance() === null) void sweepDockets();
  }, [fits, unit, blanks, phase, onBench]);
}

/** The mark of the tape that a page belongs to. */
function markOf(at: string): string {
  if (['/bench', '/beside', '/rows', '/earnings', '/inks'].some((one) => at.startsWith(one))) return '/';
  if (at.startsWith('/listing')) return '/pictures';
  return ['/blanks', '/artwork', '/pictures', '/packs'].find((mark) => at.startsWith(mark)) ?? at;
}
