import { defineConfig } from 'vitest/config'
import vue from '@vitejs/plugin-vue'

/** How long a test may take says nothing about the code: a busy machine takes many times as long. */
const testTimeout = 60_000

const addsToRegistries = 'test/registries.test.ts'

export default defineConfig({
  test: {
    // By itself it leaves a core of two to whoever watches.
    maxWorkers: 2,
    projects: [
      // The core holds no state: its files share what they import, which took longer than the tests.
      {
        test: {
          name: 'core',
          root: 'core',
          isolate: false,
          testTimeout,
          include: ['src/**/*.test.ts', 'test/**/*.test.ts'],
          exclude: [addsToRegistries],
        },
      },
      { test: { name: 'registries', root: 'core', testTimeout, include: [addsToRegistries] } },
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
