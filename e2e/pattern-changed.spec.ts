import { expect, test } from './app.js';
import { atHook, editor, expectAllSent, expectCount, expectRound, openStage, paste, press, putMake, stage } from './pages.js';

const BUOY = `# Buoy
US terms

## Float
R1: 6 sc in ring (6)
R2: inc × 6 (12)
R3: (1 sc, inc) × 6 (18)
R4–R6: sc around (18)
R7: (1 sc, dec) × 6 (12)

## Rope
R1: 5 sc in ring (5)
R2–R8: sc around (5)
R9: 1 sc, 4 sc through float (5)`;
/** A round that was forgotten, written in above where the hook is. */
const MENDED = BUOY.replace('R4–R6: sc around (18)\nR7: (1', 'R4: (2 sc, inc) × 6 (24)\nR5–R7: sc around (24)\nR8: (2').replace(
  '(12)\n\n## Rope',
  '(18)\n\n## Rope',
);

test('a pattern changed where it is worked moves nothing, asks once, and goes on as the maker says', async ({ app, page }) => {
  const make = await putMake(page, app, BUOY);
  await atHook(page, app, make);
  await press(page, 'Enter', 3);
  await press(page, 'Space', 5);
  await expectCount(page, 5, 18);
  const aside = page.getByRole('complementary', { name: 'Coming up' });
  const card = aside.locator('lem-changed-card .card');

  await test.step('what is changed ahead comes in without a word', async () => {
    await stage(page, 'Pattern').click();
    await paste(page, BUOY.replace('R7: (1 sc, dec) × 6 (12)', 'R7: (7 sc, dec) × 2 (16)'));
    await stage(page, 'Work').click();
    await expectCount(page, 5, 18);
    await expect(aside).toContainText('(7 sc, dec) × 2');
    await expect(card).toHaveCount(0);
  });

  await test.step('a forgotten round above is asked about, also after the page is opened anew', async () => {
    await stage(page, 'Pattern').click();
    await paste(page, MENDED);
    await stage(page, 'Work').click();
    await expectCount(page, 5, 18);
    await expect(card).toContainText('Written in: R4 “(2 sc, inc) × 6”.');
    await press(page, 'Space');
    await expectAllSent(page);
    await page.reload();
    await expectCount(page, 6, 18);
    await expect(card).toBeVisible();
  });

  await test.step('made as the pattern says now: the same stitch, in the round it has now', async () => {
    await card.getByRole('button', { name: 'I did it as it says now' }).click();
    await expect(card).toHaveCount(0);
    await expectRound(page, 'Round 5 of 8, ends on 24');
    await expectCount(page, 6, 24);
  });

  await test.step('made as it was: undone, and kept, and what comes is as the pattern has it', async () => {
    await press(page, 'z');
    await expect(card).toBeVisible();
    await card.getByRole('button', { name: 'I did it as it was' }).click();
    await expect(card).toHaveCount(0);
    await expectRound(page, 'Round 4 of 7, ends on 18');
    await expect(aside).toContainText('(2 sc, dec) × 6');
  });

  await test.step('taken to a round', async () => {
    await press(page, 'z');
    await card.getByRole('button', { name: 'Take me there' }).click();
    await expectRound(page, 'Round 5 of 8, ends on 24');
    await expectCount(page, 0, 24);
  });
});

test('a part with a new name keeps its progress when the maker says it is the same', async ({ app, page }) => {
  const named = BUOY.replace('# Buoy', '# Fairway buoy');
  const make = await putMake(page, app, named);
  await atHook(page, app, make);
  await press(page, 'Enter', 2);
  await openStage(page, app, make, 'pattern');
  await paste(page, named.replace('## Float', '## Bell'));
  await expect(editor(page)).toContainText('Bell');
  await test.step('rounds that speak of it are offered the new name', async () => {
    const bar = page.getByRole('status').filter({ hasText: 'Float is called Bell now.' });
    await expect(bar).toContainText('1 place still says Float.');
    await bar.getByRole('button', { name: 'Write Bell there too' }).click();
    await expect(bar).toHaveCount(0);
    await expect(editor(page)).toContainText('4 sc through bell');
    await expect(editor(page)).not.toContainText('float');
  });
  await stage(page, 'Work').click();
  const card = page.getByRole('complementary', { name: 'Coming up' }).locator('lem-new-name-card .card');
  await expect(card).toContainText('“float” is begun, and the pattern has no such part now.');
  // The likest is the first.
  await expect(card.getByRole('button').first()).toHaveText('It is Bell');
  await card.getByRole('button', { name: 'It is Bell' }).click();
  await expect(card).toHaveCount(0);
  await expectRound(page, 'Round 3 of 7, ends on 18');
  await expectAllSent(page);
  await page.goto(app.url);
  await expect(page.locator('lem-plank').filter({ hasText: 'Fairway buoy' })).toContainText('Bell, round 3 of 7');
});
