import { defineConfig } from 'vitest/config';

export default defineConfig({
  test: {
    include: ['core/src/**/*.spec.ts', 'api/src/**/*.spec.ts', 'server/src/**/*.spec.ts', 'web/src/**/*.spec.ts'],
    testTimeout: 20_000,
  },
});
