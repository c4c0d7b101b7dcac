import { Component, input } from '@angular/core';
import { RouterLink } from '@angular/router';
import { LoopMark } from '../drawing/loop-mark';
import { ThemeToggle } from './theme-toggle';

/** The head of a page: the way back to the shelf, the page's name, what can be done with it, day or evening. */
@Component({
  selector: 'lem-page-header',
  imports: [LoopMark, RouterLink, ThemeToggle],
  host: { '[class.brief]': 'brief()' },
  template: `
    <a routerLink="/" aria-label="Back to the shelf"><lem-loop-mark /></a>
    <h1>{{ name() }}</h1>
    <ng-content />
    <lem-theme-toggle />
  `,
  styles: `
    :host {
      display: flex;
      align-items: center;
      gap: 12px;
      min-height: 60px;
      padding: 0 14px 0 18px;
      border-bottom: 1px solid var(--line);
      background: var(--card);
    }
    a {
      display: grid;
      flex: none;
      place-items: center;
      width: 48px;
      height: 44px;
      border-radius: 12px;
      color: var(--act);
    }
    a:hover {
      background: var(--act-wash);
    }
    lem-theme-toggle {
      margin-left: auto;
    }
    h1 {
      overflow: hidden;
      font-size: 20px;
      font-weight: 700;
      text-overflow: ellipsis;
      white-space: nowrap;
    }
    @media (max-width: 760px) {
      :host {
        gap: 8px;
        min-height: 52px;
        padding: 0 6px;
      }
      h1 {
        font-size: 18px;
      }
      :host(.brief) h1 {
        position: absolute;
        clip-path: inset(50%);
      }
    }
  `,
})
export class PageHeader {
  readonly name = input.required<string>();
  /** On a phone the page’s name gives its room to that of what is open. */
  readonly brief = input(false);
}
