import { describe, expect, it } from 'vitest';
import { checkPattern } from '../fabric/index.js';
import { factsIn, read, type Fact } from './index.js';

/** A fact in short: what it is, and what it says. */
const shown = (fact: Fact): string =>
  [
    fact.is,
    ...Object.entries(fact).flatMap(([key, value]) => (key === 'is' || value === null ? [] : [JSON.stringify(value)])),
  ].join(' ');

describe('what remarks say', () => {
  // Meanings: common practice, as makers use the words.
  it.each([
    ['Stuff firmly, but do not overstuff.', ['stuffing "firm"']],
    ['Stuff now, firmly, the sides before the middle.', ['stuffing "firm"']],
    ['Stuff as you go. Do not forget the cheeks.', ['stuffing "medium"']],
    ['Do not stuff the wings.', ['stuffing "none"']],
    ['Leave unstuffed.', ['stuffing "none"']],
    ['Do not stuff too firmly.', ['stuffing "soft"']],
    ['Stuff lightly, not firmly.', ['stuffing "soft"']],
    ['Do not stuff yet.', []],
    ['Set 9 mm eyes between R6 and R7, 4 stitches apart.', ['eye size 9', 'eyes [6,7] {"count":4,"reading":"unsaid"}']],
    ['Add eyes at round 8 with 6 sts between them', ['eyes [8,8] {"count":6,"reading":"between"}']],
    ['Keep an eye on the count.', []],
    ['Fasten off, leave 30 cm of yarn for sewing.', ['tail 300']],
    ['Do not fasten off.', []],
    ['Bend it round and sew its two ends together.', ['ends together']],
    ['Join both ends to each other.', ['ends together', 'limb']],
    ['Sew in both ends of the yarn.', []],
    ['Fasten off.', ['closing']],
    ['Turn it right side out.', ['right side']],
    ['Work in a spiral, not in rows.', ['way "spiral"']],
    ['Do not join each round.', ['way "spiral"']],
    ['Joined rounds throughout.', ['way "joined"']],
    ['Work back and forth.', ['way "turned"']],
    ['Move the marker to the last stitch of every round.', ['marker "last"']],
    ['Four beads and a 20 cm cord.', ['thing "bead" 4', 'thing "cord" 200']],
    ['Sew on 2 small buttons with black thread.', ['limb', 'thing "button" 2', 'thing "thread"']],
    ['Hang it from 20 cm of cord.', ['thing "cord" 200']],
    ['Hook: 3.5 mm', ['hook 3.5']],
    ['Safety eyes 8 mm', ['eye size 8']],
    ['DK yarn and a 3 mm hook', ['hook 3', 'yarn "dk"']],
    ['Yarn: worsted', ['yarn "worsted"']],
    ['Light worsted yarn', ['yarn "light worsted"']],
    ['Sew it to a keyring, no magnet.', ['limb', 'thing "ring"']],
  ])('%s', (words, facts) => {
    expect(factsIn(words).map(shown)).toEqual(facts);
  });

  it('holds for the parts below it, wherever it stands', () => {
    const ways = (text: string): string[] => checkPattern(read(text)).parts[0]!.rounds.map(({ way }) => way);
    const hull = 'Hull\nR1: 6 sc in ring\nR2: sc around';
    expect(ways(`Boat\n\nWorked in joined rounds.\n\n${hull}`)).toEqual(['joined', 'joined']);
    expect(ways(`Boat\n\nWork in a spiral, not in rows.\n\n${hull}`)).toEqual(['spiral', 'spiral']);
  });
});
