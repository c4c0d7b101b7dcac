import { booleanAttribute, Component, computed, input, linkedSignal, output } from '@angular/core';
import { NzInputModule } from 'ng-zorro-antd/input';
import { readNumber, type NumberBounds } from './read-number';

/**
 * A field for one number. A comma is a decimal comma, and what cannot be meant is refused in place instead of being
 * bent to fit: NG-ZORRO's own number field reads "3,5" as 35 and makes the nearest allowed number of it.
 */
@Component({
  selector: 'lem-number-field',
  imports: [NzInputModule],
  template: `
    <input
      nz-input
      type="text"
      inputmode="decimal"
      role="spinbutton"
      autocomplete="off"
      [id]="inputId()"
      [value]="shown()"
      [placeholder]="placeholder()"
      [attr.aria-valuenow]="value()"
      [attr.aria-invalid]="problem() ? true : null"
      [attr.aria-describedby]="problem() ? inputId() + '-problem' : null"
      (focus)="before = value()"
      (input)="type($any($event.target).value)"
      (blur)="leave()"
      (keydown.arrowup)="$event.preventDefault(); step(1)"
      (keydown.arrowdown)="$event.preventDefault(); step(-1)"
    />
    @if (problem()) {
      <small [id]="inputId() + '-problem'" role="alert">{{ problem() }}</small>
    }
  `,
  styles: `
    :host {
      display: inline-block;
      width: 104px;
    }
    input {
      width: 100%;
      padding-inline: var(--field-padding, 11px);
      font-size: 18px;
    }
    input[aria-invalid] {
      border-color: var(--warn);
    }
    small {
      display: block;
      color: var(--warn);
      font-size: 15px;
      white-space: nowrap;
    }
  `,
})
export class NumberField {
  readonly inputId = input.required<string>();
  readonly value = input.required<number | null>();
  readonly min = input(Number.NEGATIVE_INFINITY);
  readonly max = input(Number.POSITIVE_INFINITY);
  readonly whole = input(false, { transform: booleanAttribute });
  readonly by = input(1);
  readonly placeholder = input('');
  /** A setting in use: while the text is refused or empty, what was there before typing holds. Otherwise there is no number then. */
  readonly holds = input(false, { transform: booleanAttribute });
  readonly changed = output<number | null>();

  protected before: number | null = null;
  private readonly bounds = computed<NumberBounds>(() => ({ min: this.min(), max: this.max(), whole: this.whole() }));

  /** The number that stands, or was told last: keys can be quicker than what is told comes back. */
  private readonly told = linkedSignal<number | null>(() => this.value());
  /** What is being typed, until the number comes from elsewhere. */
  private readonly typed = linkedSignal<number | null, string | null>({
    source: this.value,
    computation: (value, previous) => {
      const text = previous?.value ?? null;
      return text !== null && this.meant(text) === value ? text : null;
    },
  });
  protected readonly shown = computed(() => this.typed() ?? this.value()?.toString() ?? '');
  protected readonly problem = computed(() => {
    const read = readNumber(this.typed() ?? '', this.bounds());
    return read.ok ? '' : read.message;
  });

  protected type(text: string): void {
    this.typed.set(text);
    const meant = this.meant(text);
    if (meant === this.told()) return;
    this.told.set(meant);
    this.changed.emit(meant);
  }

  protected leave(): void {
    if (!this.problem()) this.typed.set(null);
  }

  protected step(sign: 1 | -1): void {
    const next = (this.value() ?? 0) + sign * this.by();
    this.type(String(Math.min(this.max(), Math.max(this.min(), Number(next.toFixed(6))))));
  }

  private meant(text: string): number | null {
    const read = readNumber(text, this.bounds());
    return (read.ok ? read.value : null) ?? (this.holds() ? this.before : null);
  }
}
