import { seeded } from '../random/index.js';

/** Habits of a speaker, each tossed for a talk. */
export interface Habits {
  readonly terms: 'US' | 'UK';
  /** Whether captions have stops and commas. */
  readonly stops: boolean;
  readonly digits: boolean;
  readonly labels: 'round' | 'row' | 'ordinal' | 'next' | 'then';
  readonly totals: 'always' | 'often' | 'seldom';
  readonly mishears: boolean;
  readonly countsAloud: boolean;
  readonly chats: boolean;
}

/** A round as it is worked: plain, increased all round, or so many plain ones before each increase or decrease. */
export interface SpokenRound {
  readonly kind: 'ring' | 'each' | 'all' | 'inc' | 'dec' | 'close';
  readonly run: number;
  readonly plain: number;
  readonly times: number;
  readonly makes: number;
}

const SMALL =
  'zero one two three four five six seven eight nine ten eleven twelve thirteen fourteen fifteen sixteen seventeen eighteen nineteen'.split(
    ' ',
  );
const TENS = 'twenty thirty forty fifty sixty seventy eighty ninety'.split(' ');
const ORDINALS = 'first second third fourth fifth sixth seventh eighth ninth tenth eleventh twelfth'.split(' ');

/** A round body or limb in rounds, as makers work them, and how many stitches each makes. */
export function randomPart(seed: number): SpokenRound[] {
  const random = seeded(seed);
  const pick = (n: number): number => Math.floor(random() * n);
  const base = [5, 6, 6, 6, 6, 7, 8][pick(7)]!;
  const rounds: SpokenRound[] = [{ kind: 'ring', run: 1, plain: 0, times: 1, makes: base }];
  const tall = 2 + pick(4);
  for (let n = 2; n <= tall; n++)
    rounds.push({ kind: n === 2 ? 'all' : 'inc', run: 1, plain: n - 2, times: base, makes: base * n });
  rounds.push({ kind: 'each', run: 2 + pick(6), plain: 0, times: 1, makes: base * tall });
  const down = 1 + pick(tall);
  for (let n = tall; n > tall - down + 1 && n > 1; n--) {
    rounds.push({ kind: n === 2 ? 'close' : 'dec', run: 1, plain: n - 2, times: base, makes: base * (n - 1) });
    if (random() < 0.3) rounds.push({ kind: 'each', run: 1 + pick(3), plain: 0, times: 1, makes: base * (n - 1) });
  }
  return rounds;
}

export function randomHabits(seed: number): Habits {
  const random = seeded(seed + 7_919);
  const one = <T>(...of: readonly T[]): T => of[Math.floor(random() * of.length)]!;
  return {
    terms: one('US', 'US', 'UK'),
    stops: one(true, false),
    digits: one(true, false),
    labels: one('round', 'row', 'ordinal', 'next', 'then'),
    totals: one('always', 'often', 'seldom'),
    mishears: one(true, false, false),
    countsAloud: one(true, false),
    chats: one(true, false),
  };
}

/** Somebody telling parts round by round, as captions of some words each. */
export function speak(
  parts: readonly { readonly name: string; readonly rounds: readonly SpokenRound[] }[],
  habits: Habits,
  seed: number,
): string {
  const random = seeded(seed + 104_729);
  const one = <T>(...of: readonly T[]): T => of[Math.floor(random() * of.length)]!;
  const number = (n: number): string =>
    habits.digits
      ? String(n)
      : n < 20
        ? SMALL[n]!
        : n < 100
          ? [TENS[Math.floor(n / 10) - 2], n % 10 ? SMALL[n % 10] : ''].filter(Boolean).join(' ')
          : String(n);
  const sc = habits.terms === 'US' ? 'single crochet' : 'double crochet';
  const chat = (): string =>
    habits.chats && random() < 0.35
      ? one(
          'my cat is asleep on the pattern again.',
          'I had two cups of tea before this.',
          'tell me what you think of the colour.',
          'it rained for three days here.',
          'I keep my hooks in a jar.',
        )
      : '';
  const label = (round: SpokenRound, n: number): string => {
    if (round.run > 1) {
      const [from, to] = [number(n), number(n + round.run - 1)];
      return habits.labels === 'round' || habits.labels === 'row'
        ? one(`${habits.labels}s ${from} through ${to},`, `${habits.labels}s ${from} to ${to} are all the same,`)
        : one(`then for the next ${number(round.run)} rounds`, `now we do ${number(round.run)} rounds of just`);
    }
    if (habits.labels === 'ordinal' && n <= 12)
      return one(`for the ${ORDINALS[n - 1]} round we do`, `the ${ORDINALS[n - 1]} round is`);
    if (habits.labels === 'next') return one('next round,', 'for the next round', 'on the next round we go');
    if (habits.labels === 'then') return one('then we go', 'and then', 'okay then');
    const word = habits.labels === 'row' ? 'row' : 'round';
    return one(`${word} ${number(n)},`, `for ${word} ${number(n)} we do`, `now ${word} ${number(n)} is`);
  };
  const worked = ({ kind, plain, times }: SpokenRound): string => {
    if (kind === 'all')
      return one('increase in every stitch', `two ${sc} in each stitch`, 'an increase in each one all the way around');
    if (kind === 'close') return one(`decrease ${number(times)} times`, 'decrease all the way around');
    if (kind === 'each') return one(`one ${sc} in each stitch`, `${sc} in every stitch around`, `just one in each stitch`);
    const what = kind === 'inc' ? 'increase' : 'decrease';
    const unit =
      `${plain === 1 ? one(`one ${sc}`, `a ${sc}`) : `${number(plain)} ${sc}`} ${one('and then', 'then', 'and')} ${one('a', '')} ${what}`
        .replace('a increase', 'an increase')
        .replace(/ +/g, ' ');
    const aloud = habits.countsAloud ? `, so ${SMALL.slice(1, plain + 1).join(', ')} and ${what}` : '';
    return `${unit}${one(`, and do that ${number(times)} times`, `, ${number(times)} times`, ', all the way around', ', and repeat that all the way around')}${aloud}`;
  };
  const total = (makes: number): string => {
    const said = habits.totals === 'always' || random() < (habits.totals === 'often' ? 0.6 : 0.15);
    return said
      ? one(
          `you should have ${number(makes)} stitches.`,
          `that gives you ${number(makes)}.`,
          `${number(makes)} stitches.`,
          `and that's ${number(makes)}.`,
        )
      : '';
  };
  const told = parts.map(({ name, rounds }) => {
    let n = 1;
    const lines = rounds.map((round) => {
      const begin =
        round.kind === 'ring'
          ? `${one('make a magic ring', 'start with a magic ring')} and work ${number(round.makes)} ${sc} into the ring.`
          : `${label(round, n)} ${worked(round)}.`;
      n += round.run;
      return `${begin} ${total(round.makes)} ${chat()}`;
    });
    return `now let's make the ${name}. ${lines.join(' ')} fasten off and leave a tail.`;
  });
  let text = `hello and welcome, today we are making a little ${one('walrus', 'lemon', 'rocket')}. ${told.join(' ')} and that is it, bye.`;
  if (habits.mishears)
    text = text
      .replaceAll('crochet', 'crow shade')
      .replaceAll('increase', 'in crease')
      .replaceAll('decrease', 'decrees')
      .replaceAll('magic ring', 'magic rain')
      .replaceAll('stitches', 'stitch is');
  if (!habits.stops) text = text.replace(/[.,]/g, '');
  return captions(text.replace(/ +/g, ' ').split(' '));
}

function captions(words: readonly string[]): string {
  const two = (n: number): string => String(n).padStart(2, '0');
  const time = (s: number): string => `${two(Math.floor(s / 3600))}:${two(Math.floor(s / 60) % 60)}:${two(s % 60)}.000`;
  const cues: string[] = [];
  for (let i = 0; i < words.length; i += 8)
    cues.push(`${time((i / 8) * 3)} --> ${time((i / 8) * 3 + 3)}\n${words.slice(i, i + 8).join(' ')}`);
  return `WEBVTT\n\n${cues.join('\n\n')}\n`;
}
