export const ERROR_CODES = ['unreadable', 'unsupported', 'too-large', 'not-found', 'bad-argument'] as const;
export type ErrorCode = (typeof ERROR_CODES)[number];

/** Something that could not be done, told as one sentence: what is wrong and what to do. */
export class UpFitError extends Error {
  constructor(
    readonly code: ErrorCode,
    message: string,
  ) {
    super(message);
    this.name = 'UpFitError';
  }
}
