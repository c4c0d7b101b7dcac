import { booleanAttribute, Component, inject, input, output, ViewEncapsulation } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { en_US, NzI18nService } from 'ng-zorro-antd/i18n';
import { NzSelectModule } from 'ng-zorro-antd/select';

/** One of many, from a list that opens. NG-ZORRO’s list in our own dress, which comes with it: its whole style sheet is ten times as large. */
@Component({
  selector: 'lem-select',
  imports: [FormsModule, NzSelectModule],
  template: `
    <nz-select
      [nzId]="inputId()"
      [nzOptions]="$any(options())"
      [nzPlaceHolder]="placeholder()"
      [nzAllowClear]="clearable()"
      [ngModel]="value()"
      [ngModelOptions]="{ standalone: true }"
      (ngModelChange)="chosen.emit($event)"
    />
  `,
  styleUrl: './select.css',
  encapsulation: ViewEncapsulation.None,
})
export class Select<T> {
  readonly inputId = input.required<string>();
  readonly options = input.required<readonly { readonly value: T; readonly label: string }[]>();
  readonly value = input.required<T | null>();
  readonly placeholder = input('');
  /** Whether none can be chosen again. */
  readonly clearable = input(false, { transform: booleanAttribute });
  readonly chosen = output<T>();

  constructor() {
    inject(NzI18nService).setLocale(en_US);
  }
}
