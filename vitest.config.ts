import { availableParallelism } from 'node:os';
import { defineConfig } from 'vitest/config';

export default defineConfig({
  test: {
    include: ['core/src/**/*.spec.ts', 'api/src/**/*.spec.ts', 'server/src/**/*.spec.ts', 'web/src/**/*.spec.ts'],
    testTimeout: 20_000,
    // Files share what they import, which takes longer to load than most of them to run; each puts back what it stubs.
    isolate: false,
    // One less than there are processors leaves half of a small machine idle.
    maxWorkers: Math.max(2, availableParallelism() - 1),
    // Its files name one another without endings, which Node does not find.
    server: { deps: { inline: ['fmin'] } },
  },
});
