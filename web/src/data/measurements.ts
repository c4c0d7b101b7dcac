import { inject, Injectable } from '@angular/core';
import { Measurement } from '@lemniscus/api';
import * as z from 'zod';
import { KeptList } from './kept-list';
import { Server } from './server';

/** Everything the maker measured and weighed; each measurement sharpens the gauge of every make. */
@Injectable({ providedIn: 'root' })
export class Measurements {
  private readonly server = inject(Server);

  readonly taken = new KeptList<Measurement>({
    name: 'measurement',
    change: z.object({ value: Measurement, changedAt: z.int(), removed: z.boolean() }),
    load: () => this.server.get('/api/measurements', z.array(Measurement)),
    send: (changes) =>
      this.server.send('PUT', '/api/measurements', {
        measurements: changes.map(({ value, changedAt, removed }) => ({ measurement: value, changedAt, removed })),
      }),
    batch: 1_000,
  });
}
