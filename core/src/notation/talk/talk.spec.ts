import { describe, expect, it } from 'vitest';
import { checkPattern, toReport, type PatternReport } from '../../fabric/index.js';
import { seeded } from '../../random/index.js';
import { randomHabits, randomPart, speak } from '../../test/speak.js';
import { TOLD_TALKS } from '../../test/told-talks.js';
import { factsIn, read } from '../index.js';
import { readTalk, talkText, type Talk } from './index.js';

function talkOf(text: string): Talk {
  const talk = readTalk(text);
  if (!talk) throw new Error('This is no talk.');
  return talk;
}

function reportOf(text: string): PatternReport {
  const pattern = talkText(talkOf(text));
  return toReport(pattern, checkPattern(read(pattern)));
}

/** How many of the one stand in the other in the same order. */
function common(a: readonly number[], b: readonly number[]): number {
  const table = Array.from({ length: a.length + 1 }, () => new Uint16Array(b.length + 1));
  for (let i = 1; i <= a.length; i++)
    for (let j = 1; j <= b.length; j++)
      table[i]![j] = a[i - 1] === b[j - 1] ? table[i - 1]![j - 1]! + 1 : Math.max(table[i - 1]![j]!, table[i]![j - 1]!);
  return table[a.length]![b.length]!;
}

const captions = (...lines: readonly string[]): string => captionsOf(lines);

const two = (n: number): string => String(n).padStart(2, '0');
const captionsOf = (lines: readonly string[]): string =>
  `WEBVTT\n\n${lines.map((line, i) => `00:${two(i)}:00.000 --> 00:${two(i)}:50.000\n${line}`).join('\n\n')}\n`;

describe('a talk', () => {
  it.each(TOLD_TALKS)('is read with its parts and counts: $habit', ({ text, title, parts }) => {
    const report = reportOf(text);
    expect(report.title).toBe(title);
    expect(report.parts.map(({ name, copies, rounds }) => ({ name, copies, makes: rounds.map(({ makes }) => makes) }))).toEqual(
      parts,
    );
    expect(report.diagnostics.filter(({ severity }) => severity === 'error')).toEqual([]);
    expect(report.parts.flatMap(({ rounds }) => rounds).every(({ ok }) => ok)).toBe(true);
  });

  it('of any habits gives its rounds back, and none that nobody worked unless it is marked', { timeout: 120_000 }, () => {
    let [told, found, wrong] = [0, 0, 0];
    for (let seed = 1_000; seed < 1_080; seed++) {
      const parts = [
        { name: 'head', rounds: randomPart(3 * seed) },
        { name: 'body', rounds: randomPart(3 * seed + 1) },
      ];
      const makes = parts.flatMap(({ rounds }) =>
        rounds.flatMap((round) => Array.from({ length: round.run }, () => round.makes)),
      );
      const rounds = reportOf(speak(parts, randomHabits(seed), seed)).parts.flatMap((part) => part.rounds);
      const hit = common(
        makes,
        rounds.map((round) => round.makes),
      );
      told += makes.length;
      found += hit;
      wrong += Math.max(0, rounds.filter(({ ok }) => ok).length - hit);
    }
    expect(found / told).toBeGreaterThan(0.99);
    expect(wrong).toBe(0);
  });

  it('is the same in whichever form its times are written', () => {
    const lines = [
      'round one six single crochet in a magic ring',
      'round two increase in every stitch, twelve',
      'rounds three to five one single crochet in each stitch, twelve',
      'round six, decrease six times. six left',
    ];
    const clock = (i: number, comma = '.'): string => `00:0${i}:05${comma}000`;
    const forms = [
      `WEBVTT - A pea\n\nNOTE nothing\n\n${lines.map((line, i) => `${i + 1}\n${clock(i)} --> ${clock(i + 1)} align:start\n<c>${line}</c>`).join('\n\n')}`,
      lines.map((line, i) => `${i + 1}\r\n${clock(i, ',')} --> ${clock(i + 1, ',')}\r\n- ${line} [Music]`).join('\r\n\r\n'),
      lines.map((line, i) => `[${i}:05] ${line}`).join('\n'),
      lines.map((line, i) => `${i}:05 ${line}`).join('\n'),
      lines.map((line, i) => `00:0${i}:05\n${line}`).join('\n'),
      // Captions that roll show the line before once more above the new one.
      `WEBVTT\n\n${lines.map((line, i) => `${clock(i)} --> ${clock(i + 1)}\n${i > 0 ? `${lines[i - 1]}\n` : ''}${line}`).join('\n\n')}`,
    ];
    const talks = forms.map((form) => talkOf(form).parts.map(({ lines: read }) => read.map(({ text }) => text)));
    expect(talks[0]).toEqual([
      [
        'R1: 6 sc in ring (at 0:05)',
        'R2: inc around (12) (at 1:05)',
        'R3–R5: sc around (12) (at 2:05)',
        'R6: dec × 6 (6) (at 3:05)',
      ],
    ]);
    for (const talk of talks) expect(talk).toEqual(talks[0]);
  });

  it('keeps where each line was said, in its text and in the file', () => {
    const text = captions(
      'round one, six single crochet in a magic ring',
      'round two, increase in every stitch',
      'round three, one single crochet and an increase, six times. eighteen',
    );
    const [part] = talkOf(text).parts;
    expect(part!.lines.map(({ seconds }) => seconds)).toEqual([0, 60, 120]);
    expect(part!.lines[2]!.spans.map(({ from, to }) => text.slice(from, to)).join(' … ')).toBe(
      'round three, one single crochet and an increase, six times. eighteen',
    );
    const [round] = read(talkText(talkOf(text))).pattern.parts[0]!.lines.slice(-1);
    const facts = round!.items.flatMap((item) => (item.kind === 'remark' ? item.facts : []));
    expect(facts).toEqual([{ is: 'told', seconds: 120, inDoubt: false }]);
    expect(factsIn('(at 1:02:03, in doubt: 7 was said)')).toEqual([{ is: 'told', seconds: 3_723, inDoubt: true }]);
  });

  it('says both readings where a total is not what its words make, and goes on from the one that fits', () => {
    const talk = talkOf(
      captions(
        'round one six single crochet in the ring, round two increase in every stitch, you should have twelve',
        'round three, one single crochet and an increase, six times, that gives you twenty',
        'round four one single crochet in each of your eighteen stitches',
      ),
    );
    const [, , third, fourth] = talk.parts[0]!.lines;
    expect(third!.text).toBe('R3: (1 sc, inc) × 6 (20) (at 1:00, in doubt: 20 was said, and the words make 18)');
    expect(third!.others).toEqual(['R3: (1 sc, inc) × 6 (18) (at 1:00)']);
    expect(fourth!.text).toBe('R4: sc around (18) (at 2:00)');
    const report = reportOf(
      captions(
        'round one six single crochet in the ring',
        'round two increase in every stitch, thirteen stitches',
        'round three one in each',
      ),
    );
    expect(report.parts[0]!.rounds.map(({ ok }) => ok)).toEqual([true, false, true]);
    expect(report.diagnostics.map(({ code }) => code)).toContain('told-in-doubt');
  });

  it('marks a round that nothing said bears out, and none that a later total leads back to', () => {
    const told = captions(
      'six single crochet in a magic ring. then increase in every stitch. then one single crochet and an increase all the way around',
      'and then one in each. you should have eighteen',
      'then one single crochet and a decrease, one single crochet and a decrease',
    );
    const lines = talkOf(told).parts[0]!.lines;
    expect(lines.map(({ doubts }) => doubts.map(({ is }) => is))).toEqual([[], [], [], [], ['unconfirmed']]);
    expect(lines.at(-1)!.text).toBe('R5: (1 sc, dec) around (at 2:03, in doubt: nothing that was said confirms it)');
  });

  it('lets what is put right win, and counts neither counting aloud nor what is looked back upon', () => {
    const [part] = talkOf(
      captions(
        'magic ring and six, no wait, seven single crochet in the ring, one two three four five six seven',
        'so that was round one. round two increase in each, increase, increase, fourteen. so that was round three, sorry, that was round two',
        'round three is one single crochet, an increase, one, increase, two, increase, three, increase, that makes twenty one',
      ),
    ).parts;
    expect(part!.lines.map(({ text }) => text.replace(/ \(at.*/, ''))).toEqual([
      'R1: 7 sc in ring (7)',
      'R2: inc around (14)',
      'R3: (1 sc, inc) around (21)',
    ]);
  });

  it('that begins in the middle is numbered from where it begins', () => {
    const text = captions(
      "so I'm at the end of round eight and I've got thirty six stitches",
      'round nine, four single crochet and a decrease six times, that gets you to thirty',
      'round ten is three single crochet and a decrease six times, twenty four',
      'round eleven two single crochet and a decrease six times, eighteen',
    );
    expect(reportOf(text).parts[0]!.rounds.map(({ label, makes }) => [label, makes])).toEqual([
      ['R9', 30],
      ['R10', 24],
      ['R11', 18],
    ]);
  });

  it('of other things, of music alone, or in no time gives no rounds; in two languages those of one', () => {
    const cooking = captions(
      'preheat the oven to 350 degrees and increase the speed',
      'add three eggs one at a time, and repeat until you have twelve',
      'bake in each of the two tins for thirty minutes, turn, and you should have twelve muffins',
    );
    expect(talkOf(cooking).parts).toEqual([]);
    expect(talkOf(captions('[Music]', '♪ ♪', '(applause)')).parts).toEqual([]);
    expect(readTalk('R1: 6 sc in ring (6)\nR2: inc around (12)')).toBeNull();
    expect(readTalk('1:6 sc\n2:12 sc\n3:18 sc')).toBeNull();
    const both = captions(
      'runde eins sechs feste maschen, round one six single crochet in a magic ring',
      'in der zweiten runde verdoppeln wir jede masche. round two increase in every stitch twelve',
      'round three one single crochet and an increase, eighteen stitches',
    );
    expect(reportOf(both).parts[0]!.rounds.map(({ makes }) => makes)).toEqual([6, 12, 18]);
  });

  it('stops when it is told to', () => {
    const text = speak([{ name: 'body', rounds: randomPart(5) }], randomHabits(5), 5);
    const heard: number[] = [];
    expect(readTalk(text, (done) => heard.push(done) < 1)!.parts).toEqual([]);
    expect(heard).toEqual([0]);
  });

  it(
    'of whatever words is written in lines that are read again, with times that go up and places inside the file',
    { timeout: 120_000 },
    () => {
      const words = TOLD_TALKS.flatMap(({ text }) => text.replace(/\[[\d:]+\]/g, '').split(/\s+/));
      const extra =
        'sorry wait round twenty chain skip back loops only through the leg other side of the chain decrease magic ring'.split(
          ' ',
        );
      for (let seed = 0; seed < 25; seed++) {
        const random = seeded(seed);
        const one = <T>(of: readonly T[]): T => of[Math.floor(random() * of.length)]!;
        // Runs of a talk's own words, cut together anyhow.
        const said = Array.from({ length: 40 }, () => {
          const from = Math.floor(random() * words.length);
          return [...words.slice(from, from + 1 + Math.floor(random() * 14)), one(extra)].join(' ');
        });
        const text = captionsOf(said);
        const talk = talkOf(text);
        const lines = talk.parts.flatMap((part) => part.lines);
        for (const { spans } of lines)
          for (const { from, to } of spans) expect(0 <= from && from < to && to <= text.length).toBe(true);
        for (const { lines: own } of talk.parts) {
          const rounds = own.filter(({ text: line }) => line.startsWith('R')).map(({ seconds }) => seconds);
          expect(rounds).toEqual([...rounds].sort((a, b) => a - b));
        }
        const unread = read(talkText(talk)).diagnostics.filter(
          ({ code }) => code === 'unread' || code === 'unknown-stitch' || code === 'note-with-work',
        );
        expect(unread, `seed ${seed}\n${talkText(talk)}`).toEqual([]);
      }
    },
  );

  it('tells colours, eyes and stuffing between the rounds where they were told', () => {
    const [part] = talkOf(
      captions(
        'grab your dark green, and now the frog. round one, six single crochet in a magic ring. six',
        'round two, increase in every stitch, twelve. no eyes yet. round three one in each, twelve. change to white',
        'round four one in each, twelve. put the eyes in between rounds two and three with five stitches between them',
        'and start to stuff it. round five decrease six times, six left. do not stuff the tail',
      ),
    ).parts;
    expect(part!.lines.map(({ text }) => text.replace(/ \(at [\d:]+\)/, ''))).toEqual([
      'R1: with dark green, 6 sc in ring (6)',
      'R2: inc around (12)',
      'R3: sc around (12)',
      'R4: with white, sc around (12)',
      'Set the eyes between R2 and R3, 5 sts between them.',
      'Stuff.',
      'R5: dec × 6 (6)',
    ]);
    expect(part!.name).toBe('Frog');
  });

  it('works limbs in, joins legs, passes over stitches and takes the rest of a round', () => {
    const text = captions(
      'the legs, you need two of these. round one six single crochet in a magic ring. rounds two to four one in each, six. fasten off the first',
      'now the body, we are joining the legs. round five, chain two and go into the other leg, six and two and six and two, sixteen stitches',
      'round six one in each of the sixteen stitches. round seven, five single crochet, three through the arm, eight single crochet. sixteen',
      'round eight, chain three, skip three, and thirteen single crochet, sixteen. round nine, decrease, and single crochet in the rest. fifteen',
    );
    const [legs, body] = reportOf(text).parts;
    expect([legs!.copies, legs!.rounds.map(({ makes }) => makes)]).toEqual([2, [6, 6, 6, 6]]);
    expect(body!.rounds.map(({ label, makes }) => [label, makes])).toEqual([
      ['R5', 16],
      ['R6', 16],
      ['R7', 16],
      ['R8', 16],
      ['R9', 15],
    ]);
    expect(
      talkOf(text)
        .parts[1]!.lines.map(({ text: line }) => line.replace(/ \(at.*/, ''))
        .slice(2),
    ).toEqual(['R7: 5 sc, 3 sc through legs, 8 sc (16)', 'R8: ch 3 (counted), sk 3, 13 sc (16)', 'R9: dec, sc around (15)']);
  });
});
