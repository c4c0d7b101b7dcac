import { Component, inject } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { RouterOutlet } from '@angular/router';
import { SwUpdate } from '@angular/service-worker';
import { filter, map } from 'rxjs';
import { EverythingSent } from '../data/follows/everything-sent';
import { NavigationTrouble } from './navigation-trouble';
import { Server } from '../data/server/server';
import { ThemeService } from '../data/device/theme';

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
    @if (unknownHere()) {
      <p role="alert">
        This device is not known to the computer (any more). What you do is kept here. <a href="/pair/">Pair it again</a> to send
        it.
      </p>
    }
    @if (updated()) {
      <p class="quiet" role="status">
        A newer Lemniscus is here. <button type="button" (click)="reload()">Reload the page</button> when it suits you; what you
        did is kept.
      </p>
    }
    <router-outlet />
  `,
  styles: `
    p {
      padding: 12px 24px;
      background: var(--warn-wash);
    }
    .quiet {
      background: var(--act-wash);
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
  protected readonly unknownHere = inject(Server).unknownHere;
  /** Whether the service worker has fetched a newer version than the one that runs. */
  protected readonly updated = toSignal(
    inject(SwUpdate).versionUpdates.pipe(
      filter((update) => update.type === 'VERSION_READY'),
      map(() => true),
    ),
    { initialValue: false },
  );

  constructor() {
    inject(ThemeService);
    inject(EverythingSent);
  }

  protected reload(): void {
    location.reload();
  }
}
