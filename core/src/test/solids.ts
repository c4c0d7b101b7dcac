/** A ball of rounds that grow by six to `most`, so many more of that, and back; each run's changes after all its plain stitches, or after so many as `place` says. */
export function ballText(
  most: number,
  straight: number,
  place: (plain: number, round: number) => number = (plain) => plain,
): string {
  const lines = ['## Ball', 'R1: 6 sc in ring', 'R2: inc x 6'];
  const sixths = most / 6;
  /** Six changes with `plain` before each, the first after `first` of them. */
  const changing = (change: string, plain: number, first: number): string => {
    const repeat = (times: number): string => (plain > 0 ? `(${plain} sc, ${change}) x ${times}` : `${change} x ${times}`);
    const before = Math.max(0, Math.min(plain, first));
    if (before === plain) return repeat(6);
    return `${before > 0 ? `${before} sc, ` : ''}${change}, ${repeat(5)}, ${plain - before} sc`;
  };
  let round = 3;
  for (let plain = 1; plain < sixths - 1; plain++, round++)
    lines.push(`R${round}: ${changing('inc', plain, place(plain, round))}`);
  lines.push(`R${round}-R${round + straight - 1}: sc around`);
  round += straight;
  for (let plain = sixths - 2; plain >= 0; plain--, round++)
    lines.push(`R${round}: ${changing('dec', plain, place(plain, round))}`);
  return lines.join('\n');
}

/** A disc of rounds that grow by so many, unstuffed. */
export function discText(grow: number, rounds: number): string {
  const lines = ['## Disc', `R1: ${grow} sc in ring`, `R2: inc x ${grow}`];
  for (let round = 3; round <= rounds; round++) lines.push(`R${round}: (${round - 2} sc, inc) x ${grow}`);
  return [...lines, 'Do not stuff.'].join('\n');
}
