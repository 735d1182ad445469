import { existsSync, mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { Evaluator } from '@hilera/core/evaluate'
import type { Project } from '@hilera/core/model/project'
import { chromium, type Page } from '@playwright/test'
import { produce } from 'immer'
import { Server, type as typeInto } from '../e2e/app'
import { ms, ratio, table } from './rounds'

const dist = fileURLToPath(new URL('../web/dist/', import.meta.url))
const FIRST_LIMIT = 250
const STAGE_LIMIT = 500
/** The sides of the grids whose gap is changed. */
const SIDES = [316, 1000]
const CHANGES = 5
/** A million take a minute and more to be drawn whole in software; none is changed before it is, or both would share two cores. */
const WHOLE = 300_000
/** So long after it rests what overlaps has been looked for too. */
const SETTLED = 3000

/** What the browser fetches, and how long a change takes until its first picture is there, both in the built application. */
export async function page(): Promise<void> {
  if (!existsSync(`${dist}index.html`)) return console.log('\nThe page: skipped, run “npm run build” first.')
  const folder = mkdtempSync(join(tmpdir(), 'hilera-bench-'))
  const server = new Server(folder)
  await server.start()
  const browser = await chromium.launch({
    executablePath: process.env.CHROMIUM_PATH ?? '/usr/bin/chromium',
    args: ['--no-sandbox', '--use-gl=angle', '--use-angle=gl-egl', '--ignore-gpu-blocklist'],
  })
  try {
    const context = await browser.newContext({ viewport: { width: 1280, height: 800 } })
    const opened = await context.newPage()
    await fetched(opened, server.address)
    await opened.evaluate(() => localStorage.setItem('hilera.drawing', 'light'))
    const rows = []
    for (const side of SIDES) rows.push(await changed(opened, server.address, side))
    table(
      'A gap changed in the page, until its first picture (worker, transfer and upload to evaluating alone: goal 3 ×)',
      rows,
    )
  } finally {
    await browser.close()
    await server.kill()
    rmSync(folder, { recursive: true, force: true })
  }
}

/** Bytes as they come over the wire, compressed by the server; what workers fetch for themselves is told beside it. */
async function fetched(page: Page, address: string): Promise<void> {
  const devtools = await page.context().newCDPSession(page)
  await devtools.send('Network.enable')
  let bytes = 0
  devtools.on('Network.loadingFinished', ({ encodedDataLength }) => void (bytes += encodedDataLength))
  const workers = new Set<string>()
  page.on('worker', (worker) => workers.add(worker.url()))
  await page.goto(address)
  await page.waitForLoadState('networkidle')
  const first = bytes
  await page
    .getByRole('link', { name: /Casa Níspero/ })
    .first()
    .click()
  await page.locator('[data-resting=true]').waitFor({ timeout: 60_000 })
  await page.waitForLoadState('networkidle')
  const ofWorkers = await Promise.all([...workers].map(packedBytes))
  const kB = (n: number): number => Math.round(n / 1000)
  table('What the browser fetches, compressed, fonts with it', [
    { what: 'the first screen', kB: kB(first), limit: FIRST_LIMIT },
    { what: 'the stage after it', kB: kB(bytes - first), limit: STAGE_LIMIT },
    { what: 'workers meanwhile', kB: kB(ofWorkers.reduce((sum, n) => sum + n, 0)), limit: '' },
  ])
}

/** The length of a file as the server sends it packed. */
async function packedBytes(address: string): Promise<number> {
  const { headers } = await fetch(address, { method: 'HEAD', headers: { 'accept-encoding': 'br' } })
  return Number(headers.get('content-length'))
}

const median = (all: number[]): number => all.sort((a, b) => a - b)[all.length >> 1]

/** A grid whose gap is changed by key: from the key until a picture of it is there, and how long the page did not answer. */
async function changed(page: Page, address: string, side: number): Promise<Record<string, string | number>> {
  await page.goto(address)
  await page.getByRole('button', { name: 'New project' }).click()
  await page.getByRole('button', { name: 'Add a pattern' }).click()
  await page.getByRole('menuitem', { name: 'Grid', exact: true }).click()
  await typeInto(page, 'Count across', String(side))
  await typeInto(page, 'Count deep', String(side))
  const count = new RegExp((side * side).toLocaleString('en').replaceAll(',', '\\s'))
  await page.locator('.list .picked .count', { hasText: count }).waitFor({ timeout: 120_000 })
  await page.keyboard.press('w')
  const rests = async (): Promise<void> => {
    await page.waitForTimeout(SETTLED)
    await page.locator('[data-resting=true]').waitFor({ timeout: WHOLE })
    await page.waitForTimeout(SETTLED)
  }
  await rests()
  const gap = page.locator('.panel').getByRole('spinbutton', { name: 'Spacing across' })
  await gap.focus()
  await page.evaluate(() => {
    const told = { longest: 0 }
    Object.assign(window, { told })
    let before = performance.now()
    setInterval(() => {
      const now = performance.now()
      told.longest = Math.max(told.longest, now - before)
      before = now
    }, 5)
  })
  const changes: { all: number; drawing: number }[] = []
  for (let i = 0; i < CHANGES; i++) {
    const key = i % 2 ? 'ArrowUp' : 'ArrowDown'
    changes.push(
      await page.evaluate(
        (key) =>
          new Promise<{ all: number; drawing: number }>((done) => {
            const element = document.querySelector<HTMLElement>('[data-keys=stage]')!
            const start = performance.now()
            let isWorkedOut = false
            const seen = new MutationObserver((changes) => {
              isWorkedOut ||= changes.some(({ attributeName }) => attributeName === 'data-worked')
              // The field alone has the stage drawn once more, as it was.
              if (!isWorkedOut || !changes.some(({ attributeName }) => attributeName === 'data-took')) return
              seen.disconnect()
              done({ all: performance.now() - start, drawing: Number(element.dataset.took) })
            })
            seen.observe(element, { attributeFilter: ['data-worked', 'data-took'] })
            document.activeElement!.dispatchEvent(new KeyboardEvent('keydown', { key, bubbles: true }))
          }),
        key,
      ),
    )
    await rests()
  }
  await page.evaluate(() => Object.assign((window as unknown as { told: object }).told, { longest: 0 }))
  for (let i = 0; i < 20; i++) await page.keyboard.press(i < 10 ? 'ArrowDown' : 'ArrowUp')
  await page.waitForTimeout(SETTLED)
  const longest = await page.evaluate(() => (window as unknown as { told: { longest: number } }).told.longest)
  const alone = await evaluatedAlone(page, address)
  const before = median(changes.map(({ all, drawing }) => all - drawing))
  return {
    copies: side * side,
    'until it is drawn': ms(before),
    'drawn in software': ms(median(changes.map(({ drawing }) => drawing))),
    'evaluating alone': ms(alone),
    'until drawn ÷ evaluating': ratio(before / alone),
    'longest pause of the page while scrubbing': ms(longest),
  }
}

/** The same document, worked out here after a change of the same value. */
async function evaluatedAlone(page: Page, address: string): Promise<number> {
  const id = /\/p\/([^/]+)/.exec(page.url())![1]
  const stored = (await (await page.request.get(new URL(`/api/projects/${id}`, address).href)).json()) as {
    document: Project
  }
  const states = [0.004, 0.005].map((spacing) =>
    produce(stored.document, (draft) => {
      const { layout } = draft.patterns[0]
      if (layout.kind === 'grid') layout.across.spacing = spacing
    }),
  )
  const evaluator = new Evaluator()
  const took: number[] = []
  for (let i = 0; i < 15; i++) {
    const start = performance.now()
    evaluator.evaluate(states[i % 2], new Map())
    took.push(performance.now() - start)
  }
  return median(took.slice(4))
}
