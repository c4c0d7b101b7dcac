import { inject } from '@angular/core';
import { Router, type CanActivateFn } from '@angular/router';
import { lastWorked } from '../data/device/last-worked';

/** As wide as a phone. */
const PHONE = '(max-width: 760px)';

/** A phone that is opened goes straight to the make worked last; the way back to the shelf is open. */
export const openLastWorked: CanActivateFn = () => {
  const router = inject(Router);
  const make = lastWorked();
  // Only where the application opens, not where somebody goes to the shelf.
  const opening = router.lastSuccessfulNavigation() === null;
  return opening && make !== null && matchMedia(PHONE).matches ? router.createUrlTree(['/make', make, 'work']) : true;
};
