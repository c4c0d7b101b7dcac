import { Component, inject } from '@angular/core';
import { ThemeService } from '../data/device/theme';
import { Icon } from './icon';

@Component({
  selector: 'lem-theme-toggle',
  imports: [Icon],
  template: `
    <button type="button" (click)="themes.toggle()" [attr.aria-label]="themes.theme() === 'day' ? 'Evening light' : 'Day light'">
      @if (themes.theme() === 'day') {
        <svg lemIcon="moon" size="20"></svg>
      } @else {
        <svg lemIcon="sun" size="20"></svg>
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
