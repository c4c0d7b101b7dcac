/** The first make of somebody who never held a hook: a small ball of our own, with all that a ball needs and no more. */
export const FIRST_MAKE = {
  yarnWeight: 4,
  hookMm: 4,
  text: `# First ball
US terms

A small ball, for hands that have never held a hook. Medium yarn in a light colour, a 4 mm hook, a little stuffing. Whatever goes wrong is pulled out and made again.

## Ball
With cream:
R1: 6 sc in ring (6)
Put the marker in the last stitch of the round, and move it up every round.
R2: inc × 6 (12)
R3: (1 sc, inc) × 6 (18)
Turn it so that the right side faces out.
R4–R7: sc around (18)
R8: (1 sc, invdec) × 6 (12)
Stuff it now, firmly, the sides before the middle.
R9: invdec × 6 (6)
Cut the yarn, draw it through the front loops of the last stitches, pull shut and hide the end.
`,
} as const;

/** Whether a make is the first one, unchanged: then every card comes by itself. */
export const isFirstMake = (text: string): boolean => text === FIRST_MAKE.text;
