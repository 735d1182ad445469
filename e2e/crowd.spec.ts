import type { Page } from '@playwright/test'
import { centreOf, expect, openDemo, plain, test, type } from './app'

/** A grid of so many times so many boxes, framed and drawn. */
async function crowd(page: Page, address: string, side: number): Promise<void> {
  await page.goto(address)
  await page.getByRole('button', { name: 'New project' }).click()
  await page.getByRole('button', { name: 'Add a pattern' }).click()
  await page.getByRole('menuitem', { name: 'Grid', exact: true }).click()
  await type(page, 'Count across', String(side))
  await type(page, 'Count deep', String(side))
  await expect
    .poll(async () => plain(await page.locator('.list .picked .count').innerText()).replaceAll(' ', ''))
    .toBe(String(side * side))
  await page.keyboard.press('w')
  await resting(page)
}
const stageOf = (page: Page) => page.locator('[data-keys=stage]')
/** The camera has arrived, and the picture is completed. */
const resting = (page: Page) => expect(stageOf(page)).toHaveAttribute('data-resting', 'true', { timeout: 60_000 })
const drawnWhole = (page: Page) => expect(stageOf(page)).toHaveAttribute('data-drawn', '100 %', { timeout: 60_000 })

test('R22: a crowd seen from afar carries the colours of its parts, not those of their ink', async ({
  page,
  server,
}) => {
  await crowd(page, server.address, 200)
  const meanOf = async () => {
    const stage = (await page.locator('[data-keys=stage] canvas').boundingBox())!
    const clip = { x: stage.x + stage.width * 0.45, y: stage.y + stage.height * 0.45, width: 60, height: 40 }
    const shot = (await page.screenshot({ clip })).toString('base64')
    return page.evaluate(async (base64) => {
      const picture = await createImageBitmap(await (await fetch(`data:image/png;base64,${base64}`)).blob())
      const canvas = new OffscreenCanvas(picture.width, picture.height)
      const context = canvas.getContext('2d')!
      context.drawImage(picture, 0, 0)
      const { data } = context.getImageData(0, 0, picture.width, picture.height)
      const sum = [0, 0, 0]
      for (let i = 0; i < data.length; i += 4) for (let c = 0; c < 3; c++) sum[c] += data[i + c]
      return sum.map((n) => (4 * n) / data.length)
    }, shot)
  }
  // Its boxes are of terracotta: clearly more red than blue, and no ink.
  await expect
    .poll(async () => {
      const [red, green, blue] = await meanOf()
      return red > 90 && red > 1.5 * green && green > blue
    })
    .toBe(true)
})

test('R13, Q2: 100 000 copies are picked by click, by area and all at once; the readout tells what they take', async ({
  page,
  server,
}) => {
  await crowd(page, server.address, 316)
  await drawnWhole(page)
  const stage = (await stageOf(page).locator('canvas').boundingBox())!
  const middle = { x: stage.x + stage.width / 2, y: stage.y + stage.height / 2 }
  await page.mouse.move(middle.x, middle.y)
  await page.mouse.move(middle.x + 1, middle.y)
  // The copy under the pointer is named.
  await expect(page.locator('.note-chip')).toContainText(/Box grid \d+ · Box/)
  const named = /grid (\d+)/.exec(await page.locator('.note-chip').innerText())![1]
  await page.mouse.click(middle.x + 1, middle.y)
  await expect(page.locator('.panel')).toContainText('1 copy picked')
  await expect.poll(async () => plain(await page.locator('.panel').innerText()).replaceAll(' ', '')).toContain(named)
  // All of them by a key, then none, then those in a rectangle.
  await page.keyboard.press('Control+a')
  await expect.poll(async () => plain(await page.locator('.panel').innerText())).toMatch(/99.856 copies picked/)
  await page.keyboard.press('Escape')
  await page.getByRole('button', { name: 'Rectangle' }).click()
  await page.mouse.move(middle.x - 20, middle.y - 15)
  await page.mouse.down()
  await page.mouse.move(middle.x + 20, middle.y + 15, { steps: 4 })
  await page.mouse.up()
  const picked = async () =>
    Number(/([\d ]+) copies picked/.exec(plain(await page.locator('.panel').innerText()))?.[1].replaceAll(' ', '') ?? 0)
  await expect.poll(picked).toBeGreaterThan(50)
  expect(await picked()).toBeLessThan(20_000)
  // What is told: all of them counted, each chunk two calls at the most.
  await page.getByRole('button', { name: /^Drawn/ }).click()
  const readout = page.getByRole('dialog', { name: 'Readout' })
  await expect.poll(async () => plain(await readout.innerText())).toMatch(/Copies\s+99.856/)
  await expect(readout).toContainText('Memory of tables')
  await expect(readout).toContainText('Box grid: grid')
})

test('Q4, Q5: while something moves fewer are drawn, said in the chip; at rest all are; by hand all at any time', async ({
  page,
  server,
}) => {
  await crowd(page, server.address, 316)
  await drawnWhole(page)
  const shares = new Set<string>()
  await page.exposeFunction('shareSeen', (share: string) => void shares.add(share))
  await stageOf(page).evaluate((stage) => {
    const seen = window as unknown as { shareSeen(share: string): void }
    new MutationObserver(() => seen.shareSeen((stage as HTMLElement).dataset.drawn ?? '')).observe(stage, {
      attributeFilter: ['data-drawn'],
    })
  })
  const stage = (await stageOf(page).locator('canvas').boundingBox())!
  await page.mouse.move(stage.x + 60, stage.y + 120)
  await page.mouse.down()
  for (let i = 0; i < 12; i++) await page.mouse.move(stage.x + 60 + 8 * i, stage.y + 120)
  await page.mouse.up()
  await drawnWhole(page)
  // This machine draws 100 000 boxes in software: all of them are not drawn at every move.
  expect([...shares].some((share) => share !== '100 %')).toBe(true)
  await expect(page.locator('.chips')).toContainText('Drawn 99')
})

test('scrubbing a crowd ends with the last value, drawn; overlaps are looked for in the background', async ({
  page,
  server,
}) => {
  await crowd(page, server.address, 200)
  await page.keyboard.press('Escape')
  const gap = page.locator('.panel').getByRole('spinbutton', { name: 'Spacing across' })
  await gap.focus()
  for (let i = 0; i < 15; i++) await page.keyboard.press('ArrowDown')
  await expect(gap).toHaveAttribute('aria-valuenow', '0.005')
  await expect
    .poll(async () => plain(await page.locator('.panel .facts').first().innerText()))
    .toContain('pitch 105 mm')
  await drawnWhole(page)
  await expect(page.locator('[data-overlaps]')).toContainText('Overlaps 0', { timeout: 60_000 })
  for (let i = 0; i < 6; i++) await page.keyboard.press('ArrowDown')
  await expect
    .poll(async () => plain(await page.locator('[data-overlaps]').innerText()), { timeout: 60_000 })
    .toMatch(/Overlaps 39.800/)
})

test('a graphics context that is lost comes back with the picture', async ({ page, server }) => {
  await crowd(page, server.address, 10)
  const canvas = stageOf(page).locator('canvas')
  const pixels = () =>
    canvas.evaluate((element) => {
      const { width, height } = element as HTMLCanvasElement
      const context = new OffscreenCanvas(width, height).getContext('2d')!
      context.drawImage(element as HTMLCanvasElement, 0, 0)
      return [...context.getImageData(0, 0, width, height).data.filter((_, i) => i % 97 === 0)]
    })
  const before = await pixels()
  /** How far channels are off, on average. */
  const off = async () =>
    (await pixels()).reduce((sum, n, i) => sum + Math.abs(n - before[i]), 0) / Math.max(before.length, 1)
  expect(before.some((n) => n > 0)).toBe(true)
  const lost = await canvas.evaluateHandle((element) => {
    const context = (element as HTMLCanvasElement).getContext('webgl2')!.getExtension('WEBGL_lose_context')!
    context.loseContext()
    return context
  })
  expect(await off()).toBeGreaterThan(20)
  await lost.evaluate((context) => context.restoreContext())
  await expect.poll(off, { timeout: 20_000 }).toBe(0)
})

test('a picture that the graphics side has lost is drawn anew; one that is lost again and again says so', async ({
  page,
  server,
}) => {
  await openDemo(page, server)
  const canvas = page.locator('.frame canvas')
  /** Points of the picture that are not its ground. */
  const drawn = () =>
    canvas.evaluate((element: HTMLCanvasElement) => {
      const sheet = Object.assign(document.createElement('canvas'), { width: 64, height: 40 }).getContext('2d')!
      sheet.drawImage(element, 0, 0, 64, 40)
      return sheet.getImageData(0, 0, 64, 40).data.filter((value, i) => i % 4 === 3 && value > 100).length
    })
  const lose = () =>
    canvas.evaluate((element: HTMLCanvasElement) =>
      element.getContext('webgl2')!.getExtension('WEBGL_lose_context')!.loseContext(),
    )
  await expect.poll(drawn).toBeGreaterThan(100)
  const before = await drawn()
  const pin = await centreOf(page, '[data-pin=end] .head')
  for (let i = 0; i < 3; i++) {
    await lose()
    await expect.poll(drawn).toBe(0)
    await expect.poll(drawn).toBe(before)
  }
  // Seen from where it was seen.
  expect(await centreOf(page, '[data-pin=end] .head')).toEqual(pin)
  await lose()
  await expect(page.getByText('This browser draws no picture here')).toBeVisible()
  await page.getByRole('button', { name: 'Begin the picture again' }).click()
  await expect.poll(drawn).toBe(before)
  await expect(page.getByText('This browser draws no picture here')).toHaveCount(0)
})
