import { Tab, TabContent, TabList, TabPanel, Tabs } from '@angular/aria/tabs';
import { CdkVirtualScrollableElement } from '@angular/cdk/scrolling';
import {
  ApplicationRef,
  Component,
  computed,
  ElementRef,
  inject,
  input,
  linkedSignal,
  output,
  signal,
  viewChild,
} from '@angular/core';
import type { PatternCount } from '@lemniscus/core/fabric';
import {
  counted,
  oldNameIn,
  placesIn,
  printNamed,
  printPlacing,
  rewrite,
  type Explanation,
  type Form,
  type Pattern,
  type Terms,
  type TextEdit,
} from '@lemniscus/core/notation';
import type { StitchSize } from '@lemniscus/core/gauge';
import { FIRM } from '@lemniscus/core/shape';
import { nextRounds, type NextRound } from '@lemniscus/core/spacing';
import { EmptyState } from '../controls/empty-state';
import { SaveMenu } from '../controls/save-menu';
import { FileOpening, type Found } from '../data/open/file-opening';
import type { SettledReading } from '../data/open/settled-reading';
import { EarlierTexts } from './earlier-texts';
import type { HelpSource } from './editor-help';
import { findingsOf, outlineOf } from './findings';
import { highlightsOf } from './highlight';
import { TechniqueDialog } from '../controls/technique/technique-dialog';
import { MapView } from './map-view';
import { PatternEditor } from './pattern-editor';
import { PATTERN_FILES, savePattern, takeFound, takeJson, type SaveKind, type TakenFile } from './pattern-files';
import { Review } from './review/review';
import { RoundTable } from './round-table';
import { ShapeView } from './shape-view';
import { SofaSheet } from './sofa-sheet';

/** Findings said in the text; one who has more begins with the first. */
const MOST_SAID = 200;

const VIEWS = ['rounds', 'map', 'shape', 'earlier'] as const;
type View = (typeof VIEWS)[number];

/** A pattern being read: the text on the left; on the right its rounds with their counts, its parts unrolled, or in the round. */
@Component({
  selector: 'lem-pattern-desk',
  imports: [
    CdkVirtualScrollableElement,
    EarlierTexts,
    EmptyState,
    MapView,
    PatternEditor,
    Review,
    RoundTable,
    SaveMenu,
    ShapeView,
    SofaSheet,
    Tab,
    TabContent,
    TabList,
    TabPanel,
    Tabs,
    TechniqueDialog,
  ],
  templateUrl: './pattern-desk.html',
  styleUrl: './pattern-desk.css',
  host: {
    '(drop)': 'dropped($event)',
    '(dragover)': 'dragged($event)',
    '(dragleave)': 'over.set(false)',
    '(window:beforeprint)': 'beforePrint()',
    '(window:afterprint)': 'printing.set(false)',
    '[class.over]': 'over()',
    '[class.writing]': 'writing()',
  },
})
export class PatternDesk {
  readonly text = input.required<string>();
  readonly reading = input.required<SettledReading>();
  /** The make whose earlier texts can be looked at; none while it is not kept yet. */
  readonly make = input<string | null>(null);
  /** Size of a stitch in the make's yarn and hook, and the weight of its yarn; none while it is not kept yet. */
  readonly stitch = input<StitchSize | null>(null);
  readonly yarnWeight = input<number | null>(null);
  readonly stretch = input(FIRM);
  /** Share by which widths may be out with them. */
  readonly spread = input<number | null>(null);
  readonly hint = input('');
  /** Takes back what was written into the text from elsewhere; whether there was anything. */
  readonly undoElsewhere = input<() => boolean>(() => false);
  readonly textChange = output<string>();

  private readonly application = inject(ApplicationRef);
  private readonly opening = inject(FileOpening);
  private readonly editor = viewChild.required(PatternEditor);

  protected readonly saveKinds: readonly { readonly kind: SaveKind; readonly words: string }[] = [
    { kind: 'txt', words: 'Text, as written (.txt)' },
    { kind: 'md', words: 'The clear form (.md)' },
    { kind: 'json', words: 'For other programs (.json)' },
  ];
  protected readonly bothTerms: readonly Terms[] = ['US', 'UK'];
  protected readonly counted = counted;
  protected readonly over = signal(false);
  protected readonly refused = signal('');
  protected readonly files = PATTERN_FILES;
  protected readonly going = this.opening.going;
  /** A file that is looked over before it is taken. */
  protected readonly review = signal<Found | null>(null);
  /** The one that was left, with what was done to it. */
  protected readonly left = signal<Found | null>(null);
  protected readonly printing = signal(false);
  protected readonly view = signal<View>('rounds');
  /** On a phone the text has the whole screen or none of it: reading comes first, writing where there is nothing to read. */
  private readonly turned = signal<'read' | 'write' | null>(null);
  protected readonly writing = computed(() => (this.turned() ?? (this.parts().length === 0 ? 'write' : 'read')) === 'write');
  private readonly cursor = signal(0);

  protected readonly count = computed(() => this.reading().count);
  protected readonly terms = computed(() => this.count().pattern.terms);
  protected readonly parts = computed(() => this.count().parts);
  private readonly findings = computed(() => findingsOf(this.count()));
  protected readonly marks = computed(() => ({
    text: this.reading().text,
    findings: this.findings().slice(0, MOST_SAID),
    counts: outlineOf(this.count())
      .flat()
      .sort((a, b) => a.at - b.at),
    highlights: highlightsOf(this.count()),
  }));
  protected readonly errors = computed(() => this.findings().filter((finding) => finding.severity === 'error'));
  protected readonly remarks = computed(() => this.findings().filter((finding) => finding.severity !== 'error'));
  /** What is wrong where the cursor stands, else first of all: said under the thumb. */
  protected readonly nearest = computed(() => {
    const text = this.reading().text;
    const at = this.cursor();
    const [from, to] = [text.lastIndexOf('\n', at - 1) + 1, text.indexOf('\n', at)];
    const here = this.findings().find((one) => one.from >= from && (to < 0 || one.from <= to));
    return here ?? this.errors()[0] ?? null;
  });
  /** Lines with something wrong in them; one slip often shows in two ways. */
  protected readonly places = computed(() => {
    const placeOf = placesIn(this.reading().text);
    return new Set(this.errors().map((error) => placeOf(error).line)).size;
  });

  protected readonly totals = computed(() => {
    const parts = this.parts();
    const stitches = parts.reduce(
      (sum, { part, rounds }) => sum + part.copies * rounds.reduce((all, round) => all + round.makes, 0),
      0,
    );
    const pieces = parts.reduce((sum, { part }) => sum + part.copies, 0);
    return [counted(parts.length, 'part'), counted(pieces, 'piece'), counted(stitches, 'stitch')].join(', ');
  });

  /** The pattern as it was before a part got the name it has now; what its rounds call it is mended from that. */
  private readonly called = linkedSignal<SettledReading, Pattern>({
    source: this.reading,
    computation: ({ text, count }, before) =>
      before && oldNameIn(before.value, count.pattern, text) ? before.value : count.pattern,
  });
  /** A part that rounds still call by the name it had. */
  protected readonly oldName = computed(() => oldNameIn(this.called(), this.count().pattern, this.reading().text));

  /** The part and line the cursor stands in, or those before it. */
  protected readonly here = computed(() => lineAt(this.count(), this.cursor()));

  /** The word whose card is open. */
  protected readonly asked = signal<string | null>(null);
  protected readonly help: HelpSource = {
    terms: () => this.terms(),
    nextRounds: (offset) => this.roundsAfter(offset),
    placeable: (offset) => this.placeable(offset),
    explainPlace: (offset) => explainPlace(this.count().pattern, offset),
    showHow: (word) => this.asked.set(word),
  };

  constructor() {
    // Before the editor takes it.
    inject<ElementRef<HTMLElement>>(ElementRef).nativeElement.addEventListener('paste', (event) => this.pasted(event), true);
  }

  /** What the making-up can name, where an offset lies in it. */
  private placeable(offset: number): readonly string[] | null {
    const { makingUpHeading, makingUp, parts } = this.count().pattern;
    const end = Math.max(makingUp.at(-1)?.span.to ?? 0, makingUpHeading?.to ?? 0) + 1;
    if (!makingUpHeading || offset < makingUpHeading.to || (offset > end && parts.some(({ heading }) => heading.from >= end)))
      return null;
    return [
      ...parts.flatMap(({ name, copies }) => (copies === 2 ? [name, `${name} 1`, `${name} 2`] : [name])),
      'Eyes',
      'Mouth',
      'Nose',
      'Cheeks',
    ];
  }

  protected leaveName(): void {
    this.called.set(this.count().pattern);
  }

  protected show(view: string | undefined): void {
    this.view.set(VIEWS.find((each) => each === view) ?? 'rounds');
  }

  protected turn(to: 'read' | 'write'): void {
    this.turned.set(to);
  }

  protected goTo(offset: number): void {
    this.turned.set('write');
    this.editor().goTo(offset);
  }

  protected moved(offset: number): void {
    this.cursor.set(offset);
  }

  protected edit(edits: readonly TextEdit[]): void {
    this.editor().edit(edits);
  }

  protected restore(text: string): void {
    this.editor().replaceAll(text);
    this.view.set('rounds');
  }

  /** Writes every round in other terms or another length; one undo takes it back. */
  protected rewriteIn(terms: Terms, form: Form): void {
    const { text, count } = this.reading();
    const edits = rewrite(text, count.pattern, count.diagnostics, { terms, form });
    if (edits.length > 0) this.editor().edit(edits);
  }

  protected save(kind: SaveKind): void {
    savePattern(this.reading(), kind);
  }

  protected print(): void {
    window.print();
  }

  /** The browser prints what stands there at once, so the sheet must be drawn before this returns. */
  protected beforePrint(): void {
    this.printing.set(true);
    this.application.tick();
  }

  protected dragged(event: DragEvent): void {
    if (!event.dataTransfer?.types.includes('Files')) return;
    event.preventDefault();
    this.over.set(true);
  }

  protected dropped(event: DragEvent): void {
    const file = event.dataTransfer?.files[0];
    this.over.set(false);
    if (!file) return;
    event.preventDefault();
    event.stopPropagation();
    void this.take(file);
  }

  protected chosen(event: Event): void {
    const field = event.target as HTMLInputElement;
    const file = field.files?.[0];
    if (file) void this.take(file);
    field.value = '';
  }

  /** A web page, or the captions of a talk, that was copied: looked over as a file is. Short texts are pasted as they are. */
  private pasted(event: ClipboardEvent): void {
    const html = event.clipboardData?.getData('text/html') ?? '';
    const text = event.clipboardData?.getData('text/plain') ?? '';
    const copied = isPage(html) ? html : isTimed(text) ? text : null;
    if (copied === null) return;
    event.preventDefault();
    event.stopPropagation();
    void this.takeIn(
      this.opening.open('What was copied', new TextEncoder().encode(copied)).then((found) => found && takeFound(found)),
    );
  }

  protected stop(): void {
    this.opening.stop();
  }

  protected leave(): void {
    this.left.set(this.review());
    this.review.set(null);
  }

  protected lookAgain(): void {
    this.review.set(this.left());
    this.left.set(null);
  }

  protected reviewed(text: string): void {
    this.review.set(null);
    this.editor().insert(text);
  }

  /** Reads a file, and takes it as it is, looks it over first, or says why not. */
  private async take(file: File): Promise<void> {
    const bytes = new Uint8Array(await file.arrayBuffer());
    const json = file.name.toLowerCase().endsWith('.json');
    await this.takeIn(
      json
        ? Promise.resolve(takeJson(file.name, bytes))
        : this.opening.open(file.name, bytes).then((found) => found && takeFound(found)),
    );
  }

  private async takeIn(taking: Promise<TakenFile | null>): Promise<void> {
    const taken = await taking.catch((error: unknown): TakenFile => ({ refused: `It could not be read: ${String(error)}.` }));
    this.refused.set(taken && 'refused' in taken ? taken.refused : '');
    if (taken && 'text' in taken) this.editor().insert(taken.text);
    this.left.set(null);
    if (taken && 'review' in taken) this.review.set(taken.review);
  }

  /** Rounds that would go on after the last one before an offset. */
  private roundsAfter(offset: number): readonly NextRound[] {
    const part = this.parts().findLast(({ part: { lines } }) => lines[0] && lines[0].span.from < offset);
    if (!part) return [];
    const lines = part.part.lines.filter((line) => line.span.to <= offset);
    const rounds = part.rounds.filter((round) => round.line < lines.length);
    return nextRounds({ part: { ...part.part, lines }, rounds }, { terms: this.terms(), form: 'short' });
  }
}

function lineAt({ parts }: PatternCount, offset: number): { part: number; line: number } | null {
  for (let part = parts.length - 1; part >= 0; part--) {
    const { lines, heading } = parts[part]!.part;
    if (Math.min(heading.from, lines[0]?.span.from ?? heading.from) > offset) continue;
    const line = lines.findLastIndex((each) => each.span.from <= offset);
    return { part, line: Math.max(0, line) };
  }
  return null;
}

/** How a line of the making-up is understood. */
function explainPlace({ makingUp }: Pattern, offset: number): Explanation | null {
  const line = makingUp.find(({ span }) => offset >= span.from && offset < span.to);
  if (!line) return null;
  const { placing, span } = line;
  if (!placing)
    return { span, title: 'Kept as a note', words: 'It says no place that is understood. It can be placed by hand in Assemble.' };
  const clear = printPlacing(placing);
  return {
    span,
    title: printNamed(placing.subject),
    words: clear === line.text ? 'Its place, in the clear form.' : `Read as “${clear}”.`,
  };
}

/** Whether what was copied is a page with more than the words that were marked: tables, or what stands around a page. */
function isPage(html: string): boolean {
  return /<(?:nav|header|footer|aside|main|article|table)[\s>]/i.test(html);
}

/** Whether most lines begin with a time, or captions say theirs. */
function isTimed(text: string): boolean {
  return /\d:\d\d[.,]\d+ +--> /.test(text) || (text.match(/^[[(]?(?:\d+:)?\d?\d:\d\d\b/gm)?.length ?? 0) > 5;
}
