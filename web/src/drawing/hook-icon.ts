import { Component } from '@angular/core';

/** A crochet hook with a loop on it. */
@Component({
  selector: 'lem-hook-icon',
  template: `<svg viewBox="0 0 24 24" width="26" height="26" aria-hidden="true">
    <path d="M10 22V7.500a3 3 0 0 1 6-.4c0 1-.6 1.700-1.600 1.700" />
    <path d="M5 13.500c2.200-3 8-3.400 10.500-.8 1.800 2-.6 4.300-3 3.400" />
  </svg>`,
  styles: `
    path {
      fill: none;
      stroke: currentcolor;
      stroke-width: 1.7;
      stroke-linecap: round;
      stroke-linejoin: round;
    }
  `,
})
export class HookIcon {}
