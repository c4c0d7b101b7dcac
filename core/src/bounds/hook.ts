/** Smallest and largest hook the gauge works with, mm. */
export const HOOK_RANGE = { min: 0.5, max: 30 } as const;
