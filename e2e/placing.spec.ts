import type { Page } from '@playwright/test'
import {
  centreOf,
  choose,
  drag,
  expect,
  facts,
  exportGlb,
  openDemo,
  pattern,
  plain,
  saved,
  screen,
  test,
  type,
  value,
} from './app'
import { copiesIn } from './readBack'

/** Picks one in every two of the tins: the first, third, fifth, seventh and ninth. */
async function pickEveryOther(page: Page): Promise<void> {
  await page.getByRole('button', { name: 'Pick by words' }).click()
  await page.getByRole('button', { name: 'Pick', exact: true }).click()
  await expect(page.locator('.picks .told')).toContainText('5 copies picked')
  await page.getByRole('button', { name: 'Pick by words' }).click()
}
const act = (page: Page, name: string) => page.locator('.picks').getByRole('button', { name, exact: true }).click()
const told = (page: Page) => page.locator('.picks section.act .facts')
const tinsIn = async (bytes: Uint8Array) =>
  (await copiesIn(bytes)).filter((c) => c.mesh.includes('tin')).map((c) => c.position)

test('I4, I5, I7: picked copies are spaced by a gap that is typed; the strip shows them, Esc leaves nothing', async ({
  page,
  server,
}) => {
  await openDemo(page, server)
  await pickEveryOther(page)
  await act(page, 'Space')
  await type(page, 'Distance', '40 mm')
  await expect(told(page)).toContainText('order kept')
  await expect(value(page, 'In all')).toHaveAttribute('aria-valuetext', /755.*worked out/)
  await expect(page.locator('.strip .working')).toContainText('as they will stand')
  await expect(page.locator('[data-gap="4"] text')).toHaveText('40')
  await page.keyboard.press('Escape')
  await expect(page.locator('.picks section.act')).toHaveCount(0)
  await expect(page.getByRole('button', { name: 'Undo' })).toBeDisabled()

  await act(page, 'Space')
  await expect(told(page)).toContainText('4 move')
  await page.locator('[data-keys=stage]').focus()
  await page.keyboard.press('Enter')
  await expect(page.getByText('Done, as one step.')).toBeVisible()
  await page.getByRole('button', { name: 'Make them a live line of this spacing' }).click()
  await expect(page.locator('.list .picked')).toContainText('Line of Shelf tins')
  await expect(value(page, 'Count')).toHaveText('5')
  await expect(value(page, 'Spacing')).toHaveText(/^40/)
  await page.keyboard.press('Control+z')
  await pattern(page, 'Shelf tins')
  await expect(page.locator('.list .picked .count')).toHaveText('9')
  const { bytes } = await exportGlb(page)
  const tins = await tinsIn(bytes)
  // The first one stays where it was; between outlines 119 mm wide lie 40 mm.
  const across = [0, 2, 4, 6, 8].map((k) => tins[k][0])
  expect(across[0]).toBeCloseTo(-0.59 + 0.0065 + 0.0595, 6)
  for (let k = 1; k < 5; k++) expect(across[k] - across[k - 1]).toBeCloseTo(0.159, 6)
  // Nobody else moved.
  expect(tins[1][0]).toBeCloseTo(-0.59 + 0.0065 + 0.0595 + 0.131, 6)
})

test('I1, I2, I12: they are lined up with a plane and with the marked one, and a locked pattern says so', async ({
  page,
  server,
}) => {
  await openDemo(page, server)
  await pickEveryOther(page)
  await act(page, 'Line up')
  await choose(page, /^With what: /, 'the plane')
  await type(page, 'Plane at', '30 mm')
  await expect(told(page)).toContainText('5 move')
  await page.getByRole('button', { name: 'Accept' }).click()
  await expect(page.getByText('Done, as one step.')).toBeVisible()
  // Said again: still the one step.
  await type(page, 'Plane at', '50 mm')
  await expect(told(page)).toContainText('109.5')
  await page.getByRole('button', { name: 'More for Shelf tins' }).click()
  await page.getByRole('menuitem', { name: 'Lock' }).click()
  await act(page, 'Line up')
  await type(page, 'Plane at', '0')
  await expect(told(page)).toContainText('Shelf tins is locked')
  await page.keyboard.press('Escape')

  const { bytes } = await exportGlb(page)
  const deep = (await tinsIn(bytes)).map((p) => p[2])
  // Far faces on the plane: the tins are 119 mm deep, their pivots in the middle.
  deep.forEach((z, k) => expect(z).toBeCloseTo(k % 2 === 0 ? 0.05 + 0.0595 : 0, 6))
})

test('I15, B14: a pin is dragged along its axis, and the figure typed again as often as wanted', async ({
  page,
  server,
}) => {
  await openDemo(page, server)
  await page.locator('[data-copy="3"]').click()
  await drag(page, await centreOf(page, '[data-motion=move-up] .head'), { x: 0, y: -40 }, async () => {
    await expect(page.locator('.note-chip')).toContainText('mm up')
  })
  await expect(page.getByText('Done, as one step.')).toBeVisible()
  expect(parseFloat(plain(await value(page, 'By up').innerText()))).toBeGreaterThan(10)
  for (const [typed, shown] of [
    ['80', '80 mm'],
    ['125 mm', '125 mm'],
  ]) {
    await page.locator('[data-keys=stage]').focus()
    await page.keyboard.press('Enter')
    await page.getByRole('textbox', { name: 'By up' }).fill(typed)
    await page.keyboard.press('Enter')
    await expect(value(page, 'By up')).toHaveText(shown.replace(' ', '\u202f'))
    await expect(page.getByText('Done, as one step.')).toBeVisible()
  }
  await expect(value(page, 'Moved up')).toHaveText(/125/)
  const { bytes } = await exportGlb(page)
  expect((await tinsIn(bytes)).map((p) => Math.round(1e6 * p[1]))).toEqual([
    24000, 24000, 149000, 24000, 24000, 24000, 24000, 24000, 24000,
  ])
  await page.keyboard.press('Control+z')
  await expect(page.getByRole('button', { name: 'Undo' })).toBeDisabled()
})

test('N1, N9, O5: patterns are grouped, moved as one, and go back to their baseline', async ({ page, server }) => {
  await openDemo(page, server)
  await pattern(page, 'Shelf tins')
  await page.locator('.list .row', { hasText: 'Turntable cups' }).click({ modifiers: ['Shift'] })
  await expect(page.locator('.picks .told')).toContainText('2 picked')
  await act(page, 'Group')
  await expect(page.locator('.list .group.picked')).toContainText('group of 2 patterns')
  await page.getByRole('button', { name: 'Take their places as baseline' }).click()
  const before = (await saved(page, server)).patterns.map((p) => p.place.move)
  await act(page, 'Move')
  await type(page, 'By up', '100 mm')
  await expect(told(page)).toContainText('1 moves by 100')
  await page.getByRole('button', { name: 'Accept' }).click()
  await expect(page.getByText('off by up to')).toBeVisible()
  const raised = (await saved(page, server)).patterns
  const grouped = raised.filter((p) => p.group !== undefined)
  expect(grouped.map((p) => p.name).sort()).toEqual(['Shelf tins', 'Turntable cups'])
  raised.forEach((p, k) => expect(p.place.move[1] - before[k][1]).toBeCloseTo(grouped.includes(p) ? 0.1 : 0, 12))
  await page.getByRole('button', { name: 'Back to the baseline' }).click()
  await expect(page.getByText('as in the baseline')).toBeVisible()
  expect((await saved(page, server)).patterns.map((p) => p.place.move)).toEqual(before)
  await page.keyboard.press('Control+z')
  await expect(page.getByText('off by up to')).toBeVisible()
})

test('I15, N9: a group is sized as one about its middle, gaps and all; unevenly it is refused, and one undo brings it back', async ({
  page,
  server,
}) => {
  await openDemo(page, server)
  const before = await tinsIn((await exportGlb(page)).bytes)
  await screen(page, 'Arrange')
  await pattern(page, 'Shelf tins')
  await page.locator('.list .row', { hasText: 'Turntable cups' }).click({ modifiers: ['Shift'] })
  await act(page, 'Group')
  await act(page, 'Move')
  await page.locator('.picks section.act').getByRole('button', { name: 'Say everything that can be set' }).click()
  await page
    .locator('.picks section.act')
    .getByRole('button', { name: /^About:/ })
    .click()
  await page.getByRole('option', { name: 'its middle' }).click()
  await type(page, 'Size by, up', '150 %')
  await expect(page.locator('.picks section.act').getByRole('alert')).toContainText('Patterns are sized evenly')
  await type(page, 'Size by, up', '100 %')
  await type(page, 'Size by', '150 %')
  await expect(told(page)).toContainText('is sized')
  await page.getByRole('button', { name: 'Accept' }).click()
  await pattern(page, 'Shelf tins')
  await expect(page.locator('.list .picked .count')).toHaveText('9')
  const { bytes, verdict } = await exportGlb(page)
  expect(verdict).toContain('no error')
  const tins = (await copiesIn(bytes)).filter((c) => c.mesh.includes('tin'))
  for (const { scale } of tins) for (const n of scale) expect(n).toBeCloseTo(1.5, 6)
  // Every distance between them is one and a half times as long.
  for (const [k, { position }] of tins.entries())
    for (let i = 0; i < 3; i++)
      expect(position[i] - tins[0].position[i]).toBeCloseTo(1.5 * (before[k][i] - before[0][i]), 6)
  await screen(page, 'Arrange')
  await page.keyboard.press('Control+z')
  expect(await tinsIn((await exportGlb(page)).bytes)).toEqual(before)
})

test('I15: one pattern is held whole, sized by its pin and by number, and let go of', async ({ page, server }) => {
  await openDemo(page, server)
  const before = await tinsIn((await exportGlb(page)).bytes)
  await screen(page, 'Arrange')
  await page.getByRole('button', { name: /^More for Shelf tins/ }).click()
  await page.getByRole('menuitem', { name: 'Move, turn and size it whole' }).click()
  await expect(page.locator('.picks')).toContainText('held whole')
  await page.getByRole('group', { name: 'What the pins do' }).getByRole('button', { name: 'Size' }).click()
  await drag(page, await centreOf(page, '[data-motion=size-evenly] .head'), { x: 40, y: -40 })
  await expect(page.getByText('Done, as one step.')).toBeVisible()
  await type(page, 'Size by', '150 %')
  await expect(told(page)).toContainText('is sized')
  const tins = (await copiesIn((await exportGlb(page)).bytes)).filter((c) => c.mesh.includes('tin'))
  for (const { scale } of tins) for (const n of scale) expect(n).toBeCloseTo(1.5, 6)
  for (const [k, { position }] of tins.entries())
    for (let i = 0; i < 3; i++)
      expect(position[i] - tins[0].position[i]).toBeCloseTo(1.5 * (before[k][i] - before[0][i]), 6)
  await screen(page, 'Arrange')
  await page.getByRole('button', { name: 'Pins of its layout' }).click()
  await expect(page.locator('[data-pin=end]')).toBeVisible()
  await expect(page.locator('.picks')).toContainText('No copy is picked')
})

test('B18, I8: another copy is dragged off and its count typed; what lies between is measured and kept', async ({
  page,
  server,
}) => {
  await openDemo(page, server)
  await page.keyboard.press('2')
  await page.locator('[data-copy="9"]').click()
  const told9 = page.locator('section.copy')
  await expect(told9).toContainText(/measures 119\s*mm × 150\s*mm × 119\s*mm; linked, one of 3/)
  await told9.getByRole('button', { name: 'Why it stands there' }).click()
  await expect(told9.getByRole('region', { name: 'Why it stands there' })).toContainText(/Line.*524/s)
  await told9.getByRole('button', { name: 'Hide why' }).click()
  await drag(page, await centreOf(page, '[data-motion=another] .head'), { x: 40, y: 0 }, async () => {
    await expect(page.locator('.note-chip')).toContainText('another, linked (L: own part)')
    // A3: what it is is chosen while it is dragged.
    await page.keyboard.press('l')
    await expect(page.locator('.note-chip')).toContainText('another, own part (L: linked)')
    await expect(page.getByRole('button', { name: 'Linked: with an own part' })).toBeVisible()
    await page.keyboard.press('l')
    await expect(page.locator('.note-chip')).toContainText('another, linked')
  })
  await expect(page.getByText('Done, as one step.')).toBeVisible()
  await type(page, 'Step across', '200 mm')
  await type(page, 'How many more', '3')
  await expect(told(page)).toContainText('3 new')
  await expect(page.locator('.list .row', { hasText: 'More of Shelf tins' })).toContainText('3')

  await page.keyboard.press('m')
  for (const dot of [7, 8]) {
    const at = await centreOf(page, `.over .dot >> nth=${dot}`)
    await page.mouse.click(at.x, at.y)
  }
  const card = page.getByRole('region', { name: 'Measured' })
  await expect(card).toContainText('Shelf tins 8 to Shelf tins 9')
  await expect(card.getByRole('button', { name: /^clear between surfaces: 12/ })).toBeVisible()
  await expect(card.getByRole('button', { name: /^pivot to pivot: 131/ })).toBeVisible()
  await card.getByRole('button', { name: 'Keep on the stage: clear between surfaces' }).click()
  const { measures, patterns } = await saved(page, server)
  expect(measures).toHaveLength(1)
  const spots = patterns.find((p) => p.name === 'More of Shelf tins')!.layout
  const places = 'spots' in spots ? spots.spots.map((s) => s.move[0]) : []
  const [first] = places
  places.forEach((x, k) => expect(x - first).toBeCloseTo(0.2 * k, 9))
})

test('G1: a copy is put with its base on a face that is clicked, and Esc leaves it where it was', async ({
  page,
  server,
}) => {
  await openDemo(page, server)
  await page.keyboard.press('2')
  await page.locator('[data-copy="9"]').click()
  await act(page, 'Put on a face')
  await expect(page.locator('.asking')).toContainText('Click the face')
  await page.keyboard.press('Escape')
  await expect(page.locator('.picks section.act')).toHaveCount(0)
  await act(page, 'Put on a face')
  // The lid of another tin, seen from above: 24 mm of board and 150 mm of tin.
  const lid = await centreOf(page, '.over .dot >> nth=2')
  await page.mouse.click(lid.x, lid.y)
  await expect(told(page)).toContainText('1 moves')
  await type(page, 'Above it', '5 mm')
  await page.getByRole('button', { name: 'Accept' }).click()
  await expect(page.getByText('Done, as one step.')).toBeVisible()
  const tins = await tinsIn((await exportGlb(page)).bytes)
  expect(tins[8][1] - tins[2][1]).toBeCloseTo(0.15 + 0.005, 3)
  expect(Math.hypot(tins[8][0] - tins[2][0], tins[8][2] - tins[2][2])).toBeLessThan(0.05)
})

test('I4: picked copies are spaced along the path of another pattern, by pitch and by gap', async ({
  page,
  server,
}) => {
  await openDemo(page, server)
  await pickEveryOther(page)
  await act(page, 'Space')
  const panel = page.locator('.picks section.act')
  await panel.getByRole('button', { name: /^Along:/ }).click()
  await page.getByRole('option', { name: 'the path of Lantern garland' }).click()
  await choose(page, /^Measured as: /, 'pitch')
  await type(page, 'Distance', '2 m')
  await expect(panel.getByRole('alert')).toContainText('The path is too short for that, by')
  await type(page, 'Distance', '200 mm')
  await choose(page, /^Measured as: /, 'gap')
  await type(page, 'Distance', '80 mm')
  await choose(page, /^Which stays: /, 'the middle one')
  await expect(told(page)).toContainText('order kept')
  await page.getByRole('button', { name: 'Accept' }).click()
  await expect(page.getByText('Done, as one step.')).toBeVisible()
  // A path of their own over that curve, with the gap as its value; nobody moves.
  await page.getByRole('button', { name: 'Make them a live path of this spacing' }).click()
  await expect(page.locator('.list .picked')).toContainText('Path of Shelf tins')
  await expect(value(page, 'Count')).toHaveText('5')
  await expect.poll(() => facts(page)).toContain('gap 80 mm')
  // They hang with the lanterns now, upright and of one width: where the path is level, no farther apart than their width and the gap.
  const hung = (await tinsIn((await exportGlb(page)).bytes)).filter(([, y]) => y > 0.3)
  expect(hung).toHaveLength(5)
  const away = hung.slice(1).map((p, k) => Math.hypot(...p.map((n, i) => n - hung[k][i])))
  for (const distance of away) {
    expect(distance).toBeGreaterThanOrEqual(0.199 - 1e-6)
    expect(distance).toBeLessThan(0.25)
  }
  await screen(page, 'Arrange')
  await page.keyboard.press('Control+z')
  await page.keyboard.press('Control+z')
  expect((await tinsIn((await exportGlb(page)).bytes)).filter(([, y]) => y > 0.3)).toHaveLength(0)
})

test('I6: picked cups are evened out all the way round their circle, and become a live ring', async ({
  page,
  server,
}) => {
  await openDemo(page, server)
  await pattern(page, 'Turntable cups')
  await page.getByRole('button', { name: 'Pick by words' }).click()
  await type(page, 'Every', '5')
  await page.getByRole('button', { name: 'Pick', exact: true }).click()
  await expect(page.locator('.picks .told')).toContainText('4 copies picked')
  await page.getByRole('button', { name: 'Pick by words' }).click()
  await act(page, 'Space')
  await choose(page, /^Along: /, 'the circle that fits them')
  await choose(page, /^How: /, /Even them out/)
  await expect(told(page)).toContainText('radius 270 mm')
  await expect(told(page)).toContainText('3 move')
  await expect(page.locator('.strip .copy')).toHaveCount(4)
  await page.getByRole('button', { name: 'Accept' }).click()
  await expect(page.getByText('Done, as one step.')).toBeVisible()
  await page.getByRole('button', { name: 'Make them a live ring of this spacing' }).click()
  await expect(page.locator('.list .picked')).toContainText('Ring of Turntable cups')
  await expect(value(page, 'Count')).toHaveText('4')
  await expect.poll(() => facts(page)).toContain('90° apart')
  const cups = (await copiesIn((await exportGlb(page)).bytes)).filter((c) => c.mesh.includes('Cup'))
  expect(cups).toHaveLength(18)
  const angles = cups.map(({ position: [x, , z] }) => {
    expect(Math.hypot(x + 0.72, z - 0.62)).toBeCloseTo(0.27, 6)
    return ((Math.atan2(0.62 - z, x + 0.72) * 180) / Math.PI + 360) % 360
  })
  const at = (angle: number) => angles.filter((a) => Math.abs(((a - angle + 540) % 360) - 180) < 1e-4).length
  // Where a cup of the turntable stood already there are two now, and none where the picked ones stood.
  expect([0, 90, 180, 270].map(at)).toEqual([1, 1, 2, 1])
  expect([100, 200, 300].map(at)).toEqual([0, 0, 0])
})
