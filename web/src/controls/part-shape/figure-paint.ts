import { inject } from '@angular/core';
import { MakerHand } from '../../data/device/maker-hand';
import { ThemeService } from '../../data/device/theme';
import type { FigurePaint } from '../../drawing/figure/figure-body';
import { yarnPaint } from '../../drawing/yarn-colour';

/** Yarn from this weight on is mostly plush in stuffed pieces (common practice). */
const PLUSH_FROM = 5;

export const isPlush = (yarnWeight: number): boolean => yarnWeight >= PLUSH_FROM;

/** How figures are painted for this maker: in the yarn's colours, the theme of the page, and the hand that works. Reads signals. */
export function figurePainter(): (colours: readonly string[], plush: boolean) => FigurePaint {
  const themes = inject(ThemeService);
  const { hand } = inject(MakerHand);
  return (colours, plush) => ({
    colours: colours.map((name) => yarnPaint(name).fill),
    look: plush ? 'plush' : 'cotton',
    evening: themes.theme() === 'evening',
    mirrored: hand().hand === 'left',
  });
}
