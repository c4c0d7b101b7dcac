import { Component, input, output } from '@angular/core';

let menus = 0;

/** "Save as" and the forms something can be saved in. */
@Component({
  selector: 'lem-save-menu',
  template: `
    <button class="open" type="button" [attr.popovertarget]="id" [disabled]="disabled()">Save as</button>
    <div #menu [id]="id" class="kinds" popover>
      @for (each of kinds(); track each.kind) {
        <button type="button" (click)="chosen.emit(each.kind); menu.hidePopover()">{{ each.words }}</button>
      }
    </div>
  `,
  styles: `
    .open {
      min-height: 36px;
      padding: 0 10px;
      border: 0;
      border-radius: 10px;
      background: none;
      color: var(--act);
      font: inherit;
      font-weight: 600;
      cursor: pointer;
    }
    @media (pointer: coarse), (max-width: 1080px) {
      .open {
        min-height: 44px;
      }
    }
    .open:disabled {
      color: var(--faint);
      cursor: default;
    }
    .kinds {
      position-area: bottom span-left;
      position-try-fallbacks: flip-block;
      margin: 4px 0;
      padding: 6px;
      border: 1px solid var(--line);
      border-radius: 14px;
      background: var(--card);
      color: var(--ink);
      box-shadow: 0 6px 24px rgb(20 30 40 / 14%);
    }
    .kinds button {
      display: block;
      width: 100%;
      min-height: 40px;
      padding: 0 14px;
      border: 0;
      border-radius: 10px;
      background: none;
      color: inherit;
      font: inherit;
      text-align: left;
      cursor: pointer;
    }
    .kinds button:hover {
      background: var(--act-wash);
    }
  `,
})
export class SaveMenu<Kind extends string> {
  readonly kinds = input.required<readonly { readonly kind: Kind; readonly words: string }[]>();
  readonly disabled = input(false);
  readonly chosen = output<Kind>();
  protected readonly id = `save-kinds-${menus++}`;
}
