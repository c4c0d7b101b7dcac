import { Component, computed, inject, linkedSignal, output, signal } from '@angular/core';
import { RouterLink } from '@angular/router';
import { finishingOf, finishWords, HOW, placeWords, seamWords, stepTitle, type Place, type Step } from '@lemniscus/core/assembly';
import { cardOfFinish, cardOfJoin } from '@lemniscus/core/technique';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { HowLink } from '../controls/technique/how-link';
import { Assembling, type StepAt } from '../data/follows/assembling';
import { CurrentMake } from '../data/open/current-make';
import { PiecePlans } from '../data/open/piece-plans';

/** What is left to do with a piece is told when so much of its last rounds is worked. */
const NEARLY = 0.85;
const DONE_WORDS: Readonly<Record<Step['kind'], string>> = {
  work: 'Worked',
  set: 'Eyes are in',
  mark: 'Done',
  join: 'Sewn on',
  look: 'Looked over',
};

/** One step in words big enough for arm's length, and all steps in order under it. */
@Component({
  selector: 'lem-step-panel',
  imports: [HowLink, NzButtonModule, RouterLink],
  templateUrl: './step-panel.html',
  styleUrl: './step-panel.css',
})
export class StepPanel {
  readonly placed = output<Place>();

  private readonly assembling = inject(Assembling);
  private readonly plans = inject(PiecePlans);
  protected readonly current = inject(CurrentMake);

  protected readonly steps = this.assembling.steps;
  /** The first that can be done now, until another is looked at; what was put off comes after the rest. */
  private readonly next = computed(() => {
    const steps = this.steps();
    const open =
      steps.find(({ state }) => state === 'ready') ??
      steps.find(({ state }) => state === 'later') ??
      steps.find(({ state }) => state === 'waits');
    return open?.step.id ?? steps.at(-1)?.step.id ?? '';
  });
  private readonly chosen = linkedSignal(() => this.next());
  protected readonly now = computed<StepAt | null>(
    () => this.steps().find(({ step }) => step.id === this.chosen()) ?? this.steps()[0] ?? null,
  );
  protected readonly number = computed(() => this.steps().findIndex(({ step }) => step.id === this.now()?.step.id) + 1);
  protected readonly finished = computed(() => this.steps().every(({ state }) => state === 'done' || state === 'not'));
  protected readonly howOpen = signal(false);

  protected readonly placesOfNow = computed(() => {
    const step = this.now()?.step;
    return step?.feature ? this.placesFor(step) : [];
  });
  protected readonly words = computed(() =>
    this.placesOfNow().map((place) => ({
      name: nameOf(place),
      words: placeWords(place),
      seam: this.seamOf(place),
      // What the pattern leaves open is only proposed.
      proposed: !place.said.height || !place.said.round,
    })),
  );
  protected readonly how = computed(() => {
    const feature = this.now()?.step.feature;
    return feature ? HOW[this.placesOfNow()[0]?.join ?? feature.join] : '';
  });
  /** The card that shows how; marks have one too, and so has the last look. */
  protected readonly card = computed(() => {
    const step = this.now()?.step;
    if (!step) return null;
    if (step.kind === 'look') return 'inspecting' as const;
    return step.feature ? cardOfJoin(this.placesOfNow()[0]?.join ?? step.feature.join) : null;
  });
  /** What is left to do with a piece whose last rounds this step works. */
  protected readonly finishing = computed(() => {
    const now = this.now();
    const ends = now?.step.kind === 'work' && now.step.rounds![1] === now.step.of && now.share >= NEARLY;
    const plan = ends ? this.plans.of(this.assembling.pieceOf(now.step)?.id ?? '') : null;
    if (!now || !plan) return [];
    const { piece } = now.step;
    const sewn = this.steps().some(
      ({ step: other }) => other.kind === 'join' && other.piece?.part === piece?.part && other.piece?.copy === piece?.copy,
    );
    return finishingOf(plan.counted, plan.fabric, sewn, this.current.stitch()?.width ?? 5).map((finish) => ({
      words: finishWords(finish),
      card: cardOfFinish(finish),
    }));
  });

  protected title(step: Step): string {
    const labels = step.piece && this.current.count().parts[step.piece.part]?.rounds;
    return stepTitle(step, (round) => labels?.[round]?.label ?? `R${round + 1}`);
  }

  /** Beside a step in the list: how far it is. */
  protected aside({ step, state, share, waitsFor }: StepAt): string {
    if (state === 'done') return 'done';
    if (state === 'not') return 'left out';
    if (state === 'later') return 'later';
    if (state === 'waits') return `after ${waitsFor[0]!.name}`;
    if (step.kind === 'work')
      return share > 0 ? `${Math.round(share * step.stitches)} of ${step.stitches} sts` : `${step.stitches} sts`;
    return `${Math.max(1, Math.round(step.minutes))} min`;
  }

  protected doneWords(step: Step): string {
    if (step.kind === 'join' && step.feature && ['tied', 'glued', 'pushed in'].includes(step.feature.join)) return 'It is on';
    return DONE_WORDS[step.kind];
  }

  protected minutes({ step }: StepAt): number {
    return Math.max(1, Math.round(step.minutes));
  }

  protected look(step: Step): void {
    this.chosen.set(step.id);
    const place = step.feature ? this.placesFor(step)[0] : undefined;
    if (place) this.placed.emit(place);
  }

  protected settle(how: 'done' | 'not' | 'later'): void {
    const now = this.now();
    if (!now) return;
    this.assembling.settle(now.step, how);
    this.look(this.steps().find(({ step }) => step.id === this.next())?.step ?? now.step);
  }

  protected again(): void {
    const now = this.now();
    if (now) this.assembling.unsettle(now.step);
  }

  private seamOf({ feature, copy }: Place): string {
    const seam = this.assembling.seams().find(({ place }) => place.feature.id === feature.id && place.copy === copy);
    return seam ? seamWords(seam) : '';
  }

  private placesFor({ feature, piece }: Step): Place[] {
    const all = this.assembling.places()?.places ?? [];
    return all.filter((place) => place.feature.id === feature?.id && (piece === null || place.copy === piece.copy));
  }
}

const nameOf = ({ feature, copy }: Place): string => (feature.copies.length > 1 ? `${feature.name} ${copy}` : feature.name);
