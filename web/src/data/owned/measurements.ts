import { inject, Injectable } from '@angular/core';
import { Measurement } from '@lemniscus/api';
import * as z from 'zod';
import { KeptList } from '../sync/kept-list';
import { Server } from '../server/server';

/** Everything the maker measured and weighed; each measurement sharpens the gauge of every make. */
@Injectable({ providedIn: 'root' })
export class Measurements extends KeptList<Measurement> {
  constructor() {
    const server = inject(Server);
    super({
      name: 'measurement',
      change: z.object({ value: Measurement, changedAt: z.int(), removed: z.boolean() }),
      load: () => server.get('/api/measurements', z.array(Measurement)),
      send: (changes) =>
        server.send('PUT', '/api/measurements', {
          measurements: changes.map(({ value, changedAt, removed }) => ({ measurement: value, changedAt, removed })),
        }),
      batch: 1_000,
    });
  }
}
