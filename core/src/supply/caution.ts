import { constant } from '../constants/index.js';
import type { Thing } from '../notation/index.js';

/** Diameter of the cylinder that a part must not fit into for a child under three, mm (16 CFR 1501, ISO 8124-1, recalled). */
export const SMALL_PARTS_MM = constant('small parts');

/** Where in the work something can hurt someone. */
export type Risk = 'eyes' | 'small parts' | 'magnet' | 'cord' | 'closing' | 'glue' | 'hands' | 'giving';

const SAID: Readonly<Record<Risk, string>> = {
  eyes: 'The backs of safety eyes do not come off again, and the eyes are small parts: not for a child under three. A melted or glued post burns fingers and may weaken the eye.',
  'small parts': 'Small parts choke young children.',
  magnet: 'Magnets are dangerous when swallowed, two of them above all. Close them in twice, and keep them from children.',
  cord: 'A long cord or loop can strangle. Keep it short on anything a small child can reach.',
  closing: 'Hide ends well inside: a loose end is pulled out by small fingers.',
  glue: 'Hot glue burns and lets go in the wash. Sew what has to hold.',
  hands: 'Rest hands and wrists every half hour.',
  giving:
    'Toys that are sold or given to children fall under local toy-safety law. Lemniscus certifies nothing: have them tested.',
};

const FOR_UNDER_THREE: Readonly<Partial<Record<Risk, string>>> = {
  eyes: `For a child under three, embroider the eyes: what fits a cylinder ${SMALL_PARTS_MM} mm across can choke, and safety eyes do.`,
  'small parts': `For a child under three, leave this away or embroider it: what fits a cylinder ${SMALL_PARTS_MM} mm across can choke.`,
  magnet: 'For a child under three, leave magnets away.',
  cord: 'For a child under three, leave cords and loops away.',
};

/** The caution for a risk, in words. */
export function cautionOf(risk: Risk, underThree: boolean): string {
  return (underThree ? FOR_UNDER_THREE[risk] : undefined) ?? SAID[risk];
}

const RISKS: Readonly<Partial<Record<Thing, Risk>>> = {
  ring: 'small parts',
  button: 'small parts',
  bead: 'small parts',
  bell: 'small parts',
  wire: 'small parts',
  magnet: 'magnet',
  cord: 'cord',
};

/** What is risky about a thing; null when nothing is. */
export function riskOf(thing: Thing): Risk | null {
  return RISKS[thing] ?? null;
}
