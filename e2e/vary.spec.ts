import { WebIO } from '@gltf-transform/core'
import type { Page } from '@playwright/test'
import {
  choose,
  exportGlb,
  expect,
  openDemo,
  pattern,
  plain,
  read,
  saved,
  screen,
  test,
  type,
  under,
  value,
} from './app'
import { grayPng } from './pictures'

test('J1, J10, J11: tins are turned by chance within what is typed; the facts, the seed and the file agree', async ({
  page,
  server,
}) => {
  await openDemo(page, server)
  await page.getByRole('button', { name: 'Add a step' }).press('Enter')
  await page.getByRole('menuitem', { name: /^Vary/ }).click()
  await type(page, 'Share of copies', '40 %')
  await type(page, 'High', '12')
  await type(page, 'Low', '-12')
  const step = page.locator('.step', { hasText: 'Vary' })
  await expect(step.locator('.facts')).toContainText('changed')
  await expect(step.locator('.facts')).not.toContainText('9 of 9')
  const changed = Number(/(\d+) of 9/.exec(plain(await step.locator('.facts').innerText()))![1])
  const turns = async (): Promise<number[]> => {
    const { bytes, verdict } = await exportGlb(page)
    expect(verdict).toContain('The validator found no error')
    const root = (await new WebIO().readBinary(bytes)).getRoot()
    const shelf = root.listNodes().find((n) => n.getName() === 'Shelf tins')!
    return shelf.listChildren().map((n) => (2 * Math.atan2(n.getRotation()[1], n.getRotation()[3]) * 180) / Math.PI)
  }
  const first = await turns()
  expect(first.filter((a) => Math.abs(a) > 1e-9)).toHaveLength(changed)
  for (const a of first) expect(Math.abs(a)).toBeLessThanOrEqual(12 + 1e-9)

  // One strength for all that varies the pattern: at half of it half the angles.
  await page.getByRole('navigation', { name: 'Screens' }).getByRole('link', { name: 'Arrange' }).click()
  await type(page, 'All variation', '50 %')
  for (const [k, a] of (await turns()).entries()) expect(a).toBeCloseTo(first[k] / 2, 9)
  await page.getByRole('navigation', { name: 'Screens' }).getByRole('link', { name: 'Arrange' }).click()
  await page.keyboard.press('Control+z')

  // A copy fewer leaves the others as they are.
  await type(page, 'Room', '1050 mm')
  const fewer = await turns()
  expect(fewer).toHaveLength(8)
  for (const [k, a] of fewer.entries()) expect(a).toBeCloseTo(first[k], 9)
})

test('J9, A17: a size of nothing is refused; a part’s own variation reaches its copies, and a pattern may do without', async ({
  page,
  server,
}) => {
  await openDemo(page, server)
  await page.getByRole('navigation', { name: 'Screens' }).getByRole('link', { name: 'Parts' }).click()
  await page.locator('.wall .card', { hasText: 'Cup' }).click()
  await page.getByText('Variation of its own, 0').click()
  await page.getByRole('button', { name: 'Let its copies vary' }).click()
  await page.getByRole('button', { name: /^What varies/ }).click()
  await page.getByRole('option', { name: 'their size', exact: true }).click()
  const low = value(page, 'Low', '.told')
  await low.press('Enter')
  await page.getByRole('textbox', { name: 'Low', exact: true }).fill('0')
  await page.keyboard.press('Enter')
  await expect(page.locator('.told .problem')).toContainText('turns a copy inside out')
  await page.keyboard.press('Escape')
  const sizes = async (): Promise<number[]> => {
    const root = (await new WebIO().readBinary((await exportGlb(page)).bytes)).getRoot()
    const cups = root.listNodes().find((n) => n.getName() === 'Turntable cups')!
    return cups.listChildren().map((n) => n.getScale()[0])
  }
  const varied = await sizes()
  expect(new Set(varied).size).toBe(18)
  for (const s of varied) expect(s).toBeGreaterThanOrEqual(0.9)
  await page.getByRole('navigation', { name: 'Screens' }).getByRole('link', { name: 'Arrange' }).click()
  await page.locator('.list .row', { hasText: 'Turntable cups' }).click()
  await page.getByRole('button', { name: /^Variation of the parts/ }).click()
  await page.getByRole('option', { name: 'not by themselves here' }).click()
  expect(new Set(await sizes())).toEqual(new Set([1]))
})

/** Adds a step that varies to the picked pattern: by pointer, from wherever the panel stands; its menu moves along. */
async function addVary(page: Page): Promise<void> {
  await page.getByRole('button', { name: 'Add a step' }).click()
  await page.getByRole('menuitem', { name: /^Vary/ }).click()
}
const lastStep = (page: Page) => page.locator('.panel .step', { hasText: 'Vary' }).last()
const told = async (page: Page): Promise<string> => plain(await lastStep(page).locator('.facts').innerText())
/** Sizes of the tins on the shelf with their places, from the file. */
async function tins(page: Page): Promise<{ x: number; size: number }[]> {
  const { bytes } = await exportGlb(page)
  const nodes = under(await read(bytes), 'Shelf tins')
  await screen(page, 'Arrange')
  return nodes.map((n) => ({ x: n.getTranslation()[0], size: n.getScale()[0] }))
}

test('a variation near a point fades with the distance from it, as the file has it', async ({ page, server }) => {
  await openDemo(page, server)
  await addVary(page)
  // As they stand, fewer would fit.
  await choose(page, /^Outlines/, 'as dealt')
  await choose(page, /^What varies/, 'their size')
  await type(page, 'High', '200')
  await type(page, 'Low', '200')
  await choose(page, /^Where it reaches/, 'near a point')
  const shelf = (await saved(page, server)).patterns.find((p) => p.name === 'Shelf tins')!
  const step = shelf.steps.find((s) => s.kind === 'vary')!
  const reach = step.kind === 'vary' && step.reach ? step.reach : undefined
  expect(reach?.from.kind).toBe('point')
  await type(page, 'Point across', '0')
  await type(page, 'None from', '500 mm')
  await expect.poll(() => told(page)).toMatch(/^\d of 9 changed · from 1\d\d(\.\d+)? % to 1\d\d/)
  const point = reach!.from.kind === 'point' ? reach!.from.point : [0, 0, 0]
  for (const { x, size } of await tins(page)) {
    const away = Math.hypot(x, point[1], point[2])
    expect(size).toBeCloseTo(2 ** Math.max(0, 1 - away / 0.5), 4)
  }
})

test('J14: tins are sized by the brightness of a picture; undo takes the picture away again', async ({
  page,
  server,
}) => {
  await openDemo(page, server)
  const before = await saved(page, server)
  await addVary(page)
  // As they stand, more of them would fit.
  await choose(page, /^Outlines/, 'as dealt')
  await choose(page, /^What varies/, 'their size')
  await type(page, 'High', '100')
  await type(page, 'Low', '50')
  const chooser = page.waitForEvent('filechooser')
  await choose(page, /^Given by/, /brightness of a picture/)
  // Black on the left, white on the right, in even steps.
  await (await chooser).setFiles({ name: 'ramp.png', mimeType: 'image/png', buffer: grayPng(256, 4, (x) => x) })
  await expect.poll(() => told(page)).toMatch(/^9 of 9 changed · from 50(\.\d+)? % to 100 %/)
  const sized = await tins(page)
  for (let k = 1; k < 9; k++) expect(sized[k].size).toBeGreaterThan(sized[k - 1].size)
  // Evenly in ratio over the width that covers them all.
  const [first, middle] = [sized[0], sized[4]]
  expect(first.size).toBeCloseTo(0.5, 2)
  expect(middle.size).toBeCloseTo(Math.SQRT1_2, 2)

  // The picture comes back with the project.
  await page.reload()
  await expect(page.locator('[data-copy="9"]')).toBeVisible({ timeout: 45_000 })
  await expect.poll(() => told(page)).toMatch(/^9 of 9 changed · from 50/)
  await expect(page.getByRole('button', { name: 'Picture: ramp.png' })).toBeVisible()
  await choose(page, /^Outlines/, 'as they stand')
  await lastStep(page).hover()
  await page.getByRole('button', { name: 'Remove the step vary' }).click()
  expect((await saved(page, server)).patterns).toEqual(before.patterns)
})

test('a file that is no picture is refused with a sentence, and nothing changes', async ({ page, server }) => {
  await openDemo(page, server)
  await addVary(page)
  const before = await saved(page, server)
  const chooser = page.waitForEvent('filechooser')
  await choose(page, /^Given by/, /brightness of a picture/)
  await (await chooser).setFiles({ name: 'notes.png', mimeType: 'image/png', buffer: Buffer.from('not a picture') })
  await expect(page.getByText('notes.png is not a picture that can be read here')).toBeVisible()
  expect(await saved(page, server)).toEqual(before)
})

test('colours between two come in as many shades as are typed, one mesh each in the file', async ({ page, server }) => {
  await openDemo(page, server)
  await pattern(page, 'Turntable cups')
  await addVary(page)
  await choose(page, /^What varies/, 'their colour')
  await type(page, 'Shades', '3')
  await expect.poll(() => told(page)).toBe('18 of 18 changed · 3 shades')
  const { bytes, verdict } = await exportGlb(page)
  expect(verdict).toContain('The validator found no error')
  const cups = under(await read(bytes), 'Turntable cups')
  const meshes = new Set(cups.map((n) => n.getMesh()!))
  expect(meshes.size).toBe(3)
  const points = [...meshes].map((m) => m.listPrimitives()[0].getAttribute('POSITION'))
  expect(new Set(points).size).toBe(1)
  await screen(page, 'Arrange')
  await type(page, 'Shades', '1')
  await expect(page.getByRole('alert')).toContainText('from 2 to 64')
})

test('J4: one seed for all of a pattern, on by key and in Proofs, and of its own again', async ({ page, server }) => {
  await openDemo(page, server)
  await pattern(page, 'Sampler tray')
  const tray = async () => (await saved(page, server)).patterns.find((p) => p.name === 'Sampler tray')!
  const before = await tray()
  await choose(page, /^Whose seed/, 'for all')
  expect((await tray()).seed).toBe(17)
  await type(page, 'Seed', '41')
  expect((await tray()).seed).toBe(41)
  // A second step that is left to chance has the same one.
  await addVary(page)
  await expect(value(page, 'Seed').last()).toHaveText(/41/)
  await page.keyboard.press('Control+z')
  await page.locator('.frame').first().focus()
  await page.keyboard.press('n')
  expect((await tray()).seed).toBe(42)
  await screen(page, 'Proofs')
  await expect(page.getByRole('button', { name: /^What changes/ })).toContainText('its seed')
  await screen(page, 'Arrange')
  await choose(page, /^Whose seed/, 'of its own')
  expect(await tray()).toEqual(before)
})
