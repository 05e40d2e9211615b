import { releaseProxy, type Remote } from 'comlink';
import type { Docket } from '@/core/check/docket';
import type { Facts } from '@/core/artwork/facts';
import type { Finding } from '@/core/check/finding';
import { engine, isStopped } from '@/workers/client';
import type { EngineService, FitJob, OnProgress, Outcome } from '@/workers/messages';
import { FakeWorker } from '../support/fake-worker';
import { blankById, factsOf, fitOf } from '../support/fits';
import { solid } from '../support/pictures';

type Part = 0 | 1 | 'all';

/** What each engine, by its number, was asked to measure, and what its answer waits for. */
let asked: [engine: number, what: Part | 'docket'][] = [];
let found: readonly Finding[] | undefined;
let until: (flag: Int32Array, half: 0 | 1) => Promise<void> = () => Promise.resolve();

async function answer<T>(flag: Int32Array, tell: unknown, work: () => Promise<T>): Promise<Outcome<T>> {
  const value = await work().finally(() => {
    // Its channel would keep the process.
    (tell as Remote<OnProgress>)[releaseProxy]();
  });
  if (Atomics.load(flag, 0) === 1)
    return { ok: false, code: 'unreadable', message: '', stopped: true, dead: false };
  return { ok: true, value };
}

function serviceOf(number: number): Pick<EngineService, 'findings' | 'docket'> {
  return {
    findings: (_job, _unit, half, flag, tell) =>
      answer(flag, tell, async () => {
        asked.push([number, half]);
        await until(flag, half);
        return [{ rule: half === 0 ? 'thin' : 'bleed' } as Finding];
      }),
    docket: (_job, _unit, known, flag, tell) =>
      answer(flag, tell, () => {
        asked.push([number, known ? 'docket' : 'all']);
        found = known;
        return Promise.resolve({ verdict: 'ready' } as Docket);
      }),
  };
}

const mug = blankById('mug-325');
const facts = factsOf(solid(20, 20));
const jobOf = (width: number, height: number): FitJob => {
  const own: Facts = { ...facts, pixels: { width, height } };
  const artwork = { id: 'a', key: 'a', facts: own, original: new Blob(['a']), steps: [] };
  return {
    blank: mug,
    fit: fitOf(mug, []),
    press: { profile: null, intent: 'relative' },
    artworks: [artwork],
  };
};
const unit = { unit: 'mm', inches: 'decimal' } as const;
const large = jobOf(4000, 3000);

beforeAll(() => {
  let started = 0;
  Object.assign(globalThis, {
    self: { crossOriginIsolated: true },
    Worker: class extends FakeWorker {
      constructor() {
        super(serviceOf(started++));
      }
    },
  });
});
afterAll(() => {
  for (const worker of FakeWorker.made) worker.terminate();
});
beforeEach(async () => {
  until = () => Promise.resolve();
  // What the test before stopped may still be on its way.
  do {
    asked = [];
    await engine.docket(large, unit);
  } while (asked.length < 3);
  asked = [];
  found = undefined;
});

describe('a docket, asked of two engines', () => {
  test('of little work is one engine’s', async () => {
    await engine.docket(jobOf(2000, 2000), unit);
    expect(asked.map(([, what]) => what)).toEqual(['all']);
  });

  test('of much is measured by both, half of the rules each, and the same half by the same one after an edit', async () => {
    const told: number[] = [];
    await engine.docket(large, unit, { onProgress: (share) => told.push(share) });
    const halves = () =>
      asked.filter(([, what]) => what !== 'docket').sort(([, a], [, b]) => Number(a) - Number(b));
    const first = halves();
    expect(first.map(([, what]) => what)).toEqual([0, 1]);
    expect(first[0]![0]).not.toBe(first[1]![0]);
    expect(found?.map(({ rule }) => rule)).toEqual(['thin', 'bleed']);
    asked = [];
    await engine.docket(large, unit);
    expect(halves()).toEqual(first);
  });

  test('while one has something else to do, is the other’s alone', async () => {
    let finish: () => void = () => undefined;
    until = (_, half) => (half === 0 ? new Promise((resolve) => (finish = resolve)) : Promise.resolve());
    const busy = engine.docket(large, unit);
    while (asked.length < 2) await new Promise(setImmediate);
    await engine.docket(large, unit);
    expect(asked.map(([, what]) => what).slice(2)).toEqual(['all']);
    finish();
    await busy;
  });

  const untilStopped = (flags: Int32Array[]) => (flag: Int32Array) =>
    new Promise<void>((resolve) => {
      flags.push(flag);
      const look = () => (Atomics.load(flag, 0) === 1 ? resolve() : void setImmediate(look));
      look();
    });

  test('is stopped in both where a person stops it', async () => {
    const flags: Int32Array[] = [];
    until = untilStopped(flags);
    const stop = new AbortController();
    const told = engine.docket(large, unit, { signal: stop.signal }).catch(isStopped);
    while (asked.length < 2) await new Promise(setImmediate);
    stop.abort();
    expect(await told).toBe(true);
    expect(flags.map((flag) => flag[0])).toEqual([1, 1]);
  });

  test('is stopped in the other where one of them fails', async () => {
    const flags: Int32Array[] = [];
    const stopped = untilStopped(flags);
    until = (flag, half) => (half === 0 ? Promise.reject(new Error('It broke.')) : stopped(flag));
    await expect(engine.docket(large, unit)).rejects.toThrow('It broke.');
    while (flags[0]?.[0] !== 1) await new Promise(setImmediate);
    expect(asked.map(([, what]) => what)).not.toContain('docket');
  });
});
