import { fileURLToPath } from 'node:url';
import { appendEvents } from './append-events.js';
import { assemble } from './assemble.js';
import { design } from './design.js';
import { dragSlider } from './drag-slider.js';
import { firstLoad } from './first-load.js';
import { knowHow } from './know-how.js';
import { manyEvents } from './many-events.js';
import { table, type Result } from './measure.js';
import { openFiles } from './open-files.js';
import { planAhead } from './plan-ahead.js';
import { productionBuild } from './production-build.js';
import { readPattern } from './read-pattern.js';
import { relaxShape } from './relax-shape.js';
import { tapToPaint } from './tap-to-paint.js';
import { turnFigure } from './turn-figure.js';

const BENCHES: Readonly<Record<string, (root: string) => Promise<Result[]>>> = {
  'production-build': productionBuild,
  'read-pattern': readPattern,
  'relax-shape': relaxShape,
  'append-events': appendEvents,
  'many-events': manyEvents,
  'first-load': firstLoad,
  'drag-slider': dragSlider,
  'tap-to-paint': tapToPaint,
  'turn-figure': turnFigure,
  assemble,
  'plan-ahead': planAhead,
  'open-files': openFiles,
  'know-how': knowHow,
  design,
};

const root = fileURLToPath(new URL('../..', import.meta.url));
const asked = process.argv.slice(2);
const results: Result[] = [];
for (const [name, bench] of Object.entries(BENCHES))
  if (asked.length === 0 || asked.includes(name)) results.push(...(await bench(root)));
console.log(`\n${table(results)}\n\nRatios travel between machines; the times do not.`);
process.exit(0);
