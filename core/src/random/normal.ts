/** Numbers of the standard normal distribution, from a source of numbers from 0 to below 1 (Box and Muller, from memory). */
export function normals(random: () => number): () => number {
  let spare: number | null = null;
  return () => {
    if (spare !== null) {
      const kept = spare;
      spare = null;
      return kept;
    }
    const length = Math.sqrt(-2 * Math.log(1 - random()));
    const turn = 2 * Math.PI * random();
    spare = length * Math.sin(turn);
    return length * Math.cos(turn);
  };
}
