import { Component, computed, effect, ElementRef, inject, input, linkedSignal, output, signal } from '@angular/core';
import { checkPattern, describe, type PatternCount } from '@lemniscus/core/fabric';
import { counted, placesIn, read } from '@lemniscus/core/notation';
import { NzButtonModule } from 'ng-zorro-antd/button';
import type { Found } from '../../data/open/file-opening';
import { sourceOf, textOf, type ReviewLine } from './review-source';

/** What was done to a file that was looked over and left. */
const LEFT = new WeakMap<Found, { readonly putBack: ReadonlySet<number>; readonly mended: ReadonlyMap<string, string> }>();

/** A line of the reading as it is shown. */
interface Shown extends ReviewLine {
  readonly at: number;
  readonly is: 'heading' | 'round' | 'note' | 'blank';
  /** Stitches its last round ends on; null for what is no round. */
  readonly makes: number | null;
  /** The line without its marks, and where in a talk it is told. */
  readonly words: string;
  readonly time: string;
  readonly wrong: string | null;
}

const KINDS = {
  text: 'a talk',
  pdf: 'a PDF',
  docx: 'a Word file',
  odt: 'a text document',
  html: 'a web page',
  rtf: 'rich text',
} as const;

/**
 * A file beside the pattern that is read from it, before it is taken: a click on either side shows where the other one is, what
 * was dropped can be put back, and what is in doubt is chosen or mended in place.
 */
@Component({
  selector: 'lem-review',
  imports: [NzButtonModule],
  templateUrl: './review.html',
  styleUrl: './review.css',
  host: { '(keydown.escape)': 'mending.set(null)' },
})
export class Review {
  readonly found = input.required<Found>();
  readonly take = output<string>();
  readonly leave = output();

  private readonly element = inject<ElementRef<HTMLElement>>(ElementRef);

  protected readonly counted = counted;
  protected readonly putBack = linkedSignal<Found, ReadonlySet<number>>({
    source: this.found,
    computation: (found) => LEFT.get(found)?.putBack ?? new Set(),
  });
  /** Lines as they were mended, by what they were. */
  private readonly mended = linkedSignal<Found, ReadonlyMap<string, string>>({
    source: this.found,
    computation: (found) => LEFT.get(found)?.mended ?? new Map<string, string>(),
  });
  protected readonly mending = signal<number | null>(null);
  /** On a phone one side is seen. */
  protected readonly side = signal<'file' | 'reading'>('reading');
  private readonly text = computed(() => textOf(this.found()));
  protected readonly source = computed(() => sourceOf(this.found(), this.text(), this.putBack()));

  protected readonly kind = computed(() => {
    const { opened } = this.found();
    return opened.ok ? KINDS[opened.kind] : '';
  });
  private readonly lines = computed(() =>
    this.source().lines.map((line) => ({ ...line, text: this.mended().get(line.text) ?? line.text })),
  );
  /** The pattern as it would be taken. */
  private readonly pattern = computed(
    () =>
      `${this.lines()
        .map(({ text }) => text)
        .join('\n')
        .trim()}\n`,
  );
  protected readonly count = computed(() => checkPattern(read(this.pattern())));
  protected readonly shown = computed(() => shownLines(this.lines(), this.pattern(), this.count()));
  protected readonly rounds = computed(() => this.count().parts.reduce((sum, { rounds }) => sum + rounds.length, 0));
  protected readonly toLookAt = computed(
    () => this.shown().filter(({ wrong, doubts, at }) => wrong !== null || (doubts.length > 0 && !this.isMended(at))).length,
  );
  protected readonly droppedCount = computed(() => this.source().pieces.filter(({ dropped }) => dropped !== null).length);

  /** Whether its lines have times. */
  protected readonly timed = computed(() => this.found().talk !== null);
  /** The line that is looked at, and the pieces it came from. */
  protected readonly chosen = linkedSignal<Found, number | null>({ source: this.found, computation: () => null });
  protected readonly glowing = computed(() => new Set(this.lines()[this.chosen() ?? -1]?.pieces ?? []));

  constructor() {
    // What was mended and put back is there again when the file is looked at once more.
    effect(() => LEFT.set(this.found(), { putBack: this.putBack(), mended: this.mended() }));
  }

  protected isMended(at: number): boolean {
    const line = this.source().lines[at];
    return line !== undefined && this.mended().has(line.text);
  }

  protected choose(at: number): void {
    this.chosen.set(at);
    const [first] = this.lines()[at]?.pieces ?? [];
    if (first !== undefined) this.show(`.piece[data-at="${first}"]`);
  }

  protected chooseFrom(piece: number): void {
    const at = this.lines().findIndex(({ pieces }) => pieces.includes(piece));
    if (at < 0) return;
    this.chosen.set(at);
    this.show(`.line[data-at="${at}"]`);
  }

  protected toggle(piece: number): void {
    this.putBack.update((all) => {
      const next = new Set(all);
      if (!next.delete(piece)) next.add(piece);
      return next;
    });
  }

  protected mend(at: number, text: string): void {
    const line = this.source().lines[at];
    this.mending.set(null);
    if (!line) return;
    this.mended.update((all) => {
      const next = new Map(all);
      if (text.trim() === '' || text === line.text) next.delete(line.text);
      else next.set(line.text, text.trim());
      return next;
    });
  }

  /** Takes a line as it stands: it is no longer in doubt. */
  protected settle(at: number): void {
    const line = this.source().lines[at];
    if (line) this.mend(at, line.text.replace(/, in doubt: .*\)$/, ')'));
  }

  protected without(text: string): string {
    return wordsOf(text).words;
  }

  protected taken(): void {
    this.take.emit(this.pattern());
  }

  private show(selector: string): void {
    this.element.nativeElement.querySelector(selector)?.scrollIntoView({ block: 'center', behavior: 'auto' });
  }
}

/** "R3: (1 sc, inc) × 6 (18)" and "0:35" of a line that was told; a heading without its marks. */
function wordsOf(text: string): { readonly words: string; readonly time: string } {
  const told = /\s*\(at ((?:\d+:)?\d+:\d\d)[^()]*(?:\([^()]*\)[^()]*)*\)(\.?)$/.exec(text);
  const words = (told ? `${text.slice(0, told.index)}${told[2]}` : text).replace(/^#+\s*/, '');
  return { words, time: told?.[1] ?? '' };
}

/** The lines with what they are in the pattern that was read. */
function shownLines(lines: readonly ReviewLine[], text: string, { parts, diagnostics }: PatternCount): Shown[] {
  const placeOf = placesIn(text);
  const lineAt = (offset: number): number => placeOf({ from: offset, to: offset }).line - 1;
  const makes = new Map<number, number>();
  const headings = new Set<number>();
  for (const { part, rounds } of parts) {
    headings.add(lineAt(part.heading.from));
    for (const round of rounds) makes.set(lineAt(part.lines[round.line]!.span.from), round.makes);
  }
  const wrong = new Map<number, string>();
  for (const each of diagnostics) if (each.severity === 'error') wrong.set(lineAt(each.span.from), describe(each));
  return lines.map((line, at): Shown => {
    const is = makes.has(at) ? 'round' : headings.has(at) || at === 0 ? 'heading' : line.text === '' ? 'blank' : 'note';
    return { ...line, at, is, ...wordsOf(line.text), makes: makes.get(at) ?? null, wrong: wrong.get(at) ?? null };
  });
}
