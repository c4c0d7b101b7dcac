import { constant } from '../constants/index.js';
import { roundLength, type Fabric, type PatternCount } from '../fabric/index.js';
import {
  foundationOf,
  gatesOf,
  placedBy,
  singularName,
  walk,
  type PartRef,
  type RoundLine,
  type Span,
} from '../notation/index.js';
import { featuresNamed, type Feature } from './feature.js';
import { bestOrder } from './schedule.js';

export interface PieceAt {
  readonly part: number;
  /** 1-based. */
  readonly copy: number;
}

/** Why a step waits for another. */
export type Because =
  /** The rounds before are its own. */
  | 'next rounds'
  /** Its stitches go through that piece. */
  | 'worked in'
  /** It joins that piece to others. */
  | 'joined'
  /** Only while the host is open can it be done. */
  | 'still open'
  | 'both made'
  /** Its place goes by that. */
  | 'placed by'
  /** It can wait, but is easier so. */
  | 'easier';

export interface Wait {
  readonly step: string;
  readonly because: Because;
}

/** One thing to do, of the whole make. */
export interface Step {
  readonly id: string;
  readonly kind: 'work' | 'set' | 'mark' | 'join' | 'look';
  /** What is worked, or what is put on; null for marks and the last look. */
  readonly piece: PieceAt | null;
  readonly name: string;
  readonly feature: Feature | null;
  /** Rounds from and to, 0-based, `to` past the last, of work. */
  readonly rounds: readonly [number, number] | null;
  readonly of: number;
  readonly stitches: number;
  readonly colours: readonly [string, string];
  readonly waits: readonly Wait[];
  readonly minutes: number;
}

/** What keeps the order from being found, with the words it comes from. */
export type OrderProblem =
  | { readonly code: 'missing-piece'; readonly name: string; readonly host: string; readonly round: number; readonly span: Span }
  /** The pattern makes fewer copies than are joined. */
  | {
      readonly code: 'too-few-copies';
      readonly name: string;
      readonly copies: number;
      readonly needed: number;
      readonly span: Span;
    }
  | { readonly code: 'circle'; readonly steps: readonly string[]; readonly span: Span | null };

export interface Order {
  readonly steps: readonly Step[];
  readonly problems: readonly OrderProblem[];
}

export interface OrderOptions {
  readonly fabrics: (part: number, copy: number) => Fabric;
  /** The last round a feature lies on or beside, 0-based; null where its place is not known. */
  readonly roundOf: (feature: Feature) => number | null;
  /** What one stitch takes at the hook. */
  readonly secondsPerStitch: number;
}

const SEWN = constant('seconds a sewn stitch') / 60;
const JOIN = constant('minutes of a join');
const EYES = constant('minutes of eyes');
/** Eyes are tried once so many rounds past them are worked, so that the face can be seen (common practice). */
const PAST_EYES = 2;

/** Every step of a make in an order a maker would choose: what must be there before which stitch, and few changes of yarn. */
export function orderOf(count: PatternCount, features: readonly Feature[], options: OrderOptions): Order {
  const builder = new OrderBuilder(count, features, options);
  const { steps, problems } = builder.build();
  const { order, circle } = bestOrder(steps);
  const names = circle.map((id) => steps.find((step) => step.id === id)!.name);
  const span = count.pattern.parts[steps.find(({ id }) => id === circle[0])?.piece?.part ?? -1]?.heading ?? null;
  return {
    steps: order,
    problems: circle.length === 0 ? problems : [...problems, { code: 'circle', steps: [...new Set(names)], span }],
  };
}

type Draft = Omit<Step, 'waits'> & { readonly waits: Wait[] };

/** Something another piece needs at a round of its own. */
interface Need {
  readonly round: number;
  readonly ref: PartRef;
  readonly times: number;
  readonly because: 'worked in' | 'joined';
  readonly span: Span;
}

class OrderBuilder {
  private readonly steps: Draft[] = [];
  private readonly problems: OrderProblem[] = [];
  private readonly work = new Map<string, Draft[]>();
  private readonly taken = new Map<number, number>();
  private readonly names: readonly string[];

  constructor(
    private readonly count: PatternCount,
    private readonly features: readonly Feature[],
    private readonly options: OrderOptions,
  ) {
    const seen = new Map<string, number>();
    this.names = count.pattern.parts.map(({ name }) => {
      const base = singularName(name).trim() || 'part';
      const times = (seen.get(base) ?? 0) + 1;
      seen.set(base, times);
      return times > 1 ? `${base}~${times}` : base;
    });
  }

  build(): { steps: readonly Step[]; problems: readonly OrderProblem[] } {
    const needs = this.count.parts.map(({ part }) => needsOf(part.lines));
    this.count.parts.forEach(({ part }, index) => {
      for (let copy = 1; copy <= part.copies; copy++) this.addWork({ part: index, copy }, needs[index]!);
    });
    this.count.parts.forEach(({ part }, index) => {
      for (let copy = 1; copy <= part.copies; copy++) this.addNeeds({ part: index, copy }, needs[index]!);
    });
    for (const feature of this.features) this.addFeature(feature);
    for (const feature of this.features) this.addPlacedBy(feature);
    this.addLook();
    const steps = this.steps.map((step) => ({
      ...step,
      waits: [...new Map(step.waits.map((wait) => [wait.step, wait] as const).reverse()).values()].reverse(),
    }));
    return { steps, problems: this.problems };
  }

  private key({ part, copy }: PieceAt): string {
    return `${this.names[part]}/${copy}`;
  }

  private nameOf({ part, copy }: PieceAt): string {
    const { name, copies } = this.count.pattern.parts[part]!;
    return copies > 1 ? `${name} ${copy}` : name;
  }

  /** The rounds of a piece, cut where something else must come between. */
  private addWork(piece: PieceAt, needs: readonly Need[]): void {
    const fabric = this.options.fabrics(piece.part, piece.copy);
    if (fabric.roundCount === 0) return;
    const cuts = new Set([0, ...needs.map(({ round }) => this.roundIndex(piece.part, round))]);
    for (const feature of this.features) {
      const cut = this.cutOf(feature, piece, fabric);
      if (cut !== null) cuts.add(cut);
    }
    const starts = [...cuts].filter((cut) => cut >= 0 && cut < fabric.roundCount).sort((a, b) => a - b);
    const own = starts.map((from, i): Draft => {
      const to = starts[i + 1] ?? fabric.roundCount;
      const rows = [fabric.roundStart[from]!, fabric.roundStart[to]!] as const;
      const stitches = rows[1] - rows[0];
      const colour = (row: number): string =>
        fabric.colours[fabric.colour[Math.max(0, Math.min(row, fabric.stitchCount - 1))] ?? 0] ?? '';
      return {
        id: `work ${this.key(piece)}${from === 0 ? '' : ` ${from}`}`,
        kind: 'work',
        piece,
        name: this.nameOf(piece),
        feature: null,
        rounds: [from, to],
        of: fabric.roundCount,
        stitches,
        colours: [colour(rows[0]), colour(rows[1] - 1)],
        waits: [],
        minutes: (stitches * this.options.secondsPerStitch) / 60,
      };
    });
    own.forEach((step, i) => {
      if (i > 0) step.waits.push({ step: own[i - 1]!.id, because: 'next rounds' });
    });
    this.steps.push(...own);
    this.work.set(this.key(piece), own);
  }

  private roundIndex(part: number, number: number): number {
    return this.count.parts[part]!.rounds.findIndex((round) => round.number === number);
  }

  /** Before which round of its host a feature that needs it open is put in; null for what is put on afterwards. */
  private cutOf(feature: Feature, piece: PieceAt, fabric: Fabric): number | null {
    if (feature.kind !== 'eyes' || feature.host?.part !== piece.part || feature.host.copy !== piece.copy) return null;
    const round = this.options.roundOf(feature);
    if (round === null) return null;
    const gate = gatesOf(this.count.parts[piece.part]!.part).find(
      ({ kind, span }) => kind === 'eyes' && span?.from === feature.span?.from,
    );
    const line = gate ? this.count.parts[piece.part]!.rounds.findIndex((each) => each.line >= gate.before) : -1;
    const at = line > round ? line : round + PAST_EYES;
    return at < fabric.roundCount ? at : null;
  }

  /** The next time a host is put down after the round a mark lies on. */
  private cutAfter(feature: Feature, host: PieceAt): number | null {
    const round = this.options.roundOf(feature) ?? Infinity;
    const next = this.work.get(this.key(host))?.find(({ rounds }) => rounds![0] > round);
    return next ? next.rounds![0] : null;
  }

  private stepAt(piece: PieceAt, round: number): Draft | null {
    const own = this.work.get(this.key(piece)) ?? [];
    return own.findLast(({ rounds }) => rounds![0] <= round) ?? null;
  }

  private lastOf(piece: PieceAt): Draft | null {
    return this.work.get(this.key(piece))?.at(-1) ?? null;
  }

  private addNeeds(piece: PieceAt, needs: readonly Need[]): void {
    for (const { round, ref, times, because, span } of needs) {
      if (ref.part === null) {
        if (piece.copy === 1)
          this.problems.push({ code: 'missing-piece', name: ref.name, host: this.nameOf(piece), round, span });
        continue;
      }
      const step = this.stepAt(piece, this.roundIndex(piece.part, round));
      if (!step) continue;
      for (let i = 0; i < times; i++) {
        const copy = (this.taken.get(ref.part) ?? 0) + 1;
        this.taken.set(ref.part, copy);
        const { copies, name } = this.count.pattern.parts[ref.part]!;
        if (copy > copies) {
          if (copy === copies + 1) this.problems.push({ code: 'too-few-copies', name, copies, needed: copy, span });
          continue;
        }
        const limb = this.lastOf({ part: ref.part, copy });
        if (limb && limb !== step) step.waits.push({ step: limb.id, because });
      }
    }
  }

  private addFeature(feature: Feature): void {
    const { host, kind } = feature;
    if (!host) return;
    if (kind === 'piece') {
      for (const copy of feature.copies)
        this.addJoin(feature, { part: feature.part!, copy }, host.copy === 0 ? { ...host, copy } : host);
      return;
    }
    if (host.copy === 0) return;
    const fabric = this.options.fabrics(host.part, host.copy);
    const cut = kind === 'eyes' ? this.cutOf(feature, host, fabric) : this.cutAfter(feature, host);
    const before = cut === null ? this.lastOf(host) : this.stepAt(host, cut - 1);
    if (!before) return;
    const step: Draft = {
      ...this.drafted(feature, `${kind === 'eyes' ? 'set' : 'mark'} ${feature.id} ${this.key(host)}`, feature.name),
      kind: kind === 'eyes' ? 'set' : 'mark',
      piece: null,
      waits: [{ step: before.id, because: 'next rounds' }],
      minutes: kind === 'eyes' ? EYES : JOIN,
    };
    this.steps.push(step);
    const after = cut === null ? null : this.stepAt(host, cut);
    if (after && after !== before) after.waits.push({ step: step.id, because: kind === 'eyes' ? 'still open' : 'easier' });
  }

  private addJoin(feature: Feature, piece: PieceAt, host: PieceAt): void {
    const [limb, wall] = [this.lastOf(piece), this.lastOf(host)];
    if (!limb || !wall || limb === wall || feature.join === 'worked in') return;
    const fabric = this.options.fabrics(piece.part, piece.copy);
    const edge = roundLength(fabric, fabric.roundCount - 1);
    this.steps.push({
      ...this.drafted(feature, `join ${this.key(piece)}`, this.nameOf(piece)),
      piece,
      waits: [
        { step: limb.id, because: 'both made' },
        { step: wall.id, because: 'both made' },
      ],
      minutes: JOIN + edge * SEWN,
    });
  }

  private drafted(feature: Feature, id: string, name: string): Draft {
    return {
      id,
      kind: 'join',
      piece: null,
      name,
      feature,
      rounds: null,
      of: 0,
      stitches: 0,
      colours: ['', ''],
      waits: [],
      minutes: 0,
    };
  }

  private stepsOf(feature: Feature): Draft[] {
    return this.steps.filter((step) => step.feature === feature);
  }

  /** What goes by another comes after it; what goes on a piece that is itself put on comes before that. */
  private addPlacedBy(feature: Feature): void {
    for (const of of placedBy(feature.placing)) {
      const others = featuresNamed(this.features, of).filter((other) => other !== feature);
      for (const step of this.stepsOf(feature))
        for (const before of others.flatMap((other) => this.stepsOf(other)))
          step.waits.push({ step: before.id, because: 'placed by' });
    }
    const { host } = feature;
    const carried =
      host && this.steps.find((step) => step.kind === 'join' && step.piece?.part === host.part && step.piece.copy === host.copy);
    if (carried)
      for (const step of this.stepsOf(feature)) if (step !== carried) carried.waits.push({ step: step.id, because: 'easier' });
  }

  private addLook(): void {
    const waited = new Set(this.steps.flatMap(({ waits }) => waits.map(({ step }) => step)));
    const ends = this.steps.filter(({ id }) => !waited.has(id));
    if (ends.length < 2 && this.features.length === 0) return;
    this.steps.push({
      id: 'look',
      kind: 'look',
      piece: null,
      name: 'Look it over',
      feature: null,
      rounds: null,
      of: 0,
      stitches: 0,
      colours: ['', ''],
      waits: ends.map(({ id }) => ({ step: id, because: 'both made' })),
      minutes: 3,
    });
  }
}

/** What other pieces the rounds of a part need, and how many copies of each. */
function needsOf(lines: readonly RoundLine[]): Need[] {
  return lines.flatMap((line) => {
    const { span } = line;
    const foundation = foundationOf(line.items);
    const joined: PartRef[] = !foundation
      ? []
      : foundation.from === 'bridge'
        ? foundation.parts.length === 1
          ? [...foundation.parts, ...foundation.parts]
          : [...foundation.parts]
        : foundation.from === 'layers'
          ? [...foundation.parts]
          : foundation.from !== 'chain' && foundation.part
            ? [foundation.part]
            : [];
    const through: PartRef[] = [];
    walk(line.items, (item) => {
      if (item.kind === 'work' && item.through) through.push(item.through);
    });
    const once = (because: Need['because']) => (ref: PartRef) => ({ round: line.first, ref, times: 1, because, span });
    return [...joined.map(once('joined')), ...through.map(once('worked in'))];
  });
}
