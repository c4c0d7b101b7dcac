import { Component, inject } from '@angular/core';
import { RouterLink, RouterLinkActive, RouterOutlet } from '@angular/router';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { MakeDraft } from '../data/open/make-draft';
import { YarnUses } from '../data/follows/yarn-uses';
import { InHand } from './in-hand';
import { Icon } from '../controls/icon';

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
  imports: [Icon, InHand, NzButtonModule, RouterLink, RouterLinkActive, RouterOutlet],
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
        <button nz-button nzType="text" type="button" [disabled]="!draft.canTakeBack()" (click)="draft.takeBack()">
          <svg lemIcon="undo" size="17"></svg> Undo choice
        </button>
      </nav>
      <router-outlet />
    </section>
  `,
  styleUrl: './gather-stage.css',
})
export class GatherStage {
  protected readonly draft = inject(MakeDraft);
  protected readonly views = VIEWS;

  constructor() {
    inject(YarnUses).refresh();
  }
}
