import { Component, computed, inject, input } from '@angular/core';
import { Photos } from '../data/owned/photos';

/** The latest photo of a make, standing on its plank; nothing where there is none. */
@Component({
  selector: 'lem-plank-photo',
  host: { '[class.shown]': 'photo() !== null' },
  template: `
    @if (photo(); as shown) {
      <img [src]="photos.url(shown)" [alt]="'Photo of ' + title()" [width]="shown.width" [height]="shown.height" loading="lazy" />
    }
  `,
  styles: `
    :host {
      grid-area: figure;
      align-self: end;
      justify-self: end;
      z-index: 1;
    }
    img {
      display: block;
      width: auto;
      height: 190px;
      border: 7px solid #fffdf8;
      border-radius: 4px;
      box-shadow: 0 2px 10px rgb(20 30 40 / 24%);
    }
    :host-context(.dense) img {
      height: 88px;
      border-width: 4px;
    }
  `,
})
export class PlankPhoto {
  readonly make = input.required<string>();
  readonly title = input.required<string>();
  protected readonly photos = inject(Photos);
  protected readonly photo = computed(() => this.photos.of(this.make())[0] ?? null);
}
