import { Component, computed, inject, input, output } from '@angular/core';
import type { Step } from '@lemniscus/core/making';
import { Icon } from '../controls/icon';
import { AtHook } from './at-hook';
import type { HookAct } from './keys';

const NAMES: Readonly<Record<Step, string>> = { stitch: 'Stitch done', group: 'Group done', round: 'Round done' };

/** The name of one step as the maker takes it. */
export function stepName(by: Step): string {
  return NAMES[by];
}

/** Under the hands: the step, a group, a round, back, and what to do when the count is off. */
@Component({
  selector: 'lem-step-bar',
  imports: [Icon],
  template: `
    <footer>
      <button type="button" data-step [disabled]="!hook.canUndo()" (click)="act.emit('undo')">
        <svg lemIcon="undo" size="20"></svg><span>Undo</span><small>Z</small>
      </button>
      <button type="button" class="off" (click)="act.emit('count')"><span>Count is off</span><small>C</small></button>
      <button type="button" data-step class="go" [disabled]="finished()" (click)="act.emit('step')">
        <span>{{ step() }}</span><small>Space, or tap the dial</small>
      </button>
      <button type="button" data-step [disabled]="finished()" (click)="act.emit('group')">
        <span>Group</span><small>→</small>
      </button>
      <button type="button" data-step [disabled]="finished()" (click)="act.emit('round')">
        <span>Round</span><small>Enter</small>
      </button>
    </footer>
  `,
  styleUrl: './step-bar.css',
})
export class StepBar {
  readonly finished = input.required<boolean>();
  readonly act = output<HookAct>();
  protected readonly hook = inject(AtHook);
  protected readonly step = computed(() => stepName(this.hook.stepBy()));
}
