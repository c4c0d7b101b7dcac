/** Smallest and largest hook the gauge works with, mm. */
export const HOOK_RANGE = { min: 0.5, max: 30 } as const;

/** US hook names by size in mm (Craft Yarn Council's hook table, recalled). Letters differ between makers; millimetres decide. */
export const US_HOOKS: readonly { readonly mm: number; readonly name: string }[] = [
  { mm: 2.25, name: 'B' },
  { mm: 2.75, name: 'C' },
  { mm: 3.25, name: 'D' },
  { mm: 3.5, name: 'E' },
  { mm: 3.75, name: 'F' },
  { mm: 4, name: 'G' },
  { mm: 4.5, name: '7' },
  { mm: 5, name: 'H' },
  { mm: 5.5, name: 'I' },
  { mm: 6, name: 'J' },
  { mm: 6.5, name: 'K' },
  { mm: 8, name: 'L' },
  { mm: 9, name: 'M/N' },
  { mm: 10, name: 'N/P' },
];

/** The US name of a hook of exactly this size, or null where the table has none. */
export function usHookName(mm: number): string | null {
  return US_HOOKS.find((hook) => Math.abs(hook.mm - mm) < 0.005)?.name ?? null;
}
