import { spawnSync } from 'node:child_process';
import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { dirname, join } from 'node:path';
import { expect, root, test } from './app.js';

interface Ran {
  readonly status: number | null;
  readonly stdout: string;
  readonly stderr: string;
}

/** The command as it was built; what builds it first, and npm itself, are asked once. */
function lemniscus(...args: string[]): Ran {
  return spawnSync(process.execPath, [join(root, 'server/dist/command/check.js'), ...args], { cwd: root, encoding: 'utf8' });
}

test('lemniscus check prints counts and slips, as text and as JSON, and its exit code says which', () => {
  const good = lemniscus('check', 'demo/harbour-puffin.md', '--json');
  expect(good.status).toBe(0);
  const report = JSON.parse(good.stdout) as {
    title: string;
    terms: string;
    parts: { name: string; copies: number; rounds: unknown[] }[];
    diagnostics: unknown[];
  };
  expect(report).toMatchObject({ title: 'Harbour puffin', terms: 'US', diagnostics: [] });
  expect(report.parts.map((part) => `${part.name} ${part.copies} ${part.rounds.length}`)).toEqual([
    'Body 1 31',
    'Wing 2 11',
    'Beak 1 6',
    'Foot 2 6',
  ]);
  expect(report.parts[0]!.rounds[11]).toEqual({ label: 'R12', uses: 48, makes: 48, stated: 48, ok: true });
  const npm = ['run', '--silent', 'lemniscus', '--', 'check', 'demo/striped-lighthouse.md'];
  expect(spawnSync('npm', npm, { cwd: root }).status).toBe(0);

  // A talk and a PDF are read as patterns are.
  const talk = lemniscus('check', 'demo/mooring-buoy.vtt');
  expect([talk.status, talk.stdout]).toEqual([1, expect.stringContaining('R5 is in doubt, as the talk was heard: 32 was said')]);
  const pdf = lemniscus('check', 'demo/net-float.pdf', '--json');
  expect(pdf.status).toBe(0);
  expect(JSON.parse(pdf.stdout)).toMatchObject({ title: 'Net float', diagnostics: [] });

  const file = join(mkdtempSync(join(tmpdir(), 'lemniscus-')), 'slip.txt');
  writeFileSync(file, 'Buoy\nR1: 6 sc in ring (6)\nR2: (dec, 3 sc) x 1\n');
  const bad = lemniscus('check', file);
  expect(bad.status).toBe(1);
  expect(bad.stdout).toContain(`${file}:3:5 error: R2 works 5 of the 6 stitches below: 1 is left over. As written it makes 4.`);

  expect(lemniscus('check', 'demo/no-such-file.md').status).toBe(2);
  expect(lemniscus('check', 'demo').stderr).toContain('demo cannot be read: it is a folder');
  expect(lemniscus('count', 'x').stderr).toContain('Usage: lemniscus check FILE… [--json]');

  const wide = join(dirname(file), 'wide.txt');
  writeFileSync(wide, Buffer.from('\ufeffBuoy\nR1: 6 sc in ring (6)\n', 'utf16le'));
  const empty = join(dirname(file), 'empty.txt');
  writeFileSync(empty, '');
  const several = lemniscus('check', wide, empty, file, '--json');
  expect(several.status).toBe(2);
  const lines = several.stdout
    .trim()
    .split('\n')
    .map((line) => JSON.parse(line) as { file: string; title?: string });
  expect(lines.map((line) => [line.file, line.title])).toEqual([
    [wide, 'Buoy'],
    [empty, undefined],
    [file, 'Buoy'],
  ]);
  expect(several.stderr).toContain(`${empty}: The file is empty`);
});

test('lemniscus shape prints what parts become, by their rounds and relaxed, and refuses what it cannot take', () => {
  const told = lemniscus('shape', 'demo/lamp-keeper.md', '--stitch', '5x4.8', '--json');
  expect(told.status).toBe(0);
  const { stitch, parts } = JSON.parse(told.stdout) as {
    stitch: { width: number };
    parts: {
      part: string;
      outcome: string;
      byRounds: { diameter: number };
      relaxed: { diameter: number };
      openings: unknown[];
    }[];
  };
  expect(stitch.width).toBe(5);
  expect(parts.map(({ part }) => part)).toEqual(['Leg', 'Body', 'Arm', 'Rain hat', 'Lamp']);
  const body = parts[1]!;
  expect(body.outcome).toBe('settled');
  expect(body.openings).toHaveLength(32);
  expect(Math.abs(body.relaxed.diameter / body.byRounds.diameter - 1)).toBeLessThan(0.02);
  expect(lemniscus('shape', 'demo/harbour-puffin.md', '--hook', '5').stdout).toMatch(/Body: 1128 stitches[\s\S]*volume, cm³/);
  expect(lemniscus('shape', 'demo/harbour-puffin.md', '--stitch', '5').stderr).toContain(
    '--stitch 5: give width and height in mm',
  );
  expect(lemniscus('shape', 'demo/harbour-puffin.md', '--yarn', '9').stderr).toContain('--yarn 9: give a weight from 0');
  expect(lemniscus('shape').status).toBe(2);
});

test('lemniscus design writes the rounds of a wished shape, which count without a slip, and says how they fit', () => {
  const ball = lemniscus('design', '--shape', 'ball', '--across', '40', '--stitch', '5x4.8');
  expect(ball.status, ball.stderr).toBe(0);
  expect(ball.stdout).toContain('R1: 6 sc in ring (6)');
  expect(ball.stdout).toMatch(/Stuffed it lies 0\.\d mm from the wish on average/);
  const file = join(mkdtempSync(join(tmpdir(), 'lemniscus-design-')), 'ball.md');
  writeFileSync(file, ball.stdout);
  expect(lemniscus('check', file).status).toBe(0);
  const oval = lemniscus('design', '--shape', 'oval', '--across', '80', '--tall', '40', '--stitch', '5x4.8');
  expect(oval.stdout).toMatch(/R1: ch \d+, 2 sc in 2nd ch from hook/);
  writeFileSync(file, oval.stdout);
  expect(lemniscus('check', file).status).toBe(0);
  const bean = lemniscus('design', '--shape', 'bean', '--across', '80', '--tall', '30', '--stitch', '5x4.8');
  expect(bean.stdout).toMatch(/: (\d+) sc, \1 hdc \(/);
  expect(bean.stdout).toMatch(/It bends by about \d\d°/);
  writeFileSync(file, bean.stdout);
  expect(lemniscus('check', file).status).toBe(0);
  const ring = lemniscus('design', '--shape', 'ring', '--across', '80', '--tall', '20', '--stitch', '5x4.8');
  writeFileSync(file, ring.stdout);
  // Across its way round, not along its tube.
  const { parts } = JSON.parse(lemniscus('shape', file, '--stitch', '5x4.8', '--json').stdout) as {
    parts: { relaxed: { height: number; diameter: number } }[];
  };
  const { diameter, height } = parts[0]!.relaxed;
  expect(Math.abs(diameter - 80)).toBeLessThan(4);
  expect(Math.abs(height - 20)).toBeLessThan(1.5);
  expect(lemniscus('design', '--shape', 'teapot', '--across', '40').stderr).toContain('--shape teapot: give one of ball, egg');
  expect(lemniscus('design', '--shape', 'ball', '--across', '4').stderr).toContain(
    '--across 4: give millimetres from 5 to 1000.',
  );
});

test('lemniscus resize prints the pattern larger in the same yarn, or to an aim, and it counts without a slip', () => {
  const once = lemniscus('resize', 'demo/harbour-puffin.md', '--by', '1');
  expect([once.status, once.stdout]).toEqual([0, readFileSync(join(root, 'demo/harbour-puffin.md'), 'utf8')]);
  const larger = lemniscus('resize', 'demo/lamp-keeper.md', '--by', '1.3', '--part', 'leg', '--part', 'body');
  expect(larger.status, larger.stderr).toBe(0);
  expect(larger.stderr).toMatch(/Leg: 10 rounds, \d+ stitches → 13 rounds/);
  expect(larger.stderr).toContain('Arm: 12 rounds, 105 stitches → 12 rounds, 105 stitches');
  const file = join(mkdtempSync(join(tmpdir(), 'lemniscus-resize-')), 'keeper.md');
  writeFileSync(file, larger.stdout);
  expect(lemniscus('check', file).status).toBe(0);
  const aimed = JSON.parse(lemniscus('resize', 'demo/harbour-puffin.md', '--grams', '40', '--json').stdout) as {
    by: number;
    takes: { grams: number };
  };
  expect(aimed.takes.grams).toBeLessThanOrEqual(40);
  expect(aimed.takes.grams).toBeGreaterThan(36);
  for (const [args, words] of [
    [['--by', '9'], '--by 9: give a factor from 0.4 to 4'],
    [['--by', '1.2', '--part', 'nose'], '--part nose: there is no such part. Its parts are Body, Wing'],
    [['--height', 'tall'], 'Give a number above nothing'],
  ] as const) {
    const { status, stderr } = lemniscus('resize', 'demo/harbour-puffin.md', ...args);
    expect([status, stderr]).toEqual([2, expect.stringContaining(words)]);
  }
});

test('lemniscus place and order say where everything goes and what is done when, and what is in the way', () => {
  const placed = lemniscus('place', 'demo/harbour-puffin.md', '--json');
  expect(placed.status).toBe(0);
  const { places } = JSON.parse(placed.stdout) as {
    places: {
      feature: string;
      copy: number;
      host: string;
      round: [number, number];
      gap: boolean;
      turns: number;
      afterStitch: number[];
      mm: { around: number };
      problems: string[];
    }[];
  };
  const eyes = places.filter(({ feature }) => feature === 'Eyes');
  expect(eyes.map(({ host, round, gap, afterStitch }) => ({ host, round, gap, afterStitch }))).toEqual([
    { host: 'Body', round: [9, 10], gap: true, afterStitch: [19] },
    { host: 'Body', round: [9, 10], gap: true, afterStitch: [28] },
  ]);
  expect(eyes[0]!.turns).toBe(-eyes[1]!.turns);
  expect(places.filter(({ feature }) => feature.startsWith('Wing')).map(({ mm }) => Math.sign(mm.around))).toEqual([-1, 1]);

  const ordered = lemniscus('order', 'demo/lamp-keeper.md', '--json');
  const { steps } = JSON.parse(ordered.stdout) as { steps: { step: string; waitsFor: string[] }[] };
  const at = (id: string): number => steps.findIndex(({ step }) => step === id);
  expect(at('work leg/2')).toBeLessThan(at('work body/1'));
  for (const { step, waitsFor } of steps)
    for (const id of waitsFor) expect(at(id), `${id} before ${step}`).toBeLessThan(at(step));
  expect(lemniscus('order', 'demo/seal-pup.md').stdout).toContain('Work Body, R10 to R13');

  const file = join(mkdtempSync(join(tmpdir(), 'lemniscus-')), 'wrong.md');
  writeFileSync(
    file,
    '# Buoy\n\n## Float\nR1: 6 sc in ring (6)\nR2: inc x 6 (12)\n\n## Flag\nRow 1: ch 5, 4 sc (4)\n\n## Put together\nFlag: on Float, at R40\n',
  );
  const wrong = lemniscus('place', file);
  expect(wrong.status).toBe(1);
  expect(wrong.stdout).toContain('! There is no R40 on Float: it has 2 rounds.');
  expect(lemniscus('place').status).toBe(2);
});
