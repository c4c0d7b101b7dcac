import { afterRenderEffect, Component, ElementRef, inject, input, output } from '@angular/core';

export interface PieceChip {
  readonly id: string;
  readonly name: string;
  /** 0 to 1. */
  readonly done: number;
}

/** The pieces of the make, each with how far it is; choosing one takes it to the hook. */
@Component({
  selector: 'lem-piece-chips',
  template: `
    @for (chip of chips(); track chip.id) {
      <button
        type="button"
        [class.on]="chip.id === chosen()"
        [attr.aria-pressed]="chip.id === chosen()"
        (click)="choose.emit(chip.id)"
      >
        <i [style.--done.turn]="chip.done" [class.whole]="chip.done === 1"></i>{{ chip.name }}
      </button>
    }
  `,
  styles: `
    :host {
      display: flex;
      gap: 8px;
      overflow-x: auto;
      scrollbar-width: none;
      padding: 3px;
      margin: -3px;
    }
    button {
      display: flex;
      flex: none;
      align-items: center;
      gap: 8px;
      min-height: 44px;
      padding: 0 14px;
      border: 1.5px solid var(--line);
      border-radius: 22px;
      background: var(--card);
      font-size: 15px;
      cursor: pointer;
    }
    button:hover {
      border-color: var(--soft);
    }
    .on {
      border-color: var(--ink);
      background: var(--ink);
      color: var(--paper);
    }
    i {
      width: 15px;
      height: 15px;
      border-radius: 50%;
      background: conic-gradient(var(--act) var(--done), color-mix(in srgb, currentcolor 22%, transparent) 0);
    }
    .on i {
      background: conic-gradient(var(--paper) var(--done), color-mix(in srgb, currentcolor 30%, transparent) 0);
    }
    i.whole {
      background: var(--dec-mark);
    }
  `,
})
export class PieceChips {
  readonly chips = input.required<readonly PieceChip[]>();
  readonly chosen = input<string | null>(null);
  readonly choose = output<string>();

  constructor() {
    const host = inject<ElementRef<HTMLElement>>(ElementRef).nativeElement;
    afterRenderEffect(() => {
      this.chosen();
      host.querySelector('.on')?.scrollIntoView({ inline: 'nearest', block: 'nearest' });
    });
  }
}
