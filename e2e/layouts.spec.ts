import type { Page } from '@playwright/test'
import { centreOf, choose, drag, expect, exportGlb, facts, openDemo, plain, test, type, value } from './app'
import { grayPng } from './pictures'
import { copiesIn, type PlacedCopy } from './readBack'

/** A project of its own with one box and one layout of it. */
async function begin(page: Page, address: string, layout: string): Promise<void> {
  await page.goto(address)
  await page.getByRole('button', { name: 'New project' }).click()
  await page.getByRole('button', { name: new RegExp(`^${layout}`) }).click()
  await expect(page.locator('.panel .facts').first()).not.toBeEmpty()
}

const exported = async (page: Page): Promise<PlacedCopy[]> => {
  const { bytes, verdict } = await exportGlb(page)
  expect(verdict).toContain('The validator found no error')
  return copiesIn(bytes)
}
const back = (page: Page) =>
  page.getByRole('navigation', { name: 'Screens' }).getByRole('link', { name: 'Arrange' }).click()
const rounded = (list: Iterable<number>): number[] =>
  [...new Set(Array.from(list, (n) => Math.round(n * 1e6) / 1e6 || 0))].sort((a, b) => a - b)

test('a grid is set up, shifted, thinned of its middle and exported', async ({ page, server }) => {
  await begin(page, server.address, 'Grid')
  await type(page, 'Count across', '6')
  await choose(page, /^Measure across:/, /pitch/)
  await type(page, 'Spacing across', '150 mm')
  await type(page, 'Spacing deep', '1/2 ft - 100 mm')
  await expect.poll(() => facts(page)).toContain('6 × 4 = 24 copies')
  let copies = await exported(page)
  expect(copies).toHaveLength(24)
  expect(rounded(copies.map((c) => c.position[0]))).toEqual([0.05, 0.2, 0.35, 0.5, 0.65, 0.8])
  // A gap of 52.4 mm between boxes of 100 mm.
  expect(rounded(copies.map((c) => c.position[2]))).toEqual([0.05, 0.2024, 0.3548, 0.5072])

  await back(page)
  await choose(page, /^Rows:/, /hexagonal/)
  await choose(page, /^Places used:/, /border/)
  await expect.poll(() => facts(page)).toContain('of which 16 are used')
  copies = await exported(page)
  expect(copies).toHaveLength(16)
  const rows = rounded(copies.map((c) => c.position[2]))
  expect(rows[1] - rows[0]).toBeCloseTo((0.15 * Math.sqrt(3)) / 2, 6)

  await back(page)
  await page.getByRole('button', { name: 'Undo' }).click()
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect.poll(() => facts(page)).toContain('6 × 4 = 24 copies')
  await page.locator('[data-band=across] [data-copy="3"]').click()
  await page.keyboard.press('Delete')
  await type(page, 'Count across', '8')
  copies = await exported(page)
  expect(copies).toHaveLength(31)
  expect(copies.some((c) => Math.abs(c.position[0] - 0.35) < 1e-6 && Math.abs(c.position[2] - 0.05) < 1e-6)).toBe(false)
})

test('a ring holds any two of count, radius and spacing', async ({ page, server }) => {
  await openDemo(page, server)
  await page.locator('.list .row', { hasText: 'Turntable cups' }).click()
  await expect.poll(() => facts(page)).toContain('20° apart · arc 94.25 mm · straight 93.77 mm')
  await type(page, 'Count', '12')
  await expect.poll(() => facts(page)).toContain('30° apart')
  await choose(page, /^Measure:/, /straight/)
  await type(page, 'Spacing', '100 mm')
  // Count was touched before the radius: 12 × 100 mm chords make a radius of 50 ÷ sin 15°.
  await expect(value(page, 'Radius')).toHaveText(/193\.19/)
  await expect(page.locator('.strip .gap text').first()).toHaveText('100')
  await drag(page, await centreOf(page, '[data-pin=radius] .head'), { x: 40, y: 0 }, async () => {
    await page.keyboard.press('Escape')
  })
  await expect(value(page, 'Radius')).toHaveText(/193\.19/)
  const cups = (await exported(page)).filter((c) => c.mesh.startsWith('Cup'))
  expect(cups).toHaveLength(12)
  for (const [k, cup] of cups.entries()) {
    const next = cups[(k + 1) % 12]
    expect(Math.hypot(...cup.position.map((n, i) => n - next.position[i]))).toBeCloseTo(0.1, 9)
    // Its front looks away from the centre: the turn about up is that of its place, a quarter on.
    const angle = Math.atan2(-(cup.position[2] - 0.62), cup.position[0] + 0.72) + Math.PI / 2
    const turn = 2 * Math.atan2(cup.quaternion[1], cup.quaternion[3])
    expect(Math.cos(turn - angle)).toBeCloseTo(1, 9)
  }
})

test('a helix rises and widens, graded in size', async ({ page, server }) => {
  await begin(page, server.address, 'Ring')
  await choose(page, /^Sweep:/, /through an angle/)
  await type(page, 'Angle', '720')
  await type(page, 'Count', '9')
  await type(page, 'Rise', '25 mm')
  await expect.poll(() => facts(page)).toContain('the last stands 200 mm higher')
  await page.getByRole('button', { name: 'Add a step' }).click()
  await page.getByRole('menuitem', { name: /Grade/ }).click()
  await type(page, 'Last', '25 %')
  await expect(page.locator('.panel .facts').nth(1)).toContainText('the last')
  const copies = await exported(page)
  expect(copies[8].position[1]).toBeCloseTo(0.2, 9)
  expect(copies[8].scale[0]).toBeCloseTo(0.25, 9)
  expect(copies[4].scale[1]).toBeCloseTo(0.625, 9)
  await back(page)
  await page.keyboard.press('Control+z')
  await page.keyboard.press('Control+z')
  await expect(page.getByText('Size them')).toHaveCount(0)
})

test('a fill keeps what it has when it grows, and its outline is drawn', async ({ page, server }) => {
  await begin(page, server.address, 'Fill')
  await type(page, 'Count', '10')
  const few = await exported(page)
  await back(page)
  await type(page, 'Count', '16')
  const more = await exported(page)
  expect(more).toHaveLength(16)
  expect(more.slice(0, 10).map((c) => c.position)).toEqual(few.map((c) => c.position))
  await back(page)
  // A list that was chosen from and still fades takes neither the key nor the press.
  await page.evaluate(() => {
    const slow = new CSSStyleSheet()
    slow.insertRule('body .p-anchored-overlay-leave-active { animation-duration: 5s !important }')
    document.adoptedStyleSheets.push(slow)
  })
  await choose(page, /^Outline:/, /an outline/)
  await page.keyboard.press('2')
  await expect(page.getByRole('button', { name: 'Top', exact: true })).toHaveAttribute('aria-pressed', 'true')
  await drag(page, await centreOf(page, '[data-pin="point 2"] .head'), { x: -60, y: -40 })
  await page.getByText('Points, across and deep').click()
  const corner = plain(await value(page, 'Point 3 across').innerText())
  expect(parseFloat(corner)).toBeLessThan(550)
  await type(page, 'Point 3 across', '200 mm')
  await type(page, 'Point 3 deep', '0')
  await page.getByRole('button', { name: 'Add a point after 1' }).click()
  await expect(page.getByText('of 5 points')).toBeVisible()
  for (const { position } of await exported(page)) {
    const [x, , z] = position
    // Right of the straight edge from (550, −375) to (200, 0) nothing may stand.
    if (z > -0.375 && z < 0) expect(x).toBeLessThanOrEqual(0.55 + ((z + 0.375) / 0.375) * (0.2 - 0.55) + 1e-6)
  }
})

test('companions follow their host through swaps, touch-ups and empty places', async ({ page, server }) => {
  await openDemo(page, server)
  await page.locator('.list .row', { hasText: 'Lantern garland' }).first().click()
  await page.locator('[data-copy="3"]').click()
  await page.keyboard.press('Delete')
  await page.locator('[data-copy="1"]').click()
  await type(page, 'Moved up', '100 mm')
  await expect(page.locator('.list li', { hasText: 'Bulbs' }).locator('.count')).toHaveText('10')
  const copies = await exported(page)
  const bulbs = copies.filter((c) => c.mesh.startsWith('Bulb'))
  const lanterns = copies.filter((c) => c.mesh.includes('lantern'))
  expect([bulbs.length, lanterns.length]).toEqual([10, 10])
  for (const [k, { position }] of bulbs.entries()) {
    // A lantern is 162 mm tall; the bulb hangs 102 mm under its top.
    lanterns[k].position.forEach((n, i) => expect(position[i]).toBeCloseTo(n + (i === 1 ? 0.06 : 0), 9))
  }
})

test('a pattern is repeated whole, and a cycle is refused', async ({ page, server }) => {
  await begin(page, server.address, 'Ring')
  await page.getByRole('button', { name: 'More for Box ring' }).click()
  await page.getByRole('menuitem', { name: 'Repeat it in a row' }).click()
  await expect(page.getByRole('button', { name: /Name of the pattern: Row of Box ring/ })).toBeVisible()
  await type(page, 'Spacing', '1 m')
  await choose(page, /^Measure:/, /pitch/)
  const copies = await exported(page)
  expect(copies).toHaveLength(24)
  const first = copies.slice(0, 8)
  for (const [n, copy] of copies.entries()) {
    const step = copies[8].position[0] - copies[0].position[0]
    expect(copy.position[0] - first[n % 8].position[0]).toBeCloseTo(Math.floor(n / 8) * step, 9)
  }
  await back(page)
  await page.locator('.list .row', { hasText: 'Box ring' }).first().click()
  await page.getByRole('button', { name: /^Parts dealt/ }).click()
  await page.getByRole('button', { name: 'Deal the pattern Row of Box ring too' }).click()
  await expect(page.getByRole('alert')).toContainText('a pattern cannot contain itself')
})

test('O8: a new step and a new pattern begin as the last one was left, say so, and go back in one click', async ({
  page,
  server,
}) => {
  await begin(page, server.address, 'Ring')
  const note = page.locator('.panel .note', { hasText: 'Begins as the last one was left.' })
  await page.keyboard.press('a')
  await page.getByRole('menuitem', { name: /Thin/ }).click()
  await expect(value(page, 'Every')).toHaveText('2')
  await expect(note).toHaveCount(0)
  await type(page, 'Every', '3')
  await choose(page, /^Facing: /, /facing in/)

  await page.getByRole('button', { name: 'Add a pattern' }).click()
  await page.getByRole('menuitem', { name: 'Ring', exact: true }).click()
  await expect(note).toHaveCount(1)
  await expect(page.getByRole('button', { name: 'Facing: facing in' })).toBeVisible()
  await page.keyboard.press('a')
  await page.getByRole('menuitem', { name: /Thin/ }).click()
  await expect(note).toHaveCount(2)
  await expect(value(page, 'Every')).toHaveText('3')
  await note.nth(1).getByRole('button', { name: 'Back to neutral' }).click()
  await expect(note).toHaveCount(1)
  await expect(value(page, 'Every')).toHaveText('2')
  await page.getByRole('button', { name: /^Undo/ }).click()
  await expect(value(page, 'Every')).toHaveText('3')

  await page.reload()
  await expect(value(page, 'Every')).toHaveText('3')
  await page.getByRole('button', { name: 'Add a pattern' }).click()
  await page.getByRole('menuitem', { name: 'Ring', exact: true }).click()
  await expect(note).toHaveCount(1)
})

test('copies are aimed and thinned', async ({ page, server }) => {
  await begin(page, server.address, 'Line')
  await page.keyboard.press('a')
  await page.getByRole('menuitem', { name: /Thin/ }).click()
  await expect(page.locator('.panel .facts').nth(1)).toHaveText('3 of 5 kept')
  await page.getByRole('button', { name: 'Add a step' }).click()
  await page.getByRole('menuitem', { name: /Aim/ }).click()
  await choose(page, /^Aimed at:/, /a point/)
  await type(page, 'Point across', '170 mm')
  await type(page, 'Point deep', '-1 m')
  const copies = await exported(page)
  expect(copies).toHaveLength(3)
  for (const { position, quaternion } of copies) {
    const turn = 2 * Math.atan2(quaternion[1], quaternion[3])
    const wanted = Math.atan2(0.17 - position[0], -1 - position[2])
    expect(Math.cos(turn - wanted)).toBeCloseTo(1, 9)
  }
})

test('F4: letters are filled, more copies where a picture is dark', async ({ page, server }) => {
  await begin(page, server.address, 'Fill')
  await page.getByRole('button', { name: 'Outline of letters' }).click()
  const dialog = page.getByRole('dialog', { name: 'Fill letters' })
  await dialog.getByRole('button', { name: /Letters/ }).click()
  await dialog.getByRole('textbox', { name: 'Letters' }).fill('O')
  await page.keyboard.press('Enter')
  // A box of 100 mm stands in no stroke of so small a letter: that is said, and the outline before stays.
  await dialog.getByRole('button', { name: 'Take it as outline' }).click()
  await expect(page.getByText('No whole copy fits inside the outline')).toBeVisible()
  await page.getByRole('button', { name: 'Outline of letters' }).click()
  await dialog.getByRole('button', { name: /Size of the letters/ }).click()
  await dialog.getByRole('textbox', { name: 'Size of the letters' }).fill('4 m')
  await page.keyboard.press('Enter')
  await dialog.getByRole('button', { name: 'Take it as outline' }).click()
  await expect(dialog).toHaveCount(0)
  await expect(page.locator('.panel')).toContainText('and 1 more outline')
  await choose(page, /^Spread/, 'at random')
  await choose(page, /^Kept inside/, 'by their pivots')
  await type(page, 'Count', '400')
  await expect(page.locator('.list .picked .count')).toHaveText('400')

  const chooser = page.waitForEvent('filechooser')
  await page
    .locator('.panel')
    .getByRole('button', { name: /^Picture/ })
    .click()
  // Black at the left, white at the right.
  await (await chooser).setFiles({ name: 'ramp.png', mimeType: 'image/png', buffer: grayPng(64, 4, (x) => 4 * x) })
  await expect(page.locator('.panel')).toContainText('more where ramp.png is dark')
  const { bytes } = await exportGlb(page)
  const places = (await copiesIn(bytes)).map(({ position }) => position)
  expect(places).toHaveLength(400)
  const left = places.filter(([x]) => x < 0).length / 400
  // Three quarters of a ring stand in its darker half; by chance 4 in 100 more or fewer.
  expect(Math.abs(left - 0.75)).toBeLessThan(0.1)
})

test('F4: an area is filled in bands along its edge, and keeps off the curve of another pattern', async ({
  page,
  server,
}) => {
  await begin(page, server.address, 'Fill')
  await choose(page, /^Spread/, /in bands/)
  await choose(page, /^Kept inside/, 'by their pivots')
  await type(page, 'Width of the outline', '1200')
  await type(page, 'Depth of the outline', '800')
  await type(page, 'Least distance', '200')
  await type(page, 'Count', '30')
  // Round the edge go 20 steps of 200 mm, round the next band 12; of the last 2 there is no room.
  const bands = (await exported(page)).map(({ position: [x, , z] }) => [x, z])
  expect(bands).toHaveLength(30)
  const depth = ([x, z]: number[]) => Math.min(0.6 - Math.abs(x), 0.4 - Math.abs(z))
  expect(bands.filter((p) => Math.abs(depth(p)) < 1e-6)).toHaveLength(20)
  expect(bands.filter((p) => Math.abs(depth(p) - 0.2) < 1e-6)).toHaveLength(10)
  for (const x of [-0.6, 0.6])
    for (const z of [-0.4, 0.4]) expect(bands.some((p) => Math.hypot(p[0] - x, p[1] - z) < 1e-6)).toBe(true)
  const near = (all: number[][]): number =>
    Math.min(...all.flatMap((a, i) => all.slice(i + 1).map((b) => Math.hypot(a[0] - b[0], a[1] - b[1]))))
  expect(near(bands)).toBeGreaterThan(0.2 - 1e-6)

  await back(page)
  await type(page, 'Count', '60')
  await expect(page.locator('.list .picked .count')).toHaveText('32')
  await page.getByRole('button', { name: 'Add a pattern' }).click()
  await page.getByRole('menuitem', { name: /^Path/ }).click()
  await expect(page.locator('.list .picked')).toContainText(/path/)
  await type(page, 'Start deep', '0')
  await page.locator('.list .row', { hasText: 'fill' }).first().click()
  await choose(page, /^Keep off/, /path/)
  await type(page, 'Kept off by', '100 mm')
  await expect.poll(() => facts(page)).toContain('of the outline is kept off')
  await expect.poll(async () => Number(await page.locator('.list .picked .count').innerText())).toBeLessThan(32)
  await page.keyboard.press('Control+z')
  await page.keyboard.press('Control+z')
  await expect(page.locator('.list .picked .count')).toHaveText('32')
  await expect.poll(() => facts(page)).not.toContain('kept off')
})
