/** The one table of limits that verdicts go by; a blank or method overrides a value, not the rule. */
export const CHECK_LIMITS = {
  /** A bleed gap up to this many mm is for a person to decide. */
  bleedLook: 0.2,
  /** mm off a zone's centre that count as centred, and beyond which a motif was not aimed at it. */
  centred: 0.2,
  aimed: 3,
  /** Share by which one axis may be scaled more than the other: true, and for a person to decide. */
  stretchReady: 0.005,
  stretchLook: 0.03,
  /** dE00 where the ends of a wrap meet: mean and largest that nobody sees, and a mean to be decided on. */
  seamMean: 2,
  seamLargest: 10,
  seamLook: 5,
  /** mm2 of a motif in a keep-out that are for a person to decide. */
  keepOutLook: 1,
  /** Share of the target, and of the floor, that an artwork's true detail must reach. */
  detailShare: 0.75,
  /** Shares of half-transparent pixels. */
  softReady: 0.001,
  softLook: 0.02,
  /** Share of the limit down to which a thin stroke is for a person to decide. */
  thinLook: 0.7,
  /** dE00 under which a boundary melts into the product; shares of it. */
  melts: 10,
  meltReady: 0.05,
  meltLook: 0.3,
  /** dE00 within which a colour is the product's own; mm2 of it. */
  sameColour: 2,
  sameReady: 0.05,
  sameLook: 4,
  /** dE00 from which the inks miss a colour; share of the area. */
  outOfGamut: 3,
  gamutReady: 0.02,
  /** Shares of the area over the ink limit. */
  inkReady: 0.001,
  inkLook: 0.01,
  /** mm2 of black from which it wants its recipe. */
  blackArea: 25,
  /** WCAG 2.2 contrast ratios of lettering. */
  ratioReady: 4.5,
  ratioLook: 3,
  /** Share of a headline that is to be read from the front. */
  readShare: 0.9,
  /** mm within which two pieces of one artwork lie on one another. */
  doubled: 0.5,
  /** Share of a piece from which it is covered. */
  covered: 0.995,
  /** mm of a sticker's neck, and of its corners' radius where the house says nothing; degrees of a point. */
  cutNeck: 2,
  cutRadius: 0.5,
  cutPoint: 20,
  /** Times the limit from which a cut line is above it. */
  cutLook: 1.2,
  /** Alpha from which a ground's pixel covers. */
  covers: 250,
} as const;
