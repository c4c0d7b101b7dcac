import { describeDoubt, talkLines, type Cue, type TalkLine } from '@lemniscus/core/notation/talk';
import { printTime, type Span } from '@lemniscus/core/notation';
import { textOfLines } from '@lemniscus/core/decoding';
import type { Found } from '../../data/open/file-opening';

/** What stands in the file at one place: a line of it, or what was said together. */
export interface SourcePiece {
  readonly text: string;
  /** Where: "page 2", "4:26"; '' where that says nothing. */
  readonly where: string;
  /** Why it is no part of the pattern; null where it is one. */
  readonly dropped: string | null;
}

/** A line of the pattern that comes of it. */
export interface ReviewLine {
  readonly text: string;
  /** Indices of the pieces it was read from. */
  readonly pieces: readonly number[];
  /** What is in doubt, in words. */
  readonly doubts: readonly string[];
  /** The other ways to write it. */
  readonly others: readonly string[];
}

export interface ReviewSource {
  readonly pieces: readonly SourcePiece[];
  readonly lines: readonly ReviewLine[];
}

const WHY = {
  'running head': 'runs along every page',
  'page number': 'page number',
  'around the page': 'around the page',
} as const;

/** A file beside the pattern that is read from it. `putBack` are pieces that are taken although they were dropped. */
export function sourceOf({ opened, talk }: Found, text: string, putBack: ReadonlySet<number>): ReviewSource {
  if (talk) {
    const pieces = talk.cues.map((cue) => pieceOfCue(cue, text));
    return { pieces, lines: talkLines(talk).map(({ text: line, told }) => lineOf(line, told, talk.cues)) };
  }
  if (!opened.ok) return { pieces: [], lines: [] };
  let page: number | null = null;
  const pieces = opened.lines.map((line): SourcePiece => {
    const where = line.page !== null && line.page !== page ? `page ${line.page}` : '';
    page = line.page;
    return { text: line.text, where, dropped: line.dropped && WHY[line.dropped] };
  });
  const lines: ReviewLine[] = [];
  opened.lines.forEach((line, at) => {
    if (line.dropped !== null && !putBack.has(at)) return;
    if (line.text === '' && (lines.at(-1)?.text ?? '') === '') return;
    lines.push({ text: line.text, pieces: [at], doubts: [], others: [] });
  });
  return { pieces, lines };
}

/** The text of the file that cues and spans stand in. */
export function textOf({ opened }: Found): string {
  return opened.ok ? textOfLines(opened.lines) : '';
}

function pieceOfCue({ from, spans }: Cue, text: string): SourcePiece {
  const words = spans.map((span) => text.slice(span.from, span.to)).join(' ');
  return {
    text: words
      .replace(/<[^<>]*>/g, '')
      .replace(/\s+/g, ' ')
      .trim(),
    where: printTime(from),
    dropped: null,
  };
}

function lineOf(text: string, told: TalkLine | null, cues: readonly Cue[]): ReviewLine {
  if (!told) return { text, pieces: [], doubts: [], others: [] };
  const within = (span: Span): boolean => told.spans.some((said) => said.from < span.to && said.to > span.from);
  const pieces = cues.flatMap((cue, at) => (cue.spans.some(within) ? [at] : []));
  return { text, pieces, doubts: told.doubts.map(describeDoubt), others: told.others };
}
