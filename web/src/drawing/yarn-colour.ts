/** How a yarn is painted: its fill, the darker line around its strands, and a lighter line where dark yarn lies on a dark table. */
export interface YarnPaint {
  readonly fill: string;
  readonly edge: string;
  readonly eveningEdge?: string;
}

const UNDYED: YarnPaint = { fill: '#e6dcc6', edge: '#9a8e74' };

/** Common colour words of patterns. */
const PAINTS: Readonly<Record<string, YarnPaint>> = {
  black: { fill: '#39434d', edge: '#11181e', eveningEdge: '#8d9aa5' },
  white: { fill: '#f7f2e6', edge: '#a39b8a' },
  cream: { fill: '#efe3c4', edge: '#a8966a' },
  grey: { fill: '#9aa3a8', edge: '#566067' },
  gray: { fill: '#9aa3a8', edge: '#566067' },
  silver: { fill: '#b9c0c4', edge: '#727b81' },
  red: { fill: '#b8443a', edge: '#6f211b' },
  orange: { fill: '#d97b2b', edge: '#8a4710' },
  yellow: { fill: '#e5bf4b', edge: '#957413' },
  gold: { fill: '#d2a63c', edge: '#83621a' },
  green: { fill: '#5d8f5a', edge: '#2c5430' },
  teal: { fill: '#3f8f8c', edge: '#1c5351' },
  turquoise: { fill: '#5bb3b0', edge: '#286b69' },
  blue: { fill: '#4b79a8', edge: '#234468' },
  navy: { fill: '#2f4566', edge: '#14233a', eveningEdge: '#7f97bd' },
  purple: { fill: '#7d5f9b', edge: '#47305f', eveningEdge: '#ab91c7' },
  lilac: { fill: '#b29fc9', edge: '#6d5888' },
  pink: { fill: '#dc94a4', edge: '#934d5f' },
  brown: { fill: '#87624a', edge: '#4a3121', eveningEdge: '#bb9479' },
  beige: { fill: '#d5c1a0', edge: '#8c7650' },
  tan: { fill: '#c4a378', edge: '#7c6036' },
};

/** The paint for a colour as a pattern names it ("dark red", "Sea green"); undyed for words it does not know. */
export function yarnPaint(name: string): YarnPaint {
  const words = name.toLowerCase().split(' ');
  const known = words.findLast((word) => word in PAINTS);
  return known ? PAINTS[known]! : UNDYED;
}

/** The line around a yarn as a CSS colour that suits day and evening. */
export function yarnEdge({ edge, eveningEdge }: YarnPaint): string {
  return eveningEdge ? `light-dark(${edge}, ${eveningEdge})` : edge;
}
