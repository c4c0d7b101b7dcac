import { Component, input, output } from '@angular/core';

/** For a group name of its own in the page. */
let groups = 0;

/** One of a few, all in sight: the browser's own radio buttons as one bar. */
@Component({
  selector: 'lem-choice',
  template: `
    <div role="radiogroup" [attr.aria-label]="label()">
      @for (option of options(); track option.value) {
        <label [class.on]="option.value === value()">
          <input
            type="radio"
            class="visually-hidden"
            [name]="group"
            [value]="option.value"
            [checked]="option.value === value()"
            (change)="chosen.emit(option.value)"
          />{{ option.label }}</label
        >
      }
    </div>
  `,
  styles: `
    :host {
      display: inline-block;
      flex: none;
      max-width: 100%;
      overflow-x: auto;
    }
    div {
      display: flex;
      width: max-content;
      min-width: 100%;
      padding: 3px;
      border-radius: 13px;
      background: var(--line);
    }
    label {
      position: relative;
      display: grid;
      flex: none;
      place-items: center;
      min-height: 38px;
      padding: 0 11px;
      border-radius: 10px;
      color: var(--ink);
      font-size: 16px;
      font-weight: 400;
      cursor: pointer;
      white-space: nowrap;
    }
    @media (pointer: coarse), (max-width: 1080px) {
      label {
        min-width: 44px;
        min-height: 44px;
      }
    }
    label:hover {
      background: color-mix(in srgb, var(--card) 40%, transparent);
    }
    label.on {
      background: var(--card);
      font-weight: 600;
    }
    label:has(:focus-visible) {
      outline: 3px solid var(--act);
      outline-offset: 1px;
    }
  `,
})
export class Choice<T extends string> {
  readonly options = input.required<readonly { readonly label: string; readonly value: T }[]>();
  readonly value = input.required<T>();
  readonly label = input.required<string>();
  readonly chosen = output<T>();

  protected readonly group = `choice-${++groups}`;
}
