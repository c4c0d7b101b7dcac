/** Talks of invented makers with other habits than one another, and how many stitches the rounds they work have. */
export interface ToldTalk {
  readonly habit: string;
  readonly text: string;
  readonly title: string;
  readonly parts: readonly { readonly name: string; readonly copies: number; readonly makes: readonly number[] }[];
}

/** Lines that begin with a time, four seconds each. */
function timed(text: string): string {
  const words = text.trim().split(/\s+/);
  const lines: string[] = [];
  for (let i = 0; i < words.length; i += 9) {
    const seconds = (i / 9) * 4;
    lines.push(`[${Math.floor(seconds / 60)}:${String(seconds % 60).padStart(2, '0')}] ${words.slice(i, i + 9).join(' ')}`);
  }
  return lines.join('\n');
}

export const TOLD_TALKS: readonly ToldTalk[] = [
  {
    habit: 'numbered, with totals, written by a careful hand',
    title: 'Mushroom',
    parts: [
      { name: 'Cap', copies: 1, makes: [6, 12, 18, 24, 30, 30, 30, 30, 30, 24] },
      { name: 'Stem', copies: 1, makes: [6, 12, 12, 12, 12, 12, 12, 12] },
    ],
    text: timed(`
      Hi everyone and welcome back. In today's video I'm going to show you how to make this little mushroom. You will need
      a 3.5 millimeter hook, some red yarn, some white yarn and a pair of 6 millimeter safety eyes. We're going to start
      with the cap. Round 1: I'm going to make 6 single crochet stitches into my magic circle. And then pull that closed.
      Round 2: 2 single crochet in each stitch around for a total of 12 stitches. Round 3: single crochet in the first
      stitch, increase in the next stitch. Repeat this pattern around. You will have 18 stitches at the end of round 3.
      Round 4: single crochet in the next 2 stitches, then increase in the third. Repeat that six times for 24 stitches.
      Round 5, single crochet in the next three stitches and increase. Repeat all the way around, 30 stitches. For rounds 6
      to 9, you're just going to work one single crochet into every stitch without increasing. So that's 30 stitches for
      each of those rounds. Then for round 10 we'll do a single crochet in the next three stitches followed by an invisible
      decrease, repeat around, and that leaves you with 24. Fasten off and leave a long tail. Next up is the stem. With the
      white yarn, start with a magic circle with six single crochets. Round 2, increase in each stitch. 12 stitches total.
      Rounds three through eight, single crochet in each stitch around. Place the safety eyes between rounds 5 and 6 with 3
      stitches in between. Stuff the stem and fasten off. Sew the cap to the stem. Thanks for watching and see you in the
      next one.
    `),
  },
  {
    habit: 'no numbers, "two increase, two increase"',
    title: 'Baby whale',
    parts: [
      { name: 'Baby whale', copies: 1, makes: [6, 12, 18, 24, 30, 36, 42, 42, 42, 42, 42, 42, 42, 42, 36, 30, 24, 18, 12, 6] },
      { name: 'Fins', copies: 2, makes: [5, 10, 10] },
      { name: 'Tail', copies: 1, makes: [4, 8, 8, 8] },
    ],
    text: timed(`
      okay so hey guys welcome back to my channel today we're gonna be making this really cute baby whale um so you're
      gonna wanna grab your blue yarn and you're gonna start with a magic ring and you're gonna do six single crochets into
      the ring one two three four five six and then you're gonna pull it tight okay for round two you're going to do an
      increase in every single stitch so that's two single crochets in each stitch and at the end of that you should have
      12 then we're going to go one increase one increase one increase all the way around and you should end up with 18
      next we're gonna do two increase two increase all the way around and that'll give you 24 then three increase three
      increase all the way around 30 then four and an increase all the way around for 36 and then five and an increase and
      that will give you 42 stitches okay so now we are just gonna single crochet around for seven rounds so you're just
      gonna put one single crochet in each stitch and you're gonna do that for seven rounds alright i'm back so i've done
      my seven rounds now we're going to start decreasing so we're gonna do five single crochets and then a decrease and
      we're going to repeat that all the way around so you should have 36 then four and a decrease and you'll have 30 then
      three and a decrease 24 now's a good time to put your eyes in i put mine between rounds 10 and 11 with about 8
      stitches between and start stuffing then two and a decrease all the way around 18 then one and a decrease 12 and then
      just decrease all the way around and you'll have six cut your yarn and sew it closed okay so now for the fins you're
      gonna need two of these magic ring five single crochets in the ring then increase in each one so you have ten then
      just one round of single crochet and then fold it in half and fasten off leaving a tail for sewing and make a second
      one and then the tail so for the tail we chain 2 and put four single crochet into the second chain from the hook then
      increase in each so eight then single crochet in each around for two rounds okay that's it
    `),
  },
  {
    habit: 'abbreviations without a word between, a staggered round',
    title: 'Talk',
    parts: [{ name: 'Talk', copies: 1, makes: [6, 12, 18, 24, 30, 30, 30, 30, 30, 24, 18, 12, 6] }],
    text: timed(`
      okay so round one six single crochet in a magic ring round two six increases that's twelve round three sc inc times
      six eighteen round four two sc inc times six twenty four round five is a bit different so we stagger it one sc inc
      then three sc inc five times and then two sc that's thirty round six through nine sc all around thirty round ten
      three sc dec times six twenty four round eleven two sc dec times six eighteen round twelve sc dec times six so twelve
      round thirteen six decreases and you get six
    `),
  },
  {
    habit: '"increase every third stitch", "together every fourth and fifth"',
    title: 'Body of the bunny',
    parts: [
      { name: 'Body', copies: 1, makes: [6, 12, 18, 24, 30, 30, 30, 30, 30, 30, 30, 24, 18, 12, 6] },
      { name: 'Ears', copies: 2, makes: [6, 9, 9, 9, 9, 9, 9, 9] },
    ],
    text: timed(`
      So this is the body of the bunny. And we'll start by making a magic ring and putting 6 single crochets in there. Okay
      and in the second round, we'll increase each stitch, so that we have 12 stitches in total. In the third round, we'll
      increase every second stitch, so we'll have 18 in total. Fourth round, increase every third stitch. 24 stitches. And
      in the fifth round we increase every fourth stitch, and that's 30 stitches. Then from round 6 to round 11 we crochet
      one single crochet into each stitch, that's 6 rounds. In round 12 we crochet together every 4th and 5th stitch, so we
      have 24 stitches left. In the 13th round we crochet every third and fourth stitch together. That's 18 stitches. And
      then we fill it up with stuffing. In round 14 we decrease every second and third stitch, and have 12 stitches. And
      round 15, always crochet two stitches together, so that there are only 6 stitches left. Cut the yarn. Now we come to
      the ears. We need two of them. In round 1, we crochet 6 single crochets into a magic ring. In round 2 we increase
      every second stitch, 9 stitches. Rounds 3 to 8, one single crochet in each stitch.
    `),
  },
  {
    habit: '"followed by", "times six", an oval',
    title: 'Strawberry cow',
    parts: [
      { name: 'Head', copies: 1, makes: [6, 12, 18, 24, 30, 30, 30, 30, 30, 30, 24, 18, 12] },
      { name: 'Ears', copies: 2, makes: [6, 9, 9, 9] },
      { name: 'Horns', copies: 2, makes: [4, 4, 4] },
      { name: 'Muzzle', copies: 1, makes: [10, 16] },
    ],
    text: timed(`
      hello and welcome to my channel my name is not important and today we are making a strawberry cow for the head with
      your pink yarn we are going to do six single crochet into a magic circle second round we are going to do six
      increases for twelve stitches third round is one single crochet followed by an increase and you will repeat this six
      times for a total of eighteen stitches fourth round is two single crochet followed by an increase times six for a
      total of twenty four stitches fifth round is three single crochet followed by an increase times six total of thirty
      stitches rounds six to ten are thirty single crochet round eleven is three single crochet followed by a decrease
      times six for twenty four insert the eyes between round seven and eight with six stitches between them round twelve
      is two single crochet followed by a decrease times six for eighteen stitches round thirteen is one single crochet
      followed by a decrease times six for twelve stitches fasten off the ears you will need two of these six single
      crochet in a magic circle then single crochet and increase three times for nine then two rounds of nine fold in half
      and single crochet across through both layers the horns make two in white yarn four single crochet in a magic ring
      and then two rounds of four the muzzle starts with a chain of five in the second chain from the hook single crochet
      three then three single crochet in the last chain now working on the other side of the chain two single crochet and
      then an increase in the last one for ten stitches then round two is increase two single crochet increase three times
      two single crochet and increase two times this will give you sixteen stitches
    `),
  },
  {
    habit: '"single crochet 2, increase", "your count here is"',
    title: 'Talk',
    parts: [{ name: 'Talk', copies: 1, makes: [8, 16, 24, 32, 32, 32, 32, 32, 24, 16, 8] }],
    text: timed(`
      So, row one. Magic circle with 8 single crochet inside of it. Row two, increase all the way around, so you'll end up
      with 16 stitches. Row 3 is gonna be single crochet, increase, single crochet, increase all the way around for 24
      stitches. Row 4, single crochet 2, increase. Single crochet 2, increase. For 32. Rows 5, 6, 7 and 8 are just going to
      be single crochet all the way around. 32 stitches on each of those rows. Row 9. Single crochet 2, decrease, repeat
      until the end of the row. Your count here is 24. Row 10, single crochet 1, decrease, repeat. Your stitch count is 16.
      Then in row 11 decrease eight times. Your stitch count should be eight. Stuff your piece firmly and fasten off
      leaving a long tail.
    `),
  },
  {
    habit: 'one decrease in a round',
    title: 'Arms',
    parts: [{ name: 'Arms', copies: 2, makes: [5, 10, 10, 10, 10, 10, 9, 9, 9, 9, 9, 9, 9, 8] }],
    text: timed(`
      [Music] we made it to the arms and the arms are worked in grey so magic ring five single crochet okay then increase
      increase increase increase increase and that's ten and for the next four rounds i'm just going to put one in each so
      ten ten ten and ten then i'm gonna decrease once so decrease and then single crochet in the remaining eight so now i
      have nine and then nine around for six rounds and on the last round i do three single crochet decrease four single
      crochet so eight do not stuff the top just the bottom and now go ahead and make your second arm
    `),
  },
  {
    habit: 'UK terms, lines with times and a heading of their own',
    title: 'Turtle with me',
    parts: [
      { name: 'Shell', copies: 1, makes: [6, 12, 18, 24, 30, 30, 30] },
      { name: 'Head', copies: 1, makes: [6, 12, 18, 18, 18, 18, 12] },
      { name: 'Legs', copies: 4, makes: [5, 10, 10, 10] },
    ],
    text: `Turtle with me
[0:04] Right then, let's crack on with a turtle. We're in UK terms today so that's double crochet, my loves.
[0:12] The shell first in brown. Into a magic ring, six double crochet. Slip stitch? No, we're working in a spiral, no joining.
[0:22] Round two, two double crochet into each stitch. Twelve.
[0:28] Round three, one double crochet, then two double crochet in the next stitch, and repeat from there to the end. Eighteen stitches.
[0:39] Round four, double crochet in the next two, increase. Six times altogether. Twenty-four.
[0:47] Round five: three and an increase, six times. Thirty.
[0:54] Rounds six and seven, one double crochet in each stitch around, thirty each.
[1:02] That's the shell done. Leave it open, don't fasten off yet.
[1:07] Now the head, in green. Six double crochet in a ring again. Then twelve, two in each. Then one and an increase around, eighteen.
[1:19] Then three rounds straight. Then one, decrease, one, decrease, all the way round, twelve left.
[1:29] Stuff it lightly. Fasten off.
[1:33] The legs, make four. Five in the ring, then increase in every stitch, ten, then two rounds of plain double crochet. Done.`,
  },
  {
    habit: '"to get from 8 to 16", "one single crochet one increase"',
    title: 'Pumpkin',
    parts: [
      { name: 'Pumpkin', copies: 1, makes: [8, 16, 24, 32, 32, 32, 32, 24, 16, 8] },
      { name: 'Stem', copies: 1, makes: [5] },
    ],
    text: timed(`
      hi friends so today it's a tiny pumpkin and um i've got my orange here and a 3 millimeter hook we're gonna start off
      with our magic circle and we're gonna put 8 single crochets in there okay so that's 8 so to get from 8 to 16 we're
      just going to increase in every stitch so now we're at 16 and then to get to 24 we do one single crochet and one
      increase all the way around now i'm at 24 and we need to get to 32 so two single crochet one increase two single
      crochet one increase that's 32 stitches okay we stay at 32 for a bit so rounds five six and seven are just single
      crochet around no increases no decreases just 32 alright round eight is the start of our decreases so two single
      crochet and one decrease and you're going to do that eight times and you'll be back down to 24 round nine one single
      crochet one decrease eight times and we're at 16 stuff it now round ten is eight decreases so you have 8 left and
      fasten off then the stem is brown chain 6 and in the second chain from the hook single crochet in each chain so
      that's 5 and fasten off
    `),
  },
  {
    habit: 'the second of two videos; single increases, "in the rest"',
    title: 'Talk',
    parts: [
      { name: 'Arms', copies: 2, makes: [5, 7, 7, 7, 7, 7, 7, 7, 6] },
      { name: 'Tail', copies: 1, makes: [4, 5, 5, 5, 5, 5, 5, 7] },
    ],
    text: timed(`
      good morning, this is the second part, so if you missed the body go and find part one. we're doing the arms today.
      arms, grey yarn. five double crochet into a magic loop, and i'm using uk terms as always. round two, one double
      crochet, two in the next, one, two in the next, and one in the last. that's seven. rounds three to eight, one double
      crochet in each, seven, seven, seven. round nine, decrease, then double crochet in the rest. six. don't stuff them.
      fasten off, and make another. the tail. magic loop, four double crochet. then increase in the first, double crochet
      in the other three, five. then five more rounds of five. and then increase in the next two, double crochet in the
      last three, seven. and fasten off.
    `),
  },
  {
    habit: '"the same thing but with two"',
    title: 'Talk',
    parts: [{ name: 'Talk', copies: 1, makes: [6, 12, 18, 24, 30, 36, 36, 36, 36, 36, 36, 30, 30, 30, 24, 18, 12, 6] }],
    text: timed(`
      round one is six single crochet in a magic ring round two is six increases so twelve stitches round three is one
      single crochet one increase repeated six times so eighteen round four you're going to do the same thing but with two
      single crochets between the increases so two single crochet one increase twenty four round five three single crochet
      one increase thirty round six four single crochet one increase thirty six round seven is thirty six single crochet in
      the back loops only round eight through eleven are thirty six single crochet round twelve four single crochet one
      decrease repeat six times thirty repeat round eleven for two rounds so thirty single crochet round fifteen three
      single crochet one decrease so twenty four round sixteen two single crochet one decrease eighteen fill it with
      stuffing round seventeen one single crochet one decrease twelve round eighteen six decreases cut the yarn
    `),
  },
  {
    habit: 'an oval, decreases side by side',
    title: 'Boot',
    parts: [{ name: 'Boot', copies: 2, makes: [14, 20, 20, 20, 20, 20, 16, 12, 12, 12, 12, 12, 12] }],
    text: timed(`
      [Music] okay everybody so um this one is the little boot and i did this one off camera first so i know it works we
      chain seven one two three four five six seven then going into the second chain from the hook we do five single
      crochet and three single crochet in the last chain turn it around and on the other side four single crochet and two
      in the last one so that's fourteen then round two increase four single crochet three increases four single crochet
      two increases that's twenty then round three in the back loop only one in each twenty round four through six single
      crochet around twenty round seven six single crochet four decreases six single crochet so that's sixteen round eight
      four single crochet four decreases four single crochet twelve and then i just did five rounds of twelve and fastened
      off that's the boot make two
    `),
  },
  {
    habit: 'stripes, "2 sc dec six times"',
    title: 'Talk',
    parts: [
      { name: 'Talk', copies: 1, makes: [6, 12, 18, 18, 24, 24, 24, 18, 18, 12, 6] },
      { name: 'Wings', copies: 2, makes: [7] },
    ],
    text: timed(`
      hello my lovelies today i want to show you this little bee keychain and you only need a bit of yellow and black so
      row one is 6 sc in a magic circle and row two is an inc in each so 12 row three is sc inc sc inc all the way around
      so that makes 18 now change to black and row four is just sc 18 then yellow and row five is 2 sc inc six times 24 row
      six in black sc all the way around 24 row seven yellow the same again 24 row eight black 2 sc dec six times 18 row
      nine yellow just 18 sc put the eyes in between row two and three about four stitches apart row ten black sc dec six
      times 12 and then stuff it row eleven yellow dec six times 6 and close it up the wings make two in white magic circle
      with 7 sc slip stitch pull it closed that's it
    `),
  },
  {
    habit: 'stitches without a name, into a loop',
    title: 'Gnome',
    parts: [{ name: 'Hat', copies: 1, makes: [4, 6, 8, 10, 12, 14, 16, 18, 24, 30, 30, 30, 30, 30] }],
    text: timed(`
      okay so this is our gnome and we start with the hat on the top and we work down make your loop and into that loop we
      put four single crochet round two we have one stitch one increase one stitch one increase so six round three two
      stitches one increase two stitches one increase eight round four three stitches and an increase twice ten round five
      four stitches and an increase twice twelve round six five and an increase twice fourteen round seven six and an
      increase fourteen becomes sixteen round eight seven and an increase that's eighteen round nine is two stitches one
      increase all the way six times and you get twenty four round ten three stitches one increase thirty round eleven
      front loops only one in each thirty round twelve to fourteen one in each stitch thirty fasten off
    `),
  },
  {
    habit: 'begins in the middle, four increases side by side',
    title: 'Head',
    parts: [{ name: 'Head', copies: 1, makes: [18, 24, 24, 24, 24, 24, 24, 24, 32, 32, 32, 32, 28, 24, 20, 16, 12, 8] }],
    text: timed(`
      And then we get to the body. So, as I said, you leave the yarn on from the head and you don't cut it. We ended the
      head on 12 stitches. Round 15. One stitch, increase, all round, 18. Round 16. Two stitches, increase, all round. You
      have 24. Round 17 to 22. One in each stitch, always 24. Round 23. 8 stitches, 4 increases, 8 stitches, 4 increases.
      32. Round 24 to 26, no increase, no decrease, 32. Round 27, six stitches, decrease, 4 times, 28. Round 28. Five
      stitches, decrease, four times. 24. Round 29, 4 stitches decrease, 20. Round 30, 3 stitches, decrease, 16. Fill it
      well. Round 31, two stitches, decrease, 12, and round 32, one stitch decrease, so 8. Cut the thread and sew it
      together.
    `),
  },
  {
    habit: '"one one two", "every fourth and fifth together"',
    title: 'Talk',
    parts: [
      { name: 'Talk', copies: 1, makes: [8, 16, 24, 32, 40, 40, 40, 40, 40, 32, 24] },
      { name: 'Stalk', copies: 1, makes: [6, 12, 12, 12, 12, 12, 12, 12, 12] },
    ],
    text: timed(`
      so um the mushroom top so we have red and we do um a magic circle and then we do eight single crochet in that and
      then we do um the next round is gonna be two in each so sixteen and then we do one two one two so one in the first
      two in the second and that's gonna be twenty four and then the next round is one one two one one two and that's
      thirty two and then one one one two so thirty two plus eight is forty okay so after that we do one in each for three
      rounds and then we do back loops only one in each and then we go decrease every fourth and fifth together so thirty
      two and then the next one is two and a decrease twenty four and we end it there and leave a long tail so the stalk is
      white and it's six in a circle and then two in each twelve and then one in each for seven rounds and stuff it and we
      are done
    `),
  },
  {
    habit: 'rounds called R',
    title: 'Talk',
    parts: [
      { name: 'Snout', copies: 1, makes: [5, 10, 10, 10] },
      { name: 'Head', copies: 1, makes: [6, 12, 18, 24, 30, 30, 30, 30, 30, 30, 30, 24, 18, 12, 6] },
      { name: 'Ears', copies: 2, makes: [4, 6, 8, 10, 10] },
    ],
    text: timed(`
      Hi, I'm going to walk you through the fox today. For the snout with white: R1, 5 sc into a magic ring. R2, increase
      in each, ten. R3 to R4, ten sc. Fasten off. Now the head in orange. R1: magic ring, 6 sc. R2: 6 inc, 12. R3: 1 sc,
      inc, times 6, 18. R4: 2 sc, inc, times 6, 24. R5: 3 sc, inc, times 6, 30. R6 to R11: 30 sc each. R12: 3 sc, dec,
      times 6, 24. R13, 2 sc, dec, times 6, 18. R14, 1 sc, dec, times 6, 12, and stuff. R15: 6 dec, 6. Close. Ears, two:
      R1, 4 sc in a magic ring. R2, 1 sc, inc, twice, 6. R3, 2 sc, inc, twice, 8. R4 3 sc inc twice 10. R5, 10 sc. Fasten
      off and leave a tail.
    `),
  },
];
