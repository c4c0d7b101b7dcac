import { Component, inject, input, output } from '@angular/core';
import type { Step } from '@lemniscus/core/making';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzModalModule } from 'ng-zorro-antd/modal';
import { NamedDialog } from '../shell/named-dialog';
import { Choice } from '../shell/choice';
import { AtHook } from './at-hook';

export type Dialog = 'more' | 'count' | 'rip' | 'differently' | 'pieces' | 'keys';

const STEPS: readonly { readonly label: string; readonly value: Step }[] = [
  { label: 'A stitch', value: 'stitch' },
  { label: 'A group', value: 'group' },
  { label: 'A round', value: 'round' },
];

/** What is not needed every minute: how far a step goes, ripping back, doing it differently, pieces, keys. */
@Component({
  selector: 'lem-more-dialog',
  imports: [NamedDialog, NzButtonModule, NzModalModule, Choice],
  template: `
    <nz-modal
      [nzVisible]="open()"
      nzTitle="At the hook"
      lemNamed="At the hook"
      [nzWidth]="460"
      [nzFooter]="null"
      (nzOnCancel)="closed.emit()"
    >
      <ng-container *nzModalContent>
        <h3>One step is</h3>
        <lem-choice [options]="steps" [value]="hook.stepBy()" (chosen)="hook.setStepBy($event)" label="One step is" />
        <div>
          <button nz-button nzSize="large" type="button" (click)="choose.emit('rip')">Rip back <kbd>R</kbd></button>
          <button nz-button nzSize="large" type="button" (click)="back()">Round start <kbd>←</kbd></button>
          <button nz-button nzSize="large" type="button" (click)="choose.emit('differently')">
            I did it differently <kbd>D</kbd>
          </button>
          <button nz-button nzSize="large" type="button" (click)="choose.emit('pieces')">All pieces <kbd>P</kbd></button>
          <button nz-button nzSize="large" type="button" (click)="choose.emit('keys')">Keys, pedal, hand <kbd>?</kbd></button>
        </div>
      </ng-container>
    </nz-modal>
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
  readonly open = input.required<boolean>();
  readonly closed = output();
  readonly choose = output<Dialog>();
  protected readonly hook = inject(AtHook);
  protected readonly steps = STEPS;

  protected back(): void {
    this.hook.toRoundStart();
    this.closed.emit();
  }
}
