import { Component, inject } from '@angular/core';
import { RouterLink, RouterLinkActive, RouterOutlet } from '@angular/router';
import { LucideUndo2 } from '@lucide/angular';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { CurrentMake } from '../data/current-make';
import { YarnUses } from '../data/yarn-uses';
import { InHand } from './in-hand';

const VIEWS = [
  { path: '.', name: 'Size' },
  { path: 'yarn', name: 'Yarn' },
  { path: 'details', name: 'Eyes, stuffing' },
  { path: 'list', name: 'To get' },
  { path: 'compare', name: 'Compare' },
];

/** What is in the maker's hand, and all that follows from it. */
@Component({
  selector: 'lem-gather-stage',
  imports: [InHand, LucideUndo2, NzButtonModule, RouterLink, RouterLinkActive, RouterOutlet],
  template: `
    <lem-in-hand />
    <section class="follows">
      <nav aria-label="Gather">
        @for (view of views; track view.path) {
          <a
            [routerLink]="view.path"
            routerLinkActive="on"
            ariaCurrentWhenActive="page"
            [routerLinkActiveOptions]="{ exact: true }"
            >{{ view.name }}</a
          >
        }
        <button
          nz-button
          nzType="text"
          type="button"
          [disabled]="!current.draft.canTakeBack()"
          (click)="current.draft.takeBack()"
        >
          <svg lucideUndo2 [size]="17"></svg> Undo choice
        </button>
      </nav>
      <router-outlet />
    </section>
  `,
  styleUrl: './gather-stage.css',
})
export class GatherStage {
  protected readonly current = inject(CurrentMake);
  protected readonly views = VIEWS;

  constructor() {
    inject(YarnUses).refresh();
  }
}
