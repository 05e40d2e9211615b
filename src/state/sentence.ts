import { UpFitError } from '@/core/errors';

/** An error as one sentence for the seller. */
export function sentence(error: unknown): string {
  if (error instanceof UpFitError) return error.message;
  if (error instanceof DOMException && error.name === 'QuotaExceededError') {
    return 'This browser has no room left for the file: take out artwork you no longer need, or free disk space.';
  }
  return error instanceof Error
    ? error.message
    : 'Something went wrong that Up Fit has no words for: try again.';
}
