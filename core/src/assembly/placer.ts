import type { PatternCount } from '../fabric/index.js';
import type { Named } from '../notation/index.js';
import { asPut } from './as-put.js';
import { keyOf, meanAside } from './column.js';
import { holesOfPair } from './columns.js';
import { featuresNamed, featuresOf, type Feature } from './feature.js';
import { fitProblems } from './fit.js';
import { footprint, type Footprint } from './footprint.js';
import { heightsOf } from './heights.js';
import type { Heights, Place, PlaceOptions, Places } from './place.js';
import { placesOfFeature } from './place-feature.js';
import type { Problem, Tell } from './problem.js';
import { seamProblems, seamsOf } from './seam.js';
import type { Surroundings } from './surroundings.js';
import { wallOf, type Wall } from './wall.js';

/** Where everything goes that a pattern places, for each copy as it was really made. */
export function placesOf(count: PatternCount, options: PlaceOptions): Places {
  return new Placer(count, options).places();
}

/** Features go by one another in any order: whatever is asked for is found once, and whoever asks in a circle is told so. */
class Placer implements Surroundings {
  readonly features: readonly Feature[];
  private readonly problems: Problem[];
  private readonly walls = new Map<string, Wall>();
  private readonly fronts = new Map<string, number>();
  private readonly heights = new Map<Feature, Heights | null>();
  private readonly done = new Map<Feature, readonly Place[]>();
  private readonly asking = new Set<Feature>();
  private readonly footprints = new Map<Feature, Footprint>();

  constructor(
    private readonly count: PatternCount,
    readonly options: PlaceOptions,
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

  readonly tell: Tell = (feature, problem) => {
    this.problems.push({ ...problem, feature: feature.id, name: feature.name, span: feature.span });
  };

  private placesOf(feature: Feature): readonly Place[] {
    const known = this.done.get(feature);
    if (known) return known;
    if (this.asking.has(feature)) return [];
    this.asking.add(feature);
    const placed = asPut(this, placesOfFeature(this, feature));
    this.asking.delete(feature);
    this.done.set(feature, placed);
    return placed;
  }

  other(feature: Feature, name: Named): Feature | undefined {
    return featuresNamed(this.features, name).find((each) => each !== feature);
  }

  placesBeside(feature: Feature, other: Feature): readonly Place[] | null {
    if (!this.asking.has(other)) return this.placesOf(other);
    this.tell(feature, { code: 'places-in-a-circle', severity: 'error', by: other.name });
    return null;
  }

  wallAt(feature: Feature, host: Place['host']): Wall | null {
    if (host.part === feature.part && feature.copies.includes(host.copy)) {
      this.tell(feature, { code: 'on-itself', severity: 'error' });
      return null;
    }
    const key = keyOf(host);
    const known = this.walls.get(key);
    if (known) return known;
    const { name, copies } = this.count.pattern.parts[host.part]!;
    if (host.copy > copies) {
      this.tell(feature, { code: 'no-copy', severity: 'error', host: name, copy: host.copy, copies });
      return null;
    }
    const made = this.options.made(host.part, host.copy);
    if (!made || made.fabric.roundCount === 0) return null;
    const wall = wallOf(made, this.options.lean, this.options.hand);
    this.walls.set(key, wall);
    return wall;
  }

  heightOf(feature: Feature, wall: Wall): Heights | null {
    const known = this.heights.get(feature);
    if (known !== undefined) return known;
    // While it is asked for, whoever asks back goes in a circle.
    this.heights.set(feature, null);
    const found = heightsOf(this, feature, wall);
    this.heights.set(feature, found);
    return found;
  }

  waitsForHeight(feature: Feature): boolean {
    return this.heights.get(feature) === null && this.asking.has(feature);
  }

  sizeOf(feature: Feature): Footprint {
    const known = this.footprints.get(feature);
    if (known) return known;
    const made = feature.part === null ? null : this.options.made(feature.part, feature.copies[0] ?? 1);
    const size = footprint(feature, made, this.options);
    this.footprints.set(feature, size);
    return size;
  }

  /** Half-way between the eyes of a host. */
  frontOf(host: Place['host'], wall: Wall, at: Heights): number {
    const key = keyOf(host);
    const known = this.fronts.get(key);
    if (known !== undefined) return known;
    const eyes = this.features.find((each) => each.kind === 'eyes' && each.host !== null && keyOf(each.host) === key);
    const eyesAt = eyes ? this.heightOf(eyes, wall) : null;
    const { first } = eyesAt ?? at;
    const opposite = (wall.starts[first]! || 0) + wall.ways[first]! * 0.5;
    // Where the eyes go by something that asks for the front, this is it.
    this.fronts.set(key, opposite);
    const counted = eyes?.placing.round?.is === 'after';
    if (!eyes || !eyesAt || counted) return opposite;
    const [one, two] = holesOfPair(this, eyes, wall, eyesAt, opposite).columns;
    if (one && two) this.fronts.set(key, opposite + meanAside([one.turns - opposite, two.turns - opposite]));
    return this.fronts.get(key)!;
  }
}
