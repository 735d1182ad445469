import { readPgm } from '@hilera/core/pictures/pgm'
import type { Page } from '@playwright/test'
import { encode } from 'fast-png'
import { type Server, choose, exportGlb, expect, facts, pattern, plain, saved, screen, test, type, value } from './app'
import { copiesIn } from './readBack'

async function openTerrace(page: Page, server: Server): Promise<void> {
  await page.goto(server.address)
  await page
    .getByRole('link', { name: /Casa Níspero terrace/ })
    .first()
    .click()
  await expect(page.locator('.list .row', { hasText: 'Stools' })).toContainText('16', { timeout: 45_000 })
}
/** The facts of the settling step of the pattern that is read. */
const settled = async (page: Page): Promise<string> =>
  plain(await page.locator('.panel .step', { hasText: 'Settle on' }).locator('.facts').innerText())
const under = (page: Page, name: string) => page.locator('.under .row', { hasText: name }).click()
/** How high the stools stand in the file, by their seats. */
const seatsIn = async (bytes: Uint8Array) =>
  (await copiesIn(bytes)).filter((c) => /seat/i.test(c.mesh)).map((c) => c.position)

test('G2, G5, G8: stools stand on a deck and a slope, follow a slope that gets steeper, and one is exempt', async ({
  page,
  server,
}) => {
  await openTerrace(page, server)
  await pattern(page, 'Stools')
  expect(await settled(page)).toMatch(/^7 on Deck · 9 on Slope · .* up · steepest 4\.86°$/)
  const before = await seatsIn((await exportGlb(page)).bytes)
  expect(before).toHaveLength(16)
  await screen(page, 'Arrange')
  await under(page, 'Slope')
  await expect(page.locator('.panel .under-panel')).toContainText('settle on it and follow')
  await type(page, 'Rise', '600 mm')
  await pattern(page, 'Stools')
  // 600 mm over 4 m is 8.53°: more than the 8.02° that they may lean.
  await expect.poll(() => settled(page)).toMatch(/steepest 8\.02° · \d+ held to it$/)

  await page.locator('[data-profile="16"]').click()
  await page.getByRole('button', { name: 'Do not settle it' }).click()
  await expect.poll(() => settled(page)).toContain('1 is not settled')
  const after = await seatsIn((await exportGlb(page)).bytes)
  // Where the slope rises over the deck they stand on the slope; those on the deck stand as high as before.
  const heights = (all: readonly (readonly number[])[]): number[] => all.map((p) => Math.round(1000 * p[1]))
  const onDeck = (all: readonly (readonly number[])[]): number => heights(all).filter((h) => h === 740).length
  await screen(page, 'Arrange')
  expect([onDeck(before), `${onDeck(after)} on Deck`]).toEqual([7, (await settled(page)).split(' · ')[0]])
  expect(onDeck(after)).toBeLessThan(7)
  expect(Math.min(...after.map((p) => p[1]))).toBeCloseTo(0.38, 6)
  expect(heights(after)).not.toEqual(heights(before))
})

test('F1, F2, F5, A11: spots are clicked with the part that is picked in the tray, and one is taken away again', async ({
  page,
  server,
}) => {
  await openTerrace(page, server)
  await page.getByRole('button', { name: 'Top', exact: true }).click()
  await pattern(page, 'Stools')
  await page.locator('.tray .card', { hasText: 'Stool, round' }).click()
  // What is dealt and what is read of the part stand over the sentence of the spots.
  await page.getByRole('button', { name: 'Click more spots on the stage' }).click()
  await expect(page.locator('.asking')).toContainText('Click where the next Stool, round goes')
  const stage = (await page.locator('[data-keys=stage]').boundingBox())!
  const at = (x: number, y: number) => page.mouse.click(stage.x + x * stage.width, stage.y + y * stage.height)
  await at(0.4, 0.6)
  await page.locator('.tray .card', { hasText: 'Stool, square' }).click()
  await expect(page.locator('.asking')).toContainText('Stool, square')
  await at(0.45, 0.6)
  await at(0.5, 0.6)
  await page.keyboard.press('Enter')
  await expect(page.locator('.list .picked .count')).toHaveText('19')
  const spotsNow = async () => {
    const { patterns } = await saved(page, server)
    const { layout } = patterns.find((p) => p.name === 'Stools')!
    return 'spots' in layout ? layout.spots : []
  }
  const spots = await spotsNow()
  expect(spots.slice(16).map((s) => s.part)).toEqual(['stool-round', 'stool-square', 'stool-square'])
  await pattern(page, 'Stools')
  await page.locator('[data-profile="18"]').click()
  await page.getByRole('button', { name: 'Remove the picked spot' }).click()
  await expect(page.locator('.list .picked .count')).toHaveText('18')
  expect((await spotsNow()).map((s) => s.slot)).toEqual(spots.map((s) => s.slot).filter((slot) => slot !== 17))
})

test('F3: a plan is laid down and told one true length', async ({ page, server }) => {
  await openTerrace(page, server)
  await page.getByRole('button', { name: 'Top', exact: true }).click()
  const chooser = page.waitForEvent('filechooser')
  await page.getByRole('button', { name: 'Add a plan or a ground' }).click()
  await page.getByRole('menuitem', { name: 'Plan: a picture or a drawing…' }).click()
  const svg =
    '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 400 300"><rect width="400" height="300" fill="#abc"/></svg>'
  await (await chooser).setFiles({ name: 'garden.svg', mimeType: 'image/svg+xml', buffer: Buffer.from(svg) })
  await expect(page.locator('.under .row', { hasText: 'garden' })).toContainText('drawing, 1 unit is 5 mm')
  await page.getByRole('button', { name: 'Scale it by two places' }).click()
  const stage = (await page.locator('[data-keys=stage]').boundingBox())!
  for (const x of [0.4, 0.6]) await page.mouse.click(stage.x + x * stage.width, stage.y + 0.7 * stage.height)
  const distance = page.locator('.scale').getByRole('button', { name: /True distance/ })
  const metres = Number(plain(await distance.innerText()).replaceAll(/[^\d.]/g, '')) / 1000
  expect(metres).toBeGreaterThan(0.5)
  await distance.click()
  await page.getByRole('textbox', { name: 'True distance' }).fill('2690 mm')
  await page.keyboard.press('Enter')
  await expect(value(page, 'Width')).not.toHaveText(/^2 000/)
  const perPixel = async () => (await saved(page, server)).plans.find((p) => p.name === 'garden')?.perPixel
  await expect.poll(perPixel).toBeCloseTo((0.005 * 2.69) / metres, 5)
  await page.keyboard.press('Control+z')
  await expect(value(page, 'Width')).toHaveText(/^2.000/)
})

test('G2: a height picture of 16 bits keeps all of its shades', async ({ page, server }) => {
  await openTerrace(page, server)
  const shades = Uint16Array.of(0, 1, 256, 257, 40_000, 65_535)
  const picture = encode({ width: 3, height: 2, channels: 1, depth: 16, data: shades })
  const chooser = page.waitForEvent('filechooser')
  await page.getByRole('button', { name: 'Add a plan or a ground' }).click()
  await page.getByRole('menuitem', { name: 'Height picture…' }).click()
  await (await chooser).setFiles({ name: 'dunes.png', mimeType: 'image/png', buffer: Buffer.from(picture) })
  await expect(page.locator('.under .row', { hasText: 'dunes' })).toContainText('heights of dunes.png')
  const shape = (await saved(page, server)).grounds.find((g) => g.name === 'dunes')!.shape
  const file = 'file' in shape ? shape.file : ''
  const kept = await page.evaluate(
    async (sha256) => [...new Uint8Array(await (await fetch(`/api/files/${sha256}`)).arrayBuffer())],
    file,
  )
  expect(readPgm(Uint8Array.from(kept), 'dunes')).toMatchObject({
    ok: true,
    value: { width: 3, height: 2, values: shades, most: 65_535 },
  })
})

test('P5: places come from a table, a column that is missing is asked for, a row that cannot be read is told', async ({
  page,
  server,
}) => {
  await openTerrace(page, server)
  const chooser = page.waitForEvent('filechooser')
  await page.getByRole('button', { name: 'Add a pattern' }).click()
  await page.getByRole('menuitem', { name: 'Spots from a table…' }).click()
  const csv = 'left,y,z,part,turn\n100,0,200,Low lamp,90\n300,0,oops,Low lamp,0\n500,0,600,Tall lamp,0\n'
  await (await chooser).setFiles({ name: 'lamps.csv', mimeType: 'text/csv', buffer: Buffer.from(csv) })
  const dialog = page.getByRole('dialog', { name: 'Places from lamps.csv' })
  await expect(dialog).toContainText('Say which column tells across: the table has left, y, z, part, turn')
  await dialog.getByRole('combobox', { name: 'Across' }).click()
  await page.getByRole('option', { name: 'left' }).click()
  await expect(dialog).toContainText('Row 3, z: “oops” is no length.')
  await dialog.getByRole('button', { name: 'Place 2' }).click()
  await expect(page.locator('.list .picked')).toContainText('lamps')
  const placed = (await copiesIn((await exportGlb(page)).bytes))
    .filter((c) => /lamp/i.test(c.mesh))
    .map((c) => c.position)
  expect(placed).toContainEqual([0.1, 0, 0.2])
  expect(placed).toContainEqual([0.5, 0, 0.6])
})

test('F1: of thirty thousand spots one goes and comes back: what is sent is that one', async ({ page, server }) => {
  await openTerrace(page, server)
  const chooser = page.waitForEvent('filechooser')
  await page.getByRole('button', { name: 'Add a pattern' }).click()
  await page.getByRole('menuitem', { name: 'Spots from a table…' }).click()
  const rows = Array.from({ length: 30_000 }, (_, i) => `${(i % 200) * 400},0,${Math.floor(i / 200) * 400}`)
  const buffer = Buffer.from(`x,y,z\n${rows.join('\n')}\n`)
  await (await chooser).setFiles({ name: 'many.csv', mimeType: 'text/csv', buffer })
  await page.getByRole('dialog', { name: 'Places from many.csv' }).getByRole('button', { name: 'Place 30000' }).click()
  const spots = async (): Promise<readonly { slot: number }[]> => {
    const { layout } = (await saved(page, server)).patterns.find(({ name }) => name === 'many')!
    return 'spots' in layout ? layout.spots : []
  }
  expect(await spots()).toHaveLength(30_000)
  const sent: number[] = []
  page.on('request', (r) => r.method() === 'PATCH' && sent.push(r.postData()!.length))
  await page.getByRole('button', { name: 'Pick by words' }).click()
  await choose(page, /^Pick: /, 'numbers')
  await type(page, 'From number', '7')
  await type(page, 'To number', '7')
  await page.getByRole('button', { name: 'Pick', exact: true }).click()
  await expect(page.locator('.picks .told')).toContainText('1 copy picked')
  await page.getByRole('button', { name: 'Remove the picked spot' }).click()
  await expect(page.locator('.panel')).toContainText('29 999 places of their own')
  const left = await spots()
  expect([left.length, left[5].slot, left[6].slot]).toEqual([29_999, 5, 7])
  await page.getByRole('button', { name: /^Undo/ }).click()
  await expect(page.locator('.panel')).toContainText('30 000 places of their own')
  const back = await spots()
  expect([back.length, back[6].slot]).toEqual([30_000, 6])
  expect(sent.length).toBeGreaterThanOrEqual(2)
  expect(Math.max(...sent)).toBeLessThan(2000)
})

test('G1 to G4: a new ground is settled on by foot, above it, and goes into the file only where it is asked for', async ({
  page,
  server,
}) => {
  await page.goto(server.address)
  await page.getByRole('button', { name: 'New project' }).click()
  await page.getByRole('button', { name: 'Add a pattern' }).click()
  await page.getByRole('menuitem', { name: 'Line', exact: true }).click()
  await page.getByRole('button', { name: 'Add a plan or a ground' }).click()
  await page.getByRole('menuitem', { name: 'Steps', exact: true }).click()
  await type(page, 'Place up', '50 mm')
  await page.locator('.list .row').first().click()
  await page.getByRole('button', { name: 'Add a step' }).click()
  await page.getByRole('menuitem', { name: /Settle/ }).click()
  await expect.poll(() => settled(page)).toMatch(/on Steps/)
  await type(page, 'Above', '10 mm')
  await choose(page, /^Standing/, 'along the normal')
  await screen(page, 'Export')
  await choose(page, /^Grounds are/, 'written too')
  const { bytes } = await exportGlb(page)
  const copies = await copiesIn(bytes)
  expect(copies.some((c) => c.mesh === 'Steps')).toBe(true)
  // On the third of five treads, 180 mm each: 50 + 2 · 180 + 10.
  for (const { mesh, position } of copies) if (mesh !== 'Steps') expect(position[1]).toBeCloseTo(0.42, 6)
  await screen(page, 'Arrange')
  expect(await facts(page)).toBeTruthy()
})

test('F4, F9: copies are spread over a ground by its true area, no two nearer than asked, and follow its sentence', async ({
  page,
  server,
}) => {
  await page.goto(server.address)
  await page.getByRole('button', { name: 'New project' }).click()
  await expect(page.getByRole('button', { name: /^Surface/ })).toBeDisabled()
  await page.getByRole('button', { name: 'Add a plan or a ground' }).click()
  await page.getByRole('menuitem', { name: 'Waves', exact: true }).click()
  await page.getByRole('button', { name: 'Add a pattern' }).click()
  await page.getByRole('menuitem', { name: 'Surface', exact: true }).click()
  await type(page, 'Count', '40')
  await type(page, 'Least distance', '200 mm')
  await expect.poll(() => facts(page)).toMatch(/^40 copies on 6\.\d+ m²/)
  const first = (await copiesIn((await exportGlb(page)).bytes)).map((c) => c.position)
  expect(first).toHaveLength(40)
  for (const [i, p] of first.entries())
    for (const q of first.slice(0, i)) expect(Math.hypot(p[0] - q[0], p[1] - q[1], p[2] - q[2])).toBeGreaterThan(0.198)
  // Waves 120 mm high, 1 m from crest to crest, across.
  for (const [x, y] of first) expect(y).toBeCloseTo(0.06 * Math.sin(2 * Math.PI * x), 5)
  await screen(page, 'Arrange')
  await under(page, 'Waves')
  await expect(page.getByRole('button', { name: 'Remove' })).toBeDisabled()
  await type(page, 'Height', '0 mm')
  const flat = (await copiesIn((await exportGlb(page)).bytes)).map((c) => c.position)
  for (const [, y] of flat) expect(y).toBeCloseTo(0, 9)
})
