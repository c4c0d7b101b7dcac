import { inject, Injectable } from '@angular/core';
import { TakenAnswer } from '@lemniscus/api';
import { KeptSketch, Sketch } from '@lemniscus/api/sketch';
import { map } from 'rxjs';
import * as z from 'zod';
import { Server } from '../server/server';
import { KeptList } from '../sync/kept-list';

/** Everything drawn in the Studio. */
@Injectable({ providedIn: 'root' })
export class Sketches extends KeptList<Sketch> {
  constructor() {
    const server = inject(Server);
    super({
      name: 'sketch',
      value: Sketch,
      load: () =>
        server
          .get('/api/sketches', z.array(KeptSketch))
          .pipe(map((all) => all.map(({ sketch: value, changedAt }) => ({ value, changedAt })))),
      send: (changes) =>
        server.put(
          '/api/sketches',
          { sketches: changes.map(({ value, changedAt, removed }) => ({ sketch: value, changedAt, removed })) },
          TakenAnswer,
        ),
      batch: 50,
    });
  }
}
