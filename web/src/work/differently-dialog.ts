import { Component, computed, inject, linkedSignal, output, signal, untracked } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { changeOf } from '@lemniscus/core/fabric';
import { measureRound } from '@lemniscus/core/notation';
import {
  colourEarlier,
  itemsOfText,
  workedOtherwise,
  writtenRound,
  type Alteration,
  type WrittenRound,
} from '@lemniscus/core/making';
import { counted, printInstruction } from '@lemniscus/core/notation';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzInputModule } from 'ng-zorro-antd/input';
import { Dialog } from '../controls/dialog';
import { CurrentMake } from '../data/open/current-make';
import { AtHook } from './at-hook';

interface Offer {
  readonly name: string;
  readonly words: string;
  readonly text: string;
  /** Actions that are worked with it. */
  readonly done: 0 | 1;
}

/** "I did it differently": recorded as made, the rest of the round spread anew, rounds more or fewer, a remark. */
@Component({
  selector: 'lem-differently-dialog',
  imports: [Dialog, FormsModule, NzButtonModule, NzInputModule],
  templateUrl: './differently-dialog.html',
  styleUrl: './work-dialogs.css',
})
export class DifferentlyDialog {
  readonly closed = output();
  private readonly current = inject(CurrentMake);
  private readonly hook = inject(AtHook);
  protected readonly problem = signal('');

  /** The round it is about: the one at hand; a piece that is worked to its end has only its last. */
  private readonly round = this.roundAtHand();
  protected readonly counted = computed(() => this.hook.counted()?.rounds[this.round] ?? null);
  private readonly written = computed(() => this.writtenAt(this.round));

  private readonly words = computed(() => {
    const plan = this.hook.plan();
    const line = plan?.counted.part.lines[this.counted()?.line ?? -1];
    return line ? printInstruction(line, { terms: this.current.terms(), form: 'short' }) : '';
  });
  protected readonly text = linkedSignal(() => this.words());

  /** Rounds a remark can be on: those worked so far. */
  protected readonly remarkable = computed(() => {
    return (this.hook.counted()?.rounds ?? []).slice(0, this.round + 1).map(({ label }, round) => ({ label, round }));
  });
  protected readonly remarked = signal(this.round);

  /** The remark on that round as it stands. */
  protected readonly remark = linkedSignal(() => {
    const round = this.remarked();
    return untracked(() => this.hook.remarkOn(round));
  });

  /** What the action at hand could have been instead, with the rest of the round spread anew. */
  protected readonly offers = computed<readonly Offer[]>(() => {
    const plan = this.hook.plan();
    const position = this.hook.position();
    if (!plan || position?.round !== this.round) return [];
    const now = changeOf(plan.fabric, plan.fabric.roundAction[position.round]! + position.action);
    const kinds = [
      ['increase', 'Increased here'],
      ['decrease', 'Decreased here'],
      ['plain', 'Worked plain here'],
    ] as const;
    const terms = this.current.terms();
    const { round, action } = position;
    const offers = kinds.flatMap(([as, name]) => {
      const text = as === now ? null : workedOtherwise(plan.counted, plan.fabric, round, action, as, terms);
      return text === null ? [] : [{ name, words: `so the round is ${text}`, text, done: 1 as const }];
    });
    const colour = colourEarlier(plan.counted, plan.fabric, round, action, terms);
    if (!colour) return offers;
    const early = colour.stitches === 1 ? 'one stitch' : counted(colour.stitches, 'stitch');
    return [
      ...offers,
      { name: `Changed to ${colour.colour} here`, words: `${early} early`, text: colour.text, done: 0 as const },
    ];
  });

  /** What the typed words make, over the round below. */
  protected readonly makes = computed(() => {
    const counted = this.counted();
    const items = counted && itemsOfText(this.text(), this.current.count().pattern, this.round === 0 ? 0 : counted.available);
    if (!items) return null;
    const { uses, makes } = measureRound(items, counted.available);
    return { uses, makes, available: counted.available, due: counted.makes };
  });

  protected take({ text, done }: Offer): void {
    const position = this.hook.position();
    this.alter([{ kind: 'instead', ...this.written(), text }]);
    if (position && done > 0) this.hook.reach({ round: position.round, action: position.action + done });
  }

  protected rounds(more: 1 | -1): void {
    const plan = this.hook.plan();
    const { line } = this.written();
    if (!plan) return;
    const rounds = plan.counted.rounds.filter((_, round) => writtenRound(plan.altered, round).line === line).length;
    this.alter([{ kind: 'length', line, rounds: Math.max(1, rounds + more) }]);
  }

  protected keepText(): void {
    const makes = this.makes();
    if (!makes) {
      this.problem.set('These words cannot be read as a round. Write it as in the pattern: “3 sc, inc, 4 sc”.');
      return;
    }
    if (makes.uses !== makes.available) {
      this.problem.set(`That uses ${counted(makes.uses, 'stitch')}, and the round below has ${makes.available}.`);
      return;
    }
    this.alter([{ kind: 'instead', ...this.written(), text: this.text() }]);
  }

  protected keepRemark(): void {
    this.hook.say({ kind: 'remarked', ...this.writtenAt(this.remarked()), text: this.remark().trim() });
    this.closed.emit();
  }

  private writtenAt(round: number): WrittenRound {
    const plan = this.hook.plan();
    return plan ? writtenRound(plan.altered, round) : { line: 0, nth: 0 };
  }

  private roundAtHand(): number {
    const round = this.hook.position()?.round ?? 0;
    return Math.max(0, Math.min(round, (this.hook.fabric()?.roundCount ?? 1) - 1));
  }

  private alter(changes: readonly Alteration[]): void {
    this.problem.set('');
    this.hook.say({ kind: 'altered', changes });
    this.closed.emit();
  }
}
