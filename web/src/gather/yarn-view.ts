import { Component, computed, inject, signal } from '@angular/core';
import { RouterLink } from '@angular/router';
import type { Yarn } from '@lemniscus/api';
import { gramRange, gramWords, metreWords } from '@lemniscus/core/gauge';
import { chooseYarn, inOrder, yarnFor, type Demand, type Plan, type Stop } from '@lemniscus/core/supply';
import { counted } from '@lemniscus/core/notation';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { Select } from '../controls/select';
import { Basket } from '../data/owned/basket';
import { MakeDraft } from '../data/open/make-draft';
import { Gathering } from '../data/follows/gathering';
import { yarnPaint } from '../drawing/yarn-colour';
import { GramField } from '../controls/gram-field';
import { WeighPart } from './weigh-part';
import { YarnThread } from './yarn-thread';
import { NumberField } from '../controls/number-field';

interface Row {
  readonly demand: Demand;
  readonly amount: string;
  readonly words: string;
  readonly plans: readonly { readonly plan: Plan; readonly words: string; readonly act: string | null }[];
}

/** Which yarn each colour is worked in, whether it lasts, where it runs out, and what makes it last. */
@Component({
  selector: 'lem-yarn-view',
  imports: [GramField, NumberField, NzButtonModule, RouterLink, Select, WeighPart, YarnThread],
  templateUrl: './yarn-view.html',
  styleUrl: './yarn-view.css',
})
export class YarnView {
  private readonly draft = inject(MakeDraft);
  protected readonly gathering = inject(Gathering);
  protected readonly basket = inject(Basket);
  protected readonly paint = yarnPaint;
  protected readonly grams = gramWords;

  protected readonly order = computed(() => {
    const { parts, kit } = this.gathering.situation();
    return inOrder(parts, kit).map((part) => part.key);
  });

  protected readonly rows = computed<readonly Row[]>(() =>
    this.gathering.supply().demands.map((demand) => ({
      demand,
      amount: `${gramRange(demand.left.grams, demand.spread)} · about ${metreWords(demand.left.mm)}`,
      words: verdictWords(demand),
      plans: this.gathering.plans(demand.key).map((plan) => ({ plan, ...planWords(plan) })),
    })),
  );

  /** Every colour of every part, for choosing another yarn in one part only. */
  protected readonly places = computed(() => {
    const { parts, kit } = this.gathering.situation();
    return parts.flatMap(({ key, name, fabric }) => {
      const used = new Set(fabric.colour);
      return fabric.colours.flatMap((colour, index) =>
        used.has(index) ? [{ part: key, name, colour, words: colourWords(colour), yarn: yarnFor(kit, key, colour) }] : [],
      );
    });
  });

  protected readonly byPart = signal(false);
  protected readonly weighing = signal<string | null>(null);

  /** Yarns of the make's weight first. */
  protected readonly choices = computed(() => {
    const own = this.gathering.make().yarnWeight;
    const free = new Map(this.gathering.holdings().map((holding) => [holding.yarn.id, holding.free]));
    return [...this.basket.items()]
      .sort((a, b) => Math.abs(a.yarnWeight - own) - Math.abs(b.yarnWeight - own) || a.name.localeCompare(b.name))
      .map((yarn) => ({
        value: yarn.id,
        label: `${yarn.name} ${yarn.colour}, ${gramWords(free.get(yarn.id) ?? yarn.grams)} free${yarn.yarnWeight === own ? '' : ', another weight'}`,
      }));
  });

  /** The yarn a colour is worked in where no part says otherwise. */
  protected chosen(colour: string): string | null {
    return yarnFor(this.gathering.kit(), '', colour);
  }

  protected choose(part: string | null, colour: string, yarn: string | null): void {
    this.gathering.changeKit(chooseYarn(this.gathering.kit(), part, colour, yarn));
  }

  protected setCopies(copies: number | null): void {
    if (copies !== null) this.gathering.changeKit({ copies });
  }

  protected take(plan: Plan): void {
    if (plan.kind === 'hook') this.draft.change({ hookMm: plan.hookMm });
    else if (plan.kind !== 'buy') this.gathering.changeKit(plan.kit);
  }

  protected weighed(yarn: Yarn, grams: number): void {
    this.basket.put({ ...yarn, grams, weighedAt: this.basket.now() });
    this.weighing.set(null);
  }
}

function colourWords(colour: string): string {
  return colour || 'main colour';
}

function stopWords({ name, label, set }: Stop): string {
  return `${name} ${label}${set > 1 ? ` of figure ${set}` : ''}`;
}

function verdictWords({ verdict, free, left, runsOut, mayRunOut }: Demand): string {
  switch (verdict) {
    case 'not chosen':
      return 'Choose a yarn of the basket to see whether it lasts.';
    case 'enough':
      return left.grams <= 0 ? 'All worked.' : `Lasts: ${gramWords(free!)} free.`;
    case 'close':
      return `May run out${mayRunOut ? ` from ${stopWords(mayRunOut)} on` : ''}: ${gramWords(free!)} free.`;
    case 'short':
      return `Runs out in ${runsOut ? stopWords(runsOut) : 'the last rounds'}${mayRunOut && mayRunOut.label !== runsOut?.label ? `, perhaps from ${stopWords(mayRunOut)} on` : ''}: ${gramWords(free!)} free.`;
  }
}

function planWords(plan: Plan): { words: string; act: string | null } {
  switch (plan.kind) {
    case 'swap':
      return { words: `Work ${listed(plan.parts)} in ${plan.yarn.name} ${plan.yarn.colour}: then both last.`, act: 'Do that' };
    case 'hook':
      return {
        words: `Take a ${plan.hookMm} mm hook: it lasts, and all comes out ${Math.round((1 - plan.factor) * 100)} % smaller.`,
        act: 'Do that',
      };
    case 'copies':
      return {
        words: `Make ${counted(plan.kit.copies, 'figure')}: for those it lasts.`,
        act: 'Do that',
      };
    case 'order':
      return { words: `Make the other parts first: then only ${stopWords(plan.stop)} on needs another yarn.`, act: 'Do that' };
    case 'buy': {
      const price = plan.price === null ? '' : `, ${plan.price.toFixed(2)}`;
      return { words: `Buy ${plan.balls} × ${plan.ballGrams} g${price}.`, act: null };
    }
  }
}

function listed(words: readonly string[]): string {
  return words.length < 2 ? (words[0] ?? '') : `${words.slice(0, -1).join(', ')} and ${words.at(-1)}`;
}
