import * as v from 'valibot';

// What is sensible in this job. Every record is held to it at every door (store, archive, file, worker), so that data which
// is well formed and absurd is set aside instead of stopping a place.

/** mm of the longest thing that is measured: 100 m. */
export const MOST_MM = 100_000;
/** mm of the shortest: a hundredth. */
export const LEAST_MM = 0.01;

/** A number of any kind: a coordinate in mm or px, an angle, a share. */
export const Finite = v.pipe(v.number(), v.minValue(-1e6), v.maxValue(1e6));
export const Positive = v.pipe(v.number(), v.gtValue(0), v.maxValue(1e6));
export const NotNegative = v.pipe(v.number(), v.minValue(0), v.maxValue(1e6));
/** A file's size. */
export const Bytes = v.pipe(v.number(), v.integer(), v.minValue(1), v.maxValue(1e12));
/** A place along a face in mm, either way from its edge. */
export const Place = v.pipe(v.number(), v.minValue(-MOST_MM), v.maxValue(MOST_MM));
/** How long something is, in mm. */
export const Length = v.pipe(v.number(), v.minValue(LEAST_MM), v.maxValue(MOST_MM));
/** A distance in mm that may be nothing. */
export const Distance = v.pipe(v.number(), v.minValue(0), v.maxValue(MOST_MM));

/** A list of at most so many: more than any shop has of its kind. */
export function list<const S extends v.GenericSchema>(schema: S, most = 10_000) {
  return v.pipe(v.array(schema), v.maxLength(most));
}
