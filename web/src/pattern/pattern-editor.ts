import {
  afterNextRender,
  Component,
  DestroyRef,
  effect,
  type ElementRef,
  inject,
  input,
  output,
  signal,
  viewChild,
  ViewEncapsulation,
} from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { defaultKeymap, history, historyKeymap, undoDepth } from '@codemirror/commands';
import { Annotation, EditorState, type Extension } from '@codemirror/state';
import { drawSelection, EditorView, keymap, placeholder } from '@codemirror/view';
import type { TextEdit } from '@lemniscus/core/notation';
import { debounceTime, Subject } from 'rxjs';
import { help, type HelpSource } from './editor-help';
import type { Finding } from './findings';
import { counts, marks, setMarks, type Marks } from './editor-marks';

const TYPING_PAUSE_MS = 900;

const FROM_ELSEWHERE = Annotation.define<boolean>();

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
  readonly marks = input.required<Marks>();
  readonly help = input.required<HelpSource>();
  readonly hint = input('');
  /** Takes back what was written from elsewhere; whether there was anything. */
  readonly undoElsewhere = input<() => boolean>(() => false);
  readonly textChange = output<string>();
  /** Where the cursor stands. */
  readonly cursor = output<number>();

  private readonly host = viewChild.required<ElementRef<HTMLElement>>('host');
  private view: EditorView | null = null;
  private readonly typed$ = new Subject<void>();
  /** While a line is being typed, what is wrong with it waits for a pause. */
  private readonly typing = signal(false);

  constructor() {
    afterNextRender(() => {
      this.view = new EditorView({ parent: this.host().nativeElement, state: this.stateOf(this.text()) });
      this.showMarks();
    });
    effect(() => {
      const text = this.text();
      const now = this.view?.state.doc.toString();
      if (now === undefined || now === text) return;
      this.view!.dispatch({ changes: changeBetween(now, text), annotations: FROM_ELSEWHERE.of(true) });
    });
    effect(() => this.showMarks());
    this.typed$.pipe(debounceTime(TYPING_PAUSE_MS), takeUntilDestroyed()).subscribe(() => this.typing.set(false));
    inject(DestroyRef).onDestroy(() => this.view?.destroy());
  }

  /** Brings an offset into view and puts the cursor there. */
  goTo(offset: number, focus = true): void {
    const view = this.view;
    if (!view) return;
    const at = Math.min(offset, view.state.doc.length);
    view.dispatch({ selection: { anchor: at }, effects: EditorView.scrollIntoView(at, { y: 'center' }) });
    if (focus) view.focus();
  }

  /** Puts text in place of the selection, or at the end of what is there. */
  insert(text: string): void {
    this.view?.dispatch(this.view.state.replaceSelection(text));
    this.view?.focus();
  }

  /** Changes the text in one step that one undo takes back. */
  edit(edits: readonly TextEdit[]): void {
    this.view?.dispatch({ changes: edits.map((edit) => ({ ...edit })), userEvent: 'input.rewrite' });
  }

  /** Puts a whole other text in place of what is there, in one step. */
  replaceAll(text: string): void {
    this.view?.dispatch({ changes: { from: 0, to: this.view.state.doc.length, insert: text }, selection: { anchor: 0 } });
    this.view?.focus();
  }

  private showMarks(): void {
    const value = this.marks();
    const typing = this.typing();
    const view = this.view;
    if (!view) return;
    const line = view.state.doc.lineAt(view.state.selection.main.head);
    const settled = ({ from }: Finding): boolean => !typing || from < line.from || from > line.to;
    view.dispatch({ effects: setMarks.of({ ...value, findings: value.findings.filter(settled) }) });
  }

  private stateOf(doc: string): EditorState {
    const source: HelpSource = {
      terms: () => this.help().terms(),
      nextRounds: (offset) => this.help().nextRounds(offset),
      placeable: (offset) => this.help().placeable(offset),
      explainPlace: (offset) => this.help().explainPlace(offset),
      showHow: (word) => this.help().showHow(word),
    };
    const extensions: Extension[] = [
      history(),
      drawSelection(),
      help(source),
      // What was written from elsewhere is taken back where nothing was typed since.
      keymap.of([{ key: 'Mod-z', run: (view) => undoDepth(view.state) === 0 && this.undoElsewhere()() }]),
      keymap.of([...defaultKeymap, ...historyKeymap]),
      EditorView.lineWrapping,
      EditorView.contentAttributes.of({ 'aria-label': 'Pattern text', spellcheck: 'false' }),
      placeholder(this.hint()),
      marks,
      counts,
      EditorView.updateListener.of((update) => {
        if (
          update.transactions.some((transaction) => transaction.isUserEvent('input.type') || transaction.isUserEvent('delete'))
        ) {
          this.typing.set(true);
          this.typed$.next();
        }
        // A text from elsewhere is no typing.
        const typed = update.transactions.some((one) => one.docChanged && !one.annotation(FROM_ELSEWHERE));
        if (typed) this.textChange.emit(update.state.doc.toString());
        if (update.docChanged || update.selectionSet) this.cursor.emit(update.state.selection.main.head);
      }),
    ];
    return EditorState.create({ doc, extensions });
  }
}

/** The one stretch in which two texts differ, so that a cursor outside it stays where it is. */
function changeBetween(now: string, then: string): { from: number; to: number; insert: string } {
  let from = 0;
  while (from < now.length && from < then.length && now[from] === then[from]) from++;
  let end = 0;
  while (end < now.length - from && end < then.length - from && now[now.length - 1 - end] === then[then.length - 1 - end]) end++;
  return { from, to: now.length - end, insert: then.slice(from, then.length - end) };
}
