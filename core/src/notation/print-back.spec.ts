import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { foundationPlaces, measureRound, print, read, type Item, type Like, type Pattern, type Times } from './index.js';
import { resolveParts } from './part-ref.js';

describe('the printed form', () => {
  const span = { from: 0, to: 0 };
  const word = fc.constantFrom('red', 'white', 'sea green', 'black');
  const count = fc.integer({ min: 1, max: 60 });
  const loop = fc.constantFrom('both' as const, 'back' as const, 'front' as const);
  const stitch = fc.constantFrom('sc' as const, 'hdc' as const, 'dc' as const, 'tr' as const);
  const work = (times: fc.Arbitrary<Times>): fc.Arbitrary<Item> =>
    fc.oneof(
      fc
        .record({
          stitch,
          per: fc.constantFrom(1, 2, 3),
          count: times,
          loop,
          through: fc.constantFrom(null, { part: null, name: 'Rope eye' }),
        })
        .map(({ through, ...own }) => ({
          kind: 'work' as const,
          together: 1,
          school: 'open' as const,
          // A limb is worked in with plain stitches.
          through: own.per === 1 && typeof own.count === 'number' ? through : null,
          ...own,
        })),
      fc
        .record({ stitch, count: times, loop, school: fc.constantFrom('open' as const, 'invisible' as const, 'plain' as const) })
        .map((own) => ({ kind: 'work' as const, per: 1, together: 2, through: null, ...own })),
      fc
        .record({
          stitches: fc.array(
            fc.record({
              stitch: fc.constantFrom('sc' as const, 'dc' as const, 'puff' as const),
              count: fc.integer({ min: 1, max: 3 }),
            }),
            {
              minLength: 2,
              maxLength: 3,
            },
          ),
          count: times,
          loop,
        })
        .map((own) => ({ kind: 'cluster' as const, ...own })),
    );
  const quiet: fc.Arbitrary<Item> = fc.oneof(
    fc
      .tuple(count, fc.constantFrom('none', 'one', 'all'))
      .map(([many, as]) => ({ kind: 'chain' as const, count: many, counts: as === 'none' ? 0 : as === 'one' ? 1 : many })),
    count.map((many) => ({ kind: 'skip' as const, count: many })),
  );
  const close: fc.Arbitrary<Item> = fc.constantFrom('join' as const, 'turn' as const).map((how) => ({ kind: 'close', how }));
  const colour: fc.Arbitrary<Item> = word.map((name) => ({ kind: 'colour', name }));
  const open: fc.Arbitrary<Times> = fc.oneof(
    fc.constant('around' as const),
    count.map((toLast) => ({ toLast })),
  );
  const group = (depth: number): fc.Arbitrary<Item> =>
    fc
      .record({
        first: work(count),
        rest: fc.array(depth > 0 ? fc.oneof(work(count), quiet, colour, group(depth - 1)) : work(count), { maxLength: 3 }),
        times: depth === 2 ? fc.oneof(count, open) : count,
      })
      .map(({ first, rest, times }) => ({ kind: 'group', items: [first, ...rest], times }));
  const items = fc
    .record({
      colour: fc.option(colour),
      first: fc.oneof(work(fc.oneof(count, open)), group(2)),
      rest: fc.array(fc.oneof(work(count), group(2), quiet, colour), { maxLength: 3 }),
      end: fc.option(close),
    })
    .map(({ colour: before, first, rest, end }) => [...(before ? [before] : []), first, ...rest, ...(end ? [end] : [])]);
  const ring = fc
    .record({ stitch, count, chain: fc.constantFrom('none' as const, 'loose' as const, 'counted' as const) })
    .map((own): Item[] => [{ kind: 'start', from: 'ring', chains: 0, ...own }]);
  const chainTwo = fc
    .record({ stitch, count })
    .map((own): Item[] => [{ kind: 'start', from: 'chain 2', chains: 2, chain: 'none', ...own }]);
  const chainRing = fc
    .record({ stitch, count, chains: fc.integer({ min: 3, max: 9 }) })
    .map((own): Item[] => [{ kind: 'start', from: 'chain ring', chain: 'none', ...own }]);
  const foundation = fc.oneof(
    fc
      .record({
        chains: fc.integer({ min: 5, max: 60 }),
        first: fc.integer({ min: 2, max: 4 }),
        sides: fc.constantFrom(1 as const, 2 as const),
      })
      .map((own): Item => ({ kind: 'foundation', from: 'chain', ...own })),
    fc.constantFrom<Item>({ kind: 'foundation', from: 'edge', part: null }, { kind: 'foundation', from: 'layers', parts: [] }),
  );
  const founded = fc.tuple(foundation, work(fc.oneof(count, open))).map((all): Item[] => all);
  const start = fc.oneof(ring, chainTwo, chainRing, founded);

  const goingAround: Item = {
    kind: 'work',
    stitch: 'sc',
    per: 1,
    together: 1,
    school: 'open',
    count: 'around',
    loop: 'both',
    through: null,
  };
  /** Items that use exactly what is there: stitches are added, and a round that asks for too much is a plain one. */
  const withRest = (written: readonly Item[], available: number | null): readonly Item[] => {
    if (available === null || written.some((item) => item.kind === 'start')) return written;
    const over = available - measureRound(written, available).uses;
    if (over === 0) return written;
    const at = written.at(-1)?.kind === 'close' ? written.length - 1 : written.length;
    if (over > 0) return written.toSpliced(at, 0, { ...goingAround, count: over });
    return [...written.filter((item) => item.kind === 'foundation'), goingAround];
  };
  const part = fc
    .record({
      name: fc.constantFrom('Body', 'Left wing', 'Tail fin', 'Rope eye'),
      copies: fc.integer({ min: 1, max: 9 }),
      copiesSaid: fc.boolean(),
      start,
      rounds: fc.array(
        fc.record({
          items,
          rounds: fc.integer({ min: 1, max: 4 }),
          stated: fc.boolean(),
          word: fc.constantFrom('round' as const, 'row' as const),
          open: fc.constantFrom(null, null, { mm: null }, { mm: 50 }),
        }),
        { maxLength: 5 },
      ),
      like: fc.boolean(),
      note: fc.option(fc.constantFrom('Stuff it firmly, the sides first.', 'Set the eyes now.')),
    })
    .map(({ name, copies, copiesSaid, start: first, rounds, like, note }) => {
      let next = 2;
      const started = withRest(first, foundationPlaces(first, 0, [], []));
      let below = measureRound(started, foundationPlaces(started, 0, [], []) ?? 0).makes;
      const lines = rounds.map((round) => {
        // An open run goes around until it is long enough.
        const written = round.open ? [goingAround] : withRest(round.items, below);
        const { makes } = measureRound(written, below);
        // A range of rounds works out in each only where the count stays.
        const last = makes === below ? next + round.rounds - 1 : next;
        const line = {
          first: next,
          last,
          word: round.word,
          items: written,
          stated: round.stated && !round.open ? { count: makes, span } : null,
          like: null as Like | null,
          open: round.open,
          places: [],
          settings: [],
          label: span,
          span,
        };
        next = last + 1;
        below = makes;
        return line;
      });
      const last = lines.at(-1);
      if (like && last) {
        const change: Item = { kind: 'colour', name: 'red' };
        const same = { round: last.last, part: null, own: 1 };
        lines.push({ ...last, first: next, last: next, items: [...last.items, change], like: same, open: null });
      }
      const one = {
        first: 1,
        last: 1,
        word: 'round' as const,
        items: started,
        stated: null,
        like: null,
        open: null,
        places: [],
        settings: [],
        label: span,
        span,
      };
      return {
        name,
        copies: copiesSaid ? copies : 1,
        copiesSaid,
        heading: span,
        lines: [one, ...lines],
        notes: note ? [{ text: note, before: 1, span, facts: [], placing: null }] : [],
        span,
      };
    });
  const pattern: fc.Arbitrary<Pattern> = fc.record({
    title: fc.constantFrom('Harbour puffin', 'Buoy'),
    terms: fc.constantFrom('US' as const, 'UK' as const),
    parts: fc.array(part, { minLength: 1, maxLength: 3 }),
    makingUp: fc.constant([]),
    makingUpHeading: fc.constant(null),
    notes: fc.constant([{ text: 'Made for a windowsill.', before: 0, span, facts: [], placing: null }]),
  });

  const PLACES = new Set(['span', 'label', 'heading', 'places', 'settings', 'facts']);
  const withoutPlaces = (value: unknown): unknown =>
    JSON.parse(JSON.stringify(value, (key, inner: unknown) => (PLACES.has(key) ? undefined : inner)));

  const ROUND = /^(R(\d+)(?:–R(\d+))?|Rows? (\d+)(?:–(\d+))?): /;
  const onRounds = (change: (line: string) => string) => (text: string) =>
    text.replace(/^.*$/gm, (line) => (ROUND.test(line) ? change(line) : line));
  const relabelled = (label: (first: string, last: string | undefined, row: boolean) => string) =>
    onRounds((line) =>
      line.replace(ROUND, (_, __, a?: string, b?: string, c?: string, d?: string) => label((a ?? c)!, b ?? d, c !== undefined)),
    );
  const name = (row: boolean, words: readonly [string, string]): string => words[row ? 1 : 0];
  /** What programs and people do to a page, none of which changes what it says. */
  const DAMAGE: Readonly<Record<string, (text: string) => string>> = {
    'ends of lines of another system': (text) => text.replaceAll('\n', '\r\n'),
    bullets: onRounds((line) => `• ${line}`),
    'boxes to tick': onRounds((line) => `[ ] ${line}`),
    'bold labels': onRounds((line) => line.replace(/^(.*?:)/, '**$1**')),
    'Rnd and a dash': relabelled((a, b, row) => `${name(row, ['Rnd', 'Row'])} ${a}${b ? `-${b}` : ''} - `),
    'Round … to …': relabelled((a, b, row) => `${name(row, ['Round', 'Row'])}${b ? 's' : ''} ${a}${b ? ` to ${b}` : ''}: `),
    'other times': (text) => text.replaceAll(' × ', ' x'),
    'spaces that do not break': (text) => text.replaceAll(' ', '\u00a0'),
    'marks that cannot be seen': onRounds((line) => line.replace(/(\d)/g, '\u200b$1')),
    'other dashes': (text) => text.replaceAll('–', '—'),
    ligatures: (text) => text.replaceAll('fi', 'ﬁ'),
    'soft hyphens': (text) => text.replaceAll('round', 'ro\u00adund'),
    'totals in braces': onRounds((line) => line.replace(/ \((\d+)\)/, ' {$1}')),
    'totals behind a sign': onRounds((line) => line.replace(/ \((\d+)\)$/, ' = $1')),
    'totals with a word': onRounds((line) => line.replace(/ \((\d+)\)$/, ' ($1 sts)')),
    'page numbers': (text) => text.replace(/^(?=R3:|Row 3:)/gm, '\nPage 2 of 7\n\n'),
    'narrow columns': onRounds((line) => line.replace(/, (?=[^()]*(?:\([^()]*\)[^()]*)*$)/g, ',\n')),
    'small labels': relabelled((a, b, row) => `${name(row, ['r', 'row '])}${a}${b ? `-${b}` : ''}: `),
    'labels in brackets': relabelled((a, b, row) => `(${name(row, ['R', 'Row '])}${a}${b ? `-${b}` : ''}) `),
    'the number before its word': relabelled((a, b, row) => `${a}${b ? `-${b}` : ''} ${name(row, ['rnd', 'row'])}: `),
    'an arrow in a range': relabelled(
      (a, b, row) => `${name(row, ['R', 'Row '])}${a}${b ? ` → ${name(row, ['R', 'Row '])}${b}` : ''}: `,
    ),
    'numbers of a list': relabelled((a, b, row) => (row ? `Row ${a}${b ? `–${b}` : ''}: ` : `${a}.${b ? `–${b}.` : ''} `)),
    'a label on its own line': onRounds((line) => line.replace(': ', ':\n')),
    'leaders before the total': onRounds((line) => line.replace(/ \((\d+)\)$/, ' ........ ($1)')),
    'words cut at the end of a line': onRounds((line) => line.replace('around', 'aro-\nund')),
    'headings between signs': (text) => text.replace(/^## (.*)$/gm, '=== $1 ==='),
    'bold headings': (text) => text.replace(/^## (.*)$/gm, '**$1**'),
    'a picture before it': (text) => text.replace(/^(?=R|Row|## )/gm, (at) => at).replace(/^## /gm, '## 🧶 '),
    'a table': onRounds((line) => `| ${line.replace(': ', ' | ').replace(/ \((\d+)\)$/, ' | $1')} |`),
    'spaces all over': (text) => text.replaceAll(', ', ' ,  ').replace(/^(?=.)/gm, '   '),
    capitals: (text) => text.toUpperCase(),
    'sent in a chat': (text) => text.replace(/^(?=.)/gm, '[12:04, 03/05/2026] Wren: '),
    quoted: (text) => text.replace(/^/gm, '> '),
  };

  const BREAKS = new Set(['words cut at the end of a line', 'narrow columns', 'a label on its own line']);

  it('reads back to the same rounds after what programs and people do to a page', () => {
    const lines = (text: string): string =>
      JSON.stringify(withoutPlaces(read(text).pattern.parts.map(({ name: called, copies, lines: own }) => [called, copies, own])))
        .toLowerCase()
        .replaceAll('\u00a0', ' ');
    fc.assert(
      fc.property(pattern, fc.subarray(Object.keys(DAMAGE), { minLength: 1, maxLength: 2 }), (made, damages) => {
        // A row of a table is on one line, and a number of a list counts where its work is.
        const whole = damages.includes('a table') || damages.includes('numbers of a list');
        fc.pre(!(whole && damages.some((damage) => BREAKS.has(damage))));
        const printed = print(made, 'US', 'short');
        const damaged = damages.reduce((text, damage) => DAMAGE[damage]!(text), printed);
        expect(lines(damaged), `${damages.join(', ')}\n${damaged}`).toBe(lines(printed));
      }),
      { seed: 12, numRuns: 280 },
    );
  });

  it('reads back to the same pattern, in either terms, short or long', () => {
    fc.assert(
      fc.property(
        pattern,
        fc.constantFrom('US' as const, 'UK' as const),
        fc.constantFrom('short' as const, 'long' as const),
        (made, terms, form) => {
          const printed = print(made, terms, form);
          const reading = read(printed);
          expect(withoutPlaces(reading.pattern), printed).toEqual(
            withoutPlaces({ ...made, parts: resolveParts(made.parts), terms }),
          );
          expect(
            reading.diagnostics.filter((each) => each.severity === 'error' && each.code !== 'chain-short'),
            printed,
          ).toEqual([]);
        },
      ),
      { seed: 11, numRuns: 600 },
    );
  });
});
