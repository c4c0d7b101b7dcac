import { Component, computed, inject, signal } from '@angular/core';
import { RouterLink, RouterLinkActive, RouterOutlet } from '@angular/router';
import { yarnWeight } from '@lemniscus/core/gauge';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { CurrentMake } from '../data/open/current-make';
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
    @if (open()) {
      <button type="button" class="behind" aria-label="Done choosing" (click)="open.set(false)"></button>
    }
    <lem-in-hand id="in-hand" [class.open]="open()" (keydown.escape)="open.set(false)" />
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
    <div class="thumb">
      <span>{{ inHand() }}</span>
      <button nz-button type="button" aria-controls="in-hand" [attr.aria-expanded]="open()" (click)="open.set(!open())">
        {{ open() ? 'Done' : 'Change' }}
      </button>
    </div>
  `,
  styleUrl: './gather-stage.css',
})
export class GatherStage {
  protected readonly draft = inject(MakeDraft);
  protected readonly views = VIEWS;
  private readonly current = inject(CurrentMake);
  /** On a phone what is in hand is chosen in a sheet from below. */
  protected readonly open = signal(false);
  protected readonly inHand = computed(() => {
    const make = this.current.make();
    return make ? `${yarnWeight(make.yarnWeight).name} yarn, ${make.hookMm} mm hook` : '';
  });

  constructor() {
    inject(YarnUses).refresh();
  }
}
