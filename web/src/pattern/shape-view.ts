import { Component, computed, input, linkedSignal, output, signal, viewChild } from '@angular/core';
import { checkPattern, type PatternCount } from '@lemniscus/core/fabric';
import { estimateStitch, type StitchSize } from '@lemniscus/core/gauge';
import { applyEdits, read, type TextEdit } from '@lemniscus/core/notation';
import { FIRM } from '@lemniscus/core/shape';
import { staggerPart } from '@lemniscus/core/spacing';
import { statedKit } from '@lemniscus/core/supply';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { isPlush } from '../controls/part-shape/figure-paint';
import { PartShape } from '../controls/part-shape/part-shape';
import type { PatternLine } from '../controls/part-shape/shape-marks';
import { SaveMenu } from '../controls/save-menu';
import { saveBlob } from '../data/device/files';
import { BeforeAfter } from './before-after';
import { RemakePanel } from './remake-panel';
import type { SettledReading } from '../data/open/settled-reading';

/** What a figure is sized by where neither the make nor the pattern names a yarn and a hook: medium on a usual hook (common practice). */
const USUAL = { yarnWeight: 4, hookMm: 3.5 } as const;

type SaveKind = 'png' | 'svg' | 'glb' | 'stl';

/** One part in the round, with the line at the cursor lit; staggered beside it, where its changes stack up. */
@Component({
  selector: 'lem-shape-view',
  imports: [BeforeAfter, NzButtonModule, PartShape, RemakePanel, SaveMenu],
  templateUrl: './shape-view.html',
  styleUrl: './shape-view.css',
})
export class ShapeView {
  readonly reading = input.required<SettledReading>();
  readonly here = input<PatternLine | null>(null);
  /** Size of a stitch in the make's yarn and hook; null where there is no make yet. */
  readonly stitch = input<StitchSize | null>(null);
  readonly yarnWeight = input<number | null>(null);
  /** Share by which the maker's stuffing stretches a part. */
  readonly stretch = input(FIRM);
  /** Share by which widths may be out with the make's yarn and hook; null where there is no make yet. */
  readonly spread = input<number | null>(null);
  readonly goTo = output<number>();
  readonly edit = output<readonly TextEdit[]>();

  private readonly shown = viewChild(PartShape);

  protected readonly saveKinds: readonly { readonly kind: SaveKind; readonly words: string }[] = [
    { kind: 'png', words: 'Picture (.png)' },
    { kind: 'svg', words: 'Outline at true scale (.svg)' },
    { kind: 'glb', words: 'Surface with colours (.glb)' },
    { kind: 'stl', words: 'Surface to print a former (.stl)' },
  ];
  protected readonly trouble = signal('');
  protected readonly parts = computed(() => this.reading().count.parts);
  /** Parts that have stitches, with their index. */
  protected readonly names = computed(() =>
    this.parts().flatMap(({ part, rounds }, index) =>
      rounds.some(({ makes }) => makes > 0) ? [{ index, name: part.name }] : [],
    ),
  );
  /** The part at the cursor, until another is taken. */
  protected readonly chosen = linkedSignal(() => {
    const here = this.here()?.part;
    return this.names().find(({ index }) => index === here)?.index ?? this.names()[0]?.index ?? 0;
  });

  private readonly stated = computed(() => statedKit(this.reading().count.pattern));
  protected readonly eyeMm = computed(() => this.stated().eyeMm);
  protected readonly eyeMmThen = computed(() => {
    const then = this.remade();
    return then && statedKit(then.pattern).eyeMm;
  });
  protected readonly size = computed<StitchSize>(
    () => {
      const { yarnWeight, hookMm } = this.stated();
      return this.stitch() ?? estimateStitch(yarnWeight ?? USUAL.yarnWeight, hookMm ?? USUAL.hookMm);
    },
    { equal: (a, b) => a.width === b.width && a.height === b.height },
  );
  protected readonly usedYarn = computed(() => this.yarnWeight() ?? this.stated().yarnWeight ?? USUAL.yarnWeight);
  protected readonly plush = computed(() => isPlush(this.usedYarn()));

  private readonly staggered = computed(() => {
    const counted = this.parts()[this.chosen()];
    const { text, count } = this.reading();
    return counted ? staggerPart(counted, text, { terms: count.pattern.terms, form: 'short' }) : [];
  });
  protected readonly canStagger = computed(() => this.staggered().length > 0);
  protected readonly sure = computed(() => {
    const spread = this.spread();
    const out = spread === null ? 'about right' : `right give or take ${Math.round(100 * spread)} %`;
    return `A model of stuffed fabric: sizes are ${out}, yarn has the last word. Click a stitch to find its line; the thread marks where rounds begin.`;
  });
  /** It is being made larger, smaller, or another shape. */
  protected readonly remaking = signal(false);
  protected readonly remade = signal<PatternCount | null>(null);
  protected readonly comparing = linkedSignal<SettledReading, boolean>({ source: this.reading, computation: () => false });
  protected readonly after = computed(() => {
    if (this.remaking()) return this.remade()?.parts ?? null;
    if (!this.comparing()) return null;
    const edits = this.staggered().map(({ edit }) => edit);
    return checkPattern(read(applyEdits(this.reading().text, edits))).parts;
  });

  protected go({ part, line }: PatternLine): void {
    const at = this.parts()[part]?.part.lines[line];
    if (at) this.goTo.emit(at.label.from);
  }

  /** Writes a pattern over this one, as one step that can be undone. */
  protected writeRemade(text: string): void {
    this.edit.emit([changeOf(this.reading().text, text)]);
    this.remaking.set(false);
  }

  protected write(): void {
    this.edit.emit(this.staggered().map(({ edit }) => edit));
  }

  protected async save(kind: SaveKind): Promise<void> {
    const file = await this.shown()?.file(kind);
    this.trouble.set(file ? '' : 'This device draws no surface to save. The outline (.svg) can be saved.');
    if (file) saveBlob(this.parts()[this.chosen()]!.part.name, kind, file);
  }
}

/** What lies between the beginning and the end that two texts share. */
function changeOf(before: string, after: string): TextEdit {
  const most = Math.min(before.length, after.length);
  let from = 0;
  while (from < most && before[from] === after[from]) from++;
  let end = 0;
  while (end < most - from && before[before.length - 1 - end] === after[after.length - 1 - end]) end++;
  return { from, to: before.length - end, insert: after.slice(from, after.length - end) };
}
