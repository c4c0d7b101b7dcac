import { Component, computed, inject } from '@angular/core';
import { RouterLink } from '@angular/router';
import { yarnWeight } from '@lemniscus/core/gauge';
import type { Day } from '@lemniscus/core/planning';
import { ballsFor } from '@lemniscus/core/supply';
import { Basket } from '../data/owned/basket';
import { Measurements } from '../data/owned/measurements';
import { demandsFor } from '../data/follows/planned-make';
import { PlanAhead } from '../data/follows/plan-ahead';
import { dayWords } from '../controls/day-words';

interface Need {
  readonly what: string;
  grams: number;
  spread: number;
  have: number | null;
  by: Day | null;
  readonly for: string[];
  readonly yarn: Parameters<typeof ballsFor>[1];
}

/** What to get for the whole plan at once, held against the basket, the soonest first. */
@Component({
  selector: 'lem-get-panel',
  imports: [RouterLink],
  template: `
    <h2>For the whole plan</h2>
    <table>
      <thead>
        <tr>
          <th>What</th>
          <th>Takes</th>
          <th>In the basket</th>
          <th>Get</th>
          <th>By</th>
        </tr>
      </thead>
      <tbody>
        @for (need of needs(); track need.what) {
          <tr [class.short]="need.get">
            <td>
              <b>{{ need.what }}</b><small>{{ need.for }}</small>
            </td>
            <td>{{ need.takes }}</td>
            <td>{{ need.have }}</td>
            <td>
              <b>{{ need.get || 'enough' }}</b>
            </td>
            <td>{{ need.by }}</td>
          </tr>
        } @empty {
          <tr>
            <td colspan="5">Nothing is wanted yet.</td>
          </tr>
        }
      </tbody>
    </table>
    <p class="soft">
      Yarn is give or take; what to get covers the most it may be. Which yarn goes where is chosen in each make’s Gather.
      <a routerLink="/basket">Basket</a>
    </p>
  `,
  styles: `
    h2 {
      margin: 0 0 6px;
      font-size: 19px;
    }
    table {
      width: 100%;
      border-collapse: collapse;
      font-size: 15px;
    }
    th {
      color: var(--soft);
      font-weight: 400;
      text-align: left;
    }
    th,
    td {
      padding: 6px 8px 6px 0;
      border-bottom: 1px solid var(--line);
      vertical-align: top;
    }
    td:not(:first-child) {
      white-space: nowrap;
    }
    small {
      display: block;
      color: var(--soft);
    }
    .short td:nth-child(4) {
      color: var(--warn);
    }
    .soft {
      margin-top: 10px;
      color: var(--soft);
      font-size: 15px;
    }
  `,
})
export class GetPanel {
  private readonly ahead = inject(PlanAhead);
  private readonly basket = inject(Basket);
  private readonly measurements = inject(Measurements);

  protected readonly needs = computed(() => {
    const needs = new Map<string, Need>();
    const holdings = this.basket.items().map((yarn) => ({ yarn, free: yarn.grams }));
    let [eyes, eyesBy] = [0, null as Day | null];
    for (const { wish, made } of this.ahead.planned()) {
      for (const { key, yarn, colours, left, spread } of demandsFor(made, wish.copies, holdings, this.measurements.items())) {
        const what = yarn
          ? `${yarn.name}, ${yarn.colour}`
          : `${yarnWeight(made.make.yarnWeight).name} yarn, ${colours.filter(Boolean).join(', ') || 'main colour'}`;
        const own = yarn ? key : what;
        const known = needs.get(own) ?? {
          what,
          grams: 0,
          spread,
          have: yarn?.grams ?? null,
          by: null,
          for: [],
          yarn: yarn ?? null,
        };
        known.grams += left.grams;
        known.spread = Math.max(known.spread, spread);
        known.by = earlier(known.by, wish.by);
        known.for.push(made.make.title);
        needs.set(own, known);
      }
      eyes += made.eyes * wish.copies;
      if (made.eyes > 0) eyesBy = earlier(eyesBy, wish.by);
    }
    const yarns = [...needs.values()]
      .sort((a, b) => ((a.by ?? '9') < (b.by ?? '9') ? -1 : 1))
      .map((need) => {
        const most = need.grams * (1 + need.spread);
        const missing = Math.max(0, most - (need.have ?? 0));
        const { balls, ballGrams } = ballsFor(missing, need.yarn);
        return {
          what: need.what,
          for: [...new Set(need.for)].join(', '),
          takes: `${Math.round(need.grams)} g ± ${Math.round(need.grams * need.spread)}`,
          have: need.have === null ? 'not chosen' : `${Math.round(need.have)} g`,
          get: missing > 0 ? `${balls} × ${ballGrams} g` : '',
          by: need.by === null ? '' : dayWords(need.by),
        };
      });
    const pairs =
      eyes > 0
        ? [
            {
              what: 'Safety eyes',
              for: 'sizes are in each make’s Gather',
              takes: `${eyes}`,
              have: '',
              get: `${eyes}`,
              by: eyesBy === null ? '' : dayWords(eyesBy),
            },
          ]
        : [];
    return [...yarns, ...pairs];
  });
}

function earlier(one: Day | null, two: Day | null): Day | null {
  return one === null ? two : two === null || one < two ? one : two;
}
