import { Component, computed, inject, untracked } from '@angular/core';
import { RouterLink } from '@angular/router';
import type { GateKind } from '@lemniscus/core/notation';
import { counted } from '@lemniscus/core/notation';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { Gathering } from '../data/follows/gathering';
import { CurrentMake } from '../data/open/current-make';
import { yarnPaint } from '../drawing/yarn-colour';
import { AtHook } from './at-hook';
import { ChangedCard } from './changed-card';
import { comingUp } from './coming-up';
import { Due } from './due';
import { DueCard } from './due-card';
import { NeededCard } from './needed-card';
import { gateAdvice, runsOutWords } from './gate-advice';
import { NewNameCard } from './new-name-card';
import { NewTechniqueCard } from './new-technique-card';
import { Pieces } from './pieces';

/** Beside the work: what is due, what a sibling had, whether the yarn lasts, and the rounds ahead. */
@Component({
  selector: 'lem-coming-up',
  imports: [ChangedCard, DueCard, NeededCard, NewNameCard, NewTechniqueCard, NzButtonModule, RouterLink],
  templateUrl: './coming-up-list.html',
  styleUrl: './coming-up-list.css',
})
export class ComingUpList {
  private readonly current = inject(CurrentMake);
  private readonly gathering = inject(Gathering);
  private readonly hook = inject(AtHook);
  private readonly due = inject(Due);
  protected readonly pieces = inject(Pieces);
  protected readonly paint = yarnPaint;
  protected readonly counted = counted;

  protected readonly ahead = computed(() => {
    const part = this.hook.counted();
    if (!part) return [];
    // What is due is said above, with buttons.
    const due = new Set(this.due.now().map(({ text }) => text));
    const settled = new Set(this.due.settled());
    return comingUp(part, this.hook.round(), this.current.terms()).filter(
      (one) => one.is !== 'note' || one.gate === null || !(due.has(one.text) || settled.has(`${one.gate} ${one.text}`)),
    );
  });

  /** Yarns that do not last, in the order they run out. */
  protected readonly yarnWarnings = computed(() => {
    // Told anew with every round, and whenever a choice or the basket changes.
    this.gathering.make();
    this.gathering.owned();
    this.hook.piece();
    this.hook.round();
    return untracked(() => this.gathering.supply().demands.flatMap((demand) => runsOutWords(demand) ?? []));
  });

  protected advice(gate: GateKind | null, round: number): readonly string[] {
    const part = this.hook.piece()?.part;
    return part === undefined ? [] : gateAdvice(this.gathering, part, gate, round);
  }

  protected likeSibling(): void {
    const sibling = this.pieces.sibling();
    if (sibling && sibling.changes.length > 0) this.hook.say({ kind: 'altered', changes: sibling.changes });
  }
}
