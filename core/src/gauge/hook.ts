/** Hooks as they are sold, mm (common practice). */
export const HOOKS: readonly number[] = [
  1, 1.25, 1.5, 1.75, 2, 2.25, 2.5, 2.75, 3, 3.25, 3.5, 3.75, 4, 4.25, 4.5, 5, 5.5, 6, 6.5, 7, 8, 9, 10, 12, 15, 20, 25,
];

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

/** Old UK hook numbers by size in mm (from memory). */
const OLD_UK_HOOKS: readonly { readonly mm: number; readonly name: string }[] = [
  { mm: 2, name: '14' },
  { mm: 2.25, name: '13' },
  { mm: 2.5, name: '12' },
  { mm: 3, name: '11' },
  { mm: 3.25, name: '10' },
  { mm: 3.5, name: '9' },
  { mm: 4, name: '8' },
  { mm: 4.5, name: '7' },
  { mm: 5, name: '6' },
  { mm: 5.5, name: '5' },
  { mm: 6, name: '4' },
  { mm: 6.5, name: '3' },
  { mm: 7, name: '2' },
  { mm: 8, name: '0' },
  { mm: 9, name: '00' },
  { mm: 10, name: '000' },
];

type Names = readonly { readonly mm: number; readonly name: string }[];

const named = (names: Names, mm: number): string | null => names.find((hook) => Math.abs(hook.mm - mm) < 0.005)?.name ?? null;

/** The US name of a hook of exactly this size, or null where the table has none. */
export function usHookName(mm: number): string | null {
  return named(US_HOOKS, mm);
}

export interface HookNames {
  readonly us: string | null;
  readonly oldUk: string | null;
  /** What the names do not agree on at this size; null where they do. */
  readonly doubt: string | null;
}

/** Every name of a hook of exactly this size. */
export function hookNames(mm: number): HookNames {
  const between = mm > 3.995 && mm < 4.255;
  return {
    us: usHookName(mm),
    oldUk: named(OLD_UK_HOOKS, mm),
    doubt: between ? 'Hooks of 4 and of 4.25 mm are both sold as US G, and some call 4.25 old UK 7. Millimetres decide.' : null,
  };
}
