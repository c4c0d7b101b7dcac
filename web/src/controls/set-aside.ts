import { Component, computed, inject } from '@angular/core';
import { counted } from '@lemniscus/core/notation';
import { NzButtonModule } from 'ng-zorro-antd/button';
import * as z from 'zod';
import { DeviceDatabase, type Refused } from '../data/device/database';
import { save } from '../data/device/files';
import { Journal } from '../data/sync/journal';

const Named = z.object({ value: z.object({ name: z.string().catch('') }) });
const OfPiece = z.object({ piece: z.string() });

/**
 * What the server did not take, each thing on its own: to be tried again, saved as a file, or let go. And why this device cannot keep it. Nothing where
 * all was taken and can be kept.
 */
@Component({
  selector: 'lem-set-aside',
  imports: [NzButtonModule],
  templateUrl: './set-aside.html',
  styleUrl: './set-aside.css',
})
export class SetAside {
  private readonly journal = inject(Journal);
  /** Why this device cannot keep what is made; null when it can. */
  protected readonly trouble = inject(DeviceDatabase).trouble;

  protected readonly all = computed(() => this.journal.refused().map((refused) => ({ refused, what: whatIs(refused) })));
  protected readonly heading = computed(() => `${counted(this.all().length, 'thing')} the server did not take`);

  protected tryAgain(refused: Refused): void {
    void this.journal.tryAgain(refused);
  }

  protected saveAsFile(refused: Refused): void {
    save('Set aside', 'json', JSON.stringify(refused, null, 2));
  }

  protected letGo(refused: Refused): void {
    void this.journal.letGo(refused);
  }
}

function whatIs({ kind, body }: Refused): string {
  if (kind === 'event') return `A step of ${OfPiece.catch({ piece: 'a piece' }).parse(body).piece.split('/')[0]}`;
  if (kind === 'yarn') return `Yarn “${Named.catch({ value: { name: '' } }).parse(body).value.name}”`;
  if (kind === 'measurement') return 'A measurement';
  return kind === 'change' ? 'Changes to a pattern' : 'Something made here';
}
