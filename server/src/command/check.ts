import { check } from './check-pattern.js';
import { order, place } from './place-pattern.js';
import { design } from './design-pattern.js';
import { resize } from './resize-pattern.js';
import { shape } from './shape-pattern.js';

/** The command by the name it was begun under: others call it there. */
const USAGE = `Usage: lemniscus check FILE… [--json]    read patterns and count them
       lemniscus design --shape ball --across 60 [--tall 70] [--yarn 4] [--hook 3.5] [--stitch 5x4.8] [--json]
       lemniscus resize FILE --by 1.2 | --height MM | --grams G | --eyes MM [--part NAME]… [--yarn 4] [--hook 3.5] [--json]
                                      larger or smaller in the same yarn
       lemniscus shape FILE [--yarn 4] [--hook 3.5] [--stitch 5x4.8] [--json]
                                      what its parts become
       lemniscus place FILE [--json]  where everything goes that it places
       lemniscus order FILE [--json]  the steps of the make, in order
       lemniscus backup FILE          save everything as one .zip
       lemniscus restore FILE         take such a file in; twice is once
       lemniscus check-data           look whether the data is whole`;

async function run([command, ...rest]: readonly string[]): Promise<number> {
  const [file] = rest;
  if (command === 'check') return (await check(rest)) ?? misused();
  if (command === 'shape') return (await shape(rest)) ?? misused();
  if (command === 'design') return design(rest) ?? misused();
  if (command === 'resize') return (await resize(rest)) ?? misused();
  if (command === 'place') return (await place(rest)) ?? misused();
  if (command === 'order') return (await order(rest)) ?? misused();
  // The database is loaded only where there is something to keep: it takes longer than reading a pattern.
  if (command === 'backup' && file !== undefined && rest.length === 1) return (await keeping()).backup(file);
  if (command === 'restore' && file !== undefined && rest.length === 1) return (await keeping()).restore(file);
  if (command === 'check-data' && rest.length === 0) return (await keeping()).checkData();
  return misused();
}

const keeping = () => import('./keep-data.js');

function misused(): number {
  console.error(USAGE);
  return 2;
}

process.exitCode = await run(process.argv.slice(2));
