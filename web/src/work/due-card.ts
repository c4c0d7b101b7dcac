import { NgTemplateOutlet } from '@angular/common';
import { Component, computed, inject, input, signal } from '@angular/core';
import type { Timely } from '@lemniscus/core/making';
import { cardOfTimely } from '@lemniscus/core/technique';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { Gathering } from '../data/follows/gathering';
import { AtHook } from './at-hook';
import { Due } from './due';
import { HowTo } from './how-to';
import { gateAdvice } from './gate-advice';
import { PlacesAtHook } from './places-at-hook';

/** What the tool says by its own judgement, where the pattern says nothing. */
const OWN_WORDS: Readonly<Partial<Record<Timely['kind'], string>>> = {
  'right side': 'Turn it so that the right side faces out.',
  stuffing: 'Stuff it, while your hand still fits.',
  legs: 'Bring the finished pieces: this round joins them.',
};

/** What is to be done now, before it is too late; done, or not for this maker. It blocks nothing. */
@Component({
  selector: 'lem-due-card',
  imports: [NgTemplateOutlet, NzButtonModule],
  host: { '[class.short]': 'short()' },
  template: `
    @for (one of due(); track one.timely.id) {
      <div [class.last]="one.timely.near === 'last chance'" role="status">
        @if (short()) {
          <button type="button" class="words" [attr.aria-expanded]="whole()" (click)="whole.set(!whole())">
            <ng-container *ngTemplateOutlet="words; context: { $implicit: one }" />
          </button>
        } @else {
          <p><ng-container *ngTemplateOutlet="words; context: { $implicit: one }" /></p>
        }
        <button nz-button type="button" (click)="dues.settle(one.timely, 'done')">Done</button>
        <button nz-button type="button" (click)="howTo.take(cardOf(one.timely.kind))">How?</button>
        <button nz-button nzType="text" type="button" (click)="dues.later(one.timely)">Later</button>
        <button nz-button nzType="text" type="button" (click)="dues.settle(one.timely, 'not')">Not for me</button>
      </div>
    }
    <ng-template #words let-one>
      <b>{{ one.timely.near === 'last chance' ? 'Last chance:' : 'Now:' }}</b> {{ one.words }}
      @for (more of one.advice; track more) {
        <span>{{ more }}</span>
      }
    </ng-template>
  `,
  styles: `
    :host {
      display: block;
    }
    /* Where room is short the first is said, in two lines until it is pressed. */
    :host(.short) div:nth-of-type(n + 2) {
      display: none;
    }
    .words {
      display: -webkit-box;
      width: 100%;
      padding: 0;
      border: 0;
      background: none;
      text-align: start;
      overflow: hidden;
      -webkit-box-orient: vertical;
    }
    .words[aria-expanded='false'] {
      -webkit-line-clamp: 2;
    }
    div {
      margin: 6px 0;
      padding: 9px 14px;
      border-radius: 14px;
      background: var(--inc-wash);
    }
    div.last {
      background: var(--warn-wash);
    }
    b {
      color: var(--inc);
    }
    .last b {
      color: var(--warn);
    }
    span {
      display: block;
    }
    p {
      margin-bottom: 6px;
    }
    button {
      min-height: 44px;
    }
  `,
})
export class DueCard {
  /** Shows the first in few lines, for where there is little room. */
  readonly short = input(false);
  protected readonly whole = signal(false);
  protected readonly howTo = inject(HowTo);
  protected readonly cardOf = cardOfTimely;
  private readonly hook = inject(AtHook);
  private readonly gathering = inject(Gathering);
  protected readonly dues = inject(Due);
  private readonly places = inject(PlacesAtHook);

  /** The place of the eyes counted out, and what to look at before they cannot come off again. */
  private counted(kind: Timely['kind']): string[] {
    const eyes = kind === 'eyes' ? this.places.eyes() : null;
    return eyes === null ? [] : [`Counted from the marker: ${eyes}. Look from the front and stretch it before the backs go on.`];
  }

  protected readonly due = computed(() => {
    const part = this.hook.piece()?.part;
    if (part === undefined) return [];
    return this.dues.now().map((timely) => ({
      timely,
      words: timely.text || (OWN_WORDS[timely.kind] ?? ''),
      advice: [...this.counted(timely.kind), ...gateAdvice(this.gathering, part, timely.kind, this.hook.round())],
    }));
  });
}
