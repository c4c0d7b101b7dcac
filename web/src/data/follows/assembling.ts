import { computed, inject, Injectable } from '@angular/core';
import {
  orderOf,
  placesOf,
  placingEdits,
  roundOf,
  seamsOf,
  withPlacing,
  type Feature,
  type MadePiece,
  type Moved,
  type Order,
  type Places,
  type PlaceOptions,
  type PutElsewhere,
  type Seam,
  type Step,
} from '@lemniscus/core/assembly';
import { stitchesDone, USUAL_PACE, type MakerEvent, type Piece } from '@lemniscus/core/making';
import { applyEdits, gatesOf } from '@lemniscus/core/notation';
import { MakerHand } from '../device/maker-hand';
import { CurrentMake } from '../open/current-make';
import { MakeDraft } from '../open/make-draft';
import { MakerLog } from '../open/maker-log';
import { PiecePlans } from '../open/piece-plans';
import { Gathering } from './gathering';

/** Safety eyes of usual size where nothing is known of them, mm (common practice). */
const USUAL_EYE_MM = 10;

/** How far a step is. */
export type StepState = 'done' | 'not' | 'later' | 'ready' | 'waits';

/** A step with how far it is, and what it still waits for. */
export interface StepAt {
  readonly step: Step;
  readonly state: StepState;
  /** Share of the stitches that are worked, 0 to 1. */
  readonly share: number;
  readonly waitsFor: readonly Step[];
}

/** Names a step among what was settled of a piece. */
const gateOf = (step: string): string => `step ${step}`;

/** Where everything of the open make goes, as its pieces were really made, and what is done in which order. */
@Injectable()
export class Assembling {
  private readonly current = inject(CurrentMake);
  private readonly draft = inject(MakeDraft);
  private readonly plans = inject(PiecePlans);
  private readonly log = inject(MakerLog);
  private readonly gathering = inject(Gathering);
  private readonly hand = inject(MakerHand);

  private readonly pieceAt = computed(() => new Map(this.plans.pieces().map((piece) => [`${piece.part}/${piece.copy}`, piece])));
  readonly eyeMm = computed(() => this.gathering.eyes()[0]?.advice.best ?? this.gathering.stated().eyeMm ?? USUAL_EYE_MM);

  /** Every piece as it is made: the same list while none of them is made otherwise, however far they are. */
  private readonly made = computed(() => this.plans.pieces().map(({ id }) => this.plans.of(id)), {
    equal: (a, b) => a.length === b.length && a.every((plan, i) => plan === b[i]),
  });

  /** What places are worked out with; null while shapes are on their way. */
  private readonly options = computed<PlaceOptions | null>(() => {
    const parts = this.gathering.parts();
    const stitch = this.current.stitch();
    if (!parts || !stitch) return null;
    const profiles = new Map(parts.map(({ index, profile }) => [index, profile]));
    const plans = new Map(this.made().flatMap((plan) => (plan ? [[`${plan.piece.part}/${plan.piece.copy}`, plan]] : [])));
    const made = (part: number, copy: number): MadePiece | null => {
      const plan = plans.get(`${part}/${copy}`);
      const profile = profiles.get(part);
      return plan && profile ? { counted: plan.counted, fabric: plan.fabric, profile } : null;
    };
    const said = this.saidElsewhere();
    const put = ({ id }: Feature, copy: number): PutElsewhere | null => said.get(`${id} ${copy}`) ?? null;
    return { made, lean: this.hand.lean(), hand: this.hand.hand().hand, stitch, eyeMm: this.eyeMm(), put };
  });

  /** Where the maker put things instead, by feature and copy. */
  private readonly saidElsewhere = computed(
    () => {
      const said = new Map<string, PutElsewhere>();
      for (const { id } of this.plans.pieces())
        for (const event of this.log.said(id)) if (event.kind === 'placed') said.set(`${event.feature} ${event.copy}`, event);
      return said;
    },
    { equal: (a, b) => a.size === b.size && [...a].every(([key, event]) => b.get(key) === event) },
  );

  readonly places = computed<Places | null>(() => {
    const options = this.options();
    return options && placesOf(this.current.count(), options);
  });

  /** The stitches of what is sewn on, with those of the wall under them. */
  readonly seams = computed<readonly Seam[]>(() => {
    const [options, places] = [this.options(), this.places()];
    return options && places ? seamsOf(places.places, options.made, options.stitch) : [];
  });

  /** Where everything would be with a feature's words changed: what a drag shows. */
  preview(moved: Moved): Places | null {
    const options = this.options();
    if (!options) return null;
    // What is moved is no longer where it was put before.
    const put: PlaceOptions['put'] = (feature, copy) =>
      feature.id === moved.feature.id ? null : (options.put?.(feature, copy) ?? null);
    return placesOf(withPlacing(this.current.count(), moved), { ...options, put });
  }

  /** Writes a feature's place into the pattern. */
  write(moved: Moved): void {
    const { text, count } = this.current.reading();
    this.draft.writeText(applyEdits(text, placingEdits(text, count, moved)), `place ${moved.feature.id}`);
  }

  readonly order = computed<Order | null>(() => {
    const places = this.places();
    if (!places) return null;
    const count = this.current.count();
    const pieces = this.pieceAt();
    const fallback = this.plans.parts();
    return orderOf(count, places.features, {
      fabrics: (part, copy) => this.plans.of(pieces.get(`${part}/${copy}`)?.id ?? '')?.fabric ?? fallback[part]!.fabric,
      roundOf: roundOf(places.places),
      secondsPerStitch: 60 / USUAL_PACE,
    });
  });

  /** Every step in order, with how far it is. */
  readonly steps = computed<readonly StepAt[]>(() => {
    const order = this.order();
    if (!order) return [];
    const states = new Map<string, { readonly done: boolean; readonly share: number; readonly how: StepState | null }>();
    for (const step of order.steps) states.set(step.id, this.stateOf(step));
    const byId = new Map(order.steps.map((step) => [step.id, step]));
    return order.steps.map((step) => {
      const { done, share, how } = states.get(step.id)!;
      const waitsFor = step.waits
        .filter(({ step: id, because }) => because !== 'easier' && !states.get(id)?.done)
        .map(({ step: id }) => byId.get(id)!);
      return {
        step,
        share,
        waitsFor,
        state: how === 'not' ? 'not' : done ? 'done' : waitsFor.length > 0 ? 'waits' : (how ?? 'ready'),
      };
    });
  });

  /** The piece whose log tells of a step. */
  pieceOf(step: Step): Piece | null {
    const at = step.piece ?? step.feature?.host ?? { part: this.plans.pieces()[0]?.part ?? 0, copy: 1 };
    return this.pieceAt().get(`${at.part}/${Math.max(1, at.copy)}`) ?? null;
  }

  settle(step: Step, how: 'done' | 'not' | 'later'): void {
    const piece = this.pieceOf(step);
    if (!piece) return;
    this.log.say(piece.id, { kind: 'settled', gate: gateOf(step.id), how });
    // At the hook the same is asked for by the pattern's own words.
    const gate = step.kind === 'set' ? this.eyesGate(piece) : null;
    if (gate !== null && how !== 'later') this.log.say(piece.id, { kind: 'settled', gate, how });
  }

  /** Takes back what was last said of a step, here or at the hook. */
  unsettle(step: Step): void {
    const piece = this.pieceOf(step);
    if (!piece) return;
    const gate = step.kind === 'set' ? this.eyesGate(piece) : null;
    const events = this.log.said(piece.id);
    const atHook = events.findLast((event) => event.kind === 'settled' && event.gate === gate);
    for (const event of [this.settledOf(step, events), atHook])
      if (event) this.log.say(piece.id, { kind: 'undone', event: event.id });
  }

  /** Keeps that a copy was put elsewhere than the pattern says, as it was made. */
  putElsewhere(feature: Feature, copy: number, at: PutElsewhere): void {
    const host = feature.host ?? { part: 0, copy: 1 };
    const piece = this.pieceAt().get(
      feature.part === null ? `${host.part}/${Math.max(1, host.copy)}` : `${feature.part}/${copy}`,
    );
    if (piece) this.log.say(piece.id, { kind: 'placed', feature: feature.id, copy, ...at });
  }

  /** What the eyes of a piece are called among what has its time at the hook. */
  private eyesGate({ part }: Piece): string | null {
    const gate = gatesOf(this.current.count().pattern.parts[part]!).find(({ kind }) => kind === 'eyes');
    return gate ? `eyes ${gate.text}` : null;
  }

  private settledOf({ id }: Step, said: readonly MakerEvent[]): Extract<MakerEvent, { kind: 'settled' }> | null {
    return (
      said.findLast(
        (event): event is Extract<MakerEvent, { kind: 'settled' }> => event.kind === 'settled' && event.gate === gateOf(id),
      ) ?? null
    );
  }

  private stateOf(step: Step): { done: boolean; share: number; how: StepState | null } {
    const piece = this.pieceOf(step);
    if (!piece) return { done: false, share: 0, how: null };
    const gate = step.kind === 'set' ? this.eyesGate(piece) : null;
    const events = this.log.said(piece.id);
    const atHook = events.findLast((event) => event.kind === 'settled' && event.gate === gate);
    const said = this.settledOf(step, events)?.how ?? (atHook?.kind === 'settled' ? atHook.how : null);
    if (step.kind !== 'work') return { done: said === 'done' || said === 'not', share: said === 'done' ? 1 : 0, how: said };
    const plan = this.plans.of(piece.id);
    if (!plan || !step.rounds) return { done: false, share: 0, how: said };
    const done = stitchesDone(plan.fabric, this.plans.position(piece.id)).total;
    const [from, to] = step.rounds.map((round) => plan.fabric.roundStart[Math.min(round, plan.fabric.roundCount)]!) as [
      number,
      number,
    ];
    const share = Math.min(1, Math.max(0, (done - from) / Math.max(1, to - from)));
    return { done: share >= 1 || said === 'not', share, how: said };
  }
}
