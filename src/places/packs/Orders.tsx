'use client';
import { showBytes } from '@/core/length/bytes';
import Link from 'next/link';
import { toast } from '@/ui/toast';
import type { FileFinding } from '@/core/pack/order';
import { sentence } from '@/state/sentence';
import { leaveWaiting, resumeOrder, useSending } from '@/state/handover/sending';
import type { SentOrder, StoredPack } from '@/core/pack/record';
import { HandAnswer } from './HandAnswer';
import { VerdictShape } from '@/ui/Verdict';
import { sayDay, sayOrder } from './words';
import { Progress } from '@/ui/Progress';

const MEANS = {
  sending: 'look',
  waiting: 'look',
  broken: 'look',
  arrived: 'ready',
  refused: 'fix',
  sent: 'look',
} as const;

/** Every order a pack was sent with, the newest first, and the house's answer to it. */
export function Orders({ pack }: { pack: StoredPack }) {
  return (
    <ul aria-label="Orders">
      {[...pack.orders].reverse().map((sent) => (
        <li key={sent.order.key} data-order={sent.state} className="border-b border-rule py-2">
          <OrderLine pack={pack} sent={sent} />
        </li>
      ))}
    </ul>
  );
}

function OrderLine({ pack, sent }: { pack: StoredPack; sent: SentOrder }) {
  const { order, answer } = sent;
  const under = useSending((sending) => sending[order.key]);
  const copies = order.lines.reduce((sum, { quantity }) => sum + quantity, 0);
  const bad = answer?.findings.filter(({ verdict }) => verdict !== 'ready') ?? [];
  const resume = () => {
    resumeOrder(pack.id, sent).catch((error: unknown) => toast(sentence(error)));
  };
  return (
    <>
      <p className="flex items-baseline gap-2">
        <VerdictShape verdict={MEANS[sent.state]} />
        <span className="font-semibold">{upperFirst(sayOrder(sent))}</span>
        <span className="measure text-sm text-ink-2">
          {sayDay(sent.at)} · {copies} {copies === 1 ? 'copy' : 'copies'}
        </span>
        {under && (
          <>
            <Progress label="Sending" share={under.sent / order.bytes} className="w-40" />
            <span className="measure text-sm">
              {showBytes(under.sent)} of {showBytes(order.bytes)}
            </span>
            <button
              className="verb"
              onClick={() => {
                under.stop.abort();
              }}
            >
              Stop
            </button>
          </>
        )}
        {!under && (sent.state === 'broken' || sent.state === 'sending' || sent.state === 'waiting') && (
          <button className="verb" onClick={resume}>
            {sent.state === 'waiting' ? 'Try now' : 'Go on'}
          </button>
        )}
        {!under && sent.state === 'waiting' && (
          <button className="verb" onClick={() => void leaveWaiting(pack.id, sent)}>
            Do not wait
          </button>
        )}
      </p>
      {sent.state === 'sent' && (
        <div className="ml-5 text-sm">
          <HandAnswer pack={pack} sent={sent} />
        </div>
      )}
      {sent.trouble && (
        <p className={`ml-5 text-sm ${sent.state === 'waiting' ? 'text-look' : 'text-fix'}`}>
          {sent.trouble}
        </p>
      )}
      {answer?.reasons.map((reason) => (
        <p key={reason} className="ml-5 text-sm text-fix">
          {reason}
        </p>
      ))}
      {bad.map((finding) => (
        <Refused key={finding.path} pack={pack} finding={finding} />
      ))}
      {answer && answer.lines.length > 0 && (
        <p className="measure ml-5 text-sm">{answer.lines.join(' · ')}</p>
      )}
      {sent.state === 'arrived' && sent.to === undefined && (
        <p className="ml-5 text-sm text-ink-2">
          Every file was opened there and can be printed; the checksum of what arrived is the one that was
          sent.
        </p>
      )}
    </>
  );
}

/** Why a file is not taken, with the way to where it can be mended. */
function Refused({ pack, finding: { path, reasons } }: { pack: StoredPack; finding: FileFinding }) {
  const fit = pack.manifest.fits.find(({ prints }) => prints.some((print) => print.path === path));
  return (
    <p className="ml-5 text-sm">
      {fit ? (
        <Link href={`/bench/${fit.fitId}`} className="font-semibold underline underline-offset-2">
          {fit.design} on {fit.blank}
        </Link>
      ) : (
        <Link href="/sheets" className="font-semibold underline underline-offset-2">
          {path.split('/').at(-1)}
        </Link>
      )}{' '}
      <span className="text-fix">{reasons.join(' ')}</span>
    </p>
  );
}

function upperFirst(words: string): string {
  return words.charAt(0).toUpperCase() + words.slice(1);
}
