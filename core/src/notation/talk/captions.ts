import type { Span } from '../span.js';

/** Words that were said or shown together. Times in seconds from the beginning, `to` where the next begins at the latest. */
export interface Cue {
  readonly from: number;
  readonly to: number;
  /** Where its words stand in the file. */
  readonly spans: readonly Span[];
}

/** Hours, minutes and seconds, as captions and other timed texts write them: "1:05", "00:01:05", "00:01:05.120", "1:05,5". */
const TIME = String.raw`(?:(\d{1,3}):)?(\d{1,2}):(\d{2})(?:[.,](\d{1,3}))?`;
const ARROW = new RegExp(String.raw`^\s*${TIME}\s*-->\s*${TIME}`);
const STAMP = new RegExp(String.raw`^\s*[[(<]?\s*${TIME}\s*[\])>]?(?=\s|$|[-–—:])\s*[-–—:]?\s*`);
/** Blocks of a WebVTT file that hold no words (W3C WebVTT, from memory). */
const NO_WORDS = /^(?:WEBVTT|NOTE|STYLE|REGION)(?:\s|$)/;
/** So many lines that begin with a time, and at least this share of a text's words below them, make it a talk. */
const LEAST_STAMPS = 3;
const LEAST_SHARE = 0.6;
/** A cue without an end is held this long, s. */
const LAST_LONG = 5;

interface Line extends Span {
  readonly text: string;
}

/**
 * The cues of captions (WebVTT, SubRip) or of a text whose lines begin with a time; null for any other text. Lines that
 * captions show twice, as they roll up, are taken once.
 */
export function cuesOf(text: string): readonly Cue[] | null {
  const lines = linesOf(text);
  const timed = lines.some((line) => ARROW.test(line.text)) ? arrowCues(lines) : stampCues(lines);
  return timed && withoutRolling(text, ended(timed));
}

function linesOf(text: string): Line[] {
  const lines: Line[] = [];
  for (const match of text.matchAll(/[^\r\n]*(?:\r\n|\r|\n|$)/g)) {
    if (match[0] === '') continue;
    const bare = match[0].replace(/[\r\n]+$/, '');
    lines.push({ text: bare, from: match.index, to: match.index + bare.length });
  }
  return lines;
}

function secondsIn([hours, minutes, seconds, part]: readonly (string | undefined)[]): number {
  return Number(hours ?? 0) * 3600 + Number(minutes) * 60 + Number(seconds) + Number(`0.${part ?? 0}`);
}

interface Open {
  readonly from: number;
  readonly to: number | null;
  readonly spans: readonly Span[];
}

function arrowCues(lines: readonly Line[]): Open[] {
  const cues: Open[] = [];
  let skipping = false;
  let spans: Span[] | null = null;
  lines.forEach((line, i) => {
    const arrow = ARROW.exec(line.text);
    if (arrow) {
      spans = [];
      skipping = false;
      cues.push({ from: secondsIn(arrow.slice(1, 5)), to: secondsIn(arrow.slice(5, 9)), spans });
    } else if (line.text.trim() === '') spans = null;
    else if (NO_WORDS.test(line.text) && spans === null) skipping = true;
    // A cue's own number or name stands on the line before its times.
    else if (spans && !skipping && !(/^\s*\d+\s*$/.test(line.text) && ARROW.test(lines[i + 1]?.text ?? ''))) spans.push(line);
  });
  return cues;
}

function stampCues(lines: readonly Line[]): Open[] | null {
  const cues: Open[] = [];
  let below = 0;
  let all = 0;
  let spans: Span[] | null = null;
  let last = 0;
  for (const line of lines) {
    const stamp = STAMP.exec(line.text);
    all += line.text.length;
    const time = stamp && secondsIn(stamp.slice(1, 5));
    // Times go up: a "1:30" in the middle of the talk's words is none of them.
    if (stamp && time !== null && time >= last) {
      last = time;
      spans = [];
      cues.push({ from: time, to: null, spans });
      if (stamp[0].length < line.text.length) spans.push({ from: line.from + stamp[0].length, to: line.to });
    } else if (spans && line.text.trim() !== '') spans.push(line);
    if (spans) below += line.text.length;
  }
  return cues.length >= LEAST_STAMPS && below >= LEAST_SHARE * all && everyStampIsTime(cues) ? cues : null;
}

/** Rounds numbered "1:", "2:" are no times: a talk's go on by more than they count. */
function everyStampIsTime(cues: readonly Open[]): boolean {
  return cues.at(-1)!.from - cues[0]!.from >= 2 * cues.length || cues.length > 60;
}

function ended(cues: readonly Open[]): Cue[] {
  return cues.map((cue, i) => {
    const next = cues[i + 1]?.from ?? cue.from + LAST_LONG;
    return { from: cue.from, to: Math.max(cue.from, cue.to ?? next), spans: cue.spans };
  });
}

/** Rolling captions show the line before again above the new one. */
function withoutRolling(text: string, cues: readonly Cue[]): Cue[] {
  let shown: readonly string[] = [];
  const kept: Cue[] = [];
  for (const cue of cues) {
    const words = cue.spans.map((span) => plainWords(text.slice(span.from, span.to)));
    const spans = cue.spans.filter((_, i) => words[i] !== '' && !shown.includes(words[i]!));
    const repeats = shown.length > 0 && spans.length < words.filter((line) => line !== '').length;
    if (!repeats || spans.length > 0) kept.push({ ...cue, spans: repeats ? spans : cue.spans });
    if (words.some((line) => line !== '')) shown = words.some((line) => line.split(' ').length > 2) ? words : [];
  }
  return kept.filter(({ spans }) => spans.length > 0);
}

function plainWords(text: string): string {
  return text
    .replace(/<[^<>]*>/g, '')
    .replace(/\s+/g, ' ')
    .trim()
    .toLowerCase();
}
