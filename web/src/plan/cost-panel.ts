import { Component, computed, inject, input } from '@angular/core';
import { RouterLink } from '@angular/router';
import { costOf } from '@lemniscus/core/planning';
import { Basket } from '../data/owned/basket';
import { Measurements } from '../data/owned/measurements';
import { PlanList } from '../data/owned/plan-list';
import { demandsFor } from '../data/follows/planned-make';
import { PlanAhead, type PlannedOne } from '../data/follows/plan-ahead';
import { WHOLE_MAKE } from '@lemniscus/core/making';
import { hoursWords } from './plan-words';

/** Stuffing beside the yarn, where nothing was weighed (our own estimate: as heavy as two thirds of the yarn). */
const STUFFING_BESIDE_YARN = 0.66;

/** What one copy costs, line by line, what to ask for it, and how many were made, given, sold and are left. */
@Component({
  selector: 'lem-cost-panel',
  imports: [RouterLink],
  template: `
    <h2>One {{ one().made.make.title }}</h2>
    <table>
      <tbody>
        @for (line of cost().lines; track line.what) {
          <tr>
            <td>{{ line.what }}</td>
            <td>{{ line.known ? money(line.cost) : 'no price yet' }}</td>
          </tr>
        }
        <tr>
          <td>{{ time() }} at {{ money(list.terms().wage) }} an hour</td>
          <td>{{ money(cost().work) }}</td>
        </tr>
        <tr class="sum">
          <td>Together</td>
          <td>{{ money(cost().sum) }}</td>
        </tr>
        <tr class="sum">
          <td>To ask, with {{ list.terms().more }} % more</td>
          <td>{{ money(cost().price) }}</td>
        </tr>
      </tbody>
    </table>
    @if (unknown()) {
      <p class="soft">
        What has no price counts nothing. Yarn prices stand in the <a routerLink="/basket">basket</a>, the rest under “Hours and
        money”.
      </p>
    }
    <p class="soft">{{ stuffingWords() }}</p>
    <h2>Of {{ one().wish.copies }}</h2>
    <p>{{ tally() }}</p>
  `,
  styles: `
    h2 {
      margin: 4px 0;
      font-size: 18px;
    }
    table {
      width: 100%;
      border-collapse: collapse;
    }
    td {
      padding: 5px 0;
      border-bottom: 1px solid var(--line);
    }
    td:last-child {
      text-align: right;
      white-space: nowrap;
    }
    .sum td {
      font-weight: 700;
    }
    .soft {
      margin: 8px 0;
      color: var(--soft);
      font-size: 15px;
    }
  `,
})
export class CostPanel {
  readonly one = input.required<PlannedOne>();
  protected readonly list = inject(PlanList);
  private readonly ahead = inject(PlanAhead);
  private readonly basket = inject(Basket);
  private readonly measurements = inject(Measurements);

  private readonly finished = computed(() => {
    const said = this.one().made.make.said[WHOLE_MAKE]?.findLast((event) => event.kind === 'finished');
    return said?.kind === 'finished' && said.day !== null ? said : null;
  });
  private readonly yarns = computed(() => {
    const { made } = this.one();
    const holdings = this.basket.items().map((yarn) => ({ yarn, free: yarn.grams }));
    const fresh = { ...made, finished: true };
    return demandsFor(fresh, 1, holdings, this.measurements.items()).map(({ yarn, colours, left }) => {
      const price = yarn?.price ?? null;
      return {
        name: yarn ? `${yarn.name}, ${yarn.colour}` : `Yarn, ${colours.join(', ') || 'main colour'}`,
        grams: left.grams,
        pricePerGram: price !== null && yarn?.ballGrams ? price / yarn.ballGrams : null,
      };
    });
  });
  private readonly stuffing = computed(() => {
    const weighed = this.finished()?.stuffingGrams ?? null;
    const guessed = this.yarns().reduce((sum, { grams }) => sum + grams, 0) * STUFFING_BESIDE_YARN;
    return { grams: weighed ?? guessed, weighed: weighed !== null };
  });
  private readonly minutes = computed(() => this.ahead.minutesOf(this.one()));
  protected readonly time = computed(() => hoursWords(this.minutes()));
  protected readonly cost = computed(() => {
    const terms = this.list.terms();
    const { grams } = this.stuffing();
    const { eyePrice, stuffingPricePerKilo, wage, more } = terms;
    const eyes = this.one().made.eyes;
    return costOf(
      { yarns: this.yarns(), eyes, eyePrice, stuffingGrams: grams, stuffingPricePerKilo, minutes: this.minutes() },
      { wage, more },
    );
  });
  protected readonly unknown = computed(() => this.cost().lines.some(({ known }) => !known));
  protected readonly stuffingWords = computed(() => {
    const { grams, weighed } = this.stuffing();
    return weighed
      ? `${grams} g of stuffing, as the finished one was weighed.`
      : `About ${Math.round(grams)} g of stuffing is guessed from the yarn; weigh a finished one to know.`;
  });
  protected readonly tally = computed(() => {
    const { wish, batch, done } = this.one();
    const whole = Math.min(
      ...batch.order.map((job) => Math.floor((done.get(job.id) ?? 0) / Math.max(1, job.units))),
      wish.copies,
    );
    const finished = Math.max(batch.order.length > 0 ? whole : 0, wish.given + wish.sold);
    const left = finished - wish.given - wish.sold;
    const taken = wish.sold * this.cost().price;
    return `${finished} made, ${wish.given} given, ${wish.sold} sold${wish.sold > 0 ? ` (${this.money(taken)} at the price asked)` : ''}, ${left} left.`;
  });

  protected money(amount: number): string {
    const { currency } = this.list.terms();
    return currency ? `${amount.toFixed(2)} ${currency}` : amount.toFixed(2);
  }
}
