import { WorkerEnded, WorkerHost } from '@/workers/host';
import { Latest } from '@/workers/latest';
import { FakeWorker } from '../support/fake-worker';

interface Service {
  double(n: number): number;
  fail(): void;
  hang(): Promise<number>;
}

const service: Service = {
  double: (n) => 2 * n,
  fail: () => {
    throw new Error('It broke.');
  },
  hang: () => new Promise(() => undefined),
};

let forgotten = 0;
const open = () =>
  new WorkerHost<Service>(
    () => new FakeWorker(service) as unknown as Worker,
    () => forgotten++,
  );
let host = open();
beforeEach(() => {
  FakeWorker.made = [];
  forgotten = 0;
  host = open();
});
afterEach(() => {
  host.end();
});

describe('a worker', () => {
  test('starts with the first call and answers every one', async () => {
    expect(FakeWorker.made).toHaveLength(0);
    expect(await Promise.all([1, 2, 3].map((n) => host.call((worker) => worker.double(n))))).toEqual([
      2, 4, 6,
    ]);
    expect([FakeWorker.made.length, host.load]).toEqual([1, 0]);
  });

  test('that throws tells that call, and goes on', async () => {
    await expect(host.call((worker) => worker.fail())).rejects.toThrow('It broke.');
    expect(await host.call((worker) => worker.double(4))).toBe(8);
    expect(FakeWorker.made).toHaveLength(1);
  });

  test('that dies tells every call it had; the next one starts another', async () => {
    const had = [host.call((worker) => worker.hang()), host.call((worker) => worker.hang())];
    const told = Promise.all(had.map((call) => expect(call).rejects.toThrow('started again')));
    FakeWorker.made[0]!.die();
    await told;
    expect([FakeWorker.made[0]!.ended, forgotten]).toEqual([true, 1]);
    expect(await host.call((worker) => worker.double(5))).toBe(10);
    expect(FakeWorker.made).toHaveLength(2);
  });

  test('that hangs is ended after its patience; a sign of life begins it anew', async () => {
    jest.useFakeTimers({ doNotFake: ['setImmediate', 'queueMicrotask', 'nextTick'] });
    try {
      let alive: () => void = () => undefined;
      const call = host.call((worker, sign) => {
        alive = sign;
        return worker.hang();
      }, 1000);
      const told = expect(call).rejects.toMatchObject({ hung: true });
      jest.advanceTimersByTime(900);
      alive();
      jest.advanceTimersByTime(900);
      expect(host.load).toBe(1);
      const other = expect(host.call((worker) => worker.hang())).rejects.toMatchObject({ hung: false });
      jest.advanceTimersByTime(200);
      await told;
      await other;
      expect(FakeWorker.made[0]!.ended).toBe(true);
    } finally {
      jest.useRealTimers();
    }
    expect(await host.call((worker) => worker.double(6))).toBe(12);
  });

  test('is not ended for a sign of life that comes after its answer', async () => {
    let late: () => void = () => undefined;
    await host.call((worker, sign) => {
      late = sign;
      return worker.double(1);
    }, 1000);
    jest.useFakeTimers();
    try {
      late();
      expect(jest.getTimerCount()).toBe(0);
    } finally {
      jest.useRealTimers();
    }
    expect(FakeWorker.made.map(({ ended }) => ended)).toEqual([false]);
  });

  test('an old one that dies late does not end the one in its place', async () => {
    await host.call((worker) => worker.double(1));
    host.end();
    await host.call((worker) => worker.double(1));
    FakeWorker.made[0]!.die();
    expect(FakeWorker.made[1]!.ended).toBe(false);
  });

  test('what ended is told apart from what a file is', () => {
    expect(new WorkerEnded(true).message).toMatch(/too long/);
    expect(new WorkerEnded(false).message).toMatch(/once more/);
  });
});

describe('of what is asked while work is under way', () => {
  test('only the newest is done; one that fails is told of that, and those after it are done all the same', async () => {
    const done: number[] = [];
    let finish: () => void = () => undefined;
    const latest = new Latest(async (n: number) => {
      done.push(n);
      if (n === 1) await new Promise<void>((resolve) => (finish = resolve));
      if (n === 3) throw new Error('three');
      return n;
    });
    const first = latest.ask(1);
    const [second, third] = [latest.ask(2), latest.ask(3)];
    const failed = expect(third).rejects.toThrow('three');
    finish();
    expect(await first).toBe(1);
    expect(await second).toBeNull();
    await failed;
    expect(await latest.ask(4)).toBe(4);
    expect(done).toEqual([1, 3, 4]);
  });
});
