import { createRequire } from 'node:module'
import type { Page } from '@playwright/test'
import { centreOf, choose, drag, drop, expect, exportGlb, facts, openDemo, plain, test, type, value } from './app'
import { copiesIn } from './readBack'

async function begin(page: Page, address: string): Promise<void> {
  await page.goto(address)
  await page.getByRole('button', { name: 'New project' }).click()
  await expect(page.getByText('Begin with a layout')).toBeVisible()
}
const metres = async (page: Page, name: string): Promise<number> =>
  parseFloat(
    plain(await value(page, name).innerText())
      .replace('=', '')
      .replaceAll(' ', ''),
  ) / 1000

test('a curve is drawn by pointer, its points retyped, copies placed by gap', async ({ page, server }) => {
  await begin(page, server.address)
  await page.getByRole('group', { name: 'View' }).getByRole('button', { name: 'Top' }).click()
  await page.keyboard.press('Control+k')
  await page.keyboard.type('draw a curve')
  await page.keyboard.press('Enter')
  await expect(page.getByRole('dialog')).toHaveCount(0)
  const stage = (await page.locator('.frame').boundingBox())!
  for (const [x, y] of [
    [80, 300],
    [250, 180],
    [420, 400],
    [600, 300],
  ])
    await page.mouse.click(stage.x + x, stage.y + y)
  await page.keyboard.press('Enter')
  await expect(page.getByText('4 of them')).toBeVisible()
  await choose(page, /^Curve:/, /straight/)
  await page.getByText('Points, across, up and deep').click()
  // A right angle of 3 : 4 with straight legs of 0.6 m and 0.8 m.
  for (const [i, [x, z]] of [
    [0, 0],
    [0.6, 0],
    [0.6, 0.4],
    [0.6, 0.8],
  ].entries()) {
    await type(page, `Point ${i + 1} across`, `${x} m`)
    await type(page, `Point ${i + 1} deep`, `${z} m`)
  }
  await expect.poll(() => facts(page)).toContain('on 1 400 mm')
  await choose(page, /^Measure:/, /^gap/)
  await type(page, 'Spacing', '50 mm')
  // Boxes of 100 mm, 50 mm apart: floor(1.4 ÷ 0.15) + 1.
  await expect(value(page, 'Count')).toHaveText('10')
  const { bytes } = await exportGlb(page)
  const places = (await copiesIn(bytes)).map((c) => c.position)
  const origin = places[0]
  for (const [k, p] of places.entries()) {
    const s = 0.15 * k
    const wanted = s <= 0.6 ? [s, 0, 0] : [0.6, 0, s - 0.6]
    wanted.forEach((n, i) => expect(p[i] - origin[i]).toBeCloseTo(n, 8))
  }
})

test('a garland hangs by its length, and its end is dragged', async ({ page, server }) => {
  await openDemo(page, server)
  await page.locator('.list .row', { hasText: 'Lantern garland' }).first().click()
  await expect.poll(() => facts(page)).toContain('11 copies on 2 440 mm · pitch 221.82 mm')
  await drag(page, await centreOf(page, '[data-pin=chainEnd] .head'), { x: -60, y: 0 })
  expect(await metres(page, 'End across')).toBeLessThan(2.2)
  await expect.poll(() => facts(page)).toContain('on 2 440 mm')
  await page.keyboard.press('Control+z')
  await choose(page, /^Way:/, /straight distance/)
  const { bytes } = await exportGlb(page)
  const lanterns = (await copiesIn(bytes)).filter((c) => c.mesh.includes('lantern')).map((c) => c.position)
  const chords = lanterns.slice(1).map((p, k) => Math.hypot(...p.map((n, i) => n - lanterns[k][i])))
  expect(lanterns).toHaveLength(11)
  for (const chord of chords) expect(chord).toBeCloseTo(chords[0], 7)
})

test('a drawing is dropped and set out on its corners; a curve is never exported', async ({ page, server }) => {
  await begin(page, server.address)
  const svg =
    '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 60 40" width="600mm" height="400mm"><rect width="60" height="40"/></svg>'
  await drop(page, 'Tray outline.svg', Buffer.from(svg))
  await expect.poll(() => facts(page)).toContain('on 2 000 mm')
  await choose(page, /^Way:/, /every corner/)
  await type(page, 'Spacing', '200 mm')
  await expect.poll(() => facts(page)).toContain('10 copies')
  const { bytes } = await exportGlb(page)
  const places = (await copiesIn(bytes)).map((c) => c.position.slice(0, 2).map((n) => Math.round(n * 1e6) / 1e6))
  for (const corner of [
    [0, 0],
    [0.6, 0],
    [0.6, -0.4],
    [0, -0.4],
  ])
    expect(places).toContainEqual(corner)
  expect(places).toHaveLength(10)
})

test('a word is set in Bebas Neue, retyped, sized, and joined end to end', async ({ page, server }) => {
  await begin(page, server.address)
  await page.getByRole('button', { name: /^Path/ }).click()
  await choose(page, /^Curve:/, /lettering/)
  await page.getByRole('button', { name: 'Lettering: TEA' }).click()
  await page.getByRole('textbox', { name: 'Lettering' }).fill('E')
  await page.keyboard.press('Enter')
  await expect.poll(() => facts(page)).toContain('12 corners')
  const before = parseFloat(/on ([\d. ]+) mm/.exec(await facts(page))![1].replaceAll(' ', ''))
  await type(page, 'Letter size', '800 mm')
  await expect
    .poll(async () => parseFloat(/on ([\d. ]+) mm/.exec(await facts(page))![1].replaceAll(' ', '')))
    .toBeCloseTo(2 * before, 0)
  await choose(page, /^Way:/, /every corner/)
  await type(page, 'Spacing', '100 mm')
  await choose(page, /^Size along:/, /stretched/)
  const { bytes } = await exportGlb(page)
  const strips = await copiesIn(bytes)
  // A box 100 mm deep, stretched along its front: the end of one is the beginning of the next, all round.
  const end = (k: number, side: 1 | -1): number[] => {
    const {
      position,
      quaternion: [x, y, z, w],
      scale,
    } = strips[k]
    const front = [2 * (x * z + w * y), 2 * (y * z - w * x), 1 - 2 * (x * x + y * y)]
    return position.map((n, i) => n + side * front[i] * 0.05 * scale[2])
  }
  for (let k = 0; k < strips.length; k++) {
    const [a, b] = [end(k, 1), end((k + 1) % strips.length, -1)]
    expect(Math.hypot(...a.map((n, i) => n - b[i]))).toBeLessThan(1e-6)
  }
})

test('E13: things that stand alone are put on a path, count and order kept, and taken back', async ({
  page,
  server,
}) => {
  await openDemo(page, server)
  await page.locator('.list .row', { hasText: 'Tea leaf' }).click()
  const patterns = await page.locator('.list li').count()
  await page.getByRole('button', { name: 'Put other things on it' }).click()
  await page.getByRole('checkbox', { name: 'Tower' }).uncheck()
  await page.getByRole('button', { name: 'Put them on the path' }).click()
  await expect(page.locator('.list li')).toHaveCount(patterns - 4)
  await expect(value(page, 'Count')).toHaveText('4')
  await expect(page.getByRole('button', { name: 'Parts dealt: Shelf board, Turntable, Tray, Dish' })).toBeVisible()
  await page.getByRole('button', { name: 'Undo', exact: true }).click()
  await expect(page.locator('.list li')).toHaveCount(patterns)
})

test('a pattern is laid out anew, on the edges of a part, with handles, and in a font of one’s own', async ({
  page,
  server,
}) => {
  await openDemo(page, server)
  // E13: the nine tins keep their count and their order.
  await page.getByRole('button', { name: 'More for Shelf tins' }).click()
  await page.getByRole('menuitem', { name: 'Lay it out as' }).click()
  await page.getByRole('menuitem', { name: 'Path' }).click()
  await expect(value(page, 'Count')).toHaveText('9')
  await expect.poll(() => facts(page)).toContain('9 copies on')

  await choose(page, /^Curve:/, /edges of a part/)
  await choose(page, /^Part with the edges:/, /Bulb/)
  await expect(page.getByRole('alert')).toContainText('Bulb has no sharp edge')
  await choose(page, /^Part with the edges:/, /Dish/)
  await expect.poll(() => facts(page)).toContain('in 2 contours')

  await choose(page, /^Curve:/, /points with handles/)
  await choose(page, /^Curve:/, /points, straight/)
  await choose(page, /^Curve:/, /points with handles/)
  await page.getByText('Points, across, up and deep').click()
  const before = await facts(page)
  await page.getByRole('button', { name: 'Add a point after 1', exact: true }).click()
  await expect.poll(async () => (await facts(page)).slice(0, 20)).toBe(before.slice(0, 20))

  await choose(page, /^Curve:/, /lettering/)
  await expect.poll(() => facts(page)).toContain('contours')
  const chooser = page.waitForEvent('filechooser')
  await page.getByRole('button', { name: /^Font:/ }).click()
  await page.getByRole('option', { name: 'from a file…' }).click()
  await (
    await chooser
  ).setFiles(createRequire(import.meta.url).resolve('@fontsource/montserrat/files/montserrat-latin-400-normal.woff'))
  await expect(page.getByRole('button', { name: 'Font: montserrat-latin-400-normal.woff' })).toBeVisible()
})
