import { RangeSetBuilder, StateEffect, StateField, type Text } from '@codemirror/state';
import { Decoration, EditorView, gutter, GutterMarker, WidgetType, type DecorationSet } from '@codemirror/view';
import type { Fix } from '@lemniscus/core/notation';
import { yarnPaint } from '../drawing/yarn-colour';
import type { Finding, LineCount } from './findings';
import type { Highlight } from './highlight';

/** What the last reading shows on the text. */
export interface Marks {
  /** The text that was read. */
  readonly text: string;
  readonly findings: readonly Finding[];
  readonly counts: readonly LineCount[];
  readonly highlights: readonly Highlight[];
}

export const setMarks = StateEffect.define<Marks>();

/** Asks for the card that helps with a finding. */
export const askedHow = StateEffect.define<string>();

/** The sentence of a finding, on a line of its own below its place, with its ways out as buttons. */
class Message extends WidgetType {
  constructor(private readonly finding: Finding) {
    super();
  }

  override eq(other: Message): boolean {
    const { message, severity, fixes } = this.finding;
    const same = other.finding.message === message && other.finding.severity === severity;
    return same && JSON.stringify(other.finding.fixes) === JSON.stringify(fixes);
  }

  override toDOM(view: EditorView): HTMLElement {
    const line = document.createElement('div');
    line.className = `said ${this.finding.severity}`;
    const words = document.createElement('span');
    words.textContent = this.finding.message;
    line.append(words);
    const { fixes, how } = this.finding;
    if (fixes.length > 0 || how) {
      const ways = document.createElement('div');
      ways.append(...fixes.map((fix) => fixButton(fix, view)));
      if (how) ways.append(wayButton('How to find it', () => view.dispatch({ effects: askedHow.of(how) })));
      words.append(ways);
    }
    return line;
  }

  override ignoreEvent(): boolean {
    return true;
  }
}

function fixButton(fix: Fix, view: EditorView): HTMLButtonElement {
  return wayButton(fix.title, () => {
    // A way out belongs to the text it was found in; after more typing the next reading offers it anew.
    if (view.state.field(marks).text !== view.state.doc.toString()) return;
    view.dispatch({ changes: fix.edits.map((edit) => ({ ...edit })), userEvent: 'input.fix' });
    view.focus();
  });
}

/** A button among the words of the editor. */
export function wayButton(title: string, press: () => void): HTMLButtonElement {
  const button = document.createElement('button');
  button.type = 'button';
  button.textContent = title;
  button.addEventListener('click', press);
  return button;
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

function highlightMark({ is, colour }: Highlight): Decoration {
  if (colour === undefined) return Decoration.mark({ class: `is-${is}` });
  const { fill, edge } = yarnPaint(colour);
  return Decoration.mark({ class: 'is-colour', attributes: { style: `--yarn:${fill};--yarn-edge:${edge}` } });
}

function decorate(doc: Text, { findings, highlights }: Marks): DecorationSet {
  const within = (at: number): number => Math.min(at, doc.length);
  const said = findings.flatMap((finding) => {
    const from = within(finding.from);
    const to = Math.max(within(finding.to), from);
    const below = Decoration.widget({ widget: new Message(finding), block: true, side: 1 }).range(doc.lineAt(from).to);
    return to > from ? [Decoration.mark({ class: `place ${finding.severity}` }).range(from, to), below] : [below];
  });
  const shown = highlights
    .filter(({ from, to }) => to <= doc.length && to > from)
    .map((highlight) => highlightMark(highlight).range(highlight.from, highlight.to));
  return Decoration.set([...said, ...shown], true);
}

export const marks = StateField.define<Pick<Marks, 'text' | 'counts'> & { readonly decorations: DecorationSet }>({
  create: () => ({ text: '', decorations: Decoration.none, counts: [] }),
  update(value, transaction) {
    for (const change of transaction.effects) {
      if (!change.is(setMarks)) continue;
      const { text, counts: made } = change.value;
      return { text, decorations: decorate(transaction.state.doc, change.value), counts: made };
    }
    return transaction.docChanged ? { ...value, decorations: value.decorations.map(transaction.changes) } : value;
  },
  provide: (field) => EditorView.decorations.from(field, (value) => value.decorations),
});

/** The count each line makes, in the margin. */
export const counts = gutter({
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
