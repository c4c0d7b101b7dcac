import { Component, inject } from '@angular/core';
import { CurrentMake } from '../data/open/current-make';
import { MakeDraft } from '../data/open/make-draft';
import { PatternDesk } from './pattern-desk';

/** The pattern of the open make; every change is saved as it is typed. */
@Component({
  selector: 'lem-pattern-stage',
  imports: [PatternDesk],
  template: `<lem-pattern-desk
    [text]="current.text()"
    [reading]="current.reading()"
    [make]="current.make()!.id"
    [stitch]="current.stitch()"
    [yarnWeight]="current.make()!.yarnWeight"
    [stretch]="current.stretch()"
    [spread]="current.gauge()?.spread?.width ?? null"
    [undoElsewhere]="unwrite"
    (textChange)="current.type($event)"
  />`,
  styles: `
    :host {
      display: flex;
      flex: 1;
      min-height: 0;
    }
  `,
})
export class PatternStage {
  protected readonly current = inject(CurrentMake);
  private readonly draft = inject(MakeDraft);

  protected readonly unwrite = (): boolean => {
    const can = this.draft.canUnwrite();
    this.draft.unwrite();
    return can;
  };
}
