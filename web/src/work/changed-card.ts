import { booleanAttribute, Component, computed, inject, input, linkedSignal, signal } from '@angular/core';
import type { WorkedChange, WrittenRound } from '@lemniscus/core/making';
import { counted, printInstruction, printLabel, type RoundLine } from '@lemniscus/core/notation';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { Select } from '../controls/select';
import { CurrentMake } from '../data/open/current-make';
import { PiecePlans } from '../data/open/piece-plans';
import { AtHook } from './at-hook';

/** So many changes are told, the rest is counted. */
const TOLD = 2;

/** The pattern was changed where the piece is worked already: how the piece stands to that. It blocks nothing. */
@Component({
  selector: 'lem-changed-card',
  imports: [NzButtonModule, Select],
  template: `
    @if (changes().length > 0) {
      <div role="status" class="card">
        @if (short()) {
          <button type="button" class="words" [attr.aria-expanded]="whole()" (click)="whole.set(!whole())">
            <b>The pattern changed where you have worked.</b> {{ whole() ? '' : 'How did you make it?' }}
          </button>
        } @else {
          <p><b>The pattern changed where you have worked.</b></p>
        }
        @if (!short() || whole()) {
          @for (words of changes(); track $index) {
            <p>{{ words }}</p>
          }
          @if (more() > 0) {
            <p>And {{ counted(more(), 'more change') }}.</p>
          }
          <p class="soft">Until you say, the piece stays as you made it and goes on with the new rounds.</p>
          <button nz-button type="button" (click)="answer('pattern')">I did it as it says now</button>
          <button nz-button type="button" (click)="answer('made')">I did it as it was</button>
          <div class="to">
            <label [for]="id()">I am at the start of</label>
            <lem-select [inputId]="id()" [options]="rounds()" [value]="round()" (chosen)="round.set($event)" />
            <button nz-button type="button" (click)="goTo()">Take me there</button>
          </div>
        }
      </div>
    }
  `,
  styleUrl: './work-cards.css',
})
export class ChangedCard {
  /** Shows one line until it is pressed, for where there is little room. */
  readonly short = input(false, { transform: booleanAttribute });
  protected readonly whole = signal(false);
  protected readonly id = computed(() => (this.short() ? 'changed-to-short' : 'changed-to'));
  private readonly current = inject(CurrentMake);
  private readonly plans = inject(PiecePlans);
  private readonly hook = inject(AtHook);
  protected readonly counted = counted;

  private readonly state = computed(() => {
    const piece = this.hook.piece();
    return piece && this.plans.said(piece.id);
  });
  private readonly all = computed(() => this.state()?.changed ?? []);
  protected readonly changes = computed(() =>
    this.all()
      .slice(0, TOLD)
      .map((change) => this.words(change)),
  );
  protected readonly more = computed(() => this.all().length - this.changes().length);

  private readonly written = computed(() => {
    const piece = this.hook.piece();
    return piece ? (this.current.count().parts[piece.part]?.rounds ?? []) : [];
  });
  protected readonly rounds = computed(() => this.written().map(({ label }, value) => ({ value, label })));
  /** The round of the pattern that the piece would be in. */
  protected readonly round = linkedSignal(() => {
    const at = this.state()?.inPattern;
    const found = this.written().findIndex((_, round) => sameRound(this.lineOf(round), at));
    return found < 0 ? this.written().length - 1 : found;
  });

  protected answer(how: 'pattern' | 'made' | WrittenRound): void {
    const piece = this.hook.piece();
    if (piece) this.plans.answer(piece.id, how);
  }

  protected goTo(): void {
    this.answer(this.lineOf(this.round()));
  }

  private lineOf(round: number): WrittenRound {
    const rounds = this.written();
    const line = rounds[round]?.line ?? 0;
    return { line, nth: round - rounds.findIndex((each) => each.line === line) };
  }

  private words({ was, now }: WorkedChange): string {
    if (was.length === 0) return `Written in: ${this.lines(now)}.`;
    if (now.length === 0) return `Taken out: ${this.lines(was)}.`;
    return `${this.lines(was)} is now ${this.lines(now)}.`;
  }

  private lines(lines: readonly RoundLine[]): string {
    const style = { terms: this.current.terms(), form: 'short' } as const;
    const [first, ...rest] = lines.map((line) => `${printLabel(line)} “${printInstruction(line, style)}”`);
    return rest.length === 0 ? first! : `${first!} and ${counted(rest.length, 'line')} after it`;
  }
}

function sameRound(a: WrittenRound, b: WrittenRound | undefined): boolean {
  return a.line === b?.line && a.nth === b.nth;
}
