import { fileURLToPath } from 'node:url';
import { appendEvents } from './append-events.js';
import { dragSlider } from './drag-slider.js';
import { firstLoad } from './first-load.js';
import { manyEvents } from './many-events.js';
import { table, type Result } from './measure.js';
import { readPattern } from './read-pattern.js';
import { tapToPaint } from './tap-to-paint.js';

const root = fileURLToPath(new URL('../..', import.meta.url));
const results: Result[] = [
  ...(await readPattern(root)),
  await appendEvents(),
  ...(await manyEvents()),
  ...(await firstLoad(root)),
  ...(await dragSlider(root)),
  ...(await tapToPaint(root)),
];
console.log(`\n${table(results)}\n\nRatios travel between machines; the times do not.`);
process.exit(0);
