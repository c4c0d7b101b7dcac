import { Component, computed, input } from '@angular/core';
import qrcode from 'qrcode-generator';

/** Light modules around the code, as scanners need them (ISO/IEC 18004, recalled: four). */
const QUIET = 4;

/** Words as a square that a camera reads; always dark on light, whatever the theme, as cameras want it. */
@Component({
  selector: 'lem-qr-code',
  template: `
    <svg [attr.viewBox]="'0 0 ' + code().size + ' ' + code().size" role="img" [attr.aria-label]="'Code to scan: ' + words()">
      <rect [attr.width]="code().size" [attr.height]="code().size" rx="2" fill="#fff" />
      <path [attr.d]="code().dark" fill="#111" />
    </svg>
  `,
  styles: `
    svg {
      display: block;
      width: 100%;
      shape-rendering: crispEdges;
    }
  `,
})
export class QrCode {
  readonly words = input.required<string>();

  protected readonly code = computed(() => {
    const made = qrcode(0, 'M');
    made.addData(this.words());
    made.make();
    const count = made.getModuleCount();
    let dark = '';
    for (let row = 0; row < count; row++)
      for (let column = 0; column < count; column++)
        if (made.isDark(row, column)) dark += `M${column + QUIET} ${row + QUIET}h1v1h-1z`;
    return { size: count + 2 * QUIET, dark };
  });
}
