import { rmSync } from 'node:fs';
import { served } from './served';

export default async function stopServing(): Promise<void> {
  await (globalThis as { stopServing?: () => Promise<unknown> }).stopServing?.();
  rmSync(served().profile, { recursive: true, force: true, maxRetries: 5 });
}
