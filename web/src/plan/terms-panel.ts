import { Component, computed, inject } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { NumberField } from '../controls/number-field';
import { CalendarFeed } from './calendar-feed';
import { PlanAhead } from '../data/follows/plan-ahead';
import { PlanList } from '../data/owned/plan-list';

const DAYS = ['Mondays', 'Tuesdays', 'Wednesdays', 'Thursdays', 'Fridays', 'Saturdays', 'Sundays'];

/** When there is time in a usual week, and what money is reckoned with. */
@Component({
  selector: 'lem-terms-panel',
  imports: [CalendarFeed, FormsModule, NumberField],
  template: `
    <h2>Minutes in a usual week</h2>
    <div class="fields">
      @for (day of days(); track day.name; let i = $index) {
        <label [for]="'week-' + i">{{ day.name }}</label>
        <lem-number-field
          [inputId]="'week-' + i"
          [min]="0"
          [max]="960"
          whole
          holds
          [by]="15"
          [value]="day.minutes"
          (changed)="setDay(i, $event ?? 0)"
        />
      }
    </div>
    @if (!list.termsSaid()) {
      <p class="soft">Proposed. Say when you really have time.</p>
    }
    <p class="soft">{{ paceWords() }}</p>
    <h2>What it costs</h2>
    <div class="fields">
      <label for="terms-currency">Currency</label>
      <input
        id="terms-currency"
        maxlength="8"
        [ngModel]="list.terms().currency"
        [ngModelOptions]="{ updateOn: 'blur' }"
        (ngModelChange)="list.setTerms({ currency: $event })"
      />
      <label for="terms-wage">Your hour</label>
      <lem-number-field
        inputId="terms-wage"
        [min]="0"
        [max]="1000000"
        holds
        [value]="list.terms().wage"
        (changed)="list.setTerms({ wage: $event ?? 0 })"
      />
      <label for="terms-more">Added, per cent</label>
      <lem-number-field
        inputId="terms-more"
        [min]="0"
        [max]="1000"
        holds
        [value]="list.terms().more"
        (changed)="list.setTerms({ more: $event ?? 0 })"
      />
      <label for="terms-eye">One eye</label>
      <lem-number-field
        inputId="terms-eye"
        [min]="0"
        [max]="1000000"
        [value]="list.terms().eyePrice"
        (changed)="list.setTerms({ eyePrice: $event })"
      />
      <label for="terms-stuffing">Stuffing, a kilo</label>
      <lem-number-field
        inputId="terms-stuffing"
        [min]="0"
        [max]="1000000"
        [value]="list.terms().stuffingPricePerKilo"
        (changed)="list.setTerms({ stuffingPricePerKilo: $event })"
      />
    </div>
    <p class="soft">What a ball of yarn costs stands in the basket.</p>
    <lem-calendar-feed />
  `,
  styles: `
    h2 {
      margin: 6px 0;
      font-size: 17px;
    }
    .fields {
      display: grid;
      grid-template-columns: 1fr 108px;
      align-items: center;
      gap: 6px;
    }
    input {
      width: 104px;
      min-height: 38px;
      padding: 4px 10px;
      border: 1.5px solid var(--line);
      border-radius: 10px;
      background: var(--card);
    }
    .soft {
      margin-top: 6px;
      color: var(--soft);
      font-size: 15px;
    }
  `,
})
export class TermsPanel {
  protected readonly list = inject(PlanList);
  private readonly ahead = inject(PlanAhead);
  protected readonly days = computed(() => this.list.terms().week.map((minutes, i) => ({ name: DAYS[i]!, minutes })));
  protected readonly paceWords = computed(() => {
    const { own, seconds, minutes, spread } = this.ahead.pace();
    const each = `plain ${seconds.plain.toFixed(1)} s a stitch, increases ${seconds.increases.toFixed(1)}, closing ${seconds.closing.toFixed(1)}`;
    return own
      ? `Your pace, from ${Math.round(minutes)} min at the hook: ${each}; one sitting differs from the next by about ${Math.round(100 * spread)} %.`
      : `Reckoned with the common pace until 20 min of yours are known: ${each}.`;
  });

  protected setDay(index: number, minutes: number): void {
    this.list.setTerms({ week: this.list.terms().week.map((own, i) => (i === index ? minutes : own)) });
  }
}
