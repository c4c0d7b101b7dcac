import { Dialog as Dialogs, DialogConfig, type DialogRef } from '@angular/cdk/dialog';
import { createGlobalPositionStrategy } from '@angular/cdk/overlay';
import {
  afterNextRender,
  Component,
  DestroyRef,
  inject,
  Injector,
  input,
  output,
  TemplateRef,
  viewChild,
  ViewContainerRef,
} from '@angular/core';
import type { Subscription } from 'rxjs';

/**
 * A dialog over the page for as long as it stands in a template. Escape, its cross and a press beside it ask for its end;
 * whoever put it there takes it away. The focus stays in it, and goes back where it was.
 */
@Component({
  selector: 'lem-dialog',
  template: `
    <ng-template>
      <h2>{{ name() }}</h2>
      <button type="button" class="close" aria-label="Close" (click)="closed.emit()">×</button>
      <div class="body"><ng-content /></div>
      <ng-content select="[lemDialogActs]" />
    </ng-template>
  `,
  styleUrl: './dialog.css',
})
export class Dialog {
  readonly name = input.required<string>();
  /** px, where the screen has them. */
  readonly width = input(560);
  readonly closed = output();
  private readonly content = viewChild.required(TemplateRef);

  constructor() {
    const dialogs = inject(Dialogs);
    const injector = inject(Injector);
    const viewContainerRef = inject(ViewContainerRef);
    let open: DialogRef | null = null;
    let closing: Subscription | null = null;
    afterNextRender(() => {
      const config = Object.assign(new DialogConfig<unknown, DialogRef>(), {
        viewContainerRef,
        ariaLabel: this.name(),
        autoFocus: 'dialog' as const,
        panelClass: 'lem-dialog',
        backdropClass: 'lem-dialog-behind',
        // From its top, so that it grows downwards while it is filled in.
        positionStrategy: createGlobalPositionStrategy(injector).centerHorizontally().top('min(12vh, 100px)'),
        width: `${this.width()}px`,
        maxWidth: 'calc(100vw - 16px)',
      });
      open = dialogs.open(this.content(), config);
      closing = open.closed.subscribe(() => this.closed.emit());
    });
    inject(DestroyRef).onDestroy(() => {
      closing?.unsubscribe();
      open?.close();
    });
  }
}
