import {
  autocompletion,
  completionKeymap,
  type Completion,
  type CompletionContext,
  type CompletionResult,
} from '@codemirror/autocomplete';
import { Prec, type Extension } from '@codemirror/state';
import { hoverTooltip, keymap, type EditorView, type Tooltip } from '@codemirror/view';
import { explainAt, STITCHES, STITCH_NAMES, type Terms } from '@lemniscus/core/notation';
import type { NextRound } from '@lemniscus/core/spacing';

/** What the editor's help asks of the reading. */
export interface HelpSource {
  readonly terms: () => Terms;
  /** Rounds that would go on with the rhythm before an offset. */
  readonly nextRounds: (offset: number) => readonly NextRound[];
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

function explain(source: HelpSource): (view: EditorView, offset: number) => Tooltip | null {
  return (view, offset) => {
    const said = explainAt(view.state.doc.toString(), offset, source.terms());
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
        return { dom };
      },
    };
  };
}

/** Hover explanations and completion, as editor extensions. */
export function help(source: HelpSource): Extension {
  return [
    autocompletion({ override: [complete(source)], icons: false, activateOnTyping: true }),
    Prec.highest(keymap.of(completionKeymap)),
    hoverTooltip(explain(source), { hoverTime: 350 }),
  ];
}
