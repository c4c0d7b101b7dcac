import { Component, inject } from '@angular/core';
import { RouterOutlet } from '@angular/router';
import { NavigationTrouble } from './navigation-trouble';
import { ThemeService } from './theme';

@Component({
  selector: 'lem-root',
  imports: [RouterOutlet],
  template: `
    @if (trouble.happened()) {
      <p role="alert">
        This screen could not be opened, as the server cannot be reached. Start it again with npm start, then
        <button type="button" (click)="reload()">reload the page</button>. What you did is kept.
      </p>
    }
    <router-outlet />
  `,
  styles: `
    p {
      padding: 12px 24px;
      background: var(--warn-wash);
    }
    button {
      padding: 6px 12px;
      border: 1.5px solid var(--line);
      border-radius: 10px;
      background: var(--card);
      font-weight: 600;
      cursor: pointer;
    }
  `,
})
export class Root {
  protected readonly trouble = inject(NavigationTrouble);

  constructor() {
    inject(ThemeService);
  }

  protected reload(): void {
    location.reload();
  }
}
