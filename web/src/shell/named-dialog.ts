import { DestroyRef, Directive, inject, input } from '@angular/core';
import { NzModalComponent } from 'ng-zorro-antd/modal';

/** Gives a dialog its title as its name for screen readers, which NG-ZORRO leaves out. */
@Directive({ selector: 'nz-modal[lemNamed]' })
export class NamedDialog {
  readonly lemNamed = input.required<string>();

  constructor() {
    const modal = inject(NzModalComponent);
    const opened = modal.nzAfterOpen.subscribe(() => {
      modal.getElement()?.closest('nz-modal-container')?.setAttribute('aria-label', this.lemNamed());
    });
    inject(DestroyRef).onDestroy(() => opened.unsubscribe());
  }
}
