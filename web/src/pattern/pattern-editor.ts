import {
  afterNextRender,
  Component,
  DestroyRef,
  effect,
  type ElementRef,
  inject,
  input,
  output,
  viewChild,
  ViewEncapsulation,
} from '@angular/core';
import { defaultKeymap, history, historyKeymap } from '@codemirror/commands';
import { EditorState, RangeSetBuilder, StateEffect, StateField, type Extension, type Text } from '@codemirror/state';
import {
  Decoration,
  drawSelection,
  EditorView,
  gutter,
  GutterMarker,
  keymap,
  placeholder,
  WidgetType,
  type DecorationSet,
} from '@codemirror/view';
import type { Finding, LineCount } from './findings';

interface Marks {
  readonly findings: readonly Finding[];
  readonly counts: readonly LineCount[];
}

const setMarks = StateEffect.define<Marks>();

/** The sentence of a finding, on a line of its own below its place. */
class Message extends WidgetType {
  constructor(private readonly finding: Finding) {
    super();
  }

  override eq(other: Message): boolean {
    return other.finding.message === this.finding.message && other.finding.severity === this.finding.severity;
  }

  override toDOM(): HTMLElement {
    const line = document.createElement('div');
    line.className = `said ${this.finding.severity}`;
    const words = document.createElement('span');
    words.textContent = this.finding.message;
    line.append(words);
    return line;
  }
}

class CountMark extends GutterMarker {
  constructor(
    private readonly makes: string,
    private readonly ok: boolean,
  ) {
    super();
  }

  override eq(other: CountMark): boolean {
    return other.makes === this.makes && other.ok === this.ok;
  }

  override toDOM(): HTMLElement {
    const mark = document.createElement('span');
    mark.className = this.ok ? 'count' : 'count off';
    mark.textContent = this.ok ? this.makes : `${this.makes} !`;
    return mark;
  }
}

function decorate(doc: Text, findings: readonly Finding[]): DecorationSet {
  const ranges = findings.flatMap((finding) => {
    const from = Math.min(finding.from, doc.length);
    const to = Math.min(Math.max(finding.to, from), doc.length);
    const below = Decoration.widget({ widget: new Message(finding), block: true, side: 1 }).range(doc.lineAt(from).to);
    return to > from ? [Decoration.mark({ class: `place ${finding.severity}` }).range(from, to), below] : [below];
  });
  return Decoration.set(ranges, true);
}

const marks = StateField.define<{ readonly decorations: DecorationSet; readonly counts: readonly LineCount[] }>({
  create: () => ({ decorations: Decoration.none, counts: [] }),
  update(value, transaction) {
    for (const change of transaction.effects) {
      if (change.is(setMarks))
        return { decorations: decorate(transaction.state.doc, change.value.findings), counts: change.value.counts };
    }
    return transaction.docChanged ? { ...value, decorations: value.decorations.map(transaction.changes) } : value;
  },
  provide: (field) => EditorView.decorations.from(field, (value) => value.decorations),
});

const counts = gutter({
  class: 'counts',
  markers: (view) => {
    const builder = new RangeSetBuilder<GutterMarker>();
    let last = -1;
    for (const { at, makes, ok } of view.state.field(marks).counts) {
      if (at > view.state.doc.length) break;
      const { from } = view.state.doc.lineAt(at);
      if (from > last) builder.add(from, from, new CountMark(makes, ok));
      last = Math.max(last, from);
    }
    return builder.finish();
  },
});

/** The pattern as text, each line with the count it makes in the margin and what is wrong said below it. */
@Component({
  selector: 'lem-pattern-editor',
  template: '<div #host class="host"></div>',
  styleUrl: './pattern-editor.css',
  // CodeMirror makes its own elements, which scoped styles would not reach.
  encapsulation: ViewEncapsulation.None,
})
export class PatternEditor {
  readonly text = input.required<string>();
  readonly findings = input.required<readonly Finding[]>();
  readonly counts = input.required<readonly LineCount[]>();
  readonly hint = input('');
  readonly textChange = output<string>();

  private readonly host = viewChild.required<ElementRef<HTMLElement>>('host');
  private view: EditorView | null = null;

  constructor() {
    afterNextRender(() => {
      this.view = new EditorView({ parent: this.host().nativeElement, state: this.stateOf(this.text()) });
      this.showMarks();
    });
    effect(() => {
      const text = this.text();
      if (this.view && this.view.state.doc.toString() !== text) {
        this.view.dispatch({ changes: { from: 0, to: this.view.state.doc.length, insert: text } });
      }
    });
    effect(() => this.showMarks());
    inject(DestroyRef).onDestroy(() => this.view?.destroy());
  }

  /** Brings an offset into view and puts the cursor there. */
  goTo(offset: number): void {
    const view = this.view;
    if (!view) return;
    const at = Math.min(offset, view.state.doc.length);
    view.dispatch({ selection: { anchor: at }, effects: EditorView.scrollIntoView(at, { y: 'center' }) });
    view.focus();
  }

  /** Puts text in place of the selection, or at the end of what is there. */
  insert(text: string): void {
    this.view?.dispatch(this.view.state.replaceSelection(text));
    this.view?.focus();
  }

  private showMarks(): void {
    const value = { findings: this.findings(), counts: this.counts() };
    this.view?.dispatch({ effects: setMarks.of(value) });
  }

  private stateOf(doc: string): EditorState {
    const extensions: Extension[] = [
      history(),
      drawSelection(),
      keymap.of([...defaultKeymap, ...historyKeymap]),
      EditorView.lineWrapping,
      EditorView.contentAttributes.of({ 'aria-label': 'Pattern text', spellcheck: 'false' }),
      placeholder(this.hint()),
      marks,
      counts,
      EditorView.updateListener.of((update) => {
        if (update.docChanged) this.textChange.emit(update.state.doc.toString());
      }),
    ];
    return EditorState.create({ doc, extensions });
  }
}
