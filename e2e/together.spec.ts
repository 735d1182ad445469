import {
  choose,
  cupsAmongTins,
  expect,
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

test('N11: one step clears all of a group: its patterns stand clear of each other, and it is changed in all by one field', async ({
  page,
  server,
}) => {
  await openDemo(page, server)
  const overlapping = await cupsAmongTins(page)
  await page.locator('.list .row', { hasText: 'Shelf tins' }).click({ modifiers: ['Shift'] })
  await page.locator('.picks').getByRole('button', { name: 'Group', exact: true }).click()
  await page.getByRole('button', { name: 'More for Group', exact: true }).click()
  await page.getByRole('menuitem', { name: 'Clear all of it' }).click()
  const together = page.locator('.panel .note', { hasText: 'For all of Group' })
  await expect(together).toHaveText(/For all of Group, 2 patterns: what is changed here is changed in each\./)
  await choose(page, /^Cleared by/, 'leaving out')
  await type(page, 'Clearance', '5 mm')
  await pattern(page, 'Turntable cups')
  await expect(value(page, 'Clearance')).toHaveText(/^5/)
  await expect(overlapping).toHaveCount(0)
  const { patterns } = await saved(page, server)
  const [tins, cups] = ['Shelf tins', 'Turntable cups'].map((name) => patterns.find((p) => p.name === name)!)
  expect([tins.steps, cups.steps].map((all) => all.map((s) => s.kind))).toEqual([['clear'], ['clear']])
  expect(cups.steps[0]).toEqual({ ...tins.steps[0], from: ['shelf-tins'] })

  const { bytes } = await exportGlb(page)
  const copies = await copiesIn(bytes)
  const places = (part: string) => copies.filter((c) => c.mesh.includes(part)).map((c) => c.position)
  const left = places('Cup')
  expect(places('_tin')).toHaveLength(9)
  expect(left.length).toBeGreaterThan(8)
  expect(left.length).toBeLessThan(18)
  // A tin is 119 mm across, a cup 84 mm, both round.
  for (const [x, , z] of places('_tin'))
    for (const [cx, , cz] of left)
      expect(Math.hypot(cx - x, cz - z)).toBeGreaterThanOrEqual((0.119 + 0.084) / 2 + 0.005 - 1e-4)

  await screen(page, 'Arrange')
  await together.getByRole('button', { name: 'Let each have its own' }).click()
  await type(page, 'Clearance', '0 mm')
  const now = (await saved(page, server)).patterns
  expect(now.find((p) => p.name === 'Shelf tins')!.steps).toEqual(tins.steps)
  expect(plain(await page.locator('.panel').innerText())).not.toContain('For all of Group')
})
