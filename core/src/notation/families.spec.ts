import { describe, expect, it } from 'vitest';
import { checkPattern, toReport } from '../fabric/index.js';
import { describeReading, fixesOfReading, read } from './index.js';

/** Two rounds that most of the texts below go on from. */
const BEGUN = 'R1: 6 sc in MR (6)\nR2: inc x6 (12)\n';

/** What a text comes to: the stitches each round makes, with the names and copies of its parts where there are several. */
function comesTo(text: string): string {
  const { parts } = toReport(text, checkPattern(read(text)));
  const alone = parts.length === 1 && parts[0]!.copies === 1;
  return parts
    .map(({ name, copies, rounds }) => {
      const counts = rounds.map(({ makes }) => makes).join(' ');
      return alone ? counts : `${copies > 1 ? `${name} × ${copies}` : name}: ${counts}`;
    })
    .join(' | ');
}

/** Ways of writing seen at work, in texts of our own; the counts are worked out by hand (common practice). */
describe('what makers write', () => {
  it.each([
    [BEGUN + 'R3: 2 sc in each (24)', '6 12 24'],
    [BEGUN + 'R3: (sc, 2 sc in next) x 6', '6 12 18'],
    ['R1: 6 sc in MR\nR2: inc in each\nR3: inc each', '6 12 24'],
    [BEGUN + 'R3: sc in every (12)', '6 12 12'],
    [BEGUN + 'R3: sc (12)\nR4-6: sc (12)\nR7: dec (6)', '6 12 12 12 12 12 6'],
    [BEGUN + 'R3: sc all round\nR4: 12 (12)', '6 12 12 12'],
    [BEGUN + 'R3: sc, inc x6 (18)', '6 12 18'],
    [BEGUN + 'R3: sc, inc (x6)', '6 12 18'],
    [BEGUN + 'R3: sc, inc, six times', '6 12 18'],
    [BEGUN + 'R3: (sc, inc) repeat', '6 12 18'],
    [BEGUN + 'R3: sc, inc, around', '6 12 18'],
    [BEGUN + 'R3: 6*(sc, inc)\nR4: 6(2 sc, inc)\nR5: {3 sc, inc} x6', '6 12 18 24 30'],
    [BEGUN + 'R3: inc in 3rd and 6th (14)', '6 12 14'],
    [BEGUN + 'R3: inc in every other stitch', '6 12 18'],
    [BEGUN + 'R3: inc 6 times evenly (18)\nR4: inc 6 evenly spaced\nR5: dec 6 times evenly', '6 12 18 24 18'],
    [BEGUN + 'R3: (sc, inc) x6 (18)\nR4: (2 sc, inc) x6 (24)\nR5: double every 4th stitch', '6 12 18 24 30'],
    ['Row 1: ch 11, 10 sc (10)\nRow 2: ch 1, turn, dec 1 at each end (8)\nRow 3: ch 1, turn, 1 dec, sc to end (7)', '10 8 7'],
    [
      '• R1: 6 sc in MR (6)\n☐ R2: inc x6 (12)\n- [ ] R3: sc around (12)\n- [x] R4: sc around (12)\n> R5: sc around (12)\n🌟 R6: sc around (12)\n✔\ufe0f R7: sc around (12)',
      '6 12 12 12 12 12 12',
    ],
    [
      '*R1:* 6 sc in MR (6)\n_R2_ inc x6 (12)\n<b>R3</b> sc around (12)\n**R4:** sc around (12)\n__R5__: sc around',
      '6 12 12 12 12',
    ],
    ['[12:34, 3/5/2026] Mo: Bean\n[12:35, 3/5/2026] Mo: R1: 6 sc in MR (6)\n[12:36, 3/5/2026] Mo: R2: inc x6 (12)', '6 12'],
    ['03/05/26, 12:34 - Mo K: Bean\n03/05/26, 12:35 - Mo K: R1: 6 sc in MR (6)\n03/05/26, 12:36 - Mo K: R2: inc x6 (12)', '6 12'],
    ['Mo: Bean\nMo: R1: 6 sc in MR (6)\nMo: R2: inc x6 (12)\nIda: lovely!', '6 12'],
    [
      'Bean\nRnd-1: 6 sc in MR (6)\n2. Rnd: inc x6 (12)\n3 - sc around (12)\n4th - 7th round: sc around (12)\nR8+R9: sc (12)\nR10/11/12: sc (12)\nrounds 13, 14 and 15: sc (12)',
      '6 12 12 12 12 12 12 12 12 12 12 12 12 12 12',
    ],
    [
      'Bean\nRound one: 6 sc in MR (6)\nRound two: inc x6 (12)\nFor round 3, sc around (12)\nNow round 4: sc around (12)\nnext 5 rounds: sc around (12)\nLast round: dec x6 (6)',
      '6 12 12 12 12 12 12 12 12 6',
    ],
    ['Bean\nR1 in red: 6 sc in MR (6)\nR2 in red: inc x6 (12)\nR3 (red): sc around (12)\nR4 (white): sc around', '6 12 12 12'],
    ['Bean\nRound 1\n6 sc in MR\nRound 2\ninc x6', '6 12'],
    ['Bean\nR1: 6 sc in MR (6). R2: inc x6 (12). R3: sc around (12).', '6 12 12'],
    ['Bean\n\n6 sc in magic ring (6)\ninc x6 (12)\n(sc, inc) x6 (18)\nsc around (18)', '6 12 18 18'],
    ['Bean\n6 sc in MR\ninc x6\nsc, inc x6\nsc around', '6 12 18 18'],
    ['Leaf / ch 5, sl st in 2nd ch from hook, sc 2, sc in last ch, on the other side sc 2, sl st', '7'],
    ['Head\nR1: 6 sc in MR (6)\n\nStem: ch 6, sl st in 2nd ch from hook, sl st 4', 'Head: 6 | Stem: 5'],
    ['Head\nR1: 6 sc in MR (6)\n\nTongue\nch 11, sl st back', 'Head: 6 | Tongue: 10'],
    ['Head\nR1: 6 sc in MR (6)\n\nScarf\nch 20', 'Head: 6 | Scarf: 20'],
    [
      'Octopus\nR1: 8 sc in MR (8)\n\nArms\n(sl st in next st, ch 7, sl st in 2nd ch from hook, sl st in next 5 ch) x 8',
      'Octopus: 8 | Arms: 8',
    ],
    ['Octopus\nR1: 8 sc in MR (8)\nR2: (sl st in next st, ch 7, sl st in 2nd ch from hook, sl st in next 5 ch) x 8 (8)', '8 8'],
    [
      'Cat\nR1: 6 sc in MR (6)\nR2: inc x6 (12)\n\nEars\njoin yarn in a st of R2, ch 3, tr in same st, ch 3',
      'Cat: 6 12 | Ears: 1',
    ],
    ['Pea\n6 sc in MR\nRound 2: inc x6 (12)', '6 12'],
    ['Pea\nStart with magic ring, 6 sc\nRound 2: inc x6 (12)', '6 12'],
    ['Pea\nstart 6 sc in magic ring (6)\nRound 2: inc x6 (12)', '6 12'],
    [
      'R1: 6 sc in MR {6}\nR2: inc x6 <12>\nR3: sc around; 12\nR4: sc around, 12\nR5: sc around => 12\nR6: sc around | 12\nR7: sc around … 12\nR8: sc around total 12\nR9: dec x6 (6 sts left)',
      '6 12 12 12 12 12 12 12 6',
    ],
    ['R1: 6 sc in MR\nR2: inc in each, 12 stitches now\nR3: to get 18, (sc, inc) x6\nR4: (sc, dec) x6; 12 sc', '6 12 18 12'],
    ['Arm (make 2, one in each colour)\nR1: 6 sc in MR (6)', 'Arm × 2: 6'],
    ['🐾 Paws (x4)\nR1: 6 sc in MR (6)', 'Paws × 4: 6'],
    ['*Arm* (make 2)\nR1: 6 sc in MR (6)', 'Arm × 2: 6'],
    ['2 arms\nR1: 6 sc in MR (6)', 'arms × 2: 6'],
    ['2x Arm\nR1: 6 sc in MR (6)', 'Arm × 2: 6'],
    ['Cat\n\n- Body\nR1: 6 sc in MR (6)\n\n- Arm\nR1: 6 sc in MR (6)', 'Body: 6 | Arm: 6'],
    ['Part 1: Arm\nR1: 6 sc in MR (6)\n\nPart 2: Leg\nR1: 6 sc in MR (6)', 'Arm: 6 | Leg: 6'],
    ['Arm, in brown\nR1: 6 sc in MR (6)', '6'],
    ['Ears (make 2). Use pink.\nR1: 6 sc in MR (6)', 'Ears × 2: 6'],
    ['Ears\nmake 2\nR1: 6 sc in MR (6)', 'Ears × 2: 6'],
    ['Head\nR1: 6 sc in MR (6)\nNose: 6 sc in MR (6)', 'Head: 6 | Nose: 6'],
    [
      'First leg\nR1: 6 sc in MR (6)\nR2: inc x6 (12)\nFasten off.\nSecond leg: same, but do not fasten off\n\nBody\nR3: ch 2, sc around first leg, 2 sc in ch, sc around second leg, 2 sc in ch (28)',
      'First leg: 6 12 | Second leg: 6 12 | Body: 28',
    ],
    ['Ears (both alike)\nR1: 6 sc in MR (6)', 'Ears × 2: 6'],
    [
      'Leg (make 2)\nR1: 6 sc in MR (6)\nR2: inc x6 (12)\n\nBody\nR3: continuing on the second leg, ch 3, sc 12 around the first leg, 3 sc in ch, 12 sc, 3 sc in ch (30)\nR4: sc around (30)',
      'Leg × 2: 6 12 | Body: 30 30',
    ],
    ['R1: 6 sc in MR (6)\nR2: inc in each\nRepeat round 2 three more times', '6 12 24 48 96'],
    [BEGUN + 'R3: dec x6 (6)\nRepeat rounds 2 and 3 twice more', '6 12 6 12 6 12 6'],
    [BEGUN + 'R3: Work 8 rounds even', '6 12 12 12 12 12 12 12 12 12'],
    [BEGUN + 'Work 8 rounds even', '6 12 12 12 12 12 12 12 12 12'],
    [BEGUN + 'R3: sc around\nR4: as round before', '6 12 12 12'],
    ['First leg\nR1: 6 sc in MR (6)\nR2: inc x6 (12)\n\nSecond leg\nsame as first leg', 'First leg: 6 12 | Second leg: 6 12'],
    [BEGUN + 'R3: [red] 12 sc\nR4: red - 12 sc\nR5: 4 sc red, 8 sc white\nR6: 4 red, 8 white', '6 12 12 12 12 12'],
    [BEGUN + 'R3 (MC): sc around\nR4: With MC, sc around', '6 12 12 12'],
    ['Colours: A red, B blue\nR1: 6 sc in MR (6)\nR2: inc x6 (12)\nR3: (B) 12 sc\nR4: B 12 sc', '6 12 12 12'],
    [
      BEGUN + 'R3: 3 sc with back paw, 9 sc\nR4: 4 sc through tail and body together, 8 sc\nR5: 4 sc with the head, 8 sc',
      '6 12 12 12 12',
    ],
    ['R1: ch 4, join to form a ring, 6 sc in ring (6)', '6'],
    ['R1: ch 10, join to form a ring, sc in each ch (10)\nR2: sc around', '10 10'],
    ...[
      'Ch 10, join to form a ring',
      'ch 10, join with a slip stitch in the first chain to form a ring.',
      'Chain 10 and join in a ring',
      'ch 10, sl st to join into a ring (10)',
      'Start with ch 10, join into a circle, do not twist.',
      'Foundation: ch 10, sl st in first ch to form a ring',
      'Base: chain 10, close to make a ring',
    ].flatMap((chain): [string, string][] => [
      [`## Tube\n${chain}\nR1: sc around (10)\nR2-R3: sc around`, '10 10 10'],
      [`## Tube\n${chain}\nR1: ch 1, sc in each ch around (10)\nR2: inc around`, '10 20'],
      [`## Tube\n${chain}\nR1: 2 sc in each ch (20)`, '20'],
      [`## Tube\n${chain}\nR1: 14 sc in ring (14)`, '14'],
    ]),
    ['## Flap\nFoundation: ch 10\nRow 1: sc in 2nd ch from hook and across (9)\nRow 2: ch 1, turn, sc across', '9 9'],
    ['## Hat\nBegin: 6 sc in ring\nR2: inc x 6', '6 12'],
    ['R1: MR, ch 1 (does not count as a stitch here and throughout), 6 sc (6)\nR2: ch 1, inc x6 (12)', '6 12'],
    ['R1: ch 6, 2 sc in 2nd ch from hook, sc 3, 3 sc in last, other side: sc 3, sc in same (12)', '12'],
    ['Row 1: ch 6, sc in 2nd ch from hook and across (5)', '5'],
    [
      'R1: MR, ch 3 (counts as first dc), 11 dc (12)\nR2: ch 3 (counts as first dc), dc in same st, 2 dc in each remaining st, join (24)',
      '12 24',
    ],
    ['R1: MR, ch 3, 11 dc, join (12)', '12'],
    [
      'R1: 6 sc in MR (6)\nR2: inc x6. Easy! (12)\nR3: sc around (yes, again) (12)\nR4: sc around (pull tight!)\nR5: sc around phew (12)\nR6: sc around → 12',
      '6 12 12 12 12 12',
    ],
    [
      'Bean\nRound 1: 6 single cro-\nchet in magic ring (6)\nRound 2: 2 sc in each\nstitch around (12)\nRound 3: (sc,\n2 sc in\nnext st) × 6 (18)',
      '6 12 18',
    ],
    ['PEA\nRND 1: 6 SC IN MR (6)\nRND 2: INC X6 (12)', '6 12'],
    [
      'Bean\nRnd\u00a01:\u20096\u00a0sc in MR (6)\nRnd 2: inc\u00ad × 6 (12)\nRnd 3‑5: sc around (12)\nRnd 6—7: sc around (12)',
      '6 12 12 12 12 12 12',
    ],
    ['BEAN  page 1\nR1: 6 sc in MR (6)\n- 2 -\nBEAN  page 2\nR2: inc x6 (12)\n3\nR3: sc around (12)', '6 12 12'],
    [
      'Body                         \nR1: 6 sc in MR (6)           R4: sc around (12)\nR2: inc x6 (12)              R5: sc around (12)\nR3: sc around (12)           R6: dec x6 (6)',
      '6 12 12 12 12 6',
    ],
    [
      'Arm                     Leg\nR1: 6 sc in MR (6)      R1: 5 sc in MR (5)\nR2: inc x6 (12)         R2: inc x5 (10)',
      'Arm: 6 12 | Leg: 5 10',
    ],
    ['Owl\n| R | what | n |\n|--|--|--|\n| 1 | 6 sc in MR | 6 |\n| 2 | inc x6 | 12 |', '6 12'],
    ['Owl\nRow,Do,Sts\n1,6 sc in ring,6\n2,"inc, 6 times",12\n3-4,"sc around",12', '6 12 12 12'],
    [
      BEGUN +
        'R3: bobble, 11 sc\nR4: popcorn in next st, 11 sc\nR5: cluster, 11 sc\nR6: 12 BLsc\nR7: 6 fpdc, 6 bpdc\nR8: spike st, 11 sc\nR9: 2tog x6',
      '6 12 12 12 12 12 12 12 6',
    ],
    [BEGUN + 'R3: 2sctog x6', '6 12 6'],
    [BEGUN + 'R3: decr x6', '6 12 6'],
    [BEGUN + 'R3: idec 6', '6 12 6'],
    [BEGUN + 'R3: inv. dec x 6', '6 12 6'],
    [BEGUN + 'R3: (sc, 2 in 1) x6', '6 12 18'],
    [BEGUN + 'R3: sc2inc x12', '6 12 24'],
    [BEGUN + 'R3: 11 sc, inc3 (14)', '6 12 14'],
    [BEGUN + 'R3: (sc, picot) x 12', '6 12 12'],
    ['R1: 6X (MR)\nR2: 6V\nR3: (X, V)*6\nR4: (2X, V)*6\nR5: (2X, A)*6\nR6: 6X, 2A, 8X', '6 12 18 24 18 16'],
    ['○ = sc, ∨ = inc\nR1: 6 ○ in MR\nR2: 6 ∨', '6 12'],
    ['x = sc, v = inc, ^ = dec\nR1: 6x in ring\nR2: 6v\nR3: (x, v) * 6\nR4: (x, ^) * 6', '6 12 18 12'],
    [
      'Leg (make 2)\nR1: 5 sc in MR (5)\nR2: inc x5 (10)\nR3: (sc, inc) x5 (15)\n\nBody\nR1: ch 3, sc in each of the 15 sts of the other leg, sc in 3 ch, sc in 15 sts of this leg, sc in 3 ch (36)',
      'Leg × 2: 5 10 15 | Body: 36',
    ],
    [BEGUN + 'R3: sl st through each post around', '6 12 12'],
    [
      'Square (make 2)\nRow 1: ch 11, 10 sc (10)\nRows 2-10: ch 1, turn, 10 sc (10)\n\nEdge\nR1: through both layers, sc around, 5 sc in each corner (56)',
      'Square × 2: 10 10 10 10 10 10 10 10 10 10 | Edge: 56',
    ],
    [
      'Base\nR1: 6 sc in MR (6)\nR2: inc x6 (12)\nR3: BLO sc around (12)\nR4: sc around (12)\n\nFrill\nR1: in the front loops of R2, 2 sc in each (24)',
      'Base: 6 12 12 12 | Frill: 24',
    ],
    [BEGUN + 'R3: sc around\nR4: in the back loops of R3, sc around', '6 12 12 12'],
    [BEGUN + 'R3: 6 sc, leave remaining sts unworked', '6 12 6'],
    [BEGUN + 'R3: 6 sc, leave the rest unworked', '6 12 6'],
    [BEGUN + 'R3: 7 sc', '6 12 7'],
    ['🧶 Tiny whale 🐳\n\nRnd 1\ufe0f\u20e3: 6 sc in MR (6)\nRnd 2\ufe0f\u20e3: inc x6 (12)', '6 12'],
    ['Whale\n🔹R1: 6sc in MR (6)\n🔹R2: inc*6 (12)\n🔹R3: (1sc+inc)*6 (18)\n🔹R4-5: 18 sc', '6 12 18 18 18'],
    ['Whale\nR1: 6sc MR [6]\nR2: 6inc [12]\nR3: (sc,inc)6 [18]\nR4: [2sc, inc] repeat 6 times [24]', '6 12 18 24'],
    ['Bear\n1. 6 sc in MR\n2. inc around\n3. *sc, inc* around\n4-6. sc around\n7. *sc, dec* around', '6 12 18 18 18 18 12'],
    [
      'Bear\nRound 1 - In a magic ring, work 6 sc. (6 sts)\nRound 2 - 2 sc in each st around. (12 sts)\nRound 3 - *1 sc in next st, 2 sc in next st; repeat from * around. (18 sts)\nRound 4 - *1 sc in each of next 2 sts, 2 sc in next st; repeat from * 5 more times. (24 sts)',
      '6 12 18 24',
    ],
    [
      'Bear\nRound 1: Make a magic circle with 6 sc inside\nRound 2: 2 sc into every stitch (12)\nRound 3: 1 sc, then 2 sc in the next stitch, around (18)\nRound 4: two sc, then an increase, repeat till the end (24)',
      '6 12 18 24',
    ],
    ['Body:\nR1. MR 6\nR2. 6 inc = 12\nR3. (sc, inc)*6 = 18', '6 12 18'],
    [
      'Body\nrow 1: chain 6, turn\nrow 2: single crochet in second chain from the hook and in each chain across (5), ch 1, turn\nrow 3: single crochet across (5)',
      '5 5',
    ],
    ['Cone\nR1: 4 sc in MR (4)\nR2: inc, sc 3 (5)\nR3: inc, 4 sc (6)\nR4: inc, sc around (7)', '4 5 6 7'],
    [
      'Head\nR1: mr, 6 sc (6)\nR2: 6x inc (12)\nR3: [sc, inc] x 6 (18)\nR4: [2sc, inc] x 6 (24)\nR5–R8: sc around (24) 4 rounds\nR9: [2sc, dec] x 6 (18)',
      '6 12 18 24 24 24 24 24 18',
    ],
    ['Head\nRnd1: 6 sc in mr\nRnd2: 2sc in each st (12 st)\nRnd3: *1sc, 2sc in 1* x6 (18 st)', '6 12 18'],
    [
      'Ball\nR1: 6 sc in a ring.\nR2: Inc in all stitches. (12 stitches)\nR3: Sc, inc. Repeat 6 times. (18 stitches)\nR4: 2 sc, inc. Repeat around. (24)\nR5: Sc 24.\nR6: 2 sc, dec. Repeat 6x. (18)',
      '6 12 18 24 24 18',
    ],
    [
      'Ball\nR1: 6 sc in MR (6)\nR2: 6 incs (12)\nR3: 1 sc & 1 inc, 6 times (18)\nR4: 1 inc, 2 sc — repeat 6 times (24)',
      '6 12 18 24',
    ],
    ['Arms - make two\nR1: 5 sc in MR (5)\nR2: sc around (5)', 'Arms × 2: 5 5'],
    ['ARMS X 2\nR1: 5 sc in MR (5)', 'ARMS × 2: 5'],
    [
      'Arm (x2)\nR1: 5 sc in MR (5)\n\nLeg [make 4]\nR1: 5 sc in MR (5)\n\nTail (1 piece)\nR1: 5 sc in MR (5)',
      'Arm × 2: 5 | Leg × 4: 5 | Tail: 5',
    ],
    ['Make 2 ears:\nR1: 5 sc in MR (5)\n\nTwo horns\nR1: 4 sc in MR (4)', 'ears × 2: 5 | horns × 2: 4'],
    ['Step 1: the body\nR1: 5 sc in MR (5)\n\nStep 2: the arms (make 2)\nR1: 4 sc in MR (4)', 'body: 5 | arms × 2: 4'],
    ['~ Body ~\nR1: 5 sc in MR (5)\n\n~ Wings x2 ~\nR1: 4 sc in MR (4)', 'Body: 5 | Wings × 2: 4'],
    ['<b>Body</b>\nR1: 5 sc in MR (5)\n\n<b>Wings (make 2)</b>\nR1: 4 sc in MR (4)', 'Body: 5 | Wings × 2: 4'],
    ['BODY\n-----\nR1: 5 sc in MR (5)\n\nWINGS (MAKE 2)\n-----\nR1: 4 sc in MR (4)', 'BODY: 5 | WINGS × 2: 4'],
    ['1) Body\nR1: 5 sc in MR (5)\n\n2) Wing (make 2)\nR1: 4 sc in MR (4)', 'Body: 5 | Wing × 2: 4'],
    ['Body\n\nYarn: blue\nHook: 3 mm\n\nR1: 5 sc in MR (5)\nR2: sc around (5)', '5 5'],
    [
      'Snout\nR1: ch 5, sc in 2nd ch from hook, sc 2, 3 sc in last ch, turn to the other side, sc 2, 2 sc in last ch (10)\nR2: inc, sc 2, inc x3, sc 2, inc x2 (16)',
      '10 16',
    ],
    ['Snout\nCh 5. Starting in 2nd ch from hook:\nR1: 3 sc, 3 sc in last ch, on other side 2 sc, inc (10)', '10'],
    ['Spiral\nR1: 6 sc in MR (6)\nR2: (inc) x6 (12)\nR3: (inc, sc) x6 (18)\nR4: (inc, sc, sc) x6 (24)', '6 12 18 24'],
    [
      'Bean\nR1: 6 sc in MR (6 sc)\nR2: inc x 6 (12 sc)\nR3 to R5: sc around (12 sc)\nR6: *sc, dec* 4 times (8 sc)\nR7: dec 4 times (4 sc)',
      '6 12 12 12 12 8 4',
    ],
    ['Bean\nR1: 6 sc in MR (6)\nR2: inc x6 (12)\nR3: 5 sc, bobble, 6 sc (12)\nR4: 3 sc, 5-dc bobble, 8 sc (12)', '6 12 12 12'],
    [
      'Hat\nRound 1: 6 sc in MR (6)\nRound 2 : inc x6 (12)\nRound 3 and 4: sc around (12)\nRounds 5 - 7 : sc around (12)',
      '6 12 12 12 12 12 12',
    ],
    ['Hat\nReihe\nR 1: 6 sc in MR (6)\nR 2: inc x6 (12)\nR 3-R 4: sc (12)', '6 12 12 12'],
    ['Hat\nR1)6 sc in MR (6)\nR2)inc x6(12)\nR3)(sc,inc)x6(18)', '6 12 18'],
    [
      'Hat\nR1 6 sc in MR\nR2 inc x6\nR3 sc, inc x6\nR4 2 sc, inc x6\nR5-7 sc\nR8 2 sc, dec x6\nR9 sc, dec x6\nR10 dec x6',
      '6 12 18 24 24 24 24 18 12 6',
    ],
    [
      'Bee\nWith yellow: \nR1: 6 sc in MR (6)\nR2: inc x6 (12)\nSwitch to black.\nR3: (sc, inc) x6 (18)\nR4: sc around (18), change to yellow',
      '6 12 18 18',
    ],
    ['Bee\nR1 yellow: 6 sc in MR (6)\nR2 yellow: inc x6 (12)\nR3 black: sc around (12)', '6 12 12'],
    ['Bee\n[Yellow]\nR1: 6 sc in MR (6)\nR2: inc x6 (12)\n[Black]\nR3: sc around (12)', '6 12 12'],
    [
      'Bee (A: yellow, B: black)\nR1 [A]: 6 sc in MR (6)\nR2 [A]: inc x6 (12)\nR3 [B]: sc around (12)\nR4: A - 6 sc, B - 6 sc (12)\nR5: 6A, 6B (12)',
      '6 12 12 12 12',
    ],
    [
      'Frog\nR1: 6 sc in MR (6)\nR2: inc x6 (12)\nR3: (sc, inc) 6 times (18)\nR4: (2 sc, inc) 6 times (24)\nR5 through R9: sc in each st around (24)\nPlace eyes between rounds 5 and 6 with 4 stitches between.\nR10: (2 sc, dec) 6 times (18)\nBegin stuffing.\nR11: (sc, dec) 6 times (12)\nR12: dec 6 times (6)\nFO',
      '6 12 18 24 24 24 24 24 24 18 12 6',
    ],
    [
      'Leg (make 2)\nR1: 6 sc in MR (6)\nR2: inc x6 (12)\nR3-5: sc around (12)\nFO for first leg. Do not FO second leg.\n\nBody\nR6: ch 2, join with sc to first leg, 11 sc, 2 sc in ch, 12 sc on second leg, 2 sc in ch (28)',
      'Leg × 2: 6 12 12 12 12 | Body: 28',
    ],
    [
      'Leg (make 2)\nR1: 6 sc in MR (6)\nR2: inc x6 (12)\n\nBody\nR3: join legs: 12 sc on first leg, 12 sc on second leg (24)\nR4: sc around (24)',
      'Leg × 2: 6 12 | Body: 24 24',
    ],
    [
      'Sun\nR1: 12 sc in MR (12)\nR2: BLO 12 sc (12)\n\nRays\nR1: FLO of R1: (sl st, ch 3, sl st) in each st',
      'Sun: 12 12 | Rays: 60',
    ],
    [
      'Cup\nR1: 8 sc in MR (8)\nR2: inc x8 (16)\nR3: in BLO, sc around (16)\nR4: sc in both loops around (16)\nR5: working in front loops only, sc around (16)',
      '8 16 16 16 16',
    ],
    [
      'Cup\nR1: 8 sc in MR (8)\nR2: inc x8 (16)\nR3: 16 BLO sc (16)\nR4: sc x 16 (16)\nR5: BLO: (2 sc, dec) x 4 (12)',
      '8 16 16 16 12',
    ],
    [
      'Ball\nR1: magic ring with 6 sc (6)\nR2: increase x6 (12)\nR3: (sc 1, inc 1) x6 (18)\nR4: (sc 2, increase 1) x6 (24)\nR5: single crochet around (24)\nR6: (sc 2, dec 1) x6 (18)\nR7: (sc 1, decrease 1) x6 (12)\nR8: decrease x6 (6)',
      '6 12 18 24 24 18 12 6',
    ],
    [
      'Ball UK terms\nR1: 6 dc in MR (6)\nR2: 2 dc in each st (12)\nR3: (1 dc, 2 dc in next st) x6 (18)\nR4: (1 dc, dc2tog) x6 (12)',
      '6 12 18 12',
    ],
    [
      'Strip\nRow 1: Ch 11, sc in 2nd ch from hook and in each ch across. (10)\nRow 2: Ch 1, turn. Sc in each st across. (10)\nRepeat row 2 until you have 6 rows.',
      '10 10 10 10 10 10',
    ],
    [
      'Strip\nch 11\nRow 1: sc in 2nd ch from hook and across (10)\nRow 2-5: ch 1, turn, sc across (10)\nRow 6: ch 1, turn, sc2tog, sc across to last 2 sts, sc2tog (8)',
      '10 10 10 10 10 8',
    ],
    ['Ball\nR1: 6 SC in MC\nR2: 6 INC\nR3: SC, INC x6\nR4: SC AROUND', '6 12 18 18'],
    ['Ball\nr1- 6 sc in mr\nr2- inc x6\nr3- sc inc x6\nr4- 2 sc inc x6\nr5- sc around', '6 12 18 24 24'],
    [
      'Ball\nR1: 6 sc into magic ring; do not join (6)\nR2: 2 sc in each sc around; (12)\nR3: [1 sc in next sc, 2 sc in next sc] six times; (18)',
      '6 12 18',
    ],
    [
      'TURTLE\n\nRnd 1: 6 sc in MR (6)\nRnd 2: 2 sc in\neach st (12)\nTURTLE  - page 2\nRnd 3: sc in each st around. Do not\njoin. (12)\nRnd 4: (1 sc, 2 sc in\nnext st) six times\n(18)',
      '6 12 12 18',
    ],
    ['Hoop ﬂower\nRnd 1: 6 sc in magic ring (6)\nRnd 2: [inc] × 6 (12)\nRnd 3: ﬁrst st: inc, 11 sc (13)', '6 12 13'],
    ['Ball\tfor baby\n1\t6 sc in MR\t6\n2\tinc x6\t12\n3\tsc around\t12', '6 12 12'],
    ['Ball\n| 1 | 6 sc in MR | 6 |\n| 2 | inc x6 | 12 |\n| 3 | sc around | 12 |', '6 12 12'],
    ['Ball\nRound | What | Count\n1 | 6 sc in MR | 6\n2 | inc x6 | 12\n3–5 | sc around | 12', '6 12 12 12 12'],
    ['Ball\nRnd;Work;Sts\n1;6 sc in MR;6\n2;inc x6;12', '6 12'],
    ['Ball\n"Round","Instructions","Total"\n"1","6 sc in MR","6"\n"2","inc x6","12"', '6 12'],
    ['Ball\n| Total | Rnd | Do |\n|---|---|---|\n| 6 | 1 | 6 sc in MR |\n| 12 | 2 | inc x6 |', '6 12'],
    [
      'Ball\n| Rnd | Sts | Colour | Instructions |\n|---|---|---|---|\n| 1 | 6 | teal | MR, 6 sc |\n| 2 | 12 | teal | inc x6 |\n| 3 | 12 | coral | sc around |',
      '6 12 12',
    ],
    ['Ball\nRow\tPattern\tDone\n1\t6 sc in ring (6)\t\n2\tinc x 6 (12)\t', '6 12'],
    [
      'okay the tiny bead\nround one six single crochet in the ring\nround two two in each stitch so twelve\nrounds three and four just go around',
      '6 12 12 12',
    ],
    [
      'Now the body.\nRound one: seven single crochet into a magic ring, seven stitches.\nRound two: increase in every stitch, fourteen stitches.\nRound three: one single crochet, one increase, repeat seven times, twenty-one.',
      '7 14 21',
    ],
    [
      'so first we make the nose\nround 1 is 6 sc in a magic ring\nround 2 is 6 increases for 12 stitches\nround 3 is sc around',
      '6 12 12',
    ],
    ['Tail\nR1: 6 sc in MR\nR2-10: sc around\nR11: 4 sc, leave the remaining 2 sts unworked', '6 6 6 6 6 6 6 6 6 6 4'],
    ['Fin\nR1: ch 8, sl st in 2nd ch from hook, sc in next 2 ch, hdc in next 2 ch, dc in last 2 ch (7)', '7'],
    [
      'Ear\nR1: ch 4, join with sl st to form ring\nR2: ch 1, 8 sc in ring, join (8)\nR3: ch 1, inc in each st, join (16)',
      '8 16',
    ],
    [
      'Disc\nRnd 1: ch 2, 8 sc in second ch from hook, join (8)\nRnd 2: ch 1, 2 sc in each st, join (16)\nRnd 3: ch 1, *sc in first st, 2 sc in next st* 8 times, join (24)',
      '8 16 24',
    ],
    [
      'Granny\nR1: ch 3 (counts as dc), 11 dc in MR, join with sl st in top of ch 3 (12)\nR2: ch 3 (counts as dc), dc in same st, (2 dc in next st) x 11, join (24)',
      '12 24',
    ],
    ['Disc\nR1: MR, ch 2 (does not count), 10 hdc (10)\nR2: ch 2, 2 hdc in each st (20)', '10 20'],
    [
      'Oval\nR1: ch 9, 2 sc in 2nd ch from hook, 1 sc in next 6 ch, 4 sc in last ch; working on the other side of the chain: 1 sc in next 6 ch, 2 sc in same ch as first (20)\nR2: 2 inc, 6 sc, 4 inc, 6 sc, 2 inc (28)',
      '20 28',
    ],
    ['Oval\nR1: Ch 7, inc in 2nd ch, sc 4, inc 3 in last ch, (other side) sc 4, inc in last ch', '15'],
    [
      'Body\nR1: 6 sc in MR (6)\nR2: inc x6 (12)\nR3: 3 sc, 3 inc, 3 sc, 3 inc (18)\nR4: sc 3, (inc, sc) x3, sc 3, (inc, sc) x3 (24)',
      '6 12 18 24',
    ],
    [
      'Body\nR1: 6 sc in MR (6)\nR2: inc x6 (12)\nR3: inc, 5 sc, inc, 5 sc (14)\nR4: inc in next 2, 5 sc, inc in next 2, 5 sc (18)',
      '6 12 14 18',
    ],
    [
      'Body\nR1: 6 sc in MR (6)\nR2: inc x6 (12)\nR3: *2 sc, inc* 4x (16)\nR4: *3 sc, inc; repeat from * (20)\nR5: [3 sc, dec] around (16)\nR6: **2 sc, dec** x4 (12)',
      '6 12 16 20 16 12',
    ],
    [
      'Body\nR1: 6 sc in MR (6)\nR2: inc x6 (12)\nR3: sc, sc, inc (x4) (16)\nR4: 3sc/1inc (x4) (20)\nR5: 3sc/1dec x4 (16)',
      '6 12 16 20 16',
    ],
    ['Body\nR1: 6 sc in MR (6)\nR2: inc x6 (12)\nR3: 2 sc + inc x4 (16)\nR4: 3 sc + 1 inc, x4 (20)', '6 12 16 20'],
    ['Body\nR1: 6 sc in MR (6)\nR2: inc x6 (12)\nR3: sc2 inc1 x4 (16)\nR4: sc3inc1 x4 (20)', '6 12 16 20'],
    [
      'Body\nR1: 6 sc in MR (6)\nR2: inc x6 (12)\nR3: one sc in each stitch around until end of round (12)\nR4: sc in each of the 12 stitches (12)\nR5: 12 sc in total (12)',
      '6 12 12 12 12',
    ],
    [
      'Body\nR1: 6 sc in MR (6)\nR2: inc x6 (12)\nR3: dec, 8 sc, dec (10)\nR4: skip 1, 9 sc (9)\nR5: sc2tog, sc 7 (8)\nR6: sc3tog, sc 5 (6)',
      '6 12 10 9 8 6',
    ],
    [
      'Body\nR1: 6 sc in MR (6)\nR2: inc x6 (12)\nR3: 12 hdc (12)\nR4: hdc inc x 12 (24)\nR5: (hdc2tog) x 12 (12)',
      '6 12 12 24 12',
    ],
    ['Body\nR1: 6 sc in MR (6)\nR2: inc x6 (12)\nRound 3: for the whole round, (1 sc, inc) (18)', '6 12 18'],
    ['Body\nR1: 6 sc in MR (6)\nR2: inc x6 (12)\nR3–6 — sc around (12)\nRd. 7: dec × 6 (6)\n', '6 12 12 12 12 12 6'],
    ['Body\nR1: 6 sc in MR (6)\nR2: inc x6 (12)\nRounds 3–6: 12 sc each (12)', '6 12 12 12 12 12'],
    ['Body\nR1: 6 sc in MR (6)\nR2: inc x6 (12)\nR3–6: 12 sc in each round (12)', '6 12 12 12 12 12'],
    ['Body\nR1: 6 sc in MR (6)\nR2: inc x6 (12)\nR3 (and all odd rounds to 7): sc around (12)', '6 12 12'],
    ['Body (in grey)\nR1: 6 sc in MR (6)\n\nBelly (white, make 1)\nR1: 5 sc in MR (5)', 'Body: 6 | Belly: 5'],
    ['Legs (grey) - make 2, white first\nR1: 6 sc in MR (6)', 'Legs × 2: 6'],
    [
      'Mouse\n\nHEAD & BODY (worked in one piece)\nR1: 6 sc in MR (6)\n\nEARS ×2 (pink)\nR1: 5 sc in MR (5)\n\nTAIL\nCh 20, fasten off.',
      'HEAD & BODY: 6 | EARS × 2: 5 | TAIL: 20',
    ],
    [
      'Mouse\nBody\nR1: 6 sc in MR (6)\n\nWhiskers: cut 6 threads.\n\nFeet (make 2)\nR1: 4 sc in MR (4)\nSew on.',
      'Body: 6 | Feet × 2: 4',
    ],
    [
      'Bow\nRow 1: ch 7, sc in 2nd ch from hook and in each ch (6)\nRow 2: ch 1, turn, sc in each st (6)\nRow 3–8: repeat row 2 (6)',
      '6 6 6 6 6 6 6 6',
    ],
    [
      'Bow\nRow 1: ch 7, 6 sc\nRow 2: turn, ch 1, sc across\nRow 3: turn, ch 1, inc 1 at both ends (8)\nRow 4: turn, ch1, dec 1 st at beginning and end (6)',
      '6 6 8 6',
    ],
    [
      'Snake\nR1: 6 sc in MR (6)\nR2 ~ R4: sc around (6)\nR5 until R7: sc around (6)\nR8 up to R10: sc around (6)',
      '6 6 6 6 6 6 6 6 6 6',
    ],
    [
      'Snake\nR1: 6 sc in MR (6)\nRnds 2-4 (3 rnds): sc around (6)\nRnds 5-6 [2 rounds]: sc around (6)\nR7 x3: sc around',
      '6 6 6 6 6 6 6 6 6',
    ],
    [
      'Mole\nRnd 1. Start with 6 sc in MR. (6)\nRnd 2. *Inc* repeat around. (12)\nRnd 3. *Sc in next st, inc in next\nst* repeat around. (18)\n                         3\nRnd 4. Sc in each st\naround. (18)',
      '6 12 18 18',
    ],
    [
      'MOLE HEAD ............................................ 4\n\nRnd 1: 6 sc in MR ............ (6)\nRnd 2: inc in each st ........ (12)',
      '6 12',
    ],
    [
      'Mole  |  designed at home  |  page 1 of 2\n\nHead\nRnd 1: 6 sc in MR (6)\nMole  |  designed at home  |  page 2 of 2\nRnd 2: inc x 6 (12)',
      '6 12',
    ],
    [
      'Head\nRound   Instructions                 Stitches\n1       6 sc in magic ring           6\n2       inc in each st               12\n3-5     sc in each st                12',
      '6 12 12 12 12',
    ],
    [
      'Let me show you the acorn cap.\n\nRound 1: In a magic ring, make 6 single crochet. (You have 6 stitches.)\nRound 2: Work 2 single crochet into each stitch around. Now you have 12!\nRound 3: Alternate 1 single crochet and 1 increase all the way around. That gives you 18 stitches.\nRounds 4 and 5: Nothing fancy, single crochet around. Still 18.',
      '6 12 18 18 18',
    ],
    [
      'My acorn\n\nRound 1 – make a magic ring, and put 6 single crochets in it.\nRound 2 – 2 single crochets in every stitch; you now have 12 stitches.\nRound 3 – single crochet in one stitch, 2 single crochets in the next, all around = 18.',
      '6 12 18',
    ],
    [
      'Acorn\nFor round 1, make 6 sc in a magic ring. You have 6 sts.\nFor round 2, increase in every st around. You have 12 sts.\nFor rounds 3 to 5, sc in every st. Still 12 sts.',
      '6 12 12 12 12',
    ],
    ['Here is how I made the tiny boot.\nR1: 6 sc in MR (6)\nR2: inc x6 (12)', '6 12'],
    ['ball!!\nr1 mr 6\nr2 inc x 6 so 12\nr3 1 sc 1 inc x 6 so 18\nr4-5 just sc\nr6 1 sc 1 dec x6 back to 12', '6 12 18 18 18 12'],
    ['Ball: R1: 6sc MR, R2: 6inc (12), R3: (1sc,1inc)x6 (18), R4-6: 18sc', '6 12 18 18 18 18'],
    ['ball\nR1 = 6sc in mr\nR2 = 6inc\nR3 = (sc,inc)x6', '6 12 18'],
    ['Row1 6sc mr\nRow2 incx6\nRow3 sc incx6', '6 12 18'],
    ['Ear\n1) 6X\n2) 6V\n3) (X V)x6\n4) 18X\n5) (X A)x6', '6 12 18 18 12'],
    ['Ear\nR1. 6x (6)\nR2. 6v (12)\nR3. (x,v)*6 (18)\nR4. 18x\nR5. (x,a)*6 (12)', '6 12 18 18 12'],
    ['R1: 6X/6\nR2: 6V/12\nR3: 6(X,V)/18\nR4: 6(2X,V)/24\nR5-7: 24X/24', '6 12 18 24 24 24 24'],
    ['Ear\nR1: 6X (6)\nR2: V*6 (12)\nR3: [X,V]*6 (18)\nR4: [2X,V]*6 (24)\nR5: W, 22X, W (28)', '6 12 18 24 28'],
    [
      '| Round | Instruction | Stitches |\n|:-:|---|---|\n| Rnd 1 | MR 6 sc | (6) |\n| Rnd 2 | inc × 6 | (12) |\n| Rnds 3–4 | sc around | (12) |',
      '6 12 12 12',
    ],
    [
      'Hat\nrnd | stitches | total\n1 | 6 sc in MR | 6\n2 | inc x 6 | 12\n\nBrim\nrnd | stitches | total\n1 | 8 sc in MR | 8',
      'Hat: 6 12 | Brim: 8',
    ],
    [
      'CRAB BODY (RED)\nRND 1: 6 SC IN MR (6)\nRND 2: INC X 6 (12)\nRNDS 3-4: SC IN EACH ST (12)\n\nCRAB EYES (MAKE 2)\nRND 1: 5 SC IN MR (5)',
      'CRAB BODY: 6 12 12 12 | CRAB EYES × 2: 5',
    ],
    ['Ball\n01. 6 sc in MR (6)\n02. inc x6 (12)\n03. sc around (12)', '6 12 12'],
    ['Ball\n[1] 6 sc in MR (6)\n[2] inc x6 (12)\n[3-4] sc around (12)', '6 12 12 12'],
    ['Ball\n#1: 6 sc in MR (6)\n#2: inc x6 (12)', '6 12'],
    ['Ball\n(1) 6 sc in MR (6)\n(2) inc x6 (12)', '6 12'],
    ['Ball\n1/ 6 sc in MR (6)\n2/ inc x6 (12)', '6 12'],
    ['Ball\n①6 sc in MR (6)\n②inc x6 (12)\n③sc around (12)', '6 12 12'],
    [
      'um okay for the nose\nround one you do five single crochet in a magic ring\nround two is one single crochet in each so five again\nround three an increase in every stitch so ten',
      '5 5 10',
    ],
    [
      'round one six single crochet in a ring\nround two increase six times, twelve\nround three single crochet, increase, single crochet, increase, all the way around, eighteen\nround four through six just single crochet',
      '6 12 18 18 18 18',
    ],
    [BEGUN + 'R3: 2 sc in next st, 11 sc (13)\nR4: 3 sc in one st, 12 sc (15)', '6 12 13 15'],
    [BEGUN + 'R3: inc in every 2nd st (18)\nR4: dec every 3rd stitch (12)', '6 12 18 12'],
    [BEGUN + 'R3: *sc in 1, inc in 1* x6 (18)\nR4: *sc in next 2, inc* x6 (24)\nR5: *sc in 2, dec* x6 (18)', '6 12 18 24 18'],
    [BEGUN + 'R3: increase evenly 6 times (18)\nR4: decrease 6 sts evenly around (12)', '6 12 18 12'],
    [BEGUN + 'R3: sc in first 6, inc in next 3, sc in last 3 (15)', '6 12 15'],
    [BEGUN + 'R3: sc 5, 2 sc in next, sc 5, 2 sc in last (14)', '6 12 14'],
    ['Wing\nR1: ch 5, 4 sc from 2nd ch, turn (4)\nR2: ch 1, inc, 2 sc, inc, turn (6)\nR3: ch 1, 6 sc, turn (6)', '4 6 6'],
    ['Strap\nch 31, sc in 2nd ch from hook and each ch across (30). Fasten off.', '30'],
    [BEGUN + 'R3: change to B, sc around (12)\nR4: in colour A: sc around', '6 12 12 12'],
    ['Fish (main colour orange, contrast white)\nR1 MC: 6 sc in MR (6)\nR2 MC: inc x6 (12)\nR3 CC: sc around (12)', '6 12 12'],
    [
      'Fish\nR1: orange: 6 sc in MR (6)\nR2: orange: inc x6 (12)\nR3: white: 6 sc, orange: 6 sc (12)\nR4: 3 sc (white), 9 sc (orange)',
      '6 12 12 12',
    ],
    ['Ears\n(make 2)\nR1: 5 sc in MR (5)', 'Ears × 2: 5'],
    ['Ears - you will need 2\nR1: 5 sc in MR (5)', 'Ears × 2: 5'],
    ['For the ears (two)\nR1: 5 sc in MR (5)\n\nFor the tail\nR1: 4 sc in MR (4)', 'ears × 2: 5 | tail: 4'],
    ['Body. Use brown.\nR1: 5 sc in MR (5)\n\nPaws. Make 4 in white.\nR1: 4 sc in MR (4)', 'Body: 5 | Paws × 4: 4'],
    ['>> BODY <<\nR1: 5 sc in MR (5)\n>> PAWS (4x) <<\nR1: 4 sc in MR (4)', 'BODY: 5 | PAWS × 4: 4'],
    ['__Body__\nR1: 5 sc in MR (5)\n\n__Paw__ x 4\nR1: 4 sc in MR (4)', 'Body: 5 | Paw × 4: 4'],
    ['BODY: (brown)\nR1: 5 sc in MR (5)\nPAWS: (white, x4)\nR1: 4 sc in MR (4)', 'BODY: 5 | PAWS × 4: 4'],
    [
      'Leg 1\nR1: 6 sc in MR (6)\nR2: sc around (6)\nFasten off.\n\nLeg 2\nR1: 6 sc in MR (6)\nR2: sc around (6)\nDo not fasten off.\n\nBody\nR3: ch 2, join to leg 1, 6 sc around leg 1, 2 sc in ch, 6 sc around leg 2, 2 sc in ch (16)\nR4: sc around (16)',
      'Leg 1: 6 6 | Leg 2: 6 6 | Body: 16 16',
    ],
    [
      'Shell (make 2)\nR1: 6 sc in MR (6)\nR2: inc x6 (12)\n\nRim\nR1: hold both shells together and sc through both around (12)',
      'Shell × 2: 6 12 | Rim: 12',
    ],
    [
      'Written in UK terms\n\nTomato\nRnd 1: 6 dc into magic ring (6)\nRnd 2: 2 dc in each (12)\nRnd 3: *1 dc, 2 dc in next* 6 times (18)\nRnd 4: miss 2, dc 16 (16)\nRnd 5: dc2tog x 8 (8)',
      '6 12 18 16 8',
    ],
    [
      'Mitten (British terms)\nRow 1: ch 11, dc in 2nd ch from hook and each ch to end (10)\nRow 2: ch 1, dc across (10)\nRow 3: ch 2, htr in each st (10)',
      '10 10 10',
    ],
    [
      'Nut\nR1: 6 sc in MR [6 sts]\nR2: inc x6 [12 sts]\nR3: sc around, 12 sts\nR4: sc around (total 12)\nR5: sc around (12 sts total)\nR6: sc around ... 12 sts.\nR7: dec x6: 6',
      '6 12 12 12 12 12 6',
    ],
    ['Nut\nR1: 6 sc in MR → 6\nR2: inc x6 ➜ 12 sts\nR3: sc around == 12\nR4: sc around -> 12', '6 12 12 12'],
    ['Nut\nR1 (6): 6 sc in MR\nR2 (12): inc x6\nR3 (12 sts): sc around', '6 12 12'],
    ['Nut\nR1: 6 sc in MR. 6 sts\nR2: inc x6. 12 sts\nR3: sc around. 12 sts.', '6 12 12'],
    ['Nut\nR1: 6 sc in MR (=6)\nR2: inc x6 (=12)\nR3: (sc, inc) x6 (=18 sts)', '6 12 18'],
    ['Nut\nR1: 6 sc in MR (6)\nR2: inc x6 (12)\nR3: [sc, inc] x6 / 18\nR4: sc around / 18', '6 12 18 18'],
    ['Nut\nR1: Make a slip knot, ch 2, 6 sc in 2nd ch from hook (6)\nR2: inc x6', '6 12'],
    ['Nut\nBegin with a magic ring.\nR1: 6 sc into the ring (6)\nR2: inc x6', '6 12'],
    [
      'Nut\nR1: ch 3, sl st to form a ring, ch 1, 6 sc into ring, sl st to join (6)\nR2: ch 1, 2 sc in each st, sl st to join (12)',
      '6 12',
    ],
    ['Nut\nR1: ch 1, 6 sc in ring (6), pull tight\nR2: inc x6 (12)', '6 12'],
    [
      'Hat\nR1: ch 2 (counts as hdc), 7 hdc in MR, join (8)\nR2: ch 2 (counts as first hdc), hdc in same st, 2 hdc in each remaining st, join (16)\nR3: ch 2 (counts as hdc), 2 hdc in next, (1 hdc, 2 hdc in next) x 7, join (24)',
      '8 16 24',
    ],
    [
      'Muzzle\nR1: ch 4, starting from second ch from hook 2 sc, 3 sc in last, turn, working on other side 1 sc, 2 sc in last (8)',
      '8',
    ],
    ['Muzzle\nR1: ch 5, sk 1 ch, 3 sc, 3 sc in the last ch, on the opposite side 2 sc, inc (10)', '10'],
    ['Bunny\n\n1. Head\nR1: 6 sc in MR (6)\n\n2. Ears – make 2\nR1: 5 sc in MR (5)', 'Head: 6 | Ears × 2: 5'],
    ['Bunny\n\n♥ HEAD ♥\nR1: 6 sc in MR (6)\n\n♥ EARS (x 2) ♥\nR1: 5 sc in MR (5)', 'HEAD: 6 | EARS × 2: 5'],
    [
      'Bunny\n\nHead:\nR1: 6 sc in MR (6)\nEars: (make two)\nR1: 5 sc in MR (5)\nTail: make 1\nR1: 4 sc in MR (4)',
      'Head: 6 | Ears × 2: 5 | Tail: 4',
    ],
    ['Bunny\n### Head ###\nR1: 6 sc in MR (6)\n### Ear ### (make 2)\nR1: 5 sc in MR (5)', 'Head: 6 | Ear × 2: 5'],
    ['Bunny\n***Head***\nR1: 6 sc in MR (6)\n***Ear*** x2\nR1: 5 sc in MR (5)', 'Head: 6 | Ear × 2: 5'],
    [
      'Dog\nBody\nR1: 6 sc in MR (6)\nLeft leg\nR1: 5 sc in MR (5)\nRight leg\nWork as left leg.',
      'Body: 6 | Left leg: 5 | Right leg: 5',
    ],
    [
      'Dog\nBody (make 1) in brown\nR1: 6 sc in MR (6)\n\nSpots (make 3: 2 small, 1 big)\nR1: 5 sc in MR (5)',
      'Body: 6 | Spots × 3: 5',
    ],
    [
      'Foot (make 2)\nR1: 6 sc in MR (6)\nR2: inc x6 (12)\nFasten off the first only.\n\nTrousers\nR1: from second foot, ch 4, sc in each of 12 sts of first foot, sc in 4 ch, sc in 12 sts of second foot, sc in other side of 4 ch (32)\nR2: sc around (32)',
      'Foot × 2: 6 12 | Trousers: 32 32',
    ],
    [
      'Cap\nR1: 8 sc in MR (8)\nR2: inc x8 (16)\nR3: BLO sc around (16)\nR4: sc around (16)\n\nBrim\nR1: join to front loops of R2, (sc, inc) x8 (24)',
      'Cap: 8 16 16 16 | Brim: 24',
    ],
    [
      'Square (make 2)\nRow 1: ch 7, 6 sc (6)\nRows 2-6: ch 1, turn, 6 sc (6)\n\nJoining\nHold both squares together and work through both layers: 6 sc along each side, 3 sc in each corner (36)',
      'Square × 2: 6 6 6 6 6 6 | Joining: 36',
    ],
    [
      'Chick\nR1: 6 sc in MR (6)\nR2: inc x6 (12)\n(place eyes between R2 and R3)\nR3: sc around (12) – stuff lightly\nR4: dec x6 (6), fasten off, leave long tail',
      '6 12 12 6',
    ],
    [
      'Chick\nR1: 6 sc in MR (6)\nR2: inc x6 (12)\n*** add eyes ***\nR3: sc around (12)\n!!! stuff !!!\nR4: dec x6 (6)',
      '6 12 12 6',
    ],
    [
      'Chick\nR1: 6 sc in MR (6)\nR2: inc x6 (12)\nNote: from here use the smaller hook.\nR3: sc around (12)\nTip: mark the first stitch.\nR4: dec x6 (6)',
      '6 12 12 6',
    ],
    ['Bird\nR1: X*6 in MR\nR2: V*6\nR3: (X*1,V*1)*6\nR4: X*18\nR5: (X*1,A*1)*6', '6 12 18 18 12'],
    ['Bird (x=sc, v=inc, a=dec)\n1: 6x in ring\n2: 6v\n3: (x,v) x 6\n4-5: 18x\n6: (x,a) x 6', '6 12 18 18 18 12'],
    ['Whale 🐳 x1\nR1\ufe0f\u20e3 6sc mr\nR2\ufe0f\u20e3 inc x6\nR3\ufe0f\u20e3 (sc inc) x6\nR4\ufe0f\u20e3 sc', '6 12 18 18'],
    ['whale\nround1: 6 sc mr, round2: 6 inc, round3: sc+inc x6, round4: sc', '6 12 18 18'],
    ['whale\nR1:6sc in mr(6)\nR2:6inc(12)\nR3:(1sc,1inc)*6(18)\nR4-R5:18sc', '6 12 18 18 18'],
    ['whale\n> R1: 6 sc in MR (6)\n>> R2: inc x6 (12)\n> _R3: sc (12)_', '6 12 12'],
    [
      'Panel (make 2)\nRow 1: ch 13, 12 sc (12)\nRows 2-12: ch 1, turn, 12 sc (12)\n\nBorder\nR1: 12 sc along the side, 3 sc in the corner, 12 sc along the side, 3 sc in the corner, 12 sc, 3 sc in corner, 12 sc, 3 sc in corner (60)',
      'Panel × 2: 12 12 12 12 12 12 12 12 12 12 12 12 | Border: 60',
    ],
    [BEGUN + 'R3: sc around (12)\nR4: sc around (12)\nR5: in the back loops of R3, sc around (12)', '6 12 12 12 12'],
    [
      'Star\nR1: 5 sc in MR (5)\nR2: inc x5 (10)\nR3: (ch 6, sl st in 2nd ch from hook, sc, hdc, dc, tr, sk 1, sl st in next st) x 5',
      '5 10 5',
    ],
    [
      'Leaf\nCh 8. Sl st in 2nd ch from hook, sc 2, hdc 2, sc 1, 3 sc in last ch. On the other side: sc 1, hdc 2, sc 2, sl st 1. (15)',
      '15',
    ],
    ['Carrot tops (make 3)\nch 12, sl st in 2nd ch from hook and in each ch back (11)', 'Carrot tops × 3: 11'],
    ['Hair\nCut 20 pieces of yarn, 15 cm each. Knot them in.\n\nHead\nR1: 6 sc in MR (6)', '6'],
    ['Mouse tail\nCh 15, fasten off', '15'],
    ['Snail\nR1: ch 31, 30 sc (30)\nR2: turn, ch 2, 2 hdc in each st (60)\nRoll up and sew.', '30 60'],
    ['Head\nR1: 6 sc in mc (6)\nR2: inc in each st (12)\nR3: (inc, 1) x 6 (18)\nR4: (inc, 2) x 6 (24)', '6 12 18 24'],
    ['Head\nR1: 6\nR2: 6 inc\nR3: (1, inc) x6 (18)\nR4: (2, inc) x6 (24)\nR5: 24', '6 12 18 24 24'],
    [
      BEGUN + 'R3: [sc in next st, inc in next st] rep 6x (18)\nR4: [sc in next 2 sts, inc in next st], rep 6 times total (24)',
      '6 12 18 24',
    ],
    [BEGUN + 'R3: 12 hdc. (12) Place marker.\nR4: hdc around. (12) FO.', '6 12 12 12'],
    [BEGUN + 'R3: sc in each st around, change colour in last st (12)\nR4: sc around with new colour (12)', '6 12 12 12'],
    [
      'Ball\nR1. 6sc in magic circle. (6)\nR2. 2sc in each. (12)\nR3. *1sc, 2sc in next* repeat. (18)\nR4. 1sc in each (18)\nR5. *1sc, sc2tog* repeat. (12)\nR6. sc2tog all round. (6)',
      '6 12 18 18 12 6',
    ],
    [
      'Ball\nRound 1 (right side): 6 sc in ring [6 sc]\nRound 2: 2 sc in each sc [12 sc]\nRound 3: [1 sc in next sc, 2 sc in next sc] 6 times [18 sc]',
      '6 12 18',
    ],
    [
      'Ball\n1st round: 6 sc in ring (6)\n2nd round: inc 6 (12)\n3rd - 5th rounds: sc (12)\n6th round: dec 6 (6)',
      '6 12 12 12 12 6',
    ],
  ])('%j', (text, expected) => {
    expect(comesTo(text)).toBe(expected);
    const { diagnostics } = checkPattern(read(text));
    expect(diagnostics.filter(({ severity }) => severity === 'error')).toEqual([]);
  });

  it.each([
    ['Row 12 is where I stopped for tea.', ['note-with-work']],
    ['The tail takes 5 sc or so, who knows.', ['note-with-work']],
    ['inc – increase (2 sc in one stitch)', []],
    ['16 sc and 18 rows are 10 cm.', []],
    ['Thank you for the 3 skeins!', []],
  ])('says of a note that sounds like work that it is kept as one: %s', (words, codes) => {
    const { diagnostics } = read(`Bean\n\n${words}\n\nBody\n${BEGUN}`);
    expect(diagnostics.map(({ code }) => code)).toEqual(codes);
  });

  it.each([
    ['Arm (make 0)\nR1: 6 sc in MR (6)', 'bad-copies'],
    ['Arm (make -2)\nR1: 6 sc in MR (6)', 'bad-copies'],
    ['Arm (make 999999999)\nR1: 6 sc in MR (6)', 'bad-copies'],
    ['R0: 6 sc in MR (6)', 'bad-count'],
    ['R1: join legs with ch 3, sc around', 'part-unknown'],
    ['Wing\nR1: 6 sc in MR\n\n'.repeat(400), 'too-many-parts'],
    [`Wing\nR1: 6 sc in MR\n${'Well.\n'.repeat(10_000)}`, 'too-many-lines'],
    [`Wing\nR1: 6 sc in MR\n${'sc around (6)\n'.repeat(5_100)}`, 'too-many-rounds'],
    ['R1: 6 sc in MR\nR2: (3 sc\nR3: 6 sc', 'unclosed'],
    [`R1: ${')'.repeat(5_000)}`, 'more-like-this'],
  ])('says what cannot be as it is: %#', (text, code) => {
    const { diagnostics } = read(text);
    expect(diagnostics.map((each) => each.code)).toContain(code);
    for (const each of diagnostics) expect(describeReading(each).length).toBeLessThan(400);
  });

  it.each([
    ['We start with the head.', 'head'],
    ['Let us begin with the head.', 'head'],
    ['Next up: the ears (make 2).', 'ears'],
    ['Then we make the tail.', 'tail'],
    ['Time for the arms!', 'arms'],
    ['On to the legs.', 'legs'],
    ['We start with black yarn.', 'Part 1'],
    ['We will work in a spiral.', 'Part 1'],
    ['We begin with a magic ring.', 'Part 1'],
    ['Time for a break!', 'Part 1'],
    ['Then we close the hole.', 'Part 1'],
  ])('finds the part that a sentence leads to: %s', (line, name) => {
    expect(read(`My bear\n\n${line}\n${BEGUN}`).pattern.parts.map((part) => part.name)).toEqual([name]);
  });

  it.each([
    ['dec until 6 remain', 'R3: sc around (12)\nR4: dec until 6 remain (6)', '6 12 12 6'],
    ['dec until few are left, without a total', 'R3: dec until 6 sts are left', '6 12 6'],
    [
      'rounds that do not follow each other',
      'Rounds 3, 5 and 7: sc around\nRounds 4 and 6: sc BLO around\nR8: dec x6',
      '6 12 12 12 12 12 12 6',
    ],
  ])('reads %s', (_, rounds, counts) => {
    const text = BEGUN + rounds;
    expect([comesTo(text), checkPattern(read(text)).diagnostics]).toEqual([counts, []]);
  });

  it.each([
    ['Leaf\nch 9, turn, 8 sc, ch 1, turn, 8 sc.', '8 8'],
    ['Flap\nch 5. sc 4, turn, ch 1, sc 4, turn, ch 1, sc 4.', '4 4 4'],
    ['Leaf\nRow 1: ch 9, turn, 8 sc (8), ch 1, turn, sc2tog, 4 sc, sc2tog (6)', '8 6'],
    ['Part,Round,Do,Stitches\nHead,1,6 sc in MR,6\n,2,inc x6,12\nArm (make 2),1,5 sc in MR,5', 'Head: 6 12 | Arm × 2: 5'],
    ['Part\tRound\tDo\tStitches\nHead\t1\t6 sc in MR\t6\nArm\t1\t5 sc in MR\t5\nArm\t2\tsc around\t5', 'Head: 6 | Arm: 5 5'],
  ])('tells rows of one sentence and parts of one table apart: %j', (text, counts) => {
    expect([comesTo(text), checkPattern(read(text)).diagnostics]).toEqual([counts, []]);
  });

  it('takes a number that is there twice for a slip, counts on from it, and offers the number it has', () => {
    const text = 'R1: 6 sc in MR\nR2: inc x6\nR3: (sc, inc) x6\nR3: sc around\nR4-5: sc around\nR6: (sc, dec) x6\nR6: dec x6';
    const { pattern, diagnostics } = read(text);
    expect(pattern.parts.map(({ lines }) => lines.map(({ first, last }) => [first, last]).join(' '))).toEqual([
      '1,1 2,2 3,3 4,4 5,6 7,7 8,8',
    ]);
    const fixed = diagnostics.map((each) => fixesOfReading(each)[0]!.edits[0]!);
    expect(fixed.map(({ from, to, insert }) => `${text.slice(from, to)} ${insert}`)).toEqual(['R3: R4:', 'R6: R8:']);
    // What begins anew at the same number is a part of its own.
    expect(read('R1: 6 sc in MR\nR2: 6 sc\nR2: ch 4\nR1: 6 sc in MR').pattern.parts).toHaveLength(3);
  });

  it('reads through marks that cannot be seen, and takes no word for a slip that means something itself', () => {
    for (const mark of ['\0', '\u200b', '\u202e', '\u2066', '\ufeff', '\u00ad'])
      expect(comesTo(`R${mark}1: 6 s${mark}c in MR (6)\n${mark}R2: inc x6${mark} (12)`)).toBe('6 12');
    for (const word of ['red', 'black', 'We', 'the', 'back', 'rose', 'side']) {
      const meant = read(`R1: 6 sc in ring\nR2: 5 sc ${word} zzz`).diagnostics.flatMap((each) =>
        each.code === 'unread' ? [each.meant] : [],
      );
      expect(meant.filter((each) => each !== null)).toEqual([]);
    }
  });

  it.each([
    'Shopping list\n\n2 balls of cotton\n1 hook, 3.5 mm\n6 buttons\nstuffing',
    'My top tips\n1. Count every round.\n2. Use a marker.\n3. Stuff as you go.\n4. Increase your breaks.\n5. Chain your projects, not too many at once.',
    'Abbreviations\n\nsc: single crochet\ninc: increase\nMR: magic ring\n(...) x 6: repeat 6 times',
    'The ring lay in the grass. He made a chain of daisies, 20 or so, and turned around.\nShe skipped 2 stones over the pond.',
    'I have finished 3 of the 8 arms.\n\nDec 12: sent it off.\nInc. postage 8.50.',
    'To do:\n[ ] body\n[x] arms (make 2)\n[ ] sew',
  ])('makes no pattern of what is none: %j', (text) => {
    expect(read(text).pattern.parts).toEqual([]);
  });

  it.each([
    ['R4: (2 sc, inc) x6 (25)\nR5: sc around (24)', [4]],
    ['R4: (2 sc, inc) x5 (24)\nR5: sc around (24)', [4]],
    ['R4: 2 sc, inc x6 (26)\nR5: sc around (24)', [4]],
    ['R4: sc (19)\nR5: sc (18)', [4]],
    ['R4-6: sc around (20)\nR7: (2 sc, inc) x6 (24)', [4, 5, 6]],
    ['R4: (2 sc, dec) x6 (12)', [4]],
    ['R4: 17 sc (18)\nR5: sc around (18)', [4]],
    ['R4: 8 sc, inc, 9 sc (18)\nR5: sc around (19)', [4]],
  ])('still finds the slip, and tells it once: %j', (rounds, bad) => {
    const { parts, diagnostics } = checkPattern(read(`${BEGUN}R3: (sc, inc) x6 (18)\n${rounds}`));
    expect(parts[0]!.rounds.flatMap(({ ok, number }) => (ok ? [] : [number]))).toEqual(bad);
    expect(diagnostics.filter(({ severity }) => severity === 'error')).toHaveLength(1);
  });
});
