/** The longest a piece may be set to, in mm: larger is a slip of the unit. */
const LONGEST = 20_000;
const SLIP = 'That is over 20 m: look at the unit.';

/** Why a length will not do as a size. */
export function refuseSize(mm: number): string | null {
  return mm <= 0 ? 'A length above zero is needed.' : mm > LONGEST ? SLIP : null;
}

/** Why a length will not do as a distance. */
export function refuseFar(mm: number): string | null {
  return Math.abs(mm) > LONGEST ? SLIP : null;
}
