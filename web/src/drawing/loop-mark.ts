import { Component } from '@angular/core';

/** The mark of Lemniscus: one strand crossing itself, as every stitch does. */
@Component({
  selector: 'lem-loop-mark',
  template: `<svg viewBox="0 0 44 24" width="44" height="24" aria-hidden="true">
    <path
      d="M22 12C17.500 5 14 3.500 11 3.500a8.500 8.500 0 0 0 0 17c3 0 6.500-1.500 11-8.500s8-8.500 11-8.500a8.500 8.500 0 0 1 0 17c-3 0-6.500-1.500-11-8.500z"
    />
  </svg>`,
  styles: `
    svg {
      display: block;
    }
    path {
      fill: none;
      stroke: currentcolor;
      stroke-width: 3.4;
    }
  `,
})
export class LoopMark {}
