import { SKETCH_BOUNDS } from '../bounds/index.js';
import { fabricOf, roundColours, type Fabric, type PartCount } from '../fabric/index.js';
import { heightOf, type StitchSize } from '../gauge/index.js';
import { STITCH_NAMES } from '../notation/index.js';
import { bendOfRound } from '../design/index.js';
import { isFlatLie, outlineOf, ringsOf, scaleProfile, unitProfile } from '../shape/index.js';
import { fewPoints } from './curve.js';
import { SKETCH_STITCHES, type SketchColour, type SketchPart, type SketchStitch } from './sketch.js';

/** Why a part of a pattern cannot be drawn as an outline. */
export type NotDrawn = 'no rounds' | 'worked in rows' | 'from other pieces';

/** Points lie this share of a stitch beside the shape, at most. */
const NEAR = 0.35;

/** A part of a pattern as one of a sketch: its stuffed outline, its rounds as they are, its colours. */
export function partOf(counted: PartCount, stitch: StitchSize, id: string): SketchPart | NotDrawn {
  if (counted.rounds.length < 2) return 'no rounds';
  const fabric = fabricOf(counted);
  const outline = outlineOf(fabric);
  if (outline.lie === 'rows' || outline.lie === 'band') return 'worked in rows';
  const { foundation } = fabric;
  if (foundation && !(foundation.from === 'chain' && foundation.sides === 2)) return 'from other pieces';
  const lie = isFlatLie(outline.lie) ? 'hollow' : outline.lie;
  const profile = scaleProfile(unitProfile({ ...outline, lie }, stitch.height / stitch.width), stitch.width);
  const rings = ringsOf(profile).map(({ r, z }) => ({ r, z }));
  const points = fewPoints(rings, NEAR * stitch.width);
  const straight = outline.start.is === 'chain' ? outline.start.straight * stitch.width : 0;
  return {
    id,
    name: counted.part.name,
    copies: counted.part.copies,
    outline: { points, end: outline.shut ? 'shut' : 'open', straight, bend: bendOf(fabric, stitch), ring: outline.endsMeet },
    counts: outline.counts.slice(0, profile.main),
    first: null,
    stuffed: outline.lie === 'stuffed',
    worked: workedIn(fabric),
    colours: coloursOf(roundColours(fabric)),
    place: null,
    grows: null,
  };
}

/** What most of its stitches are: in a part that bends some are taller. */
function workedIn({ stitch }: Fabric): SketchStitch {
  const times = (name: SketchStitch): number => stitch.reduce((sum, each) => sum + Number(STITCH_NAMES[each] === name), 0);
  return SKETCH_STITCHES.reduce((most, name) => (times(name) > times(most) ? name : most));
}

/** How far the rounds of a part bend it, degrees. */
function bendOf({ roundCount, roundStart, stitch }: Fabric, size: StitchSize): number {
  let degrees = 0;
  for (let round = 0; round < roundCount; round++) {
    const names = stitch.slice(roundStart[round], roundStart[round + 1]);
    degrees += bendOfRound(
      [...names].map((name) => heightOf(STITCH_NAMES[name]!)),
      size,
    );
  }
  return Math.min(SKETCH_BOUNDS.bend, Math.round(degrees));
}

function coloursOf(names: readonly string[]): readonly SketchColour[] {
  return names.flatMap((name, round) => (name !== '' && name !== names[round - 1] ? [{ from: round + 1, name }] : []));
}

/** Why, for a person. */
export function describeNotDrawn(why: NotDrawn): string {
  switch (why) {
    case 'no rounds':
      return 'It has no rounds to draw.';
    case 'worked in rows':
      return 'It is worked in rows or along an edge, which have no outline. “Larger or smaller” on its pattern works for it.';
    case 'from other pieces':
      return 'It grows out of other pieces, so its outline is not its own. “Larger or smaller” on its pattern works for it.';
  }
}
