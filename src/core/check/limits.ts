/** The one table of limits that verdicts go by; a blank or method overrides a value, not the rule. */
export const CHECK_LIMITS = {
  /** A bleed gap up to this many mm is for a person to decide. */
  bleedLook: 0.2,
  /** mm off a zone's centre that count as centred, and beyond which a motif was not aimed at it. */
  centred: 0.2,
  aimed: 3,
  /** Alpha from which a ground's pixel covers. */
  covers: 250,
} as const;
