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
import { AnimationMixer } from 'three'
import { copiesIn, loaded } from './readBack'

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

test('one arrival for all of a group: its patterns come in one row, changed in all by one field; in the file they do so', async ({
  page,
  server,
}) => {
  await openDemo(page, server)
  await pattern(page, 'Tea leaf')
  await page.locator('.list .row', { hasText: 'Counter front, left' }).click({ modifiers: ['Shift'] })
  await page.locator('.picks').getByRole('button', { name: 'Group', exact: true }).click()
  await screen(page, 'Motion')
  await pattern(page, 'Tea leaf')
  await page.getByRole('button', { name: 'Let it move' }).click()
  await page.getByRole('menuitem', { name: 'All of Group: arrive' }).click()
  const told = page.locator('.panel .note', { hasText: 'For all of Group' })
  await expect(told).toHaveText(/For all of Group, 2 patterns: what is changed here is changed in each\./)
  // 55 leaves, and the six pieces of the front as they are mirrored: 61 in one row.
  await expect(page.locator('.panel .facts').first()).toContainText(/^61 copies/)
  await type(page, 'Apart', '0.05 s')
  await pattern(page, 'Counter front, left')
  await type(page, 'Each', '0.5 s')
  await expect(value(page, 'Apart')).toHaveText('0.05\u202fs')
  // The last of 61 begins after 60 × 0.05 s, and takes 0.5 s.
  await expect(page.locator('.list .picked')).toContainText('2.75–3.5 s')

  await screen(page, 'Export')
  await choose(page, /^Motion is/, 'written as an animation')
  const { scene, animations } = await loaded((await exportGlb(page)).bytes)
  const mixer = new AnimationMixer(scene)
  mixer.clipAction(animations[0]).play()
  const nodes = ['Tea_leaf', 'Counter_front,_left'].map((name) => scene.getObjectByName(name)!.children)
  expect(nodes.map((all) => all.length)).toEqual([55, 6])
  // Who has come by a time is shown: at 2.72 s all leaves, at 2.77 s the first piece of the front as well.
  const come = (time: number): number[] => {
    mixer.setTime(time)
    return nodes.map((all) => all.filter(({ scale }) => Math.abs(scale.x) > 1e-6).length)
  }
  expect(come(0.01)).toEqual([1, 0])
  expect(come(2.72)).toEqual([55, 0])
  expect(come(2.77)).toEqual([55, 1])
  expect(come(4)).toEqual([55, 6])

  await screen(page, 'Motion')
  await told.getByRole('button', { name: 'Let each have its own' }).click()
  await expect(page.locator('.list .picked')).toContainText('0–0.75 s')
  await page.keyboard.press('Control+z')
  await expect(page.locator('.list .picked')).toContainText('2.75–3.5 s')
})
