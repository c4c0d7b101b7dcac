import { ScrollingModule } from '@angular/cdk/scrolling';
import { Component, input, output } from '@angular/core';
import type { ShelvedMake } from '@lemniscus/api';
import { Plank } from './plank';
import type { Found } from './shelf-finder';

/** Height of a low plank with its board, px: as plank.css has it. */
const PLANK_HEIGHT = 131;

/** A hundred makes on low planks, drawn as they come into sight. */
@Component({
  selector: 'lem-many-planks',
  imports: [Plank, ScrollingModule],
  template: `
    <cdk-virtual-scroll-viewport scrollWindow [itemSize]="height">
      <lem-plank
        *cdkVirtualFor="let each of found(); trackBy: idOf"
        [dense]="true"
        [make]="each.make"
        [why]="each.why"
        (remove)="remove.emit(each.make)"
        (putAway)="putAway.emit({ make: each.make, away: $event })"
      />
    </cdk-virtual-scroll-viewport>
  `,
})
export class ManyPlanks {
  readonly found = input.required<readonly Found[]>();
  readonly remove = output<ShelvedMake>();
  readonly putAway = output<{ readonly make: ShelvedMake; readonly away: boolean }>();
  protected readonly height = PLANK_HEIGHT;

  protected idOf(_index: number, { make }: Found): string {
    return make.id;
  }
}
