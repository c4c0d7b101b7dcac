import { computed, inject, Injectable } from '@angular/core';
import { finishingOf, finishWords, numberOfRound, pairWords, type Place } from '@lemniscus/core/assembly';
import { within } from '@lemniscus/core/making';
import { cardOfFinish } from '@lemniscus/core/technique';
import { Assembling } from '../data/follows/assembling';
import { CurrentMake } from '../data/open/current-make';
import { PiecePlans } from '../data/open/piece-plans';
import type { DialPin } from '../drawing/dial-model';
import { AtHook } from './at-hook';

/** Pieces that a round needs are told so many rounds before it: there is time to make them. */
const ROUNDS_AHEAD = 8;

/** Pieces that must be ready before a round of the piece at the hook. */
export interface Needed {
  readonly names: string;
  /** "R10", as the pattern calls it. */
  readonly label: string;
  readonly now: boolean;
  /** The first of them. */
  readonly take: string;
}

/** What goes where on the piece at the hook: pieces that must be ready, limbs that are worked in, eyes, and the end of it. */
@Injectable()
export class PlacesAtHook {
  private readonly hook = inject(AtHook);
  private readonly assembling = inject(Assembling);
  private readonly plans = inject(PiecePlans);
  private readonly current = inject(CurrentMake);

  private readonly own = computed<readonly Place[]>(() => {
    const piece = this.hook.piece();
    if (!piece) return [];
    return (this.assembling.places()?.places ?? []).filter(({ host }) => host.part === piece.part && host.copy === piece.copy);
  });

  /** Where things go on the rounds of the piece. */
  readonly pins = computed<readonly DialPin[]>(() => this.own().flatMap(({ pins, around }) => (around ? [] : pins)));

  /** Where the eyes go, counted out. */
  readonly eyes = computed(() => {
    const eyes = this.own().filter(({ feature }) => feature.kind === 'eyes');
    return eyes.length === 0 ? null : pairWords(eyes);
  });

  readonly needed = computed<Needed | null>(() => {
    const piece = this.hook.piece();
    const round = this.hook.round();
    if (!piece) return null;
    const steps = this.assembling
      .steps()
      .filter(({ step }) => step.kind === 'work' && step.piece?.part === piece.part && step.piece.copy === piece.copy);
    for (const { step, waitsFor } of steps) {
      const at = step.rounds![0];
      const missing = waitsFor.filter(
        (other) => other.kind === 'work' && !(other.piece?.part === piece.part && other.piece.copy === piece.copy),
      );
      if (missing.length === 0 || at < round || at - round > ROUNDS_AHEAD) continue;
      const take = missing[0]!.piece!;
      return {
        names: missing.map(({ name }) => name).join(' and '),
        label: this.hook.counted()?.rounds[at]?.label ?? `R${at + 1}`,
        now: at === round,
        take: this.plans.pieces().find(({ part, copy }) => part === take.part && copy === take.copy)?.id ?? '',
      };
    }
    return null;
  });

  /** At stitches that go through a limb, which of its edge; in the next round, what to do there. */
  readonly limb = computed(() => {
    const fabric = this.hook.fabric();
    const position = this.hook.position();
    if (!fabric || !position) return null;
    const { round, action } = within(fabric, position);
    if (round >= fabric.roundCount) return null;
    const at = fabric.actionStart[fabric.roundAction[round]! + action] ?? 0;
    const worked = this.own().filter(({ join }) => join === 'worked in');
    const through = runAt(fabric.limb, at, fabric.roundStart[round + 1]!);
    if (through) {
      const place = nearest(
        worked.filter(({ first }) => first === round),
        through.from - fabric.roundStart[round]!,
      );
      return (
        place &&
        `${place.feature.name}: its open edge, stitches 1 to ${through.to - through.from}, through both layers; ${tipWords(place)}.`
      );
    }
    const parent = fabric.firstParent[at] ?? -1;
    const below = parent < 0 || round === 0 ? null : runAt(fabric.limb, parent, fabric.roundStart[round]!);
    if (!below || parent < below.from) return null;
    const place = nearest(
      worked.filter(({ first }) => first === round - 1),
      below.from - fabric.roundStart[round - 1]!,
    );
    return place && `Past ${place.feature.name}: into the wall’s own stitches, behind it.`;
  });

  /** Pins of the round at hand and the one below, in words. */
  readonly here = computed(() => {
    const round = this.hook.round();
    return this.own()
      .filter(({ first, gap, feature, join }) => feature.kind === 'piece' && join !== 'worked in' && first === round && !gap)
      .map(({ feature, wall, first, pins, around }) =>
        around
          ? `${feature.name} goes all round R${numberOfRound(wall, first)}.`
          : `${feature.name} goes here later, after stitch ${pins[0]!.after}.`,
      );
  });

  /** What is left to do with the piece once its last stitch is worked. */
  readonly finishing = computed(() => {
    const plan = this.hook.plan();
    if (!plan || !this.hook.finished()) return [];
    const { part, copy } = plan.piece;
    const sewn = this.assembling
      .steps()
      .some(({ step }) => step.kind === 'join' && step.piece?.part === part && step.piece.copy === copy);
    return finishingOf(plan.counted, plan.fabric, sewn, this.current.stitch()?.width ?? 5).map((finish) => ({
      words: finishWords(finish),
      card: cardOfFinish(finish),
    }));
  });

  /** Whether anything is to be put together when all is worked. */
  readonly toPutTogether = computed(() => this.assembling.steps().some(({ step }) => step.kind !== 'work'));
}

/** The run of stitches through one limb that holds a row; null where it goes through none. */
function runAt(limb: Uint8Array, row: number, end: number): { readonly from: number; readonly to: number } | null {
  if (!limb[row]) return null;
  let from = row;
  while (from > 0 && limb[from - 1] === limb[row]) from--;
  let to = row + 1;
  while (to < end && limb[to] === limb[row]) to++;
  return { from, to };
}

function nearest(places: readonly Place[], stitch: number): Place | null {
  const off = ({ pins }: Place): number => Math.abs(pins[0]!.after - stitch);
  return places.reduce<Place | null>((best, place) => (best && off(best) <= off(place) ? best : place), null);
}

const tipWords = ({ tip }: Place): string => (tip ? `tip ${tip === 'front' ? 'forward' : tip}` : 'outside to outside');
