import type { Page } from '@playwright/test'
import {
  choose,
  cupsAmongTins,
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
} from './app'

/** Place and size of every lump of sugar in the exported file. */
async function lumps(page: Page): Promise<{ at: number[]; size: number }[]> {
  const { bytes } = await exportGlb(page)
  const nodes = under(await read(bytes), 'Loose sugar')
  await screen(page, 'Arrange')
  return nodes.map((n) => ({ at: n.getTranslation(), size: n.getScale()[0] }))
}
const facts = async (page: Page): Promise<string> =>
  plain(await page.locator('.panel .step', { hasText: 'Keep' }).locator('.facts').innerText())

test('K2, K3, K4: sugar is pushed apart, shrunk and left out: the figures on the page are those of the file', async ({
  page,
  server,
}) => {
  await openDemo(page, server)
  await pattern(page, 'Loose sugar')
  await expect.poll(() => facts(page)).toMatch(/^Clear to within 0\.1 mm · nearest gap 0\.4\d mm/)
  await expect(page.locator('[data-overlaps]')).toContainText('Overlaps 0')
  const pushed = await lumps(page)
  expect(pushed).toHaveLength(600)
  expect(pushed.every((l) => l.size === 1)).toBe(true)

  // Without it they lie as the fill left them, and overlap: the mark, the list and the figure say so.
  await page.locator('.panel .frame', { hasText: 'Keep' }).hover()
  await page.getByRole('button', { name: 'Remove the step clear' }).click()
  await expect(page.locator('[data-overlaps]')).toContainText('Overlaps 28')
  await expect(page.locator('.overlaps')).toContainText('28 overlaps')
  const loose = await lumps(page)
  await page.locator('.overlaps').getByRole('button', { name: 'Keep them clear' }).click()
  await choose(page, /^Cleared by/, 'shrinking')
  await type(page, 'Floor', '40')
  await expect.poll(() => facts(page)).toMatch(/\d+ shrunk, to \d+.* clear/)
  const shrunkTold = Number(/^(\d+) shrunk/.exec(await facts(page))![1])
  const shrunk = await lumps(page)
  expect(shrunk.map((l) => l.at)).toEqual(loose.map((l) => l.at))
  expect(shrunk.filter((l) => l.size < 1)).toHaveLength(shrunkTold)
  expect(Math.min(...shrunk.map((l) => l.size))).toBeGreaterThan(0.4)

  await choose(page, /^Cleared by/, 'leaving out')
  await expect.poll(() => facts(page)).toContain('left out · none of them could be put back')
  const out = Number(/^(\d+) of 600/.exec(await facts(page))![1])
  expect(out).toBeGreaterThan(10)
  expect(await lumps(page)).toHaveLength(600 - out)
  await screen(page, 'Export')
  await expect(page.locator('.column')).toContainText(`${out} that would overlap`)
})

test('K6, K7, K11: a clearance that cannot be kept says so, and what is typed wrong is refused', async ({
  page,
  server,
}) => {
  await openDemo(page, server)
  await pattern(page, 'Sampler tray')
  await page.keyboard.press('Control+k')
  await page.keyboard.type('add a step: clear')
  await page.keyboard.press('Enter')
  await expect.poll(() => facts(page)).toMatch(/^Already clear · (nearest gap .* · )?0 rounds/)
  await choose(page, /^Staying/, 'inside their box')
  await type(page, 'Clearance', '60')
  await expect
    .poll(() => facts(page))
    .toMatch(
      /^Not clear: \d+ pairs left.* of the room, which would have to be about \d+(\.\d+)? % larger .* stopped after 200 rounds/,
    )
  await type(page, 'Within', '0')
  await expect(page.getByRole('alert')).toContainText('stops at some distance above 0')
  await page.keyboard.press('Escape')
  await choose(page, /^Staying/, 'anywhere')
  await type(page, 'Clearance', '40')
  await expect.poll(() => facts(page)).toMatch(/^Clear to within 0\.1 mm · nearest gap (39\.9|40)/)
})

test('R4, R5, J13: nine seeds side by side; the best one is used in one step, and undone', async ({ page, server }) => {
  await openDemo(page, server)
  await pattern(page, 'Loose sugar')
  await page.locator('.panel .frame', { hasText: 'Keep' }).hover()
  await page.getByRole('button', { name: 'Remove the step clear' }).click()
  const before = await saved(page, server)
  await screen(page, 'Proofs')
  await expect(page.locator('.proof')).toHaveCount(9, { timeout: 60_000 })
  await expect(page.locator('.proof img')).toHaveCount(9)
  const overlaps = (await page.locator('.proof').allInnerTexts()).map((t) =>
    Number(/(\d+)\s+overlap/.exec(plain(t))![1]),
  )
  expect(overlaps).toEqual(overlaps.toSorted((a, b) => a - b))
  const seeds = (await page.locator('.proof').allInnerTexts()).map((t) => Number(/seed\s+(\d+)/.exec(plain(t))![1]))
  // The best one that is not the pattern's own already.
  const best = seeds.findIndex((s) => s !== 17)
  const seed = seeds[best]
  await page.locator('.proof').nth(best).click()
  await page.getByRole('button', { name: 'Use seed', exact: true }).click()
  const after = await saved(page, server)
  const fill = after.patterns.find((p) => p.name === 'Loose sugar')!.layout
  expect(fill.kind === 'fill' && fill.seed).toBe(seed)
  await page.keyboard.press('Control+z')
  expect(await saved(page, server)).toEqual(before)

  // One seed on by key, and back.
  await screen(page, 'Arrange')
  await page.locator('.frame').first().focus()
  await page.keyboard.press('n')
  const next = (await saved(page, server)).patterns.find((p) => p.name === 'Loose sugar')!.layout
  expect(next.kind === 'fill' && next.seed).toBe(18)
  await page.keyboard.press('Shift+N')
  expect(await saved(page, server)).toEqual(before)
  await screen(page, 'Proofs')

  // In order, from 100 by 10, and stopped on the way.
  await choose(page, /^Order/, 'in order')
  await page.getByRole('spinbutton', { name: 'From', exact: true }).click()
  await page.getByRole('textbox', { name: 'From' }).fill('100')
  await page.keyboard.press('Enter')
  await expect(page.locator('.proof').first()).toContainText('100')
  await page.getByRole('button', { name: 'Stop', exact: true }).click()
  expect(await page.locator('.proof').count()).toBeLessThan(9)

  // Two with one camera.
  await page.getByRole('spinbutton', { name: 'By', exact: true }).click()
  await page.getByRole('textbox', { name: 'By' }).fill('3')
  await page.keyboard.press('Enter')
  await expect(page.locator('.proof')).toHaveCount(9, { timeout: 60_000 })
  await page.getByRole('button', { name: 'Compare two' }).click()
  await page.locator('.proof').nth(0).click()
  await page.locator('.proof').nth(4).click()
  await expect(page.getByRole('dialog').locator('figcaption')).toHaveCount(2)
  await expect(page.getByRole('dialog').locator('figcaption').nth(1)).toContainText('112')
  for (const i of [0, 1])
    await expect(page.getByRole('dialog').locator('figure').nth(i)).toHaveAttribute('data-triangles', /^[1-9]\d{3,}$/)
})

test('K1, O3: checks tell overlaps and doubled copies, show them, and fix them', async ({ page, server }) => {
  await openDemo(page, server)
  await pattern(page, 'Sampler tray')
  await type(page, 'Spacing across', '-1 mm')
  await page.getByRole('button', { name: 'More for Shelf tins' }).click()
  await page.getByRole('menuitem', { name: 'Duplicate, linked' }).click()
  await pattern(page, 'Shelf tins 2')
  await type(page, 'Start across', '-590 mm')
  await type(page, 'Start deep', '0 mm')
  await screen(page, 'Checks')
  const findings = page.locator('.findings li')
  const rail = page.getByRole('navigation', { name: 'Screens' }).getByRole('link', { name: /^Checks/ })
  await expect(rail).toContainText('2')
  await expect(findings.first()).toContainText('9 copies stand exactly on another one')
  // What is ignored is not counted any more, until it is to be told again.
  await findings.first().getByRole('button', { name: 'Ignore' }).click()
  await expect(page.locator('.ignored')).toContainText('1 is ignored')
  await expect(findings).toHaveCount(1)
  await expect(rail).toContainText('1')
  await page.getByRole('button', { name: 'Tell it again' }).click()
  await expect(findings).toHaveCount(2)
  await findings.first().getByRole('button', { name: 'Leave those empty' }).click()
  await expect(findings.first()).toContainText('Sampler tray')
  await expect(findings.first()).toContainText(/\d+ pairs overlap, the deepest by/)
  await findings.first().getByRole('button', { name: 'Show' }).click()
  await expect(page.locator('[data-overlaps]')).toContainText(/Overlaps \d/)
  await findings.first().getByRole('button', { name: 'Keep them clear' }).click()
  await expect(page.locator('.findings .good')).toContainText('Nothing is wrong')
  await expect(page.locator('.charts .sentence')).toContainText('All are as large as their part')
  await expect(page.locator('.charts canvas')).toHaveCount(3)
})

test('K1: what overlaps between two patterns is told, marked in the list and shown; parts that nothing uses go in one step', async ({
  page,
  server,
}) => {
  await openDemo(page, server)
  await cupsAmongTins(page)
  await screen(page, 'Parts')
  await page.getByRole('button', { name: 'Add', exact: true }).click()
  await page.getByRole('menuitem', { name: 'Box', exact: true }).click()
  await screen(page, 'Checks')
  const findings = page.locator('.findings li')
  await expect(findings.filter({ hasText: 'Shelf tins and Turntable cups' })).toHaveCount(1)
  const unused = findings.filter({ hasText: 'never used' })
  await expect(unused).toContainText('1 part is never used: Box')
  await unused.getByRole('button', { name: 'Remove what is not used' }).click()
  await expect(unused).toHaveCount(0)
  await page.keyboard.press('Control+z')
  await expect(unused).toHaveCount(1)
  await findings.filter({ hasText: 'Shelf tins and' }).getByRole('button', { name: 'Show' }).click()
  await screen(page, 'Arrange')
  await expect(page.locator('.panel')).toContainText(/copies are picked|copies picked|of 25|copies/)
})

test('K10: cups pushed along a path stay on it; the clearance is drawn while its sentence is read', async ({
  page,
  server,
}) => {
  await openDemo(page, server)
  await pattern(page, 'Lantern garland')
  await page.keyboard.press('Control+k')
  await page.keyboard.type('add a step: clear')
  await page.keyboard.press('Enter')
  await expect.poll(() => facts(page)).toMatch(/^Already clear · 0 rounds/)
  const garland = async (): Promise<number[][]> => {
    const { bytes } = await exportGlb(page)
    const places = under(await read(bytes), 'Lantern garland').map((n) => [...n.getTranslation()])
    await screen(page, 'Arrange')
    return places
  }
  const before = await garland()
  await choose(page, /^Moving/, 'along the path')
  // A little more than the 100 mm that they have, for which the garland's ends still leave room.
  await type(page, 'Clearance', '108 mm')
  await type(page, 'Rounds', '2000')
  await expect.poll(() => facts(page)).toMatch(/^Clear to within 0\.1 mm · nearest gap 10(7\.9|8)/)
  const after = await garland()
  expect(after).not.toEqual(before)
  // All of them hang in one plane, and below where the garland is hung.
  for (const [k, [, y, z]] of after.entries()) {
    expect(z).toBeCloseTo(before[k][2], 6)
    expect(y).toBeLessThan(0)
  }
  for (let k = 1; k < after.length; k++) expect(after[k][0]).toBeGreaterThan(after[k - 1][0])
})

test('K5: cups in each other overlap by their outlines and not by their surfaces; one undo brings all back', async ({
  page,
  server,
}) => {
  await openDemo(page, server)
  await pattern(page, 'Turntable cups')
  const start = await saved(page, server)
  // Eighteen cups stacked in one place, each a little higher: they stand in each other.
  await type(page, 'Radius', '0.1 mm')
  await type(page, 'Rise', '30 mm')
  // None is told while they are still looked for.
  const overlaps = async (): Promise<number> => {
    const told = plain(await page.locator('[data-overlaps]').innerText())
    return Number(/^Overlaps (\d+)$/.exec(told)?.[1] ?? Infinity)
  }
  let byOutline = Infinity
  await expect
    .poll(async () => {
      byOutline = await overlaps()
      return Number.isFinite(byOutline) && byOutline > 0
    })
    .toBe(true)
  await choose(page, /^Measured/, 'from surface to surface')
  await expect.poll(overlaps, { timeout: 30_000 }).toBeLessThan(byOutline)
  const now = (await saved(page, server)).patterns.find((p) => p.name === 'Turntable cups')!
  expect(now.edges).toBe('mesh')
  for (let i = 0; i < 3; i++) await page.keyboard.press('Control+z')
  expect(await saved(page, server)).toEqual(start)
})
