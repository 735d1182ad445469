import { type ChildProcess, spawn } from 'node:child_process'
import { once } from 'node:events'
import { mkdtempSync, readFileSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { type Document, type Node, WebIO } from '@gltf-transform/core'
import { KHRLightsPunctual } from '@gltf-transform/extensions'
import type { Project } from '@hilera/core/model/project'
import { test as base, expect, type Locator, type Page } from '@playwright/test'

const root = fileURLToPath(new URL('..', import.meta.url))

/** The built server over a database of its own, which can be killed and started again. */
export class Server {
  private child: ChildProcess | undefined
  address = ''

  constructor(private readonly folder: string) {}

  get file(): string {
    return join(this.folder, 'test.db')
  }

  async start(port = '0', more: Readonly<Record<string, string>> = {}): Promise<void> {
    const env = {
      ...process.env,
      HILERA_DATA: this.file,
      HILERA_PORT: port,
      HILERA_LOG: 'silent',
      HILERA_WEB: join(root, 'web/dist'),
      ...more,
    }
    this.child = spawn(process.execPath, [join(root, 'server/dist/main.js')], {
      cwd: root,
      env,
      stdio: ['ignore', 'pipe', 'inherit'],
    })
    const [line] = (await once(this.child.stdout!, 'data')) as [Buffer]
    this.address = /http:\S+/.exec(line.toString())![0]
  }

  /** Ends it as a power cut would. */
  async kill(): Promise<void> {
    // A test that failed while it was down has not started it again.
    if (this.child!.exitCode !== null || this.child!.signalCode !== null) return
    const gone = once(this.child!, 'exit')
    this.child!.kill('SIGKILL')
    await gone
  }
}

/** A server of its own for each test: while one runs the next one's is started. */
class Servers {
  private next = this.fresh()

  private async fresh(): Promise<{ server: Server; folder: string }> {
    const folder = mkdtempSync(join(tmpdir(), 'hilera-e2e-'))
    const server = new Server(folder)
    await server.start()
    return { server, folder }
  }

  async use(test: (server: Server) => Promise<void>): Promise<void> {
    const { server, folder } = await this.next
    await test(server)
    await server.kill()
    rmSync(folder, { recursive: true, force: true })
    this.next = this.fresh()
  }

  async end(): Promise<void> {
    const { server, folder } = await this.next
    await server.kill()
    rmSync(folder, { recursive: true, force: true })
  }
}

export const test = base.extend<{ server: Server }, { servers: Servers }>({
  servers: [
    // eslint-disable-next-line no-empty-pattern
    async ({}, use) => {
      const servers = new Servers()
      await use(servers)
      await servers.end()
    },
    { scope: 'worker' },
  ],
  server: ({ servers }, use) => servers.use(use),
  page: async ({ page }, use, info) => {
    const faults: string[] = []
    page.on('pageerror', (error) => faults.push(error.message))
    const told: string[] = []
    // What is thrown without a reason is told without a word.
    page.on(
      'console',
      (m) => m.type() === 'error' && m.text() === 'undefined' && faults.push('an error without a reason'),
    )
    page.on('console', (m) => told.push(`${m.type()}: ${m.text()} ${m.location().url}:${m.location().lineNumber}`))
    page.on('requestfailed', (r) => told.push(`not loaded: ${r.url()} ${r.failure()?.errorText}`))
    page.on('response', (r) => r.status() >= 400 && told.push(`${r.status()}: ${r.url()}`))
    page.on('crash', () => told.push('the page crashed'))
    // The light drawing: what is drawn is not what is measured, and software drawing is slow.
    await page.addInitScript(() => localStorage.setItem('hilera.drawing', 'light'))
    await use(page)
    // What fails once in a thousand runs on another machine cannot be looked at again: it says what it saw.
    if (info.status !== info.expectedStatus) {
      const seen = await page.innerText('body', { timeout: 5_000 }).catch(String)
      const workers = page.workers().map((worker) => worker.url())
      const body = [
        page.url(),
        ...workers,
        ...faults,
        ...told.slice(-20),
        seen.replace(/\s+/g, ' ').slice(0, 900),
      ].join('\n')
      await info.attach('what the page said', { body, contentType: 'text/plain' })
    }
    expect(faults).toEqual([])
  },
})

export { expect }

/** Opens the demo project at its own address, and waits until it is worked out and drawn. */
export async function openDemo(page: Page, server: Server): Promise<void> {
  const projects = (await (await page.request.get(`${server.address}api/projects`)).json()) as {
    id: string
    name: string
  }[]
  const { id } = projects.find(({ name }) => name.startsWith('Casa Níspero tea counter'))!
  await page.goto(`${server.address}p/${id}/arrange`)
  // The first working out takes a second; on a busy machine, many.
  await expect(page.locator('[data-copy="9"]')).toBeVisible({ timeout: 45_000 })
  await expect(page.locator('[data-pin=end]')).toBeVisible()
}

/** A value of a sentence, by its name. */
export const value = (page: Page, name: string, within = '.panel') =>
  page.locator(within).getByRole('spinbutton', { name, exact: true })

/** Opens the sentences of the panel, so that what is neutral in them can be set. */
export async function openSentences(page: Page): Promise<void> {
  const closed = page.locator('.panel [data-quiet][aria-expanded=false]')
  await closed.evaluateAll((all) => all.forEach((button) => (button as HTMLElement).click()))
}

/** Waits for what a sentence holds; where it is not said, the sentences are opened. */
async function said(page: Page, spot: Locator): Promise<void> {
  await spot
    .first()
    .waitFor({ timeout: 1000 })
    .catch(() => openSentences(page))
}

/** Types into a value of a sentence, as a person does: click, type, Enter. Worked-out values are taken hold of first. */
export async function type(page: Page, name: string, text: string): Promise<void> {
  const spot = value(page, name)
  await said(page, spot)
  await spot.press('Enter')
  await page.getByRole('textbox', { name, exact: true }).fill(text)
  await page.keyboard.press('Enter')
}

/** Picks from the list of a choice in a sentence, by the name of the choice. */
export async function pick(page: Page, label: string, option: string): Promise<void> {
  await page.getByRole('button', { name: new RegExp(`^${label}:`) }).click()
  await page.getByRole('option', { name: new RegExp(`^${option}`) }).click()
}

/** Puts the ring of cups among the tins, and waits until it is told that they overlap; what tells it, in the list. */
export async function cupsAmongTins(page: Page): Promise<Locator> {
  await pattern(page, 'Turntable cups')
  await type(page, 'Start across', '-590 mm')
  await type(page, 'Start up', '24 mm')
  await type(page, 'Start deep', '0 mm')
  const told = page.locator('.list .row', { hasText: 'Shelf tins' }).first().getByRole('img')
  await expect(told).toHaveAttribute('aria-label', /Shelf tins and Turntable cups: \d+ pairs overlap/)
  return told
}

/** The facts under the layout's sentence, without the narrow spaces. */
export async function facts(page: Page): Promise<string> {
  return plain(await page.locator('.panel .facts').first().innerText())
}

export const plain = (text: string): string =>
  text
    .replaceAll(/[\u202f\u00a0]/g, ' ')
    .replaceAll(/\s+/g, ' ')
    .trim()

/** Drags from one place on the page to another, in steps. */
export async function drag(
  page: Page,
  from: { x: number; y: number },
  by: { x: number; y: number },
  until?: () => Promise<void>,
): Promise<void> {
  await page.mouse.move(from.x, from.y)
  await page.mouse.down()
  for (let i = 1; i <= 5; i++) await page.mouse.move(from.x + (by.x * i) / 5, from.y + (by.y * i) / 5)
  await until?.()
  await page.mouse.up()
}

/** The middle of something on the page, once it rests: what stands on the stage moves while the view turns. */
export async function centreOf(page: Page, selector: string): Promise<{ x: number; y: number }> {
  const found = page.locator(selector).first()
  let before = await found.boundingBox()
  let now = before
  const stage = page.locator('[data-keys=stage]')
  await expect(async () => {
    // A slow machine draws the first picture of a turn after two frames of the page that look alike.
    if (await stage.count()) expect(await stage.first().getAttribute('data-resting')).toBe('true')
    before = await found.boundingBox()
    await page.evaluate(() => new Promise((drawn) => requestAnimationFrame(() => requestAnimationFrame(drawn))))
    now = await found.boundingBox()
    expect(now).toEqual(before)
    expect(now).not.toBeNull()
  }).toPass()
  const box = now!
  return { x: box.x + box.width / 2, y: box.y + box.height / 2 }
}

/** Writes the file in Export and returns its bytes with what the page says of it. */
export async function exportGlb(page: Page): Promise<{ bytes: Uint8Array; verdict: string }> {
  await page.getByRole('navigation', { name: 'Screens' }).getByRole('link', { name: 'Export' }).click()
  const download = page.waitForEvent('download')
  await page.getByRole('button', { name: 'Write the file' }).click()
  const bytes = new Uint8Array(readFileSync(await (await download).path()))
  return { bytes, verdict: plain(await page.locator('.verdict').innerText()) }
}

/** Drops a file on the page as the system does. */
export async function drop(page: Page, name: string, bytes: Buffer): Promise<void> {
  const transfer = await page.evaluateHandle(
    ([fileName, base64]) => {
      const data = new DataTransfer()
      data.items.add(new File([Uint8Array.from(atob(base64), (c) => c.charCodeAt(0))], fileName))
      return data
    },
    [name, bytes.toString('base64')] as const,
  )
  for (const event of ['dragenter', 'dragover', 'drop'])
    await page.dispatchEvent('.arrange', event, { dataTransfer: transfer })
}

/** Picks a pattern in the list. */
export const pattern = (page: Page, name: string) => page.locator('.list .row', { hasText: name }).first().click()

export const screen = (page: Page, name: string) =>
  page.getByRole('navigation', { name: 'Screens' }).getByRole('link', { name }).click()

/** Picks from the list of a choice in a sentence. */
export async function choose(page: Page, label: RegExp, option: string | RegExp): Promise<void> {
  const button = page.getByRole('button', { name: label })
  await said(page, button)
  await button.click()
  await page.getByRole('option', { name: option }).first().click()
}

export const read = (bytes: Uint8Array): Promise<Document> =>
  new WebIO().registerExtensions([KHRLightsPunctual]).readBinary(bytes)

/** Nodes of a file under the node of a pattern. */
export const under = (document: Document, name: string): Node[] =>
  document
    .getRoot()
    .listNodes()
    .find((n) => n.getName() === name)!
    .listChildren()

/** The document as the server has it, once everything is saved. */
export async function saved(page: Page, server: Server): Promise<Project> {
  await expect(page.locator('.state')).toHaveText('Saved')
  const id = /\/p\/([^/]+)/.exec(page.url())![1]
  const answer = await page.request.get(`${server.address.replace(/\/$/, '')}/api/projects/${id}`)
  return ((await answer.json()) as { document: Project }).document
}
