import type { MigrationObject } from '@mikro-orm/core';
import { MakesAndEvents } from './0001-makes-and-events.js';
import { Revisions } from './0002-revisions.js';
import { Basket } from './0003-basket.js';
import { KindsOfEvents } from './0004-kinds-of-events.js';
import { PlacesInLines } from './0005-places-in-lines.js';
import { Shelf } from './0006-shelf.js';
import { Devices } from './0007-devices.js';
import { ZonesAndReasons } from './0008-zones-and-reasons.js';
import { PlanAndPhotos } from './0009-plan-and-photos.js';
import { Practice } from './0010-practice.js';
import { Sketches } from './0011-sketches.js';

/** All migrations, in order. Names are kept in the database and never change. */
export const MIGRATIONS: MigrationObject[] = [
  { name: '0001-makes-and-events', class: MakesAndEvents },
  { name: '0002-revisions', class: Revisions },
  { name: '0003-basket', class: Basket },
  { name: '0004-kinds-of-events', class: KindsOfEvents },
  { name: '0005-places-in-lines', class: PlacesInLines },
  { name: '0006-shelf', class: Shelf },
  { name: '0007-devices', class: Devices },
  { name: '0008-zones-and-reasons', class: ZonesAndReasons },
  { name: '0009-plan-and-photos', class: PlanAndPhotos },
  { name: '0010-practice', class: Practice },
  { name: '0011-sketches', class: Sketches },
];
