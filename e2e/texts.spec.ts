import type { Page } from '@playwright/test'
import { choose, expect, exportGlb, openDemo, pattern, plain, read, saved, screen, test, under } from './app'

/** Lets the page read and write the clipboard, as on a person's own machine. */
const allow = (page: Page): Promise<void> => page.context().grantPermissions(['clipboard-read', 'clipboard-write'])
const field = (page: Page) => page.getByRole('combobox', { name: /say what to make/ })
const preview = (page: Page) => page.locator('.preview')
/** Text that is pasted on the page. */
const paste = (page: Page, text: string): Promise<void> =>
  page.evaluate((said) => {
    const data = new DataTransfer()
    data.setData('text/plain', said)
    document.body.dispatchEvent(new ClipboardEvent('paste', { clipboardData: data, bubbles: true, cancelable: true }))
  }, text)

test('R3, R15: a pattern is copied as text, pasted into the arrangement, and stands in the file as the first does', async ({
  page,
  server,
}) => {
  await allow(page)
  await openDemo(page, server)
  await page.getByRole('button', { name: 'More for Sampler tray' }).click()
  await page.getByRole('menuitem', { name: 'Copy as text' }).click()
  await expect(page.getByText('1 pattern copied as text')).toBeVisible()
  const text = await page.evaluate(() => navigator.clipboard.readText())
  expect(text).toContain('Sampler tray:\nPlace 7 across at 34 mm gap in (592.21 mm) outside to outside; 5 deep')
  expect(text).toMatch(/Deal Matcha sweet, Yuzu sweet and Azuki sweet in turn\.\nVary their turn about up/)

  const before = await saved(page, server)
  await paste(page, text)
  await expect(preview(page)).toContainText('Sampler tray 2: 35 copies')
  await page.keyboard.press('Enter')
  await expect(page.getByRole('button', { name: 'Sampler tray 2', exact: false }).first()).toBeVisible()
  const doc = await read((await exportGlb(page)).bytes)
  const places = (name: string): number[][] =>
    under(doc, name).map((node) => [...node.getTranslation(), ...node.getRotation(), ...node.getScale()])
  expect(places('Sampler tray 2')).toHaveLength(35)
  // Chance included: to the bit.
  expect(places('Sampler tray 2')).toEqual(places('Sampler tray'))
  await screen(page, 'Arrange')
  await page.keyboard.press('Control+z')
  expect(await saved(page, server)).toEqual(before)
})

test('R15: a sentence is typed, a typo is marked and mended, and what it makes is seen before it is made', async ({
  page,
  server,
}) => {
  await page.goto(server.address)
  await page.getByRole('button', { name: 'New project' }).click()
  await expect(page.getByText('Saved', { exact: true })).toBeVisible()
  const before = await saved(page, server)
  await page.keyboard.press('Control+k')
  await field(page).fill('place 9 of a cylinder 119 mm wide, 150 mm tall in a line across, 12 mm gapp, in 1180 mm')
  await expect(preview(page).locator('.wrong')).toHaveText('gapp')
  await expect(preview(page)).toContainText('Is “gap” meant?')
  await page.keyboard.press('Enter')
  await expect(preview(page)).toBeVisible()
  await field(page).fill('place 9 of a cylinder 119 mm wide, 150 mm tall in a line across, 12 mm gap, in 1180 mm')
  await expect(preview(page)).toContainText('Cylinder line: 9 copies')
  expect(plain(await preview(page).innerText())).toContain('They take 1 167 mm, left over 13 mm')
  // What is seen is there as a proposal, and goes with Esc.
  await expect(page.locator('[data-copy="9"]')).toHaveCount(1)
  await page.keyboard.press('Escape')
  await expect(page.locator('[data-copy="9"]')).toHaveCount(0)
  expect(await saved(page, server)).toEqual(before)

  await page.keyboard.press('Control+k')
  await field(page).fill('place 9 of a cylinder 119 mm wide, 150 mm tall in a line across, 12 mm gap, in 1180 mm')
  await expect(preview(page)).toContainText('9 copies')
  await page.keyboard.press('Enter')
  const nodes = under(await read((await exportGlb(page)).bytes), 'Cylinder line')
  expect(nodes).toHaveLength(9)
  const xs = nodes.map((n) => n.getTranslation()[0]).sort((a, b) => a - b)
  for (let k = 1; k < 9; k++) expect(xs[k] - xs[k - 1]).toBeCloseTo(0.131, 12)
})

test('R15: what contradicts itself, does not fit or is not there is told, and makes nothing', async ({
  page,
  server,
}) => {
  await openDemo(page, server)
  const before = await saved(page, server)
  await page.keyboard.press('Control+k')
  const refused = async (text: string, says: string | RegExp): Promise<void> => {
    await field(page).fill(text)
    await expect(preview(page).locator('.marks')).toContainText(says)
    await page.keyboard.press('Enter')
    await expect(field(page)).toBeVisible()
  }
  await refused('place 9 tins in a line, 12 mm gap, in 10 mm', 'These do not go together')
  await refused('place 9 tins in a line, 12° gap', 'is an angle, but a length is needed here')
  await refused(
    'place 9 teapots in a line, 12 mm gap',
    '“teapots” is not understood here. It could be: the name of a part',
  )
  await refused('a line of tins, 12 mm gap, 9 of them', 'is not understood here')
  await refused('tins in no line '.repeat(2_500), 'is not understood here')
  await page.keyboard.press('Escape')
  expect(await saved(page, server)).toEqual(before)
})

test('R16: the radius that gives 18 cups a gap of 12 mm is asked for, and read from the file', async ({
  page,
  server,
}) => {
  await openDemo(page, server)
  await pattern(page, 'Turntable cups')
  await page.locator('.panel [data-quiet]').first().click()
  const ask = page.locator('.panel .ask')
  await expect(ask).toContainText('Let the')
  // It is the radius that pays, and the count is held.
  await choose(page, /^What is wanted/, 'gap')
  await choose(page, /^What pays for it/, 'radius')
  await ask.getByRole('button', { name: /^Wanted: / }).click()
  await ask.getByRole('textbox', { name: 'Wanted' }).fill('12 mm')
  await page.keyboard.press('Enter')
  await ask.getByRole('button', { name: 'Work it out' }).click()
  await expect(ask.locator('.answer')).toContainText(/The gap is 12.mm; the radius pays for it: /)
  await expect(page.locator('.panel').getByRole('spinbutton', { name: 'Radius', exact: true })).toHaveAttribute(
    'aria-valuetext',
    /worked out/,
  )
  const nodes = under(await read((await exportGlb(page)).bytes), 'Turntable cups')
  expect(nodes).toHaveLength(18)
  // A cup is 84 mm wide at its rim, and round: the chord is its width and the gap.
  const [a, b] = nodes.map((n) => n.getTranslation())
  expect(Math.hypot(a[0] - b[0], a[2] - b[2])).toBeCloseTo(0.084 + 0.012, 9)
  await screen(page, 'Arrange')
  await page.keyboard.press('Control+z')
  await expect(page.locator('.panel').getByRole('spinbutton', { name: 'Radius', exact: true })).toHaveAttribute(
    'aria-valuetext',
    /270.mm, held/,
  )
})

test('R4: proofs vary any number of the picked pattern, two of them as columns and rows', async ({ page, server }) => {
  await openDemo(page, server)
  await pattern(page, 'Turntable cups')
  await screen(page, 'Proofs')
  await choose(page, /^What changes/, 'the radius')
  await choose(page, /^What else changes/, 'the count')
  for (const [name, text] of [
    ['From', '200 mm'],
    ['To', '300 mm'],
    ['From, in rows', '10'],
    ['To, in rows', '14'],
  ]) {
    await page.getByRole('spinbutton', { name, exact: true }).click()
    await page.getByRole('textbox', { name, exact: true }).fill(text)
    await page.keyboard.press('Enter')
  }
  await expect(page.locator('.proof')).toHaveCount(9, { timeout: 60_000 })
  const texts = async (): Promise<string[]> =>
    (await page.locator('.proof').allInnerTexts()).map((t) => plain(t).replaceAll('\n', ' '))
  await expect.poll(async () => (await texts())[5]).toMatch(/radius 300 mm count 12 0 overlaps/)
  await page.locator('.proof').nth(5).click()
  await page.getByRole('button', { name: 'Use radius and count' }).click()
  const ring = (await saved(page, server)).patterns.find((p) => p.name === 'Turntable cups')!.layout
  expect(ring).toMatchObject({ radius: 0.3, count: 12 })
})

test('P10: patterns are copied in one project and pasted into another, with their parts; once more they share them', async ({
  page,
  server,
}) => {
  await allow(page)
  await openDemo(page, server)
  const lanterns = async (name: string) =>
    under(await read((await exportGlb(page)).bytes), name).map((node) => [
      ...node.getTranslation(),
      ...node.getRotation(),
      ...node.getScale(),
    ])
  const there = await lanterns('Lantern garland')
  await screen(page, 'Arrange')
  await page.locator('.list .row', { hasText: 'Bulbs' }).click()
  await page.keyboard.press('Control+c')
  await page.goto(server.address)
  await page.getByRole('button', { name: 'New project' }).click()
  await expect(page.getByText('Saved', { exact: true })).toBeVisible()
  await page.keyboard.press('Control+v')
  // What they hang from comes along.
  await expect(page.getByText(/2 patterns of Casa Níspero tea counter brought in, with 3 new parts\./)).toBeVisible()
  await expect(page.locator('.list .row', { hasText: 'Bulbs' })).toContainText('11')
  await page.keyboard.press('Control+v')
  await expect(page.getByText(/with 0 new parts; 3 were here already/)).toBeVisible()
  await expect(page.locator('.list .row', { hasText: 'Lantern garland 2' }).first()).toBeVisible()
  expect(await lanterns('Lantern garland')).toEqual(there)
  expect(there).toHaveLength(11)
  await screen(page, 'Arrange')
  await page.keyboard.press('Control+z')
  await page.keyboard.press('Control+z')
  const { patterns, parts } = await saved(page, server)
  expect([patterns, parts]).toEqual([[], []])
})
