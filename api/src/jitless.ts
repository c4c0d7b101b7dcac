import { config } from 'zod';

// Our page allows no code made from text. Zod would find that out by an error at its first schema, and the browser would
// read all scripts once more to say where: a twentieth of a second at every start.
if ('document' in globalThis) config({ jitless: true });
