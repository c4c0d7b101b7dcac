import { Component, computed, input } from '@angular/core';
import type { PatternCount } from '@lemniscus/core/fabric';
import { printInstruction, printLabel } from '@lemniscus/core/notation';

/** The pattern on paper, for the sofa: large, with a box to tick for every round of every copy. */
@Component({
  selector: 'lem-sofa-sheet',
  template: `
    <h1>{{ count().pattern.title }}</h1>
    <p>{{ count().pattern.terms }} terms</p>
    @for (note of count().pattern.notes; track $index) {
      <p>{{ note.text }}</p>
    }
    @for (part of parts(); track $index) {
      <h2>{{ part.name }}{{ part.copies > 1 ? ', make ' + part.copies : '' }}</h2>
      @for (line of part.lines; track $index) {
        @for (note of line.notes; track $index) {
          <p class="note">{{ note }}</p>
        }
        <div class="round">
          <b>{{ line.label }}</b>
          <span>{{ line.words }}</span>
          <b class="makes">{{ line.makes }}</b>
          <div class="ticks">
            @for (copy of part.each; track copy) {
              <div>
                @for (tick of line.ticks; track tick) {
                  <i></i>
                }
              </div>
            }
          </div>
        </div>
      }
      @for (note of part.after; track $index) {
        <p class="note">{{ note }}</p>
      }
    }
  `,
  styles: `
    :host {
      display: block;
      color: #000;
      font-size: 13pt;
    }
    h1 {
      font-size: 22pt;
    }
    h2 {
      margin-top: 18pt;
      font-size: 16pt;
      break-after: avoid;
    }
    p {
      margin: 3pt 0;
    }
    .note {
      padding-left: 8pt;
      border-left: 3pt solid #999;
      break-inside: avoid;
    }
    .round {
      display: grid;
      grid-template-columns: 62pt 1fr 40pt 190pt;
      gap: 8pt;
      align-items: center;
      padding: 4pt 0;
      border-top: 0.5pt solid #bbb;
      break-inside: avoid;
    }
    .makes {
      text-align: right;
    }
    .ticks div {
      display: flex;
      flex-wrap: wrap;
      gap: 3pt;
      min-height: 14pt;
    }
    i {
      width: 11pt;
      height: 11pt;
      border: 1pt solid #333;
      border-radius: 2pt;
    }
  `,
})
export class SofaSheet {
  readonly count = input.required<PatternCount>();

  protected readonly parts = computed(() => {
    const { pattern, parts } = this.count();
    return parts.map(({ part, rounds }) => {
      const notesBefore = (index: number): string[] =>
        part.notes.filter((note) => note.before === index).map((note) => note.text);
      return {
        name: part.name,
        copies: part.copies,
        each: Array.from({ length: part.copies }, (_, copy) => copy),
        after: notesBefore(part.lines.length),
        lines: part.lines.map((line, index) => {
          const own = rounds.filter((round) => round.line === index);
          return {
            label: printLabel(line),
            words: printInstruction(line, { terms: pattern.terms, form: 'short' }),
            makes: own.at(-1)?.makes ?? 0,
            ticks: own.map((round) => round.number),
            notes: notesBefore(index),
          };
        }),
      };
    });
  });
}
