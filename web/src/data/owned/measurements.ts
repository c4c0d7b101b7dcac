import { inject, Injectable } from '@angular/core';
import { KeptMeasurement, Measurement, TakenAnswer } from '@lemniscus/api';
import { map } from 'rxjs';
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
      value: Measurement,
      load: () =>
        server
          .get('/api/measurements', z.array(KeptMeasurement))
          .pipe(map((all) => all.map(({ measurement: value, changedAt }) => ({ value, changedAt })))),
      send: (changes) =>
        server.put(
          '/api/measurements',
          { measurements: changes.map(({ value, changedAt, removed }) => ({ measurement: value, changedAt, removed })) },
          TakenAnswer,
        ),
      batch: 1_000,
    });
  }
}
