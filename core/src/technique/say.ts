import { STITCHES, type StitchName, type Terms } from '../notation/index.js';
import type { Card, SaidCard } from './card.js';

export interface Saying {
  readonly terms: Terms;
  /** The hand that holds the hook. */
  readonly hand: 'right' | 'left';
}

const STITCH = /\{(sl st|sc|hdc|dc|tr|ch)( s)?\}/gi;
const SIDE = /\{(right|left)\}/g;

/** A card in the maker's words. */
export function sayCard(card: Card, saying: Saying): SaidCard {
  const say = (text: string): string => sayWords(text, saying);
  return {
    id: card.id,
    see: card.see,
    name: say(card.name),
    what: say(card.what),
    steps: card.steps.map(say),
    rightWhen: say(card.rightWhen),
    goesWrong: card.goesWrong.map(({ sign, mend }) => ({ sign: say(sign), mend: say(mend) })),
    caution: card.caution === undefined ? null : say(card.caution),
  };
}

function sayWords(text: string, { terms, hand }: Saying): string {
  return text
    .replace(STITCH, (_, name: string, many: string | undefined) => {
      const full = STITCHES[name.toLowerCase() as StitchName][terms].full[many ? 1 : 0];
      return /^[A-Z]/.test(name) ? full.charAt(0).toUpperCase() + full.slice(1) : full;
    })
    .replace(SIDE, (_, side: string) => (hand === 'right' ? side : side === 'right' ? 'left' : 'right'));
}
