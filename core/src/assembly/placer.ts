import type { PatternCount } from '../fabric/index.js';
import type { StitchSize } from '../gauge/index.js';
import type { Height, Round } from '../notation/index.js';
import type { Lean } from '../spacing/index.js';
import {
  acrossOf,
  asideTurns,
  capping,
  FRONT,
  keyOf,
  limbRuns,
  meanAside,
  settles,
  sideTurns,
  snapped,
  USUAL_APART,
  type Column,
  type Middle,
} from './column.js';
import { alongEdge, evenly } from './evenly.js';
import { featuresNamed, featuresOf, type Feature } from './feature.js';
import { fitProblems } from './fit.js';
import { footprint, isCap, type Footprint } from './footprint.js';
import type { Pin, Place, Places } from './place.js';
import type { Problem } from './problem.js';
import { seamProblems, seamsOf } from './seam.js';
import { numberOfRound, roundNumbered, shortWay, stitchesAt, turnsAfter, wallOf, type MadePiece, type Wall } from './wall.js';

export interface PlaceOptions {
  /** A copy of a part as it was made, 1-based; null for one there is not. */
  readonly made: (part: number, copy: number) => MadePiece | null;
  readonly lean: Lean;
  readonly hand: 'right' | 'left';
  readonly stitch: StitchSize;
  /** Diameter of the eyes, mm. */
  readonly eyeMm: number;
  /** Where the maker put a copy of a feature, if not where the pattern says. */
  readonly put?: (feature: Feature, copy: number) => PutElsewhere | null;
}

/** By the number of the round: in the hole behind so many stitches from its start, or in the stitch after them. */
export interface PutElsewhere {
  readonly round: number;
  readonly after: number;
  readonly inside: boolean;
}

/** Where everything goes that a pattern places, for each copy as it was really made. */
export function placesOf(count: PatternCount, options: PlaceOptions): Places {
  return new Placer(count, options).places();
}

type Heights = Pick<Place, 'first' | 'last' | 'gap'>;

class Placer {
  private readonly features: readonly Feature[];
  private readonly problems: Problem[];
  private readonly walls = new Map<string, Wall>();
  private readonly fronts = new Map<string, number>();
  private readonly heights = new Map<Feature, Heights | null>();
  private readonly done = new Map<Feature, readonly Place[]>();
  private readonly asking = new Set<Feature>();
  private readonly footprints = new Map<Feature, Footprint>();

  constructor(
    private readonly count: PatternCount,
    private readonly options: PlaceOptions,
  ) {
    const { list, problems } = featuresOf(count);
    this.features = list;
    this.problems = [...problems];
  }

  places(): Places {
    const places = this.features.flatMap((feature) => this.placesOf(feature));
    const fit = fitProblems(places);
    const over = new Set(fit.flatMap(({ code, feature }) => (code === 'overlaps' ? [feature] : [])));
    // What lies over another shares its stitches too: said once.
    const seams = seamProblems(seamsOf(places, this.options.made, this.options.stitch));
    this.problems.push(...fit, ...seams.filter(({ code, feature }) => code !== 'shares-stitches' || !over.has(feature)));
    const { features, problems, fronts, walls } = this;
    return { features, places, problems, fronts, walls };
  }

  private tell(
    feature: Feature,
    problem: { [K in Problem['code']]: Omit<Extract<Problem, { code: K }>, 'feature' | 'name' | 'span'> }[Problem['code']],
  ): void {
    this.problems.push({ ...problem, feature: feature.id, name: feature.name, span: feature.span });
  }

  private placesOf(feature: Feature): readonly Place[] {
    const known = this.done.get(feature);
    if (known) return known;
    if (this.asking.has(feature)) return [];
    this.asking.add(feature);
    const placed = this.asPut(this.place(feature));
    this.asking.delete(feature);
    this.done.set(feature, placed);
    return placed;
  }

  /** What was put elsewhere is there; the other of its pair follows, unless it was put somewhere too. */
  private asPut(places: readonly Place[]): readonly Place[] {
    const { put } = this.options;
    if (!put || places.length === 0) return places;
    const own = places.map((place) => {
      const at = put(place.feature, place.copy);
      const round = at ? roundNumbered(place.wall, at.round) : -1;
      return at && round >= 0 && !place.around ? this.placedAt(place, round, at) : null;
    });
    if (own.every((each) => each === null)) return places;
    const [one, two] = own;
    const given = places.length === 2 && (one === null) !== (two === null) ? (one ?? two)! : null;
    return this.acrossAsPut(places.map((place, i) => own[i] ?? (given ? this.opposite(place, given) : place)));
  }

  /** The two of a pair as far from one another as they are now; not straight across any more where they are not level. */
  private acrossAsPut(places: readonly Place[]): readonly Place[] {
    const [one, two] = places;
    if (places.length === 1 && one) return [{ ...one, across: null }];
    if (places.length !== 2 || !one || !two || one.across === null) return places;
    const level = one.wall === two.wall && one.first === two.first;
    const across = level ? acrossOf(one.wall, one.first, one.pins[0]!, two.pins[0]!) : null;
    return places.map((place) => ({ ...place, across }));
  }

  private placedAt(place: Place, round: number, { after, inside }: PutElsewhere): Place {
    const most = place.wall.counts.length - 1;
    const heights = { first: round, last: Math.min(most, round + place.last - place.first), gap: place.gap };
    const turns = turnsAfter(place.wall, round, after + (inside ? 0.5 : 0));
    return {
      ...this.at(place.feature, place.copy, place.host, place.wall, heights, { turns, in: inside }),
      across: place.across,
      tip: place.tip,
      join: place.join,
    };
  }

  private opposite(place: Place, other: Place): Place {
    const front = this.frontOf(place.host, place.wall, other);
    const column = { turns: 2 * front - other.pins[0]!.turns, in: null };
    return {
      ...this.at(place.feature, place.copy, place.host, place.wall, other, column),
      across: place.across,
      tip: place.tip,
      join: place.join,
    };
  }

  private place(feature: Feature): readonly Place[] {
    const mirrored = this.mirrored(feature);
    if (mirrored) return mirrored;
    const named = this.hostOf(feature);
    if (named?.copy === 0) {
      // Each on the host of its own number.
      return feature.copies.flatMap((copy) =>
        this.placeOn({ ...feature, copies: [copy] }, { part: named.part, copy }).map((place) => ({ ...place, feature })),
      );
    }
    return this.placeOn(feature, named);
  }

  private placeOn(feature: Feature, host: Place['host'] | null): readonly Place[] {
    const wall = host && this.wallAt(feature, host);
    if (!host || !wall) return [];
    const heights = this.heightOf(feature, wall);
    if (!heights) return [];
    const size = this.sizeOf(feature);
    if (feature.join === 'worked in' && feature.said.is === 'round') return this.workedIn(feature, host, wall, heights);
    const around = capping(feature) && isCap(size, wall, heights.last);
    const columns = around ? feature.copies.map(() => null) : this.columns(feature, host, wall, heights);
    return feature.copies.flatMap((copy, i) => {
      const column = columns[i];
      if (column === undefined) return [];
      const place = this.at(feature, copy, host, wall, heights, column);
      return [
        { ...place, across: columns.length === 2 && !around ? acrossOf(wall, heights.first, columns[0]!, columns[1]!) : null },
      ];
    });
  }

  /** A limb worked in sits in the middle of the stitches that go through it. */
  private workedIn(feature: Feature, host: Place['host'], wall: Wall, heights: Heights): readonly Place[] {
    const { fabric } = wall.made;
    const [from, to] = [fabric.roundStart[heights.first]!, fabric.roundStart[heights.first + 1]!];
    const earlier = this.features.filter(
      (other) =>
        other.said.is === 'round' &&
        other.part === feature.part &&
        other.host?.part === host.part &&
        other.copies[0]! < feature.copies[0]!,
    );
    const sameRound = earlier.filter(
      ({ placing }) =>
        placing.height?.is === 'rounds' &&
        feature.placing.height?.is === 'rounds' &&
        placing.height.first === feature.placing.height.first,
    );
    const own = limbRuns(fabric.limb.subarray(from, to), (limb) => fabric.limbs[limb]?.part === feature.part)[sameRound.length];
    if (!own) return [];
    const middle = turnsAfter(wall, heights.first, (own[0] + own[1]) / 2);
    const place = this.at(feature, feature.copies[0]!, host, wall, heights, { turns: middle, in: false });
    return [{ ...place, size: { ...place.size, width: (own[1] - own[0]) * this.options.stitch.width } }];
  }

  /** "Wing 2: mirrors Wing 1": the same height, as far on the other side of the front. */
  private mirrored(feature: Feature): readonly Place[] | null {
    const of = feature.placing.mirrors;
    if (!of) return null;
    const other = featuresNamed(this.features, of).find((each) => each !== feature);
    if (!other) return [];
    if (this.asking.has(other)) {
      this.tell(feature, { code: 'places-in-a-circle', severity: 'error', by: other.name });
      return [];
    }
    const target = this.placesOf(other)[0];
    if (!target) return [];
    const host = feature.host ?? target.host;
    const wall = this.wallAt(feature, host);
    if (!wall) return [];
    if (wall.counts[target.first] !== target.wall.counts[target.first])
      this.tell(feature, {
        code: 'hosts-differ',
        severity: 'warning',
        counts: [target.wall.counts[target.first]!, wall.counts[target.first] ?? 0],
      });
    const front = this.frontOf(host, wall, target);
    const theirs = this.fronts.get(keyOf(target.host)) ?? front;
    const column = { turns: front - (target.pins[0]!.turns - theirs), in: null };
    const place = this.at(feature, feature.copies[0] ?? 1, host, wall, target, column);
    this.comparePair(feature, target, place);
    const own = feature.placing;
    return [
      {
        ...place,
        tip: own.tip ?? target.tip,
        join: own.join ?? target.join,
        across: acrossOf(wall, place.first, target.pins[0]!, place.pins[0]!),
      },
    ];
  }

  private comparePair(feature: Feature, one: Place, two: Place): void {
    const [a, b] = [one.pins[0]!, two.pins[0]!];
    const stitches = Math.abs(Math.abs(a.fromFront) - Math.abs(b.fromFront)) * (two.wall.counts[a.round] ?? 0);
    if (stitches > 0.2) this.tell(feature, { code: 'pair-differs', severity: 'hint', stitches });
  }

  private hostOf(feature: Feature): Place['host'] | null {
    if (!feature.host) this.tell(feature, { code: 'no-host', severity: 'warning' });
    return feature.host;
  }

  private wallAt(feature: Feature, host: { readonly part: number; readonly copy: number }): Wall | null {
    if (host.part === feature.part && feature.copies.includes(host.copy)) {
      this.tell(feature, { code: 'on-itself', severity: 'error' });
      return null;
    }
    const key = keyOf(host);
    const known = this.walls.get(key);
    if (known) return known;
    const copies = this.count.pattern.parts[host.part]!.copies;
    if (host.copy > copies) {
      this.tell(feature, {
        code: 'no-copy',
        severity: 'error',
        host: this.count.pattern.parts[host.part]!.name,
        copy: host.copy,
        copies,
      });
      return null;
    }
    const made = this.options.made(host.part, host.copy);
    if (!made || made.fabric.roundCount === 0) return null;
    const wall = wallOf(made, this.options.lean, this.options.hand);
    this.walls.set(key, wall);
    return wall;
  }

  private heightOf(feature: Feature, wall: Wall): Heights | null {
    if (this.heights.has(feature)) return this.heights.get(feature)!;
    // While it is asked for, whoever asks back goes in a circle.
    this.heights.set(feature, null);
    const found = this.findHeight(feature, wall, feature.placing.height);
    this.heights.set(feature, found);
    return found;
  }

  private findHeight(feature: Feature, wall: Wall, height: Height | null): Heights | null {
    const last = wall.counts.length - 1;
    if (height === null) {
      this.tell(feature, { code: 'no-height', severity: 'hint' });
      return { first: last >> 1, last: last >> 1, gap: false };
    }
    if (height.is === 'start') return { first: 0, last: 0, gap: false };
    if (height.is === 'edge') return { first: last, last, gap: false };
    if (height.is === 'beside') return this.besideHeight(feature, wall, height);
    const numbers = height.is === 'gap' ? [height.below, height.below + 1] : [height.first, height.last];
    const [first, second] = numbers.map((number) => roundNumbered(wall, number)) as [number, number];
    const missing = numbers.find((_number, i) => (i === 0 ? first : second) < 0);
    if (missing !== undefined) {
      this.tell(feature, {
        code: 'no-round',
        severity: 'error',
        host: wall.name,
        round: missing,
        last: numberOfRound(wall, last),
      });
      return null;
    }
    return height.is === 'gap' ? { first, last: first, gap: true } : { first, last: second, gap: false };
  }

  private besideHeight(feature: Feature, wall: Wall, height: Extract<Height, { is: 'beside' }>): Heights | null {
    const other = featuresNamed(this.features, height.of).find((each) => each !== feature);
    if (!other) return null;
    if (this.heights.has(other) && this.heights.get(other) === null && this.asking.has(other)) {
      this.tell(feature, { code: 'places-in-a-circle', severity: 'error', by: other.name });
      return null;
    }
    const base = this.placesOf(other)[0];
    if (!base) return null;
    // Lower is nearer the start where the host stands on it, further from it where it hangs from it.
    const further = (height.way === 'below') !== wall.upright;
    const round = (further ? base.last : base.first) + (further ? 1 : -1) * height.rounds;
    const most = wall.counts.length - 1;
    if (round < 0 || round > most - (base.gap ? 1 : 0)) {
      const number = round < 0 ? 0 : numberOfRound(wall, most) + 1;
      this.tell(feature, {
        code: 'no-round',
        severity: 'error',
        host: wall.name,
        round: number,
        last: numberOfRound(wall, most),
      });
      return null;
    }
    return { first: round, last: round, gap: base.gap };
  }

  private sizeOf(feature: Feature): Footprint {
    const known = this.footprints.get(feature);
    if (known) return known;
    const made = feature.part === null ? null : this.options.made(feature.part, feature.copies[0] ?? 1);
    const size = footprint(feature, made, this.options);
    this.footprints.set(feature, size);
    return size;
  }

  /** Where round the host each copy goes. */
  private columns(feature: Feature, host: Place['host'], wall: Wall, heights: Heights): readonly Column[] {
    const { round } = feature.placing;
    const count = feature.copies.length;
    const stitches = wall.counts[heights.first]!;
    if (round?.is === 'stitches' || round?.is === 'after' || round?.is === 'evenly') {
      if (count > stitches || (round.is === 'stitches' && count > round.last - round.first + 1)) {
        const room = round.is === 'stitches' ? round.last - round.first + 1 : stitches;
        this.tell(feature, { code: 'too-many', severity: 'error', count, stitches: room });
        return [];
      }
      return this.counted(feature, wall, heights, round, this.frontOf(host, wall, heights));
    }
    const front = this.frontOf(host, wall, heights);
    if (round?.is === 'apart' || (feature.kind === 'eyes' && round === null)) return this.pair(feature, wall, heights, front);
    const middle = this.middleOf(feature, wall, round ?? (count === 2 ? { is: 'sides' } : FRONT), heights, front);
    if (middle === null) return [];
    if (count === 1 && round?.is !== 'sides') return [{ turns: middle.turns + middle.aside, in: null }];
    return this.mirroredColumns(feature, wall, heights, front, middle, count);
  }

  /** Several at one place: a pair at both sides of it, more side by side. */
  private mirroredColumns(
    feature: Feature,
    wall: Wall,
    { first }: Heights,
    front: number,
    { turns, aside, sides }: Middle,
    count: number,
  ): Column[] {
    const stitches = wall.counts[first]!;
    if (count === 2 && (sides || aside !== 0)) {
      const one = snapped(wall, first, turns + aside);
      const two = snapped(wall, first, 2 * front - one);
      const off = Math.abs(shortWay(one + two - 2 * front)) * stitches;
      if (off > 0.2) this.tell(feature, { code: 'pair-differs', severity: 'hint', stitches: off });
      return [
        { turns: one, in: null },
        { turns: two, in: null },
      ];
    }
    const each = Math.max(1, this.sizeOf(feature).width / Math.max(0.1, this.options.stitch.width)) / Math.max(1, stitches);
    return Array.from({ length: count }, (_, i) => ({
      turns: turns + aside - wall.leftward * (i - (count - 1) / 2) * each,
      in: null,
    }));
  }

  private counted(
    feature: Feature,
    wall: Wall,
    { first }: Heights,
    round: Extract<Round, { is: 'stitches' | 'after' | 'evenly' }>,
    front: number,
  ): Column[] {
    const count = feature.copies.length;
    const stitches = wall.counts[first]!;
    if (round.is === 'evenly') {
      const base = sideTurns(round.from, wall, first, front);
      const start = Math.round(stitchesAt(wall, first, base));
      return evenly(count, stitches).map((steps) => ({ turns: turnsAfter(wall, first, start + steps), in: false }));
    }
    const most = round.is === 'stitches' ? round.last : Math.max(...round.stitches);
    if (most > stitches || (round.is === 'stitches' && round.first < 1)) {
      this.tell(feature, { code: 'no-stitch', severity: 'error', host: wall.name, stitch: most, stitches });
      return [];
    }
    if (round.is === 'after')
      return feature.copies.flatMap((_copy, i) =>
        round.stitches[i] === undefined ? [] : [{ turns: turnsAfter(wall, first, round.stitches[i]), in: false }],
      );
    return alongEdge(count, round.last - round.first + 1).map((step) => ({
      turns: turnsAfter(wall, first, round.first - 1 + step + 0.5),
      in: true,
    }));
  }

  /** Two holes with so many stitches free between them; of pieces, so many between their edges. */
  private pair(feature: Feature, wall: Wall, { first }: Heights, front: number): Column[] {
    const { round } = feature.placing;
    const stitches = wall.counts[first]!;
    const apart = round?.is === 'apart' ? round.apart.count : Math.max(1, Math.round(stitches * USUAL_APART));
    const width =
      feature.kind === 'piece' ? Math.round(this.sizeOf(feature).width / Math.max(0.1, this.options.stitch.width)) : 0;
    const between = apart + width;
    if (between >= stitches) {
      this.tell(feature, { code: 'too-many', severity: 'error', count: between, stitches });
      return [];
    }
    const middle = sideTurns(round?.is === 'apart' ? round.side : 'front', wall, first, front);
    const centre = stitchesAt(wall, first, middle);
    const low = Math.floor(centre - between / 2 + 1e-6);
    const low2 = centre - between / 2 - low > 0.5 + 1e-6 ? low + 1 : low;
    const off = Math.abs(2 * centre - (2 * low2 + between));
    if (off > 0.6 && !settles(feature)) this.tell(feature, { code: 'pair-differs', severity: 'hint', stitches: off / 2 });
    const holes = [low2, low2 + between].map((after) => turnsAfter(wall, first, after));
    // The first is the left one, as they are looked at.
    if (wall.leftward * wall.ways[first]! > 0) holes.reverse();
    return holes.map((turns) => ({ turns, in: false }));
  }

  private middleOf(feature: Feature, wall: Wall, round: Round, { first }: Heights, front: number): Middle | null {
    if (round.is === 'sides') return { turns: front, aside: wall.leftward * 0.25, sides: true };
    if (round.is === 'side')
      return { turns: sideTurns(round.of, wall, first, front), aside: asideTurns(wall, first, round.aside), sides: false };
    if (round.is !== 'centred' && round.is !== 'opposite') return null;
    const other = featuresNamed(this.features, round.of).find((each) => each !== feature);
    if (!other) return null;
    if (this.asking.has(other)) {
      this.tell(feature, { code: 'places-in-a-circle', severity: 'error', by: other.name });
      return null;
    }
    const places = this.placesOf(other);
    if (places.length === 0) return null;
    const middle = front + meanAside(places.map(({ pins }) => pins[0]!.turns - front));
    if (round.is === 'opposite') return { turns: middle + 0.5, aside: 0, sides: false };
    return { turns: middle, aside: asideTurns(wall, first, round.aside), sides: false };
  }

  /** The front of a host: half-way between its eyes; without them, opposite where the round begins (common practice). */
  private frontOf(host: Place['host'], wall: Wall, at: Heights): number {
    const key = keyOf(host);
    const known = this.fronts.get(key);
    if (known !== undefined) return known;
    const eyes = this.features.find((each) => each.kind === 'eyes' && each.host !== null && keyOf(each.host) === key);
    const eyesAt = eyes ? this.heightOf(eyes, wall) : null;
    const { first } = eyesAt ?? at;
    const opposite = (wall.starts[first]! || 0) + wall.ways[first]! * 0.5;
    this.fronts.set(key, opposite);
    if (eyes && eyesAt) {
      const told = this.problems.length;
      const [one, two] = this.pair(eyes, wall, eyesAt, opposite);
      this.problems.length = told;
      if (one && two && eyes.placing.round?.is !== 'after')
        this.fronts.set(key, opposite + meanAside([one.turns - opposite, two.turns - opposite]));
    }
    return this.fronts.get(key)!;
  }

  private at(feature: Feature, copy: number, host: Place['host'], wall: Wall, heights: Heights, column: Column | null): Place {
    const { first, last, gap } = heights;
    const front = this.frontOf(host, wall, heights);
    const rounds = first === last || !column ? [first] : [first, last];
    const pins = rounds.map((round) => this.pinAt(wall, round, column ?? { turns: front, in: null }, front, gap));
    const { height, round } = feature.placing;
    const size = this.sizeOf(feature);
    return {
      feature,
      copy,
      host,
      wall,
      first,
      last,
      gap,
      tip: feature.placing.tip,
      join: feature.join,
      around: column === null,
      pins,
      size: {
        width: size.width,
        height: first === last ? size.height : wall.along[last]! - wall.along[first]!,
        length: size.length,
      },
      said: {
        height: height !== null || feature.placing.mirrors !== null,
        round: round !== null || feature.placing.mirrors !== null || column === null,
      },
      across: null,
    };
  }

  private pinAt(wall: Wall, round: number, column: Column, front: number, gap: boolean): Pin {
    const count = Math.max(1, wall.counts[round]!);
    const exact = stitchesAt(wall, round, column.turns);
    // Between two rounds there are only holes.
    const inside = column.in ?? (!gap && Math.round(2 * exact) % 2 === 1);
    const after = (inside ? Math.floor(exact) : Math.round(exact)) % count;
    const turns = turnsAfter(wall, round, after + (inside ? 0.5 : 0));
    const fromFront = shortWay(-wall.leftward * (turns - front));
    const below = round === 0 ? 0 : wall.along[round - 1]!;
    return {
      round,
      after,
      in: inside,
      turns,
      fromFront,
      aroundMm: fromFront * 2 * Math.PI * wall.radius[round]!,
      alongMm: gap ? wall.along[round]! : (below + wall.along[round]!) / 2,
    };
  }
}
