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

/** Who speaks: habits, dice, and the words they give. */
interface Voice {
  readonly habits: Habits;
  readonly random: () => number;
  readonly one: (...of: readonly string[]) => string;
  readonly number: (n: number) => string;
  readonly sc: string;
}

function voiceOf(habits: Habits, seed: number): Voice {
  const random = seeded(seed + 104_729);
  const inWords = (n: number): string =>
    n < 20 ? SMALL[n]! : [TENS[Math.floor(n / 10) - 2], n % 10 ? SMALL[n % 10] : ''].filter(Boolean).join(' ');
  return {
    habits,
    random,
    one: (...of) => of[Math.floor(random() * of.length)]!,
    number: (n) => (habits.digits || n > 99 ? String(n) : inWords(n)),
    sc: habits.terms === 'US' ? 'single crochet' : 'double crochet',
  };
}

function chat({ habits, random, one }: Voice): string {
  if (!habits.chats || random() >= 0.35) return '';
  return one(
    'my cat is asleep on the pattern again.',
    'I had two cups of tea before this.',
    'tell me what you think of the colour.',
    'it rained for three days here.',
    'I keep my hooks in a jar.',
  );
}

function beginning({ one, number, sc }: Voice, makes: number): string {
  const n = number(makes);
  return one(
    `make a magic ring and work ${n} ${sc} into the ring.`,
    `start with a magic ring and work ${n} ${sc} into the ring.`,
    `we start with ${n} ${sc}s in a magic ring.`,
    `chain two, and put ${n} ${sc} into the second chain from the hook.`,
    `make a magic ring with ${n} ${sc} in it.`,
  );
}

function announced({ habits, one, number }: Voice, round: SpokenRound, n: number): string {
  const word = habits.labels === 'row' ? 'row' : 'round';
  const numbered = habits.labels === 'round' || habits.labels === 'row';
  const [from, to, run] = [number(n), number(n + round.run - 1), number(round.run)];
  if (round.run > 1 && numbered)
    return one(
      `${word}s ${from} through ${to},`,
      `${word}s ${from} to ${to} are all the same,`,
      `for ${word}s ${from} to ${to} we work`,
    );
  if (round.run > 1)
    return one(
      `then for the next ${run} rounds`,
      `now we do ${run} rounds of just`,
      `now we are going to work even for ${run} rounds, so`,
    );
  const nth = ORDINALS[n - 1];
  if (habits.labels === 'ordinal' && nth)
    return one(`for the ${nth} round we do`, `the ${nth} round is`, `on to our ${nth} round, we do`);
  if (habits.labels === 'next')
    return one('next round,', 'for the next round', 'on the next round we go', 'and for the next one we do');
  if (habits.labels === 'then') return one('then we go', 'and then', 'okay then');
  return one(
    `${word} ${from},`,
    `for ${word} ${from} we do`,
    `now ${word} ${from} is`,
    `moving on to ${word} ${from},`,
    `in ${word} ${from} we are going to do`,
    `okay so this is ${word} ${from}, and we do`,
  );
}

function allRound({ one, number, sc }: Voice, { kind, times }: SpokenRound): string {
  if (kind === 'close')
    return one(`decrease ${number(times)} times`, 'decrease all the way around', `${number(times)} decreases`);
  if (kind === 'all')
    return one(
      'increase in every stitch',
      `two ${sc} in each stitch`,
      'an increase in each one all the way around',
      `we put two ${sc}s into every stitch around`,
      'increase all the way around',
      `increase ${number(times)} times`,
    );
  return one(
    `one ${sc} in each stitch`,
    `${sc} in every stitch around`,
    `just one in each stitch`,
    `one ${sc} into each stitch around with no increases`,
    `${sc} all the way around`,
  );
}

function unitOf({ one, number, sc }: Voice, plain: number, what: 'increase' | 'decrease'): string {
  const an = what === 'increase' ? 'an increase' : one('a decrease', 'an invisible decrease');
  const many = plain === 1 ? one(`one ${sc}`, `a ${sc}`) : `${number(plain)} ${sc}`;
  return one(
    `${many} ${one('and then', 'then', 'and')} ${one(an, what)}`,
    `${many}${plain === 1 ? '' : 's'} followed by ${an}`,
    `${sc} in the next ${plain === 1 ? 'stitch' : `${number(plain)} stitches`} and then ${an}`,
    plain === 1
      ? `one ${sc} in the next stitch then ${an}`
      : `one ${sc} in each of the next ${number(plain)} stitches then ${an}`,
    what === 'increase' ? `an increase in every ${ORDINALS[plain]} stitch` : `${many}, ${what}`,
  );
}

function worked(voice: Voice, round: SpokenRound): string {
  const { habits, one, number } = voice;
  if (round.kind !== 'inc' && round.kind !== 'dec') return allRound(voice, round);
  const what = round.kind === 'inc' ? 'increase' : 'decrease';
  const repeated = one(
    `, and do that ${number(round.times)} times`,
    `, ${number(round.times)} times`,
    ', all the way around',
    ', and repeat that all the way around',
    ', and keep repeating that until the end of the round',
    `, and we are going to do that a total of ${number(round.times)} times`,
  );
  const aloud = habits.countsAloud ? `, so ${SMALL.slice(1, round.plain + 1).join(', ')} and ${what}` : '';
  return `${unitOf(voice, round.plain, what)}${repeated}${aloud}`;
}

function totalled({ habits, random, one, number }: Voice, makes: number): string {
  const share = habits.totals === 'always' ? 1 : habits.totals === 'often' ? 0.6 : 0.15;
  if (random() >= share) return '';
  const n = number(makes);
  return one(
    `you should have ${n} stitches.`,
    `that gives you ${n}.`,
    `${n} stitches.`,
    `and that's ${n}.`,
    `for a total of ${n} stitches.`,
    `so now we have ${n} stitches.`,
    `giving us ${n}.`,
    `that brings us ${one('up', 'down')} to ${n}.`,
    `you will end up with ${n} stitches at the end of this round.`,
    `and I have ${n} stitches.`,
  );
}

/** What automatic captions make of it. */
function misheard(text: string): string {
  return text
    .replaceAll('crochet', 'crow shade')
    .replaceAll('increase', 'in crease')
    .replace(/decreases?/g, 'decrees')
    .replaceAll('magic ring', 'magic rain')
    .replaceAll('stitches', 'stitch is');
}

/** Somebody telling parts round by round, as captions of some words each. */
export function speak(
  parts: readonly { readonly name: string; readonly rounds: readonly SpokenRound[] }[],
  habits: Habits,
  seed: number,
): string {
  const voice = voiceOf(habits, seed);
  const told = parts.map(({ name, rounds }) => {
    let n = 1;
    const lines = rounds.map((round) => {
      const begin =
        round.kind === 'ring' ? beginning(voice, round.makes) : `${announced(voice, round, n)} ${worked(voice, round)}.`;
      n += round.run;
      return `${begin} ${totalled(voice, round.makes)} ${chat(voice)}`;
    });
    return `now let's make the ${name}. ${lines.join(' ')} fasten off and leave a tail.`;
  });
  const thing = voice.one('walrus', 'lemon', 'rocket');
  const text = `hello and welcome, today we are making a little ${thing}. ${told.join(' ')} and that is it, bye.`;
  const heard = habits.mishears ? misheard(text) : text;
  return captions((habits.stops ? heard : heard.replace(/[.,]/g, '')).replace(/ +/g, ' ').split(' '));
}

function captions(words: readonly string[]): string {
  const two = (n: number): string => String(n).padStart(2, '0');
  const time = (s: number): string => `${two(Math.floor(s / 3600))}:${two(Math.floor(s / 60) % 60)}:${two(s % 60)}.000`;
  const cues: string[] = [];
  for (let i = 0; i < words.length; i += 8)
    cues.push(`${time((i / 8) * 3)} --> ${time((i / 8) * 3 + 3)}\n${words.slice(i, i + 8).join(' ')}`);
  return `WEBVTT\n\n${cues.join('\n\n')}\n`;
}
