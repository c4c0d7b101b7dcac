import type { StitchName, Terms } from '../../stitch.js';
import type { Atom, Meant } from '../sign.js';

export type Groups = readonly (string | undefined)[];

/** Words as they are said, and what they mean: nothing of the work, or no more than others say of them (null). */
export interface Rule {
  readonly pattern: RegExp;
  readonly meant: (groups: Groups) => Meant | 'nothing' | null;
}

/**
 * A rule from a regular expression over the keys of words: "#6" or N a number, "%3" an ordinal, "~4" what sounds like one.
 * "one" in it is written as a word.
 */
export function rule(source: string, meant: Rule['meant']): Rule {
  return { pattern: new RegExp(`(?:${source.replace(/\bone\b/g, '#1')})(?= )`, 'y'), meant };
}

/** A number that is sure, and one that is or sounds like one. */
export const SURE = String.raw`#(\d{1,4})`;
export const N = String.raw`[#~](\d{1,4})`;
/** "one" that stands for a stitch, and does not begin what comes next: "in the next one", but "in each, one in each". */
export const ONE = String.raw`one(?! (?:[#~]\d+|in|single|more)(?= ))`;
export const STITCHES = '(?:stitch(?:es)?|sts?|loops?)';
export const EVERY = '(?:each|every|all)';
export const LABEL = '(?:rounds?|rows?|rnds?|r)';
export const LABELS = '(?:rounds|rows|rnds)';
export const AROUND = String.raw`(?:all (?:the )?way (?:a?round|along|across|~2 the end)|(?:all|right) (?:a)?round|a?round and a?round|the whole (?:round|way|row)|a?round the (?:whole|rest)|(?:~2|until you (?:get|come|are back|meet) (?:back )?(?:~2 )?)(?: ?the| ?your) (?:end of the (?:round|row)|marker)|around)`;

export const num = (text: string | undefined): number => Number(text);
export const nothing = (): 'nothing' => 'nothing';

export function atom(part: Partial<Atom>): Atom {
  return { is: 'atom', stitch: 'sc', per: 1, together: 1, count: 1, through: false, ...part };
}

export interface StitchRow {
  readonly stitch: StitchName;
  readonly words: string;
}

const CROCHET = '(?: crochets?)';
const ST = '(?: stitch(?:es)?)?';
const PLAIN = '(?:normal|regular|plain|ordinary) (?:stitch(?:es)?|ones?|singles?|one)|normals|crochets';

/** What the stitches are called in the terms of the talk, as regular expressions. */
export function stitchRows(terms: Terms): readonly StitchRow[] {
  return terms === 'US'
    ? [
        { stitch: 'hdc', words: `(?:half doubles?${CROCHET}?${ST}|hdcs?)` },
        { stitch: 'tr', words: `(?:(?:treble|triple)s?${CROCHET}?)` },
        { stitch: 'dc', words: `(?:doubles?${CROCHET}${ST}|dcs?)` },
        { stitch: 'sc', words: `(?:singles?${CROCHET}?${ST}|scs?|${PLAIN})` },
      ]
    : [
        { stitch: 'hdc', words: `(?:half trebles?${CROCHET}?|htrs?)` },
        { stitch: 'tr', words: `(?:double trebles?${CROCHET}?|dtrs?)` },
        { stitch: 'dc', words: `(?:trebles?${CROCHET}?|trs?)` },
        { stitch: 'sc', words: `(?:doubles?${CROCHET}${ST}|dcs?|${PLAIN})` },
      ];
}

/** Any stitch of the rows. */
export function anyStitch(rows: readonly StitchRow[]): string {
  return `(?:${rows.map(({ words }) => words).join('|')})`;
}
