import type { Page } from '@playwright/test'
import { Document, WebIO } from '@gltf-transform/core'
import { type Server, expect, exportGlb, pattern, saved, screen, test } from './app'
import { copiesIn } from './readBack'

const spotsOf = async (page: Page, server: Server, name: string) => {
  const { patterns } = await saved(page, server)
  const found = patterns.find((p) => p.name === name)
  return found && 'spots' in found.layout ? { spots: found.layout.spots, place: found.place } : undefined
}
const addSpots = async (page: Page, entry: string): Promise<void> => {
  await page.getByRole('button', { name: 'Add a pattern' }).click()
  await page.getByRole('menuitem', { name: entry }).click()
}

test('F1, F3: clicks on a drawing catch its corners, to the bit', async ({ page, server }) => {
  await page.goto(server.address)
  await page.getByRole('button', { name: 'New project' }).click()
  await page.getByRole('button', { name: 'Top', exact: true }).click()
  const chooser = page.waitForEvent('filechooser')
  await page.getByRole('button', { name: 'Add a plan or a ground' }).click()
  await page.getByRole('menuitem', { name: 'Plan: a picture or a drawing…' }).click()
  // A stroke every 10 units, which are 50 mm on a plan of 2 m.
  const strokes = Array.from({ length: 40 * 30 }, (_, n) => `M${10 * (n % 40)} ${10 * Math.floor(n / 40)}h1`)
  const svg = `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 400 300"><path stroke="#345" d="${strokes.join('')}"/></svg>`
  await (await chooser).setFiles({ name: 'studs.svg', mimeType: 'image/svg+xml', buffer: Buffer.from(svg) })
  await expect(page.locator('.under .row', { hasText: 'studs' })).toBeVisible()
  await addSpots(page, 'Click spots on the stage')
  const stage = (await page.locator('[data-keys=stage]').boundingBox())!
  for (const x of [0.44, 0.53, 0.58]) await page.mouse.click(stage.x + x * stage.width, stage.y + 0.47 * stage.height)
  await page.keyboard.press('Enter')
  await expect(page.locator('.list .picked .count')).toHaveText('3')
  const found = (await spotsOf(page, server, 'Box spots'))!
  for (const { move } of found.spots) {
    const [across, up, deep] = move.map((n, i) => n + found.place.move[i])
    expect(up).toBe(0)
    // Both ends of a stroke are corners: on a whole step, or one unit after it.
    const steps = across / 0.05
    expect(Math.min(Math.abs(steps - Math.round(steps)), Math.abs(steps - 0.1 - Math.round(steps - 0.1)))).toBeLessThan(
      1e-9,
    )
    expect(Math.abs(deep / 0.05 - Math.round(deep / 0.05))).toBeLessThan(1e-9)
  }
  await screen(page, 'Arrange')
})

test('C4, F2, F6: spots on the corners of a part and on the copies of a pattern, put in another order', async ({
  page,
  server,
}) => {
  await page.goto(server.address)
  await page.getByRole('button', { name: 'New project' }).click()
  await page.getByRole('button', { name: 'Add a pattern' }).click()
  await page.getByRole('menuitem', { name: 'Ring', exact: true }).click()
  await expect(page.locator('.list .row', { hasText: 'Box ring' })).toContainText('8')
  await addSpots(page, 'Spots from other things…')
  const dialog = page.getByRole('dialog', { name: 'Spots from other things' })
  await expect(dialog).toContainText('8 places; they stay where they are now')
  await dialog.getByRole('button', { name: 'Place 8' }).click()
  await expect(page.locator('.list .row', { hasText: 'Box ring spots' })).toContainText('8')
  const ring = (await spotsOf(page, server, 'Box ring spots'))!
  for (const { move, turn } of ring.spots) {
    expect(Math.hypot(move[0], move[2])).toBeCloseTo(0.2, 12)
    expect(turn).toHaveLength(4)
  }

  // On top of each, not at its pivot.
  await addSpots(page, 'Spots from other things…')
  await dialog.getByRole('combobox', { name: 'Which' }).click()
  await page.getByRole('option', { name: 'Box ring', exact: true }).click()
  await dialog.getByRole('combobox', { name: 'At' }).click()
  await page.getByRole('option', { name: 'their tops' }).click()
  await expect(page.getByRole('option')).toHaveCount(0)
  await dialog.getByRole('button', { name: 'Place 8' }).click()
  const tops = (await spotsOf(page, server, 'Box ring spots 2'))!
  expect(tops.spots.map(({ move }) => move[1] - ring.spots[0].move[1]).every((up) => Math.abs(up - 0.1) < 1e-9)).toBe(
    true,
  )
  await page.getByRole('button', { name: /^Undo/ }).click()

  // What they were taken from can go.
  await page.getByRole('button', { name: 'More for Box ring', exact: true }).click()
  await page.getByRole('menuitem', { name: 'Remove' }).click()
  await pattern(page, 'Box ring spots')
  await expect(page.locator('section.strip')).toContainText('mean')
  // The dot of the second copy lies on it.
  const dot = (await page.locator('.dots circle, .over circle.dot').nth(1).boundingBox())!
  await page.mouse.click(dot.x + dot.width / 2, dot.y + dot.height / 2)
  await page.getByRole('button', { name: 'One later' }).click()
  const order = async () => (await spotsOf(page, server, 'Box ring spots'))!.spots.map(({ slot }) => slot)
  await expect.poll(order).toEqual([0, 2, 1, 3, 4, 5, 6, 7])
  await page.keyboard.press('Control+z')
  await expect.poll(order).toEqual([0, 1, 2, 3, 4, 5, 6, 7])

  await addSpots(page, 'Spots from other things…')
  await dialog.getByRole('combobox', { name: 'On' }).click()
  await page.getByRole('option', { name: 'the corners of a part' }).click()
  await dialog.getByRole('button', { name: 'Place 8' }).click()
  const corners = (await spotsOf(page, server, 'Box spots'))!
  expect(corners.spots.map(({ move }) => move.map((n) => Math.abs(n)).sort()).every((m) => m[2] <= 0.1 + 1e-7)).toBe(
    true,
  )
  await screen(page, 'Arrange')
})

/** A file with one mesh and three empty nodes in a group, half a metre apart. */
async function markedFile(): Promise<Buffer> {
  const document = new Document()
  const buffer = document.createBuffer()
  const positions = document
    .createAccessor()
    .setType('VEC3')
    .setArray(new Float32Array([0, 0, 0, 1, 0, 0, 0, 1, 0]))
    .setBuffer(buffer)
  const mesh = document.createMesh('Sail').addPrimitive(document.createPrimitive().setAttribute('POSITION', positions))
  const hooks = document.createNode('Hooks').setTranslation([0, 1, 0])
  for (const k of [0, 1, 2]) hooks.addChild(document.createNode(`Hook ${k + 1}`).setTranslation([k / 2, 0, 0]))
  document.createScene().addChild(document.createNode('Sail').setMesh(mesh)).addChild(hooks)
  return Buffer.from(await new WebIO().writeBinary(document))
}

test('F6: empty nodes of a file come in as spots of a placeholder, and other parts are dealt to them', async ({
  page,
  server,
}) => {
  await page.goto(server.address)
  await page.getByRole('button', { name: 'New project' }).click()
  await page.getByRole('button', { name: /^Line/ }).click()
  await screen(page, 'Parts')
  const chooser = page.waitForEvent('filechooser')
  await page.locator('.wall').getByRole('button', { name: 'Add', exact: true }).click()
  await page.getByRole('menuitem', { name: 'From a file…' }).click()
  await (await chooser).setFiles({ name: 'hooks.glb', mimeType: 'model/gltf-binary', buffer: await markedFile() })
  const dialog = page.getByRole('dialog', { name: 'hooks.glb' })
  await expect(dialog).toContainText('3 empty nodes come in as spots of a placeholder')
  await dialog.getByRole('button', { name: 'As it stands, repeated meshes linked' }).click()
  await screen(page, 'Arrange')
  await pattern(page, 'Hooks places')
  await expect(page.locator('.list .picked .count')).toHaveText('3')
  expect((await spotsOf(page, server, 'Hooks places'))!.spots.map(({ move, name }) => [move, name])).toEqual([
    [[0, 1, 0], 'Hook 1'],
    [[0.5, 1, 0], 'Hook 2'],
    [[1, 1, 0], 'Hook 3'],
  ])
  await page.getByRole('button', { name: /^Parts dealt/ }).click()
  await page.getByRole('button', { name: 'Deal Box too' }).click()
  await page.getByRole('button', { name: 'Take Placeholder out' }).click()
  await page.keyboard.press('Escape')
  const { bytes } = await exportGlb(page)
  const boxes = (await copiesIn(bytes)).filter(({ mesh }) => mesh.startsWith('Hook'))
  expect(boxes.map(({ position }) => position)).toEqual([
    [0, 1, 0],
    [0.5, 1, 0],
    [1, 1, 0],
  ])
})

test('B15: spots stand at a distance along a line that is drawn on the stage', async ({ page, server }) => {
  await page.goto(server.address)
  await page.getByRole('button', { name: 'New project' }).click()
  await page.getByRole('button', { name: 'Top', exact: true }).click()
  await addSpots(page, 'Spots from other things…')
  const dialog = page.getByRole('dialog', { name: 'Spots from other things' })
  await dialog.getByRole('combobox', { name: 'On' }).click()
  await page.getByRole('option', { name: 'a line drawn on the stage' }).click()
  await expect(dialog.getByRole('button', { name: /^Place/ })).toBeDisabled()
  await expect(dialog).toContainText('Draw the line first.')
  await dialog.getByRole('button', { name: 'Draw it on the stage' }).click()
  await expect(dialog).toBeHidden()
  const stage = (await page.locator('[data-keys=stage]').boundingBox())!
  for (const [x, y] of [
    [0.3, 0.4],
    [0.6, 0.4],
    [0.6, 0.6],
  ])
    await page.mouse.click(stage.x + x * stage.width, stage.y + y * stage.height)
  await page.keyboard.press('Enter')
  await expect(dialog).toBeVisible()
  await dialog.getByRole('button', { name: /^Distance along the line/ }).click()
  await dialog.getByRole('textbox', { name: 'Distance along the line' }).fill('75')
  await page.keyboard.press('Enter')
  const told = dialog.getByText(/places on/)
  await expect(told).toBeVisible()
  const count = Number(/(\d+) places/.exec(await told.innerText())![1])
  await dialog.getByRole('button', { name: `Place ${count}` }).click()
  await expect(page.locator('.list .picked .count')).toHaveText(String(count))
  const { spots } = (await spotsOf(page, server, 'Row of spots'))!
  expect(spots).toHaveLength(count)
  // On either stretch they are 75 mm apart, to the bit of what was clicked.
  const steps = spots.slice(1).map(({ move }, i) => Math.hypot(...move.map((n, a) => n - spots[i].move[a])))
  expect(steps.filter((step) => Math.abs(step - 0.075) < 1e-9).length).toBeGreaterThanOrEqual(count - 2)
  await page.keyboard.press('Control+z')
  await expect(page.locator('.list li')).toHaveCount(0)
})
