import { Component } from '@angular/core';
import { RouterLink, RouterLinkActive } from '@angular/router';

/** The two sides of know-how: the cards, and learning to read the work. */
@Component({
  selector: 'lem-knowhow-tabs',
  imports: [RouterLink, RouterLinkActive],
  template: `
    <nav aria-label="Know-how">
      <a routerLink="/know-how" routerLinkActive="on" [routerLinkActiveOptions]="here" ariaCurrentWhenActive="page">Cards</a>
      <a routerLink="/know-how/reading" routerLinkActive="on" ariaCurrentWhenActive="page">Reading<span>&nbsp;the work</span></a>
    </nav>
  `,
  styles: `
    nav {
      display: flex;
      gap: 4px;
    }
    a {
      display: flex;
      align-items: center;
      min-height: 44px;
      padding: 0 14px;
      border-radius: 12px;
      color: var(--soft);
      text-decoration: none;
    }
    a:hover {
      background: var(--act-wash);
    }
    a.on {
      background: var(--ink);
      color: var(--paper);
    }
    @media (max-width: 760px) {
      a {
        padding: 0 9px;
        font-size: 15px;
      }
      span {
        display: none;
      }
    }
  `,
})
export class KnowhowTabs {
  /** Whatever card is open. */
  protected readonly here = { paths: 'exact', queryParams: 'ignored', matrixParams: 'ignored', fragment: 'ignored' } as const;
}
