/** What of reading the work is practised. */
export const TASK_KINDS = [
  'stitches',
  'rounds',
  'marker',
  'increases',
  'hidden',
  'side',
  'loop',
  'apart',
  'slip',
  'shape',
  'start',
] as const;
export type TaskKind = (typeof TASK_KINDS)[number];
