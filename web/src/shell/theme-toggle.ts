import { Component, inject } from '@angular/core';
import { LucideMoon, LucideSun } from '@lucide/angular';
import { ThemeService } from './theme';

@Component({
  selector: 'lem-theme-toggle',
  imports: [LucideMoon, LucideSun],
  template: `
    <button type="button" (click)="themes.toggle()" [attr.aria-label]="themes.theme() === 'day' ? 'Evening light' : 'Day light'">
      @if (themes.theme() === 'day') {
        <svg lucideMoon [size]="20"></svg>
      } @else {
        <svg lucideSun [size]="20"></svg>
      }
    </button>
  `,
  styles: `
    button {
      display: grid;
      place-items: center;
      width: 44px;
      height: 44px;
      border: 0;
      border-radius: 50%;
      background: none;
      color: var(--soft);
      cursor: pointer;
    }
    button:hover {
      background: var(--act-wash);
      color: var(--ink);
    }
  `,
})
export class ThemeToggle {
  protected readonly themes = inject(ThemeService);
}
