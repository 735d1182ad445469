import { defineConfig } from 'vitest/config'
import vue from '@vitejs/plugin-vue'

export default defineConfig({
  test: {
    projects: [
      { test: { name: 'core', root: 'core', include: ['src/**/*.test.ts', 'test/**/*.test.ts'] } },
      { test: { name: 'demo', root: 'demo', include: ['src/**/*.test.ts'] } },
      { test: { name: 'server', root: 'server', include: ['src/**/*.test.ts', 'test/**/*.test.ts'] } },
      { test: { name: 'cli', root: 'cli', include: ['src/**/*.test.ts'] } },
      { plugins: [vue()], test: { name: 'web', root: 'web', environment: 'happy-dom', include: ['src/**/*.test.ts'] } },
      { test: { name: 'tools', root: 'tools', include: ['*.test.mjs'] } },
    ],
  },
})
