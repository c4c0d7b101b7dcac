/**
 * Costs of explanations, in the order of what they mean: the cheapest is taken. They are our own, weighed against each other on
 * invented talks: what is said outright outweighs what is left open, and a number outweighs a manner of speaking.
 */
export const COST = {
  /** A number announced is not the one that is due, or is. */
  label: 2.5,
  labelFits: -1,
  /** A total that is not what comes out; one that is. Weak where the words may mean something else. */
  total: 1.4,
  totalFits: -0.8,
  weakTotal: 0.7,
  weakFits: -0.4,
  /** A number by itself that is what comes out. */
  numberFits: -0.25,
  /** Repeats that were said do not use up the round, or do. */
  times: 2,
  timesFits: -0.5,
  /** A total beside repeats that do not fit: one slip is told once. */
  totalToo: 0.5,
  /** Stitches do not use up the round. */
  leftOver: 3,
  /** Repeats that nobody spoke of, and each further stitch of a repeat that is more than two. */
  unsaidTimes: 0.6,
  longRepeat: 0.5,
  /** A repeat said within others, and one more that is said after other work. */
  inner: 1,
  timesAgain: 0.8,
  /** How many rounds; rounds alike of other work than plain; rounds that cannot be alike. */
  run: 1.5,
  runFits: -0.3,
  runAfter: 0.8,
  runOfWork: 1,
  runChanges: 6,
  /** "The next round" among what is told of one. */
  next: 0.8,
  /** A round looked back upon. */
  back: 1,
  backFits: -0.5,
  /** Work, or a count, that the round's own does not say again. */
  otherWork: 2,
  otherCount: 1.4,
  /** A number taken for stitches. */
  bare: 0.12,
  /** Back loops and both. */
  loops: 1,
  /** Work after the yarn was cut. */
  afterEnd: 2,
  /** Only that there is a round was said. */
  unheard: 1.6,
  /** Nothing that was said bears it out. */
  unconfirmed: 0.6,
  /** A part that begins on an edge, and one that begins before the last was ended. */
  onEdge: 2.5,
  notEnded: 1,
  goesOnAfterEnd: 1.5,
  midway: 3,
  /** Signs that nothing is made of. */
  skipInto: 3,
  skipEach: 1.5,
  skipWork: 1,
  skipLabel: 0.9,
  skipBack: 0.2,
  skipTotal: 1.5,
  skipWeak: 0.3,
  skipOften: 0.5,
} as const;
