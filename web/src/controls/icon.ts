import { Directive, effect, ElementRef, inject, input, numberAttribute } from '@angular/core';
import ellipsis from 'lucide/dist/esm/icons/ellipsis.mjs';
import fileText from 'lucide/dist/esm/icons/file-text.mjs';
import moon from 'lucide/dist/esm/icons/moon.mjs';
import notebook from 'lucide/dist/esm/icons/notebook-pen.mjs';
import phone from 'lucide/dist/esm/icons/smartphone.mjs';
import pin from 'lucide/dist/esm/icons/pin.mjs';
import plus from 'lucide/dist/esm/icons/plus.mjs';
import ruler from 'lucide/dist/esm/icons/ruler.mjs';
import sun from 'lucide/dist/esm/icons/sun.mjs';
import undo from 'lucide/dist/esm/icons/undo-2.mjs';

/** The icons in use; another is one import and one name more. */
const ICONS = { ellipsis, fileText, moon, notebook, phone, pin, plus, ruler, sun, undo } as const;

/** An icon in the colour of the words beside it; it says nothing by itself. */
@Directive({
  selector: 'svg[lemIcon]',
  host: {
    '[attr.width]': 'size()',
    '[attr.height]': 'size()',
    '[attr.stroke-width]': 'strokeWidth()',
    viewBox: '0 0 24 24',
    fill: 'none',
    stroke: 'currentColor',
    'stroke-linecap': 'round',
    'stroke-linejoin': 'round',
    'aria-hidden': 'true',
  },
})
export class Icon {
  readonly lemIcon = input.required<keyof typeof ICONS>();
  /** px */
  readonly size = input(24, { transform: numberAttribute });
  readonly strokeWidth = input(2, { transform: numberAttribute });

  constructor() {
    const svg = inject<ElementRef<SVGElement>>(ElementRef).nativeElement;
    effect(() => svg.replaceChildren(...ICONS[this.lemIcon()].map(([tag, attributes]) => shape(tag, attributes))));
  }
}

function shape(tag: string, attributes: Readonly<Record<string, string | number>>): SVGElement {
  const element = document.createElementNS('http://www.w3.org/2000/svg', tag);
  for (const [name, value] of Object.entries(attributes)) element.setAttribute(name, String(value));
  return element;
}
