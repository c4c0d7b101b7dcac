import { describe, expect, it } from 'vitest';
import { checkPattern, type PatternCount } from '../fabric/index.js';
import { read, walk } from './index.js';

/** Two rounds that some of the texts go on from. */
const BEGUN = 'Bud\nR1: 6 sc in MR (6)\nR2: inc x6 (12)\n';

const counted = (text: string): PatternCount => checkPattern(read(text));

/** Name, copies and the stitches each round makes, part by part. */
function comesTo(text: string): string {
  return counted(text)
    .parts.map(({ part: { name, copies }, rounds }) => {
      const counts = rounds.map(({ makes }) => makes).join(' ');
      return `${copies > 1 ? `${name} × ${copies}` : name}: ${counts}`;
    })
    .join(', ');
}

/** The colours of each part, in the order they are named. */
function coloursOf(text: string): string {
  return counted(text)
    .parts.map(({ part }) => {
      const names: string[] = [];
      for (const { items } of part.lines) walk(items, (item) => item.kind === 'colour' && names.push(item.name));
      return `${part.name}: ${names.join(', ')}`;
    })
    .join('; ');
}

/** Texts of our own as makers word them, counts worked out by hand (common practice). Each was once read otherwise. */
describe('wordings', () => {
  it.each([
    ['Leg x2\nR1: 6\nR2: 12 (inc all)\nR3-5: 12\nR6: 6 (dec all)', 'Leg × 2: 6 12 12 12 12 6'],
    [
      'Cap\nrow 1: ch 7\nrow 2: starting 2nd chain from hook, sc 6, ch 1, turn (6)\nrow 3: sc 6, ch 1, turn (6)\nrow 4: sc 6 (6)',
      'Cap: 6 6 6',
    ],
    ['Horn\nR1: 4 sc in MR\nR2: inc, 3 sc (5)\nR3: inc, 4 sc (6)\nR4: inc, 5 sc (7)\nR5: inc, rest sc (8)', 'Horn: 4 5 6 7 8'],
    [
      'Body\n1. 6 sc in MR\n2. inc x 6\n3. *1 sc, inc* x 6\n4. *2 sc, inc* x 6\n5.–8. sc around\n9. *2 sc, dec* x 6\n10. *1 sc, dec* x 6\n11. dec x 6',
      'Body: 6 12 18 24 24 24 24 24 18 12 6',
    ],
    [
      'Bud\nR1: sc 6 into MR {6}\nR2: [inc 1] × 6 {12}\nR3: [sc 1, inc 1] × 6 {18}\nR4: sc 18 {18}\nR5: [sc 1, invdec 1] × 6 {12}\nR6: [invdec 1] × 6 {6}',
      'Bud: 6 12 18 18 12 6',
    ],
    [
      'Ball\nround 1: 6 sc in a magic ring\nround 2: 12 sc (2 in each stitch)\nround 3: 18 sc (increase in every 2nd stitch)\nround 4: 18 sc\nround 5: 12 sc (decrease 6 times evenly)',
      'Ball: 6 12 18 18 12',
    ],
    [
      'Arm\nRound 1-6sc in MC-6\nRound 2-inc in each st around-12\nRound 3-sc in each st around-12\nRound 4-(4sc,dec)x2-10',
      'Arm: 6 12 12 10',
    ],
    [
      'Body\nR1 : 6 sc in MR ( 6 )\nR2 : 6 inc ( 12 )\nR3 : ( 1 sc , 1 inc ) x 6 ( 18 )\nR4 → R6 : 18 sc ( 18 )',
      'Body: 6 12 18 18 18 18',
    ],
    [
      'Body\nR1: 6 sc, MR\nR2: inc each\nR3: inc every other (18)\nR4: inc every third (24)\nR5: even\nR6: dec every third (18)',
      'Body: 6 12 18 24 24 18',
    ],
    ['Body (light grey)\nR1 6 sc MR\nR2 12 sc inc in each\nR3 18 sc *1 sc, inc*\nR4 18 sc', 'Body: 6 12 18 18'],
    [
      'Body\nR1: 6 sc in MR (6 sts)\nR2: (inc) x6 (12 sts)\nR3: (1 sc, inc) x6 (18 sts)\n4–7 sc around (18 sts)\n8 (1 sc, dec) x6 (12 sts)',
      'Body: 6 12 18 18 18 18 18 12',
    ],
    [
      'Bee\nbody - yellow and black\nr1 6sc mr\nr2 inc\nr3 (1sc inc)\nr4 sc\nwings x 2 - white\nr1 4sc mr\nr2 sc',
      'body: 6 12 18 18, wings × 2: 4 4',
    ],
    [
      'Bunny\nEars. Make 2\nR1. 6 sc in MR.\nR2. (1 sc, inc) x 3. 9\nR3-8. sc. 9\nTail. Make 1\nR1. 5 sc in MR',
      'Ears × 2: 6 9 9 9 9 9 9 9, Tail: 5',
    ],
    [
      'Apple\nR1: 6 sc in MR (6)\nR2: inc x 6 (12)\n\nStem\nch 6, sl st in 2nd ch from hook and next 4 ch\n\nLeaf\nch 5, sl st, sc, hdc, sl st',
      'Apple: 6 12, Stem: 5, Leaf: 4',
    ],
    ['Nose (brown): R1: 6 sc in MR. FO.\nEye (make 2, white): R1: 6 sc in MR, sl st.', 'Nose: 6, Eye × 2: 6'],
    ['Hedgehog\n#1 Body\nR1: 6 sc in MR (6)\n#2 Nose\nR1: 4 sc in MR (4)', 'Body: 6, Nose: 4'],
    [
      'Chick\nBODY (yellow yarn, 3 mm hook)\nRnd 1. 6 sc in MR (6)\nRnd 2. 2 sc in ea (12)\n\nBEAK (orange yarn)\nRnd 1. 4 sc in MR (4)',
      'BODY: 6 12, BEAK: 4',
    ],
    ['Panda\nHEAD in white:\nR1: 6 sc in MR (6)\nEARS in black, make 2:\nR1: 5 sc in MR (5)', 'HEAD: 6, EARS × 2: 5'],
    ['Carrot\n1r: 6 sc in MR (6)\n2r: 6 inc (12)\n3r: 12 sc (12)\n4r: (4 sc, dec) x2 (10)', 'Carrot: 6 12 12 10'],
    [
      'Donut\n1 rnd: 6 sc in MR (6)\n2 rnd: 6 inc (12)\n3-5 rnd: 12 sc (12)\n6 rnd: (1 sc, inc) x6 (18)',
      'Donut: 6 12 12 12 12 18',
    ],
    ['Heart\nBump (make 2)\n1 row. 6 sc in MR\n2 row. 6 inc (12)\n3-4 rows. 12 sc', 'Bump × 2: 6 12 12 12'],
    [
      'Egg cosy\nUK\nRnd 1: 6 dc in MR\nRnd 2: 2 dc into each dc (12)\nRnd 3: *1 dc, 2 dc into next dc* 6 times (18)\nRnd 4: 1 dc into each dc',
      'Egg cosy: 6 12 18 18',
    ],
    [
      'Tiger\nStart with orange.\nR1: 6 sc in MR\nR2: inc x6\nSwitch to black.\nR3: sc around\nBack to orange.\nR4: sc around',
      'Tiger: 6 12 12 12',
    ],
    ['Sock\nWhite yarn:\n1. 6 sc in MR (6)\n2. inc x6 (12)\nRed yarn:\n3. sc around (12)', 'Sock: 6 12 12'],
    [
      'Little chick\n\nMake a magic ring and crochet 6 sc into it (6 sts). In the second round, increase in every stitch (12 sts). In the third round, crochet one sc, then an increase, and repeat this six times (18 sts). Rounds 4 to 6: crochet one sc in each stitch (18 sts).',
      'Little chick: 6 12 18 18 18 18',
    ],
    [
      'Ball\nFirst round: six sc into the ring.\nSecond round: two sc into every stitch – twelve.\nThird round: one sc, one increase – eighteen.\nFourth and fifth round: sc – eighteen.',
      'Ball: 6 12 18 18 18',
    ],
    [
      'Scarf\nRow 1: ch 5, skip first ch, sc in each ch (4)\nRows 2-20: ch 1, turn, sc in each st (4)',
      'Scarf: 4 4 4 4 4 4 4 4 4 4 4 4 4 4 4 4 4 4 4 4',
    ],
    ['Coral\nCh 15. Row 1: 3 sc in 2nd ch from hook and in each ch across (42)', 'Coral: 42'],
    ['Acorn\nR1: sc 6 in MR\nR2: sc 2 in each st\nR3: sc 1, sc 2 in next st, rep around\nR4: sc in each st', 'Acorn: 6 12 18 18'],
    ['Nut\nR1: MR(6)\nR2: V*6(12)\nR3: (X V)*6(18)\nR4: X*18(18)\nR5: (X A)*6(12)', 'Nut: 6 12 18 18 12'],
    [
      'Egg\nR1: 6 sc in MR. [6]\nR2: 2 sc in ea. st. [12]\nR3: *1 sc in next st., 2 sc in next st.* [18]\nR4: *1 sc in next 2 st., 2 sc in next st.* [24]',
      'Egg: 6 12 18 24',
    ],
    [
      'Egg\nR1: 6 sc in MR (6)\nR2: increase each stitch (12)\nR3: increase each second stitch (18)\nR4: increase each third stitch (24)\nR5: no increases (24)',
      'Egg: 6 12 18 24 24',
    ],
    ['Tube\nR1: 8 sc in MR\nR2: inc (16)\nWork 5 rounds of 16 sc\nR8: dec (8)', 'Tube: 8 16 16 16 16 16 16 8'],
    ['Tube\nR1: 8 sc in MR\nR2: inc (16)\n5 rounds: sc (16)\nR8: dec (8)', 'Tube: 8 16 16 16 16 16 16 8'],
    [
      'Collar\nCh 21, join with sl st to form a ring.\nR1: sc in each ch around (21)\nR2: (dc 2 in each st) around (42)',
      'Collar: 21 42',
    ],
    ['Body\nR1: 6 sc in MR\nR2: 12 sc – 2 in each\nR3: 18 sc – inc in every other\nR4: 18 sc – plain', 'Body: 6 12 18 18'],
    ['BODY R1: 6 sc in MR (6) R2: inc x6 (12) R3: (sc, inc) x6 (18) R4: sc around (18)', 'BODY: 6 12 18 18'],
    ['Body: R1 6 sc in MR (6), R2 inc x6 (12), R3 sc, inc x6 (18)', 'Body: 6 12 18'],
    ['Body - Rnd 1: 6 sc in MR; Rnd 2: inc x6; Rnd 3: (sc, inc) x6', 'Body: 6 12 18'],
    ['Tail\nR1: 6 sc in MR\nR2: 2 sc in first st, sc in next 5\nR3: 2 sc in first st, sc in rest', 'Tail: 6 7 8'],
    [
      'Head\nRnd 1: 6 sc in magic ring.\nRnd 2: [2 sc in next st] 6 times.\nRnd 3: [1 sc in next st, 2 sc in next st] 6 times.\nRnd 4: 1 sc in each st.\nRnd 5: [1 sc in next st, sc next 2 sts together] 6 times.',
      'Head: 6 12 18 18 12',
    ],
    [
      'Head\nRnd 1: 6 sc in magic ring.\nRnd 2: 2 sc in each of next 6 sc.\nRnd 3: *sc in first sc, 2 sc in next sc, rep from * 5 times more.\nRnd 4: sc in each sc.\nRnd 5: *sc in next sc, sc next 2 sc tog, rep from * around.',
      'Head: 6 12 18 18 12',
    ],
    [
      'Body\nR1: 6 sc in MR [6]\nR2: inc in all [12]\nR3: 1 sc + inc all round [18]\nR4: 2 sc + inc all round [24]\nR5: sc all round [24]\nR6: 2 sc + dec all round [18]',
      'Body: 6 12 18 24 24 18',
    ],
    ['Leg\nR1: 5 sc in MR\nR2: inc all (10)\nR3: BLO all (10)\nR4-R9: sc all (10)', 'Leg: 5 10 10 10 10 10 10 10 10'],
    [
      'Leg\nR1: 6 sc in MR\nR2: inc x6\nR3: sc in BLO of each st\nR4: sc 3, dec 3 times, sc 3\nR5-8: sc',
      'Leg: 6 12 12 9 9 9 9 9',
    ],
    [
      'Ball\nR1: 6 sc in MR\nR2: inc (12)\nR3: sc 1 inc 1 (18)\nR4: sc 2 inc 1 (24)\nR5–7: sc (24)\nR8: sc 2 dec 1 (18)\nR9: sc 1 dec 1 (12)\nR10: dec (6)',
      'Ball: 6 12 18 24 24 24 24 18 12 6',
    ],
    ['Ball\n1st: 6 sc in MR\n2nd: inc x6\n3rd: (sc, inc) x6\n4th-6th: sc 18', 'Ball: 6 12 18 18 18 18'],
    [
      'Cub\nR1: Magic ring with 6 sc (6)\nR2: 6 increases (12)\nR3: 1 sc, 1 increase, repeat 6 times (18)\nR4: 2 sc, 1 increase – repeat six times (24)\nR5: one round of sc (24)',
      'Cub: 6 12 18 24 24',
    ],
    ['Cub\nR1: 6 sc in MR 👉 6\nR2: inc x6 👉 12\nR3: sc x12 👉 12', 'Cub: 6 12 12'],
    ['Cub\nR1: 6 sc in MR ✅\nR2: inc x6 ✅ 12\nR3: sc x12', 'Cub: 6 12 12'],
    [
      '# Cub\n\n## Head\n\n1. 6 sc in MR (6)\n2. inc x6 (12)\n3. (sc, inc) x6 (18)\n4. – 6. sc around (18)',
      'Head: 6 12 18 18 18 18',
    ],
    ['Cub\nR1   6 sc in MR      6\nR2   inc x6          12\nR3   sc around       12', 'Cub: 6 12 12'],
    [
      'Cub\nRound 1: 6 sc in MR\nThen 2 sc in each st (12)\nThen (sc, inc) x6 (18)\nThen 3 rounds of sc (18)\nThen (sc, dec) x6 (12)',
      'Cub: 6 12 18 18 18 18 12',
    ],
    ['Cub\nR1: 6 sc in MR\nR2: inc x6\nR3: sc around (x3 rounds)\nR6: dec x6', 'Cub: 6 12 12 12 12 6'],
    ['Cub\nR1: 6 sc in MR (6)\nR2: inc x6 (12)\nR3-R5: sc (12)\nLast R: dec x6 (6)', 'Cub: 6 12 12 12 12 6'],
    ['Cub\nR1: 6 sc in MR (6)\nR2: inc x6 (12)\nNext 3 R: sc (12)\nFinal round: dec x6 (6)', 'Cub: 6 12 12 12 12 6'],
    ['Cub\nR1: 6 sc in MR (6)\nR2: inc x6 (12)\nR3: 2 sc, hdc-inc x3, 2 sc, hdc-inc x3, 2 sc (18)', 'Cub: 6 12 18'],
    [
      'Tiny pot plant\n\nPOT in terracotta\nR1 8 sc in MR\nR2 8 inc (16)\nR3 (1 sc, 1 inc) 8 (24)\nR4 BLO 24 sc (24)\nR5-R9 24 sc (24)\nR10 24 sl st (24)\n\nSOIL in dark brown\nR1 8 sc in MR\nR2 8 inc (16)\nR3 (1 sc, 1 inc) 8 (24)\n\nPLANT in green, make 3\nch 8, from 2nd ch: 1 sl st, 1 sc, 1 hdc, 2 dc, 1 hdc, 1 sc\n\nSew soil into pot, stuffing pot before closing. Sew plants on.',
      'POT: 8 16 24 24 24 24 24 24 24 24, SOIL: 8 16 24, PLANT × 3: 7',
    ],
    [BEGUN + 'R3: sc inc sc inc sc inc sc inc sc inc sc inc', 'Bud: 6 12 18'],
    [BEGUN + 'R3: (sc inc) (sc inc) (sc inc) (sc inc) (sc inc) (sc inc)', 'Bud: 6 12 18'],
    [BEGUN + 'R3: increase 6 times, spread evenly (18)', 'Bud: 6 12 18'],
    [BEGUN + 'R3: increase in st 2, 4, 6, 8, 10 and 12 (18)', 'Bud: 6 12 18'],
    [BEGUN + 'R3: evenly inc 6 (18)', 'Bud: 6 12 18'],
    [BEGUN + 'R3: sc around and increase in every 2nd stitch (18)', 'Bud: 6 12 18'],
    [BEGUN + 'R3: dec, sc in the remaining sts (11)', 'Bud: 6 12 11'],
    [BEGUN + 'R3: sc around so you still have 12 sts', 'Bud: 6 12 12'],
    [BEGUN + 'R3 – 12 sts – sc around', 'Bud: 6 12 12'],
    [BEGUN + 'R3-5: sc\nRepeat rounds 3-5 once more', 'Bud: 6 12 12 12 12 12 12 12'],
    [BEGUN + 'R3: sc\nR4: same', 'Bud: 6 12 12 12'],
    [BEGUN + 'R3: sc\nR4: ditto', 'Bud: 6 12 12 12'],
    [BEGUN + 'R3: sc\nRepeat this round 3 times', 'Bud: 6 12 12 12 12 12'],
    [BEGUN + 'R3: sc\nDo that 3 more times', 'Bud: 6 12 12 12 12 12'],
    [BEGUN + 'Work even for 3 rounds (12)', 'Bud: 6 12 12 12 12'],
    [BEGUN + '3 rounds plain', 'Bud: 6 12 12 12 12'],
    [BEGUN + 'R3: sc 12 :) (12)', 'Bud: 6 12 12'],
    [
      'Bird\n\nTail feather (x3): ch 8, sl st in 2nd ch from hook, sc in next 2, hdc in next 2, sc in next 2',
      'Tail feather × 3: 7',
    ],
    ['Deer\na) Head\nR1: 6 sc in MR\nb) Leg (make 4)\nR1: 5 sc in MR', 'Head: 6, Leg × 4: 5'],
    ['Deer\nEar (twice)\nR1: 5 sc in MR', 'Ear × 2: 5'],
    ['Deer\nEar – 2 of them\nR1: 5 sc in MR', 'Ear × 2: 5'],
    ['Deer\nEars (a pair)\nR1: 5 sc in MR', 'Ears × 2: 5'],
    ['Bud\nR1: 6 sc in MR\nR2: 2-in-1 x6 (12)\nR3: 12 sc\nR4: inv dec x6 (6)', 'Bud: 6 12 12 6'],
    ['Bud\nR1: 6 sc in MR\nR2: sc2 in each (12)\nR3: sc2tog x6 (6)', 'Bud: 6 12 6'],
    ['Bud\nR1: 6 sc in MR\nR2: 2sc x6 (12)\nR3: sc dec x6 (6)', 'Bud: 6 12 6'],
    ['Ball:\n~R1~ 6 sc in MR\n_R2_ inc x6 (12)\n*R3* sc (12)', 'Ball: 6 12 12'],
    ['Bud\nLegend: x - sc; v - inc; ^ - dec\nR1: 6x in MR\nR2: 6v\nR3: 12x\nR4: 6^', 'Bud: 6 12 12 6'],
    ['Bud\nR1. 6 X\nR2. V V V V V V (12)\nR3. XV XV XV XV XV XV (18)\nR4. XXV x 6 (24)', 'Bud: 6 12 18 24'],
    [
      'Leg (make 2)\nR1: 6 sc in MR (6)\nR2: inc x6 (12)\nR3: sc around (12)\n\nBody\nR1: Join the legs with 3 chains, work around both legs and both sides of the chain (30)\nR2: sc around (30)',
      'Leg × 2: 6 12 12, Body: 30 30',
    ],
    [
      'GINGER CAT\nPage 1\n\nHEAD & BODY\nRound 1   Ch 2, 6 sc in 2nd ch from hook.   6\nRound 2   2 sc in each st.   12\nRound 3   *Sc 1, 2 sc in next* x 6.   18\nRound 4   *Sc 2, 2 sc in next* x 6.   24\nRounds 5-9   Sc in each st.   24\nRound 10   *Sc 2, dec 1* x 6.   18\n\nEARS (make 2)\nRow 1   Ch 4, sc in 2nd ch from hook, sc 2. Turn.   3\nRow 2   Ch 1, dec 1, sc 1. Turn.   2\nRow 3   Ch 1, dec 1. Fasten off.   1\n\nTAIL\nRound 1   Ch 2, 4 sc in 2nd ch from hook.   4\nRounds 2-12   Sc in each st.   4',
      'HEAD & BODY: 6 12 18 24 24 24 24 24 24 18, EARS × 2: 3 2 1, TAIL: 4 4 4 4 4 4 4 4 4 4 4 4',
    ],
    [BEGUN + 'R3 (inc round): (sc, inc) x6 (18)', 'Bud: 6 12 18'],
    [BEGUN + 'Increase round: (sc, inc) x6 (18)', 'Bud: 6 12 18'],
    [BEGUN + 'Rounds 3-6: 1 sc in each st (12 sts each round)', 'Bud: 6 12 12 12 12 12'],
    [BEGUN + 'R3: sc 1 and inc 1, six times in total (18)', 'Bud: 6 12 18'],
    ['Bud\nRow (1): 6 sc in MR\nRow (2): inc x6', 'Bud: 6 12'],
    ['Bud\nR1: 6 sc in MR\nR2: inc x6\nR3…R5: sc', 'Bud: 6 12 12 12 12'],
    [BEGUN + 'R3: 6 red sc, 6 blue sc', 'Bud: 6 12 12'],
    [BEGUN + 'R3: sc 6 red, sc 6 blue', 'Bud: 6 12 12'],
    [
      'Ball\nMagic ring, 6 sc.\nIncrease in every stitch: 12 sts.\n1 sc, 1 increase, repeat: 18 sts.\n3 rounds of plain sc: 18 sts.\n1 sc, 1 decrease, repeat: 12 sts.\nDecrease all round: 6 sts.',
      'Ball: 6 12 18 18 18 18 12 6',
    ],
  ])('%j', (text, expected) => {
    expect(comesTo(text)).toBe(expected);
    expect(counted(text).diagnostics.filter(({ severity }) => severity === 'error')).toEqual([]);
  });

  it.each([
    ['With white yarn:\nR1: 6 sc in MR (6)', 'Sock: white'],
    ['Using the light blue yarn\nR1: 6 sc in MR (6)\nSwitch to the red cotton yarn\nR2: sc (6)', 'Sock: light blue, red'],
    ['R1: with white yarn, 6 sc in MR (6)\nR2: sc (6). Change to grey yarn.', 'Sock: white, grey'],
    ['R1: 6 sc in MR with white yarn (6)', 'Sock: white'],
    ['White yarn:\nR1: 6 sc in MR (6)\nBack to red.\nR2: sc (6)', 'Sock: White, red'],
    ['Begin with grey\nR1: 6 sc in MR (6)', 'Sock: grey'],
    ['R1: 6 sc in MR (6)\nCut white, join red.\nR2: sc (6)\n(switch to blue)\nR3: sc (6)', 'Sock: red, blue'],
    ['R1: 6 sc in MR (6)\nR2: 3 red sc, sc 3 blue (6)\nR3: attach green yarn, sc around (6)', 'Sock: red, blue, green'],
    ['R1: 6 sc in MR (6)\nNow use red.\nR2: sc (6)', 'Sock: red'],
    ['R1: 6 sc in MR (6)\nyellow\nR2: sc (6)\nGreen:\nR3: sc (6)', 'Sock: yellow, Green'],
    ['Colour: white\nR1: 6 sc in MR (6)', 'Sock: white'],
    ['Work with black yarn\nR1: 6 sc in MR (6)', 'Sock: black'],
    ['R1: start with white yarn. 6 sc in MR (6)', 'Sock: white'],
  ])('knows the colour of %j', (text, expected) => {
    expect(coloursOf(`Sock\n${text}`)).toBe(expected);
    expect(counted(`Sock\n${text}`).diagnostics).toEqual([]);
  });

  it('knows the colour that a heading names beside its part', () => {
    const round = 'R1: 5 sc in MR (5)';
    const headings = [
      'BODY (black)',
      'WINGS (white, make two)',
      'beak - orange',
      'FEET - make two in yellow',
      'Hat [red yarn] x2',
    ];
    const text = `Bird\n${headings.map((heading) => `${heading}\n${round}`).join('\n')}`;
    expect(coloursOf(text)).toBe('BODY: black; WINGS: white; beak: orange; FEET: yellow; Hat: red');
    expect(counted(text).parts.map(({ part }) => part.copies)).toEqual([1, 2, 1, 2, 2]);
  });

  it.each([
    ['R1: 6 sc in MR (6)\ninc x6 (12)\nsc (12)\nR4: (1 sc, inc) x 6 (18)', 'Wing: 6 12 12 18'],
    ['R1: 6 sc in MR (6)\nsc around (6)\nsc around (6)\ndec around (3)', 'Wing: 6 6 6 3'],
    ['R1: 6 sc in MR (6)\nR2: inc x 6 (12)\nsc around\nR4: dec x6 (6)', 'Wing: 6 12 12 6'],
    ['R1: 6 sc in MR (6)\n2 sc in each st (12)\nR3: sc (12)', 'Wing: 6 12 12'],
    ['1 6 sc in MR (6)\n2 inc x6 (12)\n3 (1 sc, inc) x6 (18)\n4-5 sc around (18)', 'Wing: 6 12 18 18 18'],
    ['1 6 sc in MR (6)\n2 inc x6 (12)\n\nEar (2)\n1 4 sc in MR (4)\n2 sc (4)', 'Wing: 6 12, Ear × 2: 4 4'],
    ['6 sc in MR\n1 sc, inc x3\n2 sc, inc x3\n3 sc, inc x3', 'Wing: 6 9 12 15'],
  ])('takes rounds without a label, or with a bare number, where they go on: %j', (text, expected) => {
    expect(comesTo(`Wing\n${text}`)).toBe(expected);
    expect(counted(`Wing\n${text}`).diagnostics).toEqual([]);
  });

  it.each([
    'R1: 6 sc in MR (6)\nR2: inc x6 (12)\nThat is inc x6 (12), as I said.\nR3: sc around (12)',
    'R1: 6 sc in MR (6)\nFold it and sc 3 through both layers.\nR2: sc around (6)',
  ])('says of work between numbers that leave no room for it that it is a note: %j', (text) => {
    expect(counted(`Wing\n${text}`).diagnostics.map(({ code }) => code)).toEqual(['note-with-work']);
  });

  it('does not take what is to be had at hand for parts or titles', () => {
    const supplies = [
      'Materials',
      '- brown and white yarn',
      '- 3.5 mm hook',
      '- 8 mm safety eyes x 2',
      '- Yarn needle',
      'stuffing',
    ];
    const text = `Pattern: The round robin\n\n${supplies.join('\n')}\n\nBODY (brown)\nR1: 6 sc in MR (6)\nR2: inc in each (12)`;
    expect(comesTo(text)).toBe('BODY: 6 12');
    expect(counted(text).pattern.title).toBe('The round robin');
  });

  it('knows letters that stand behind their colours', () => {
    const text =
      'Snail\nYarn: cotton in sand (A) and off-white (B)\nHook: 2.5mm\n\nBODY\nUsing A\nR1: 6sc in MR (6)\n\nSHELL\nUsing B\nR1: 6sc in MR (6)';
    expect(coloursOf(text)).toBe('BODY: sand; SHELL: off-white');
    expect(counted(text).diagnostics).toEqual([]);
  });

  it.each([
    ['In the end sc in every stitch once more.', ['note-with-work']],
    ['Dec 12: sent it off.', []],
    ['Repeat R8-R11 until the snake is long enough.', ['note-with-work']],
    ['The bobble is explained in the next section.', []],
  ])('tells work that is kept as a note, and nothing else: %s', (words, codes) => {
    const text = `Bean\n\n${words}\n\nBody\nR1: 6 sc in MR (6)\nR2: inc x6 (12)`;
    expect(counted(text).diagnostics.map(({ code }) => code)).toEqual(codes);
  });

  it.each([
    ['R3: (2 sc, inc) x6 (18)', [3]],
    ['R3: 12 (inc all)', [3]],
    ['R3: 18 sc – inc in every third', [3]],
    ['R3: 2 sc x 6 (13)', [3]],
    ['R3: sc 2 in each (18)', [3]],
    ['R3: (1 sc inc) x6 (24)', [3]],
    ['sc around (13)', [3]],
    ['R3: BLO (11)', [3]],
    ['R3: inc, rest sc (14)', [3]],
    ['R3: dec every 3rd (10)', [3]],
    ['R3-5: sc (13)', [3, 4, 5]],
    ['R3: sc 12\nR4: (3 sc, dec) x2 (10)', [4]],
  ])('still finds the slip in %j', (line, bad) => {
    const { rounds } = counted(BEGUN + line).parts[0]!;
    expect(rounds.filter(({ ok }) => !ok).map(({ number }) => number)).toEqual(bad);
  });
});
