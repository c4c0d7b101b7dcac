import { Component, inject, output } from '@angular/core';
import type { Step } from '@lemniscus/core/making';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { Dialog } from '../controls/dialog';
import { Choice } from '../controls/choice';
import { AtHook } from './at-hook';
import { HowTo } from './how-to';
import type { HookAct } from './keys';

const STEPS: readonly { readonly label: string; readonly value: Step }[] = [
  { label: 'A stitch', value: 'stitch' },
  { label: 'A group', value: 'group' },
  { label: 'A round', value: 'round' },
];

/** What is not needed every minute: how far a step goes, ripping back, doing it differently, pieces, keys. */
@Component({
  selector: 'lem-more-dialog',
  imports: [Choice, Dialog, NzButtonModule],
  template: `
    <lem-dialog name="At the hook" [width]="460" (closed)="closed.emit()">
      <h3>One step is</h3>
      <lem-choice [options]="steps" [value]="hook.stepBy()" (chosen)="hook.setStepBy($event)" label="One step is" />
      <div>
        <button nz-button nzSize="large" type="button" (click)="choose.emit('rip')">Rip back <kbd>R</kbd></button>
        <button nz-button nzSize="large" type="button" (click)="back()">Round start <kbd>←</kbd></button>
        <button nz-button nzSize="large" type="button" (click)="choose.emit('differently')">
          I did it differently <kbd>D</kbd>
        </button>
        <button nz-button nzSize="large" type="button" (click)="choose.emit('shape')">See it in the round <kbd>V</kbd></button>
        <button nz-button nzSize="large" type="button" (click)="choose.emit('how')">How it is done <kbd>K</kbd></button>
        <button
          nz-button
          nzSize="large"
          type="button"
          [attr.aria-pressed]="howTo.leads()"
          (click)="howTo.setLeads(!howTo.leads())"
        >
          {{ howTo.leads() ? 'Cards come by themselves' : 'Cards come when asked for' }}
        </button>
        <button nz-button nzSize="large" type="button" (click)="choose.emit('pieces')">All pieces <kbd>P</kbd></button>
        <button nz-button nzSize="large" type="button" (click)="choose.emit('keys')">Keys, pedal, hand <kbd>?</kbd></button>
      </div>
    </lem-dialog>
  `,
  styleUrl: './work-dialogs.css',
  styles: `
    div {
      display: grid;
      gap: 8px;
      margin-top: 16px;
    }
    div button {
      text-align: left;
    }
    kbd {
      float: right;
    }
  `,
})
export class MoreDialog {
  readonly closed = output();
  readonly choose = output<HookAct>();
  protected readonly hook = inject(AtHook);
  protected readonly howTo = inject(HowTo);
  protected readonly steps = STEPS;

  protected back(): void {
    this.hook.toRoundStart();
    this.closed.emit();
  }
}
