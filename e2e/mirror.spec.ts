import type { Document } from '@gltf-transform/core'
import type { Page } from '@playwright/test'
import {
  centreOf,
  choose,
  exportGlb,
  expect,
  facts,
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

async function fromMenu(page: Page, of: string, item: string): Promise<void> {
  await page.getByRole('button', { name: `More for ${of}`, exact: true }).click()
  await page.getByRole('menuitem', { name: item }).click()
}

test('H3, H9, H4: four of one with kept posts: proposed as a ghost, accepted, and read from the file', async ({
  page,
  server,
}) => {
  await openDemo(page, server)
  await pattern(page, 'Counter front, left')
  // Its strip: the front in its six pieces, the plane, their images, and how far both begin from it.
  const strip = page.getByRole('region', { name: 'Spacing strip' })
  await expect(strip.locator('[data-original]')).toHaveCount(6)
  await expect(strip.locator('[data-image]')).toHaveCount(6)
  await expect(strip.locator('[data-way] text')).toHaveText(['20', '20'])
  await expect.poll(async () => plain(await strip.innerText())).toContain('40 mm between what is mirrored')
  await strip.locator('[data-image="2"]').click()
  await expect(page.locator('.picks .told')).toContainText('1 copy picked')
  await pattern(page, 'Counter front, left')
  await page.getByRole('button', { name: 'One more plane' }).click()
  // Deep: another two, and a third that is both.
  await expect.poll(() => facts(page)).toContain('3 images of Counter front, in 18 pieces')
  const answers = page.locator('.answers')
  await expect(answers.locator('li', { hasText: 'Bracket' })).toContainText('mirrored, as its twin')
  await expect(answers.locator('li', { hasText: 'Twisted post' })).toContainText('kept as it is')
  await expect(answers.locator('li', { hasText: 'Ledge' })).toContainText('its own mirror image')
  // Marks on the stage and in the list say which hand is which.
  await expect(page.locator('.over [data-hand=L]').first()).toBeAttached()
  await expect(page.locator('.list .picked .hand')).toContainText('L')
  const { bytes } = await exportGlb(page)
  const document = await read(bytes)
  const nodes = under(document, 'Counter front, left')
  expect(nodes).toHaveLength(18)
  const named = (name: string) => nodes.filter((n) => n.getMesh()!.getName() === name)
  // One half turn of the whole keeps the hand; the two reflections change it.
  expect([named('Bracket').length, named('Bracket twin').length]).toEqual([2, 4])
  expect([named('Twisted post').length, named('Twisted post twin').length]).toEqual([6, 0])
  for (const node of document.getRoot().listNodes()) for (const n of node.getScale()) expect(n).toBeGreaterThan(0)
})

test('H8, H11, H1: one side is edited, the other read from the file; moved across it stands there alone', async ({
  page,
  server,
}) => {
  await openDemo(page, server)
  await pattern(page, 'Counter front')
  await type(page, 'Start across', '0.3 m')
  const first = await read((await exportGlb(page)).bytes)
  const xs = (document: Document, group: string, mesh: string) =>
    under(document, group)
      .filter((n) => n.getMesh()!.getName() === mesh)
      .map((n) => n.getWorldTranslation()[0])
      .sort((a, b) => a - b)
  const right = xs(first, 'Counter front', 'Bracket')
  const left = xs(first, 'Counter front, left', 'Bracket twin')
  expect(right).toHaveLength(2)
  left.forEach((x, i) => expect(x).toBeCloseTo(-right[1 - i], 9))
  expect(right[0]).toBeCloseTo(0.3 + 0.18, 9)

  await screen(page, 'Arrange')
  await pattern(page, 'Counter front, left')
  await choose(page, /^One more that is mirrored/, 'Turntable cups')
  await expect.poll(() => facts(page)).toContain('19 images of 2 patterns, in 24 pieces')
  await choose(page, /^What stays/, 'moving it across')
  await screen(page, 'Export')
  await expect(page.locator('.column')).toContainText('24 that stand across a mirror instead')
  await screen(page, 'Arrange')
  const second = await read((await exportGlb(page)).bytes)
  expect(under(second, 'Turntable cups')).toHaveLength(0)
  expect(under(second, 'Counter front, left')).toHaveLength(24)
})

test('H3, O2: a mirror that is left leaves nothing; accepted it is one step of undo', async ({ page, server }) => {
  await openDemo(page, server)
  const before = await saved(page, server)
  const undo = page.getByRole('button', { name: /^Undo/ })
  await fromMenu(page, 'Sampler tray', 'Mirror it')
  await expect(page.locator('.proposed')).toBeVisible()
  await expect(page.locator('[data-pin="plane 0"]')).toBeVisible()
  await choose(page, /^Facing/, 'deep')
  await type(page, 'Offset of the plane', '150')
  await page.locator('.frame').first().focus()
  await page.keyboard.press('Escape')
  await expect(page.locator('.proposed')).toHaveCount(0)
  await expect(undo).toBeDisabled()
  expect(await saved(page, server)).toEqual(before)

  await fromMenu(page, 'Sampler tray', 'Mirror it')
  await choose(page, /^Facing/, 'deep')
  await page.getByRole('button', { name: 'Accept' }).click()
  await expect(page.locator('.proposed')).toHaveCount(0)
  const after = await saved(page, server)
  expect(after.patterns).toHaveLength(before.patterns.length + 1)
  await undo.click()
  expect(await saved(page, server)).toEqual(before)
})

test('H2, I11: the plane lies on a face that is clicked, and its pin catches the middle of things', async ({
  page,
  server,
}) => {
  await openDemo(page, server)
  await page.locator('.p-selectbutton').getByText('Front', { exact: true }).click()
  await pattern(page, 'Shelf tins')
  await fromMenu(page, 'Shelf tins', 'Show only this')
  await page.keyboard.press('w')
  await fromMenu(page, 'Shelf tins', 'Mirror it')
  await page.getByRole('button', { name: 'Accept' }).click()
  // Tins alone are shown, 131 mm from each to the next: the plane is caught at their sides and middles.
  const pin = await centreOf(page, '[data-pin="plane 0"] .head')
  await page.mouse.move(pin.x, pin.y)
  await page.mouse.down()
  const note = page.locator('.note-chip')
  let moved = 0
  await expect
    .poll(
      async () => {
        moved += 3
        await page.mouse.move(pin.x - 30 - moved, pin.y)
        return note.innerText()
      },
      { intervals: [50] },
    )
    .toContain('caught')
  await page.mouse.up()
  const dragged = (await saved(page, server)).patterns.at(-1)!.layout
  const plane = dragged.kind === 'mirror' ? dragged.planes[0] : undefined
  const x = (plane?.through.kind === 'point' ? plane.through.at[0] : 0) + plane!.offset
  const catches = Array.from({ length: 9 }, (_, k) => -0.59 + 0.0065 + 0.131 * k).flatMap((low) => [
    low,
    low + 0.0595,
    low + 0.119,
  ])
  expect(Math.min(...[0, ...catches].map((c) => Math.abs(c - x)))).toBeLessThan(1e-6)
  const image = await centreOf(page, '.over circle.dot')
  await page.getByRole('button', { name: 'On a face' }).click()
  // Beside everything there is no face; as far left of the plane as their images stand right of it stand tins.
  const frame = (await page.locator('.frame canvas').boundingBox())!
  await page.mouse.click(frame.x + 20, frame.y + 80)
  await expect(page.locator('.asking')).toHaveCount(1)
  const now = await centreOf(page, '[data-pin="plane 0"] .head')
  await page.mouse.click(2 * now.x - image.x, image.y + 8)
  await expect(page.locator('.asking')).toHaveCount(0)
  await expect(page.getByRole('button', { name: /^Through: a place/ })).toBeVisible()
  const document = await saved(page, server)
  const mirror = document.patterns.at(-1)!.layout
  expect(mirror.kind === 'mirror' && mirror.planes[0].through.kind).toBe('point')
})

test('H6, H13: reflect as a step; places only keep shapes; grain is asked where there is some; undo takes all back', async ({
  page,
  server,
}) => {
  await openDemo(page, server)
  const before = await saved(page, server)
  await pattern(page, 'Counter front')
  await page.keyboard.press('Control+k')
  await page.keyboard.type('add a step: reflect')
  await page.keyboard.press('Enter')
  await expect(page.locator('.proposed')).toBeVisible()
  await expect(page.locator('.panel')).toContainText('1 and 1 image')
  await type(page, 'Offset of the plane', '-50')
  await expect(page.getByRole('button', { name: /^Grain: / })).toBeVisible()
  await choose(page, /^What is mirrored/, 'places only')
  await expect(page.locator('.panel .answers')).toHaveCount(0)
  await page.getByRole('button', { name: 'Accept' }).click()
  const { bytes } = await exportGlb(page)
  const nodes = under(await read(bytes), 'Counter front')
  expect(nodes).toHaveLength(12)
  expect(nodes.filter((n) => n.getMesh()!.getName().endsWith('twin'))).toEqual([])
  await page.getByRole('button', { name: /^Undo/ }).click()
  expect(await saved(page, server)).toEqual(before)
})

test('mirrored beside turned, with one camera; the choice answers for all shapes', async ({ page, server }) => {
  await openDemo(page, server)
  await pattern(page, 'Counter front, left')
  await page.getByRole('button', { name: 'Mirror or turn?' }).click()
  const dialog = page.getByRole('dialog', { name: 'Mirror or turn?' })
  const told = async (i: number): Promise<string> => plain(await dialog.locator('figcaption').nth(i).innerText())
  await expect.poll(() => told(0)).toContain('6 images, 6 in the other hand')
  await expect.poll(() => told(1)).toContain('6 images, 0 in the other hand')
  // Both stages show something: the counter front's two halves.
  for (const i of [0, 1])
    await expect(dialog.locator('figure').nth(i)).toHaveAttribute('data-triangles', /^[1-9]\d{3,}$/)
  await dialog.getByRole('button', { name: 'Use kept' }).click()
  await expect.poll(() => facts(page)).toContain('6 keep their shape')
  await expect(page.locator('.list .picked .hand')).toHaveCount(0)
})

test('R7, H12: a part says in which planes it is its own mirror image; lettering stays readable', async ({
  page,
  server,
}) => {
  await openDemo(page, server)
  await screen(page, 'Parts')
  const card = (name: string) => page.locator('.wall .card', { hasText: name }).first().click()
  await card('Ledge')
  await expect(page.locator('.details')).toContainText('its own mirror image in 3 planes')
  await page.getByRole('button', { name: 'Show the planes' }).click()
  await expect(page.locator('.frame .plane')).toHaveCount(3)
  await card('Bracket')
  await expect(page.locator('.details')).toContainText('It has a hand')
  await expect(page.locator('.uses')).toContainText('2 of them as its twin (L)')
  await choose(page, /^Lettering: /, /^lettering/)
  await screen(page, 'Arrange')
  await pattern(page, 'Counter front, left')
  await expect(page.locator('.answers li', { hasText: 'Bracket' })).toContainText('so that its lettering can be read')
})

test('H15: what touches on the plane is joined into one mesh on export', async ({ page, server }) => {
  await openDemo(page, server)
  await pattern(page, 'Counter front')
  // The ledge begins where the wing does: its end then lies on the plane.
  await type(page, 'Start across', '0')
  await screen(page, 'Export')
  await choose(page, /^Seams are/, 'joined into one mesh')
  const { bytes, verdict } = await exportGlb(page)
  expect(verdict).toContain('2 copies are joined into 1 mesh on their mirror planes')
  expect(verdict).toContain('The validator found no error')
  const document = await read(bytes)
  expect(under(document, 'Counter front').filter((n) => n.getName() === 'Counter front joined 1')).toHaveLength(1)
  // Six of each side, less the ledge that is in the joined mesh.
  expect(under(document, 'Counter front')).toHaveLength(5 + 1)
  expect(under(document, 'Counter front, left')).toHaveLength(5)
})

test('N2, N11: a group is mirrored as a whole, its motion with it; what joins it later has its image too', async ({
  page,
  server,
}) => {
  await openDemo(page, server)
  await pattern(page, 'Shelf tins')
  await page.locator('.list .row', { hasText: 'Turntable cups' }).click({ modifiers: ['Shift'] })
  await page.locator('.picks').getByRole('button', { name: 'Group', exact: true }).click()
  await expect(page.locator('.list .group.picked')).toContainText('group of 2 patterns')
  await fromMenu(page, 'Group', 'Mirror it')
  await expect(page.locator('[data-keys=sentences] h2')).toContainText('Group mirrored')
  await page.getByRole('button', { name: 'Accept' }).click()
  const { patterns, groups } = await saved(page, server)
  const mirror = patterns.find((p) => p.name === 'Group mirrored')!
  expect(mirror.layout).toMatchObject({ kind: 'mirror', sources: [{ kind: 'group', id: groups[0].id }] })
  await expect.poll(() => facts(page)).toContain('27 images of 2 patterns')
  // The tins come from the left, and so do their images from the right, at the same times.
  await screen(page, 'Motion')
  await expect(page.locator('.list .picked')).toContainText('with what it belongs to')
  await expect(page.locator('.list .picked')).toContainText('0.8–3.96 s')
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(page.locator('.list li', { hasText: 'Group mirrored' })).toHaveCount(0)
})
