import { fileURLToPath } from 'node:url';
import { appendEvents } from './append-events.js';
import { firstLoad } from './first-load.js';
import { table, type Result } from './measure.js';
import { readPattern } from './read-pattern.js';

const root = fileURLToPath(new URL('../..', import.meta.url));
const results: Result[] = [...(await readPattern(root)), await appendEvents(), ...(await firstLoad(root))];
console.log(`\n${table(results)}\n\nRatios travel between machines; the times do not.`);
process.exit(0);
