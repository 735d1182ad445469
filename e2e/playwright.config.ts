import { defineConfig } from '@playwright/test'

const report = process.env.HILERA_BROWSER_REPORT

/**
 * The built application in Debian's Chromium, drawn in software: one page at a time. Two on two cores take a fifth less, but one
 * working out a crowd starves the other for seconds. What a page is to do has a limit each; a test as a whole has one that only ends
 * what hangs: how long twenty presses take together on a shared machine says nothing about any of them.
 */
export default defineConfig({
  testDir: '.',
  outputDir: '../test-results',
  workers: 1,
  timeout: 300_000,
  expect: { timeout: 15_000 },
  forbidOnly: true,
  reporter: [['list'], ...(report ? ([['json', { outputFile: report }]] as const) : [])],
  use: {
    viewport: { width: 1280, height: 800 },
    acceptDownloads: true,
    actionTimeout: 45_000,
    launchOptions: {
      executablePath: process.env.CHROMIUM_PATH ?? '/usr/bin/chromium',
      args: [
        '--no-sandbox',
        '--use-gl=angle',
        '--use-angle=gl-egl',
        '--ignore-gpu-blocklist',
        '--disable-quic',
        '--no-first-run',
        '--disable-background-networking',
        '--disable-component-update',
        '--disable-sync',
      ],
    },
  },
})
