import { Component, computed, effect, inject, input, output, signal, untracked } from '@angular/core';
import { RESHAPES, type Reshape } from '@lemniscus/core/design';
import { checkPattern, type PatternCount } from '@lemniscus/core/fabric';
import { yarnWeight, type StitchSize, type YarnWeightNumber } from '@lemniscus/core/gauge';
import { read } from '@lemniscus/core/notation';
import { FIRST_LEAST, FIRST_MOST, LARGEST, SMALLEST, takes, type Change } from '@lemniscus/core/resize';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { Choice } from '../controls/choice';
import { NumberField } from '../controls/number-field';
import { Designs } from '../data/follows/designs';
import type { SettledReading } from '../data/open/settled-reading';
import type { DesignQuestion } from '../workers/design-messages';

type Aim = 'by' | 'height' | 'yarn' | 'eyes' | 'shape';
type Scope = 'all' | 'part';

const AIMS: readonly { readonly label: string; readonly value: Aim }[] = [
  { label: 'Times', value: 'by' },
  { label: 'Height', value: 'height' },
  { label: 'Yarn', value: 'yarn' },
  { label: 'Eyes', value: 'eyes' },
  { label: 'Shape', value: 'shape' },
];

/** A pattern made larger or smaller in the same yarn, or one of its parts by a step: what it becomes, before it is written. */
@Component({
  selector: 'lem-remake-panel',
  imports: [Choice, NumberField, NzButtonModule],
  templateUrl: './remake-panel.html',
  styleUrl: './remake-panel.css',
})
export class RemakePanel {
  readonly reading = input.required<SettledReading>();
  /** Index of the part that is looked at. */
  readonly part = input.required<number>();
  readonly stitch = input.required<StitchSize>();
  readonly yarn = input.required<number>();
  /** The pattern as it would be; null while there is none. */
  readonly made = output<PatternCount | null>();
  readonly written = output<string>();
  readonly closed = output();

  private readonly look = inject(Designs).look((answer) => ('remade' in answer ? answer.remade : undefined));
  protected readonly state = this.look.state;
  protected readonly aims = AIMS;
  protected readonly reshapes = RESHAPES;
  protected readonly bounds = { SMALLEST, LARGEST, FIRST_LEAST, FIRST_MOST };
  protected readonly aim = signal<Aim>('by');
  protected readonly scope = signal<Scope>('all');
  protected readonly by = signal<number | null>(1.2);
  protected readonly mm = signal<number | null>(150);
  protected readonly grams = signal<number | null>(40);
  protected readonly eyes = signal<number | null>(12);
  protected readonly change = signal<Change>({ is: 'shape', how: 'rounder' });
  protected readonly rounds = signal<number | null>(3);
  protected readonly first = signal<number | null>(8);

  private readonly partName = computed(() => this.reading().count.parts[this.part()]?.part.name ?? '');
  protected readonly scopes = computed<readonly { readonly label: string; readonly value: Scope }[]>(() => [
    { label: 'The whole figure', value: 'all' },
    { label: `Only ${this.partName()}`, value: 'part' },
  ]);

  private readonly hands = computed(() => ({ stitch: this.stitch(), yarnWeight: this.yarn() as YarnWeightNumber }));
  private readonly question = computed<DesignQuestion | null>(() => {
    const { text } = this.reading();
    if (this.aim() === 'shape') return { is: 'change', text, part: this.part(), change: this.change(), stitch: this.stitch() };
    const aim = this.aimed();
    const only = this.scope() === 'part' ? [this.part()] : null;
    return aim && { is: 'resize', text, aim, hands: this.hands(), only };
  });

  private aimed(): Extract<DesignQuestion, { is: 'resize' }>['aim'] | null {
    const [by, mm, grams, eyes] = [this.by(), this.mm(), this.grams(), this.eyes()];
    switch (this.aim()) {
      case 'by':
        return by === null ? null : { to: 'by', by };
      case 'height':
        return mm === null ? null : { to: 'height', mm };
      case 'yarn':
        return grams === null ? null : { to: 'yarn', grams };
      default:
        return eyes === null ? null : { to: 'eyes', mm: eyes };
    }
  }

  protected readonly refused = computed(() => {
    const answer = this.state().answer;
    return this.state().trouble ?? (answer && 'refused' in answer ? answer.refused : '');
  });
  protected readonly remade = computed(() => {
    const answer = this.state().answer;
    return answer && 'text' in answer && this.question() ? answer : null;
  });
  private readonly count = computed(() => {
    const remade = this.remade();
    return remade && checkPattern(read(remade.text));
  });

  /** What changes, part by part. */
  protected readonly rows = computed(() => {
    const [before, after] = [this.reading().count.parts, this.count()?.parts];
    if (!after) return [];
    return before.flatMap(({ part, rounds }, index) => {
      const now = after[index]?.rounds ?? [];
      const [was, is] = [rounds, now].map((each) => each.map(({ makes }) => makes));
      const same = was!.join() === is!.join();
      return [{ name: part.name, was: sumOf(was!), is: sumOf(is!), same }];
    });
  });
  protected readonly told = computed(() => {
    const count = this.count();
    const remade = this.remade();
    if (!count || !remade) return null;
    const { stitches, metres, grams, hours } = takes(count, this.hands());
    const weight = yarnWeight(this.yarn() as YarnWeightNumber).name.toLowerCase();
    const wrong = count.diagnostics.filter(({ severity }) => severity === 'error').length;
    const before = this.reading().count.diagnostics.filter(({ severity }) => severity === 'error').length;
    const reached =
      remade.reached === null
        ? ''
        : this.aim() === 'yarn'
          ? `, ${Math.round(remade.reached)} g`
          : `, ${Math.round(remade.reached)} mm`;
    return {
      by: remade.by === null ? '' : `${remade.by} times as large${this.aim() === 'eyes' ? '' : reached}`,
      takes: `${stitches} stitches, about ${Math.round(metres)} m (${Math.round(grams)} g) of ${weight} yarn and ${hours.toFixed(1)} h, give or take a quarter`,
      looks: [
        ...remade.looks.map((at) => `${at} keeps its own words. Look at it.`),
        ...(wrong > before ? ['Some rounds do not count any more. They are marked once it is written.'] : []),
      ],
    };
  });

  constructor() {
    effect(() => {
      const question = this.question();
      untracked(() => (question ? this.look.ask(question) : this.look.stop()));
    });
    effect(() => {
      const count = this.count();
      untracked(() => this.made.emit(count));
    });
  }

  protected reshape(how: Reshape): void {
    this.change.set({ is: 'shape', how });
  }

  protected longer(rounds: number | null): void {
    this.rounds.set(rounds);
    if (rounds !== null && rounds !== 0) this.change.set({ is: 'longer', rounds });
  }

  protected start(count: number | null): void {
    this.first.set(count);
    if (count !== null) this.change.set({ is: 'start', count });
  }

  protected isOn(how: Reshape): boolean {
    const change = this.change();
    return change.is === 'shape' && change.how === how;
  }

  protected write(): void {
    const remade = this.remade();
    if (remade) this.written.emit(remade.text);
  }
}

function sumOf(counts: readonly number[]): { readonly rounds: number; readonly stitches: number; readonly widest: number } {
  return { rounds: counts.length, stitches: counts.reduce((sum, each) => sum + each, 0), widest: Math.max(0, ...counts) };
}
