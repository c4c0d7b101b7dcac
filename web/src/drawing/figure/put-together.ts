import {
  AS_IT_STANDS,
  spotOf,
  stanceOf,
  stanceOn,
  turnedBy,
  type Place,
  type Places,
  type Stance,
} from '@lemniscus/core/assembly';
import { fabricOf, type Fabric, type PartCount } from '@lemniscus/core/fabric';
import type { BodyShape } from '@lemniscus/core/shape';
import type { FigureBody, FigureEye, FigurePaint } from './figure-body';
import { yarnPaint } from '../yarn-colour';

/** A body of a make, to be put in its place: the pieces in it, and its shape. */
export interface KnownBody {
  readonly pieces: readonly { readonly part: number; readonly copy: number }[];
  readonly shape: BodyShape;
  /** Whether any of it is worked. */
  readonly worked: boolean;
}

export interface PutTogether {
  /** In stitch widths. */
  readonly height: number;
  readonly bodies: readonly FigureBody[];
  /** For each body the place it was put by; null for what carries the rest. */
  readonly places: readonly (Place | null)[];
  readonly pieces: readonly KnownBody['pieces'][];
  /** For each body the places of what is set into it, in the order of its eyes. */
  readonly set: readonly (readonly Place[])[];
}

/** Fabrics of parts, which a drag needs again and again. */
const FABRICS = new WeakMap<PartCount, Fabric>();
function fabricFor(part: PartCount): Fabric {
  const known = FABRICS.get(part) ?? fabricOf(part);
  FABRICS.set(part, known);
  return known;
}

const MARK_STITCHES = 0.8;
const MARK_COLOURS: Readonly<Record<string, string>> = { cheek: '#dc94a4', mouth: '#8a3a30', nose: '#39434d' };

/**
 * Every piece in its place on what carries it, as one figure that stands on the table. What has no place, and carries nothing,
 * is left out, but for the largest.
 */
export function putTogether(
  known: readonly KnownBody[],
  { places }: Pick<Places, 'places'>,
  parts: readonly PartCount[],
  paint: (shape: BodyShape) => FigurePaint,
  eyeRadius: number,
): PutTogether {
  const bodyWith = (part: number, copy: number): KnownBody | undefined =>
    known.find(({ pieces }) => pieces.some((piece) => piece.part === part && piece.copy === copy));
  const free = known.filter((body) => !isCarried(body, places));
  const root = (free.length > 0 ? free : known).reduce<KnownBody | null>(
    (most, body) => (most && size(most) >= size(body) ? most : body),
    null,
  );
  if (!root) return { height: 0, bodies: [], places: [], pieces: [], set: [] };
  const stances = new Map<KnownBody, Stance>([[root, AS_IT_STANDS]]);
  const by = new Map<KnownBody, Place>();
  // A host may itself be put on something: as often as there are bodies, whatever has its host is placed.
  for (let again = true; again;) {
    again = false;
    for (const place of places) {
      const { feature, copy, host } = place;
      const limb = feature.part === null ? undefined : bodyWith(feature.part, copy);
      const on = bodyWith(host.part, host.copy);
      const under = on && stances.get(on);
      if (!limb || !on || !under || limb === on || stances.has(limb)) continue;
      const own = stanceOf(
        place,
        { shape: on.shape, piece: pieceIn(on, host) },
        { shape: limb.shape, piece: pieceIn(limb, { part: feature.part!, copy }) },
        fabricFor(parts[feature.part!]!),
        under,
      );
      if (!own) continue;
      stances.set(limb, stanceOn(under, own));
      by.set(limb, place);
      again = true;
    }
  }
  const shown = known.filter((body) => stances.has(body));
  const reaches = shown.map((body) => reachOf(body.shape, stances.get(body)!));
  const low = Math.min(...reaches.map(([from]) => from));
  // Before anything is begun it is shown as it will be.
  const begun = known.some(({ worked }) => worked);
  return {
    height: Math.max(...reaches.map(([, to]) => to)) - low,
    bodies: shown.map((body): FigureBody => {
      const { turn, at } = stances.get(body)!;
      const stance = { turn, at: [at[0], at[1] - low, at[2]] as const };
      return {
        shape: body.shape,
        paint: paint(body.shape),
        x: 0,
        eyes: spotsOn(body, places, eyeRadius).map(({ eye }) => eye),
        stance,
        ghost: begun && !body.worked,
      };
    }),
    places: shown.map((body) => by.get(body) ?? null),
    pieces: shown.map(({ pieces }) => pieces),
    set: shown.map((body) => spotsOn(body, places, eyeRadius).map(({ place }) => place)),
  };
}

const size = ({ shape }: KnownBody): number => shape.stitches.count;
const isCarried = ({ pieces }: KnownBody, places: readonly Place[]): boolean =>
  places.some(
    ({ feature, copy }) =>
      feature.join !== 'worked in' && pieces.some((piece) => piece.part === feature.part && piece.copy === copy),
  );

const pieceIn = ({ shape }: KnownBody, { part, copy }: { readonly part: number; readonly copy: number }): number => {
  const own = shape.pieces.findIndex((piece) => piece.part === part && piece.copy === copy - 1);
  return own >= 0
    ? own
    : Math.max(
        0,
        shape.pieces.findIndex((piece) => piece.part === part),
      );
};

/** From how low to how high a body reaches. */
function reachOf({ positions }: BodyShape, { turn, at }: Stance): readonly [number, number] {
  let [low, high] = [Infinity, -Infinity];
  for (let i = 0; i < positions.length; i += 3) {
    const y = turnedBy(turn, [positions[i]!, positions[i + 1]!, positions[i + 2]!])[1] + at[1];
    if (y < low) low = y;
    if (y > high) high = y;
  }
  return [low, high];
}

/** Eyes, and what is stitched on. */
function spotsOn(
  body: KnownBody,
  places: readonly Place[],
  eyeRadius: number,
): { readonly eye: FigureEye; readonly place: Place }[] {
  return places.flatMap((place) => {
    const { feature, host, pins } = place;
    if (feature.kind === 'piece' || !body.pieces.some(({ part, copy }) => part === host.part && copy === host.copy)) return [];
    const spot = spotOf(body.shape, pieceIn(body, host), place, pins[0]!);
    if (!spot) return [];
    if (feature.kind === 'eyes') return [{ eye: { at: spot.at, out: spot.out, radius: eyeRadius }, place }];
    const flat = MARK_COLOURS[feature.id.split(' ')[0]!] ?? yarnPaint(feature.name).fill;
    return [{ eye: { at: spot.at, out: spot.out, radius: MARK_STITCHES, flat }, place }];
  });
}
