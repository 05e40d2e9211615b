import { UpFitError, type ErrorCode } from '@/core/errors';

/** Ends work that the page has stopped. */
export class Stopped extends Error {}

/** Work that did not come to its end, as data: errors do not cross from a worker as they are. */
export interface Failure {
  ok: false;
  stopped: boolean;
  code: ErrorCode;
  message: string;
}

/** What is told of an error: its own sentence, or another where it has none for sellers. */
export function failureOf(error: unknown, otherwise: string): Failure {
  const told = error instanceof UpFitError ? error : undefined;
  return {
    ok: false,
    stopped: error instanceof Stopped,
    code: told?.code ?? 'unreadable',
    message: told?.message ?? otherwise,
  };
}
