import {
  autocompletion,
  completionKeymap,
  type Completion,
  type CompletionContext,
  type CompletionResult,
} from '@codemirror/autocomplete';
import { Prec, type Extension } from '@codemirror/state';
import { EditorView, hoverTooltip, keymap, type Tooltip } from '@codemirror/view';
import { explainAt, type Explanation, STITCHES, STITCH_NAMES, type Terms } from '@lemniscus/core/notation';
import type { NextRound } from '@lemniscus/core/spacing';
import { cardOfWords } from '@lemniscus/core/technique';
import { askedHow, wayButton } from './editor-marks';

/** What the editor's help asks of the reading. */
export interface HelpSource {
  readonly terms: () => Terms;
  /** Rounds that would go on with the rhythm before an offset. */
  readonly nextRounds: (offset: number) => readonly NextRound[];
  /** What can be named in the making-up, where an offset lies in it; null elsewhere. */
  readonly placeable: (offset: number) => readonly string[] | null;
  /** What a line of the making-up is understood as, null elsewhere. */
  readonly explainPlace: (offset: number) => Explanation | null;
  /** Opens the card of a word, or says which is nearest. */
  readonly showHow: (word: string) => void;
}

const WORDS: readonly Completion[] = [
  { label: 'inc', detail: 'increase: two in one' },
  { label: 'dec', detail: 'decrease: two into one' },
  { label: 'invdec', detail: 'invisible decrease' },
  { label: 'around', detail: 'to the end of the round' },
  { label: 'in BLO, ', detail: 'back loops only' },
  { label: 'in FLO, ', detail: 'front loops only' },
  { label: 'in ring', detail: 'into an adjustable ring' },
  { label: 'in next st', detail: 'several in one stitch' },
  { label: 'to last 2 sts', detail: 'all but the last two' },
  { label: 'change to ', detail: 'from the next stitch on' },
  { label: 'join with sl st', detail: 'ends a joined round' },
  { label: 'ch 1, turn', detail: 'ends a turned row' },
];

function stitchWords(terms: Terms): Completion[] {
  return STITCH_NAMES.map((stitch) => {
    const { abbreviation, full } = STITCHES[stitch][terms];
    return { label: abbreviation, detail: full[0] };
  });
}

/** Completes the likely next round on an empty line, and stitches within a round. */
function complete(source: HelpSource): (context: CompletionContext) => CompletionResult | null {
  return (context) => {
    const line = context.state.doc.lineAt(context.pos);
    const before = line.text.slice(0, context.pos - line.from);
    const names = source.placeable(line.from);
    if (names) return completePlace(context, line.from, before, names);
    if (/^(?:R|Row|Rnd)?\s?\d*:?\s?$/i.test(before)) {
      const options = source.nextRounds(line.from).map(({ text, why }, i): Completion => ({
        label: text,
        detail: why === 'straight on' ? 'goes on straight' : why,
        boost: -i,
        apply: text,
      }));
      if (options.length === 0 || (before === '' && !context.explicit && line.text !== '')) return null;
      return { from: line.from, options, filter: false };
    }
    const word = context.matchBefore(/[a-z]+$/i);
    if (!word || (word.to - word.from < 2 && !context.explicit) || !/\d|:/.test(before)) return null;
    return { from: word.from, options: [...stitchWords(source.terms()), ...WORDS], validFor: /^[a-z ]*$/i };
  };
}

/** How a place is said, after what goes there. */
const PLACE_WORDS: readonly Completion[] = [
  { label: 'between R', detail: 'in the holes between two rounds' },
  { label: 'at R', detail: 'at a round' },
  { label: 'at the front', detail: 'half-way between the eyes' },
  { label: 'at the back', detail: 'opposite the front' },
  { label: 'a quarter round left of the front', detail: 'as you look at it' },
  { label: 'stitches left of the front', detail: 'as you look at it' },
  { label: 'stitches between them', detail: 'free between the two' },
  { label: 'centred between Eyes', detail: 'in their middle' },
  { label: 'evenly from the front', detail: 'all round' },
  { label: 'one at each side', detail: 'a quarter left and right' },
  { label: 'in the middle of the base', detail: 'of round 1' },
  { label: 'on the edge', detail: 'of the last round' },
  { label: 'tip down', detail: 'how it sits' },
  { label: 'sewn flat', detail: 'both layers, along its edge' },
  { label: 'edge to edge', detail: 'edge against edge' },
  { label: 'embroidered', detail: 'stitched on' },
];

/** In the making-up: what goes somewhere at the start of a line, then where. */
function completePlace(
  context: CompletionContext,
  from: number,
  before: string,
  names: readonly string[],
): CompletionResult | null {
  if (!before.includes(':')) {
    if (before === '' && !context.explicit) return null;
    return { from, options: names.map((label) => ({ label, apply: `${label}: ` })), validFor: /^[\p{L}\p{N} ]*$/u };
  }
  const word = context.matchBefore(/[a-z][a-z ]*$/i);
  if (!word || (word.to - word.from < 2 && !context.explicit)) return null;
  const start = word.from + (word.text.length - word.text.trimStart().length);
  const named = names.flatMap((name) => [
    { label: `on ${name}`, detail: 'what it goes on' },
    { label: `mirrors ${name}`, detail: 'as far on the other side' },
  ]);
  return { from: start, options: [...named, ...PLACE_WORDS], validFor: /^[\p{L}\p{N} ]*$/u };
}

function explain(source: HelpSource): (view: EditorView, offset: number) => Tooltip | null {
  return (view, offset) => {
    const said = source.explainPlace(offset) ?? explainAt(view.state.doc.toString(), offset, source.terms());
    if (!said) return null;
    return {
      pos: said.span.from,
      end: said.span.to,
      above: true,
      create: () => {
        const dom = document.createElement('div');
        dom.className = 'explained';
        const title = document.createElement('b');
        title.textContent = said.title;
        const words = document.createElement('p');
        words.textContent = said.words;
        dom.append(title, words);
        const asked = cardOfWords(view.state.sliceDoc(said.span.from, said.span.to), source.terms());
        if (asked) dom.append(wayButton('How it is done', () => source.showHow(asked)));
        return { dom };
      },
    };
  };
}

/** The card of the word at the cursor, by key. */
function askHow(source: HelpSource): (view: EditorView) => boolean {
  return ({ state }) => {
    const word = state.wordAt(state.selection.main.head);
    if (!word) return false;
    source.showHow(state.sliceDoc(word.from, word.to));
    return true;
  };
}

/** Hover explanations and completion, as editor extensions. */
export function help(source: HelpSource): Extension {
  return [
    autocompletion({ override: [complete(source)], icons: false, activateOnTyping: true }),
    Prec.highest(keymap.of(completionKeymap)),
    keymap.of([{ key: 'F1', run: askHow(source) }]),
    EditorView.updateListener.of(({ transactions }) => {
      for (const { effects } of transactions) for (const effect of effects) if (effect.is(askedHow)) source.showHow(effect.value);
    }),
    hoverTooltip(explain(source), { hoverTime: 350 }),
  ];
}
