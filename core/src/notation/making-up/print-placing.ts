import type { Form } from '../print.js';
import { fractionWords } from './fraction.js';
import type { Aside, Height, MakingLine, Named, Placing, Round, Tip } from './placing.js';

/** A name as it is written: "Wing 1", "Eyes". */
export const printNamed = ({ name, copy }: Named): string => (copy === null ? name : `${name} ${copy}`);

/** A placing in the one clear form, which reads back the same: "Wing 1: on Body, R12 to R18, a quarter round left of the front, tip down". */
export function printPlacing(placing: Placing, form: Form = 'short'): string {
  const { subject, host, height, round, count, mirrors, tip, join } = placing;
  const words = [
    mirrors && `mirrors ${printNamed(mirrors)}`,
    host && `on ${printNamed(host)}`,
    height && printHeight(height, form),
    round && printRound(round),
    tip && TIP_WORDS[tip],
    join,
  ].filter((each) => each !== null);
  const counted = count === null ? '' : host && !mirrors ? `${count} ` : `${count}, `;
  return `${printNamed(subject)}: ${counted}${words.join(', ')}`;
}

/** A line of the making-up as it is printed: in words of its own as it stands, in the clear form in the length asked for. */
export function printMaking({ text, placing }: MakingLine, form: Form): string {
  const clear = placing && [printPlacing(placing, 'short'), printPlacing(placing, 'long')].includes(text);
  return clear ? printPlacing(placing, form) : text;
}

function printHeight(height: Height, form: Form): string {
  const r = (number: number): string => (form === 'long' ? `round ${number}` : `R${number}`);
  switch (height.is) {
    case 'gap':
      return form === 'long'
        ? `between rounds ${height.below} and ${height.below + 1}`
        : `between R${height.below} and R${height.below + 1}`;
    case 'rounds':
      return height.first === height.last
        ? `at ${r(height.first)}`
        : form === 'long'
          ? `rounds ${height.first} to ${height.last}`
          : `R${height.first} to R${height.last}`;
    case 'beside':
      return `${height.rounds} ${height.rounds === 1 ? 'round' : 'rounds'} ${height.way} ${printNamed(height.of)}`;
    case 'start':
      return 'in the middle of the base';
    case 'edge':
      return 'on the edge';
  }
}

function printRound(round: Round): string {
  switch (round.is) {
    case 'side':
      return round.aside ? `${printAside(round.aside)} of the ${round.of}` : `at the ${round.of}`;
    case 'centred':
      return round.aside ? `${printAside(round.aside)} of ${printNamed(round.of)}` : `centred between ${printNamed(round.of)}`;
    case 'opposite':
      return `opposite ${printNamed(round.of)}`;
    case 'apart': {
      const { count, reading } = round.apart;
      return `${count} stitches ${reading === 'between' ? 'between them' : 'apart'}, at the ${round.side}`;
    }
    case 'evenly':
      return `evenly from the ${round.from}`;
    case 'stitches':
      return `evenly over stitches ${round.first} to ${round.last}`;
    case 'after':
      return round.stitches.map((stitch) => `after stitch ${stitch}`).join(' and ');
    case 'sides':
      return 'one at each side';
  }
}

function printAside(aside: Aside): string {
  if ('stitches' in aside) return `${aside.stitches} ${aside.stitches === 1 ? 'stitch' : 'stitches'} ${aside.toward}`;
  return `${fractionWords(aside.turns) ?? 'a quarter'} round ${aside.toward}`;
}

const TIP_WORDS: Readonly<Record<Tip, string>> = {
  up: 'tip up',
  down: 'tip down',
  out: 'tip out',
  front: 'tip forward',
  back: 'tip back',
};
