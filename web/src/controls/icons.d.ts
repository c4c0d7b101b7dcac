/** One icon of the package, read by itself: the package's index is too large to be compiled for a handful of icons. */
declare module 'lucide/dist/esm/icons/*.mjs' {
  const shapes: [tag: string, attributes: Record<string, string | number>][];
  export default shapes;
}
