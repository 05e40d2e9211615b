import * as v from 'valibot';

/** Identifiers are lower-case words joined by hyphens, safe in file names and addresses. */
export const IdSchema = v.pipe(
  v.string(),
  v.regex(/^[a-z0-9][a-z0-9-]{0,79}$/, 'An id is lower-case words joined by hyphens.'),
);

export const NameSchema = v.pipe(v.string(), v.trim(), v.minLength(1), v.maxLength(120));
