import * as z from 'zod';

/** Another device that was let in; times in ms since 1970. */
export const Device = z.object({ id: z.uuid(), name: z.string(), pairedAt: z.int(), seenAt: z.int() });
export type Device = z.infer<typeof Device>;

/** How other devices in the house get here, as this machine is told; `open` is null when they cannot. */
export const Home = z.object({
  open: z
    .object({
      /** "https://192.168.1.20:4601", one an address of this machine. */
      addresses: z.array(z.string()),
      code: z.string(),
      until: z.int(),
      /** Of the authority, to be compared on both devices. */
      fingerprint: z.string(),
    })
    .nullable(),
  devices: z.array(Device),
});
export type Home = z.infer<typeof Home>;

/** What a device says to be let in. */
export const Knock = z.object({
  code: z.string().regex(/^\d{6}$/, 'The code has six digits.'),
  name: z.string().trim().min(1, 'Give this device a name.').max(60, 'At most 60 characters.'),
});
export type Knock = z.infer<typeof Knock>;
