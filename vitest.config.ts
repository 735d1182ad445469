import { defineConfig } from 'vitest/config'
import vue from '@vitejs/plugin-vue'

/** How long a test may take says nothing about the code: a busy machine takes many times as long. */
const testTimeout = 60_000

export default defineConfig({
  test: {
    projects: [
      { test: { name: 'core', root: 'core', testTimeout, include: ['src/**/*.test.ts', 'test/**/*.test.ts'] } },
      { test: { name: 'demo', root: 'demo', testTimeout, include: ['src/**/*.test.ts'] } },
      {
        test: {
          name: 'server',
          root: 'server',
          testTimeout,
          globalSetup: 'test/build.ts',
          include: ['src/**/*.test.ts', 'test/**/*.test.ts'],
        },
      },
      { test: { name: 'cli', root: 'cli', testTimeout, include: ['src/**/*.test.ts'] } },
      {
        plugins: [vue()],
        test: {
          name: 'web',
          root: 'web',
          environment: 'happy-dom',
          testTimeout,
          include: ['src/**/*.test.ts', 'test/**/*.test.ts'],
        },
      },
      { test: { name: 'hostile', root: 'hostile', testTimeout, include: ['*.test.ts'] } },
      { test: { name: 'tools', root: 'tools', testTimeout, include: ['*.test.mjs'] } },
    ],
  },
})
