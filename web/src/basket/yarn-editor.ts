import { Component, computed, inject, input, linkedSignal, output, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { Yarn } from '@lemniscus/api';
import { YARN_WEIGHTS, yarnWeight, type YarnWeightNumber } from '@lemniscus/core/gauge';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzInputModule } from 'ng-zorro-antd/input';
import { Select } from '../controls/select';
import { GramField } from '../controls/gram-field';
import { Basket } from '../data/owned/basket';
import { NumberField } from '../controls/number-field';

type Words = 'name' | 'colour' | 'fibre' | 'dyeLot';
type Numbers = 'grams' | 'metresPer100g' | 'ballGrams' | 'price';

const WORDS: readonly { readonly field: Words; readonly label: string }[] = [
  { field: 'name', label: 'Name' },
  { field: 'colour', label: 'Colour' },
  { field: 'fibre', label: 'Fibre' },
  { field: 'dyeLot', label: 'Dye lot' },
];
const NUMBERS: readonly { readonly field: Numbers; readonly label: string; readonly unit: string }[] = [
  { field: 'metresPer100g', label: 'Metres in 100 g', unit: 'm' },
  { field: 'ballGrams', label: 'A ball as sold', unit: 'g' },
  { field: 'price', label: 'Price of a ball', unit: '' },
];

/** What is being typed: any number may be missing or wrong until it is kept. */
type Draft = Record<Words, string> & Record<Numbers, number | null> & { readonly yarnWeight: YarnWeightNumber };

/** One yarn, to put in or to change. */
@Component({
  selector: 'lem-yarn-editor',
  imports: [FormsModule, GramField, NumberField, NzButtonModule, NzInputModule, Select],
  templateUrl: './yarn-editor.html',
  styleUrl: './yarn-editor.css',
})
export class YarnEditor {
  /** The yarn to change; null for a new one. */
  readonly yarn = input.required<Yarn | null>();
  readonly kept = output<Yarn>();
  readonly removed = output<Yarn>();
  readonly closed = output();

  private readonly basket = inject(Basket);
  protected readonly words = WORDS;
  protected readonly numbers = NUMBERS;
  protected readonly weights = YARN_WEIGHTS.map(({ number, name }) => ({ value: number, label: `${number} ${name}` }));
  protected readonly weighing = signal(false);
  private readonly tried = signal(false);

  protected readonly draft = linkedSignal<Yarn | null, Draft>({
    source: this.yarn,
    computation: (yarn) => yarn ?? blank(this.basket.items().at(-1)?.yarnWeight ?? 4),
  });

  /** What is wrong at each field; only said once keeping was tried. */
  protected readonly problems = computed<ReadonlyMap<string, string>>(() => {
    if (!this.tried()) return new Map();
    const parsed = Yarn.safeParse(this.finished());
    return new Map(parsed.success ? [] : parsed.error.issues.map((issue) => [String(issue.path[0]), issue.message]));
  });

  protected readonly usualMetres = computed(() => yarnWeight(this.draft().yarnWeight).metres);

  protected set<Field extends keyof Draft>(field: Field, value: Draft[Field]): void {
    this.draft.update((draft) => ({ ...draft, [field]: value }));
  }

  protected keep(): void {
    this.tried.set(true);
    const parsed = Yarn.safeParse(this.finished());
    if (!parsed.success) return;
    this.tried.set(false);
    this.kept.emit(parsed.data);
  }

  /** The draft as a yarn, as far as it is one. */
  private finished(): unknown {
    const before = this.yarn();
    const draft = this.draft();
    const weighedAt = before?.grams === draft.grams ? before.weighedAt : this.basket.now();
    return { ...draft, id: before?.id ?? crypto.randomUUID(), weighedAt };
  }
}

function blank(number: YarnWeightNumber): Draft {
  return {
    name: '',
    colour: '',
    fibre: '',
    dyeLot: '',
    yarnWeight: number,
    metresPer100g: null,
    grams: null,
    ballGrams: null,
    price: null,
  };
}
