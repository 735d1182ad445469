import { choose, exportGlb, expect, facts, openDemo, plain, screen, test, type, value } from './app'
import { copiesIn } from './readBack'

/** Half of a tin's width, in metres. */
const HALF = 0.0595

test('R24: a gap holds between copies as they stand, sized by a step; as dealt it is said how they stand', async ({
  page,
  server,
}) => {
  await openDemo(page, server)
  await type(page, 'Count', '5')
  await type(page, 'Spacing', '20 mm')
  await page.getByRole('button', { name: 'Add a step' }).press('Enter')
  await page.getByRole('menuitem', { name: /^Grade/ }).click()
  await type(page, 'Last', '20 %')
  await expect.poll(() => facts(page)).toContain('They take 437 mm')
  expect(await facts(page)).not.toContain('asked')
  await expect(page.locator('.step').first()).toContainText('measured as they stand')

  const gaps = async (): Promise<number[]> => {
    const { bytes, verdict } = await exportGlb(page)
    expect(verdict).toContain('The validator found no error')
    const tins = (await copiesIn(bytes)).filter((c) => /tin/i.test(c.mesh)).slice(0, 5)
    await screen(page, 'Arrange')
    return tins
      .slice(1)
      .map((b, i) => b.position[0] - HALF * b.scale[0] - tins[i].position[0] - HALF * tins[i].scale[0])
  }
  for (const gap of await gaps()) expect(gap).toBeCloseTo(0.02, 9)

  // The strip reads the same, copy by copy.
  await expect(page.locator('[data-gap] text')).toHaveText(['20', '20', '20', '20'])
  await choose(page, /^Outlines/, 'as dealt')
  await expect.poll(() => facts(page)).toContain('gap 20 mm asked, 31.9 to 103.3 mm as they stand')
  expect((await gaps()).map((g) => Math.round(g * 1e5) / 100)).toEqual([31.9, 55.7, 79.5, 103.3])
  await page.keyboard.press('Control+z')
  await expect.poll(() => facts(page)).toContain('They take 437 mm')
})

test('what is asked is kept from one reading to another, and rounded inches may be typed as they are shown', async ({
  page,
  server,
}) => {
  await openDemo(page, server)
  await type(page, 'Spacing', '7.1 mm')
  await choose(page, /^Leftover/, /into the gaps|intervals/)
  await expect
    .poll(() => facts(page))
    .toContain('52.2 mm spread over the intervals · gap 7.1 mm asked, 13.63 mm as they stand')
  const before = await facts(page)
  await choose(page, /^Measure: /, 'pitch')
  await expect(value(page, 'Spacing')).toContainText('126.1')
  await choose(page, /^Measure: /, 'gap')
  await expect(value(page, 'Spacing')).toContainText('7.1')
  await expect.poll(() => facts(page)).toBe(before)

  // A quarter of an inch is 6.35 mm; what is shown of 7.1 mm is rounded, and says so.
  await page.keyboard.press('Control+k')
  await page.keyboard.type('Show lengths in feet and inches')
  await page.keyboard.press('Enter')
  await expect(value(page, 'Spacing')).toContainText('≈')
  const shown = plain(await value(page, 'Spacing').innerText())
    .replace('≈', '')
    .trim()
  await type(page, 'Spacing', shown)
  await page.keyboard.press('Control+k')
  await page.keyboard.type('Show lengths in millimetres')
  await page.keyboard.press('Enter')
  await expect(value(page, 'Spacing')).toContainText('7.1')
})
