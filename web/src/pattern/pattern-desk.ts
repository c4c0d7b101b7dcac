import { Component, computed, input, output, signal, viewChild } from '@angular/core';
import { checkPattern } from '@lemniscus/core/fabric';
import { BOUNDS, placesIn, printInstruction, printLabel, read } from '@lemniscus/core/notation';
import { findingsOf, outlineOf } from './findings';
import { PatternEditor } from './pattern-editor';

const FILE_ENDINGS = ['.txt', '.md', '.markdown', '.text'];

/** A pattern being read: the text on the left, its parts and rounds with their counts on the right. */
@Component({
  selector: 'lem-pattern-desk',
  imports: [PatternEditor],
  templateUrl: './pattern-desk.html',
  styleUrl: './pattern-desk.css',
  host: {
    '(drop)': 'dropped($event)',
    '(dragover)': 'dragged($event)',
    '(dragleave)': 'over.set(false)',
    '[class.over]': 'over()',
  },
})
export class PatternDesk {
  readonly text = input.required<string>();
  readonly hint = input('');
  readonly textChange = output<string>();

  protected readonly over = signal(false);
  protected readonly refused = signal('');
  private readonly editor = viewChild.required(PatternEditor);

  protected readonly count = computed(() => checkPattern(read(this.text())));
  protected readonly findings = computed(() => findingsOf(this.count()));
  private readonly outlines = computed(() => outlineOf(this.count()));
  protected readonly counts = computed(() =>
    this.outlines()
      .flat()
      .sort((a, b) => a.at - b.at),
  );
  protected readonly errors = computed(() => this.findings().filter((finding) => finding.severity === 'error'));
  /** Lines with something wrong in them; one slip often shows in two ways. */
  protected readonly places = computed(() => {
    const placeOf = placesIn(this.text());
    return new Set(this.errors().map((error) => placeOf(error).line)).size;
  });
  protected readonly widest = computed(() => Math.max(1, ...this.counts().map((row) => row.last)));

  protected readonly parts = computed(() => {
    const { pattern } = this.count();
    return pattern.parts.map((part, index) => ({
      name: part.name,
      copies: part.copies,
      rows: this.outlines()[index]!.map((row) => {
        const line = part.lines[row.line]!;
        return { ...row, label: printLabel(line), instruction: printInstruction(line, { terms: pattern.terms, form: 'short' }) };
      }),
    }));
  });

  protected readonly totals = computed(() => {
    const { parts } = this.count();
    const stitches = parts.reduce(
      (sum, { part, rounds }) => sum + part.copies * rounds.reduce((all, round) => all + round.makes, 0),
      0,
    );
    const pieces = parts.reduce((sum, { part }) => sum + part.copies, 0);
    return `${parts.length} ${parts.length === 1 ? 'part' : 'parts'}, ${pieces} ${pieces === 1 ? 'piece' : 'pieces'}, ${stitches} stitches`;
  });

  protected goTo(offset: number): void {
    this.editor().goTo(offset);
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

  /** Reads a plain text file into the editor, or says why not. */
  private async take(file: File): Promise<void> {
    this.refused.set('');
    const known = FILE_ENDINGS.some((ending) => file.name.toLowerCase().endsWith(ending)) || file.type.startsWith('text/');
    if (!known) {
      this.refused.set(`“${file.name}” is no plain text. Save the pattern as .txt or .md, or copy its text and paste it here.`);
      return;
    }
    if (file.size > BOUNDS.text) {
      this.refused.set(`“${file.name}” is larger than ${BOUNDS.text / 1_000_000} MB, the most that is read.`);
      return;
    }
    const text = await file.text();
    if (text.includes('\0')) this.refused.set(`“${file.name}” holds no readable text.`);
    else this.editor().insert(text.replace(/\r\n?/g, '\n'));
  }
}
