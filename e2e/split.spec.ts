import type { Page } from '@playwright/test'
import { centreOf, choose, exportGlb, expect, saved, screen, test } from './app'
import { copiesIn } from './readBack'

/** A stand in one file: a foot, and above it a post and a shade that share a side. */
function standObj(): string {
  const lines: string[] = []
  const boxes: readonly (readonly [low: number, high: number, half: number])[] = [
    [0, 20, 60],
    [40, 140, 40],
    [140, 200, 40],
  ]
  for (const [n, [low, high, half]] of boxes.entries()) {
    for (const y of [low, high])
      for (const [x, z] of [
        [-1, -1],
        [1, -1],
        [1, 1],
        [-1, 1],
      ])
        lines.push(`v ${x * half} ${y} ${z * half}`)
    const v = (i: number): number => 8 * n + i + 1
    for (const face of [
      [0, 1, 2, 3],
      [7, 6, 5, 4],
      [0, 4, 5, 1],
      [1, 5, 6, 2],
      [2, 6, 7, 3],
      [3, 7, 4, 0],
    ])
      lines.push(`f ${face.map(v).join(' ')}`)
  }
  return lines.join('\n')
}

/** A project with a row of the stand, its file read as millimetres. */
async function begin(page: Page, address: string): Promise<void> {
  await page.goto(address)
  await page.getByRole('button', { name: 'New project' }).click()
  await page.getByRole('button', { name: /^Line/ }).click()
  await expect(page.locator('.panel .facts').first()).not.toBeEmpty()
  await screen(page, 'Parts')
  await page.locator('.wall').getByRole('button', { name: 'Add', exact: true }).click()
  const chooser = page.waitForEvent('filechooser')
  await page.getByRole('menuitem', { name: 'From a file…' }).click()
  await (await chooser).setFiles({ name: 'Stand.obj', mimeType: 'model/obj', buffer: Buffer.from(standObj()) })
  await expect(page.locator('.wall .card', { hasText: 'Stand' })).toBeVisible()
}

const heights = async (page: Page): Promise<Map<string, number[]>> => {
  const { bytes, verdict } = await exportGlb(page)
  expect(verdict).toContain('The validator found no error')
  const found = new Map<string, number[]>()
  for (const { mesh, position } of await copiesIn(bytes)) found.set(mesh, [...(found.get(mesh) ?? []), position[0]])
  return found
}

test('A26: a part is split by what hangs together, then by faces; its copies stay, and undo is exact', async ({
  page,
  server,
}) => {
  await begin(page, server.address)
  await screen(page, 'Arrange')
  await page.getByRole('button', { name: /^Use in/ }).click()
  await expect(page.locator('.panel').getByText('Deal Stand')).toBeVisible()
  const whole = await heights(page)
  const rows = [...whole.values()].flat()
  expect(rows.length).toBeGreaterThan(3)

  await screen(page, 'Parts')
  await page.locator('.wall .card', { hasText: 'Stand' }).click()
  await page.getByRole('button', { name: 'Split into parts…' }).click()
  await expect(page.locator('.split')).toContainText('It becomes 2 parts of 12 to 24 triangles')
  const before = (await saved(page, server)).parts
  await page.getByRole('button', { name: 'Split it' }).click()
  await expect(page.locator('.wall .card', { hasText: 'Stand 1' })).toBeVisible()
  const pieces = await heights(page)
  // Each copy stands as it stood, in two pieces now.
  for (const name of ['Stand 1', 'Stand 2'])
    expect(
      [...pieces]
        .filter(([mesh]) => mesh.startsWith(name.replace(' ', '_')) || mesh.startsWith(name))
        .flatMap(([, x]) => x),
    ).toEqual(rows)

  // The upper piece falls apart at a face that is picked: the roof of the shade.
  await screen(page, 'Parts')
  await page.locator('.wall .card', { hasText: 'Stand 2' }).click()
  await page.getByRole('button', { name: 'Split into parts…' }).click()
  await expect(page.locator('.details')).toContainText('A piece of the mesh from')
  await expect(page.locator('.split')).toContainText('Stand 2 hangs together in one piece: there is nothing to split.')
  await expect(page.getByRole('button', { name: 'Split it' })).toBeDisabled()
  await choose(page, /^Split by:/, /faces that I pick/)
  await expect(page.locator('.split')).toContainText('Pick some faces of it, and leave some')
  const stage = await centreOf(page, '.plinth canvas, [aria-label=Plinth] canvas, .parts canvas')
  await page.mouse.click(stage.x, stage.y)
  await expect(page.locator('.split')).toContainText('2 of 24 triangles picked')
  await page.mouse.click(stage.x, stage.y)
  await expect(page.locator('.split')).toContainText('0 of 24 triangles picked')
  await page.mouse.click(stage.x, stage.y)
  await page.getByRole('button', { name: 'Split it' }).click()
  await expect(page.locator('.wall .card', { hasText: 'Stand 2 2' })).toBeVisible()
  const parts = (await saved(page, server)).parts
  expect(parts.flatMap((p) => (p.shape.kind === 'mesh' ? [[p.name, p.shape.triangles]] : []))).toEqual([
    ['Stand 1', 12],
    ['Stand 2 1', 2],
    ['Stand 2 2', 22],
  ])
  await page.keyboard.press('Control+z')
  await page.keyboard.press('Control+z')
  await expect(page.locator('.wall .card', { hasText: 'Stand 1' })).toHaveCount(0)
  expect((await saved(page, server)).parts).toEqual(before)
})

test('A26, P11: a file that is read again for one piece changes all of them, as one step', async ({ page, server }) => {
  await begin(page, server.address)
  await page.locator('.wall .card', { hasText: 'Stand' }).click()
  // By its command, from the screen of the arrangement.
  await screen(page, 'Arrange')
  await page.keyboard.press('Control+k')
  await page.getByRole('combobox', { name: /say what to make/ }).fill('split stand')
  await page.keyboard.press('Enter')
  await page.getByRole('button', { name: 'Split it' }).click()
  await page.locator('.wall .card', { hasText: 'Stand 1' }).click()
  const before = (await saved(page, server)).parts
  const fileOf = (parts: typeof before): unknown[] =>
    parts.flatMap(({ shape }) => (shape.kind === 'mesh' ? [[shape.fileName, Math.round(1000 * shape.high[1])]] : []))
  expect(fileOf(before)).toEqual([
    ['Stand.obj', 20],
    ['Stand.obj', 200],
  ])
  const chooser = page.waitForEvent('filechooser')
  await page.getByRole('button', { name: 'Read its file again…' }).click()
  const taller = standObj().replace(/^v (\S+) (20|200) /gm, (_, x, y) => `v ${x} ${y === '20' ? 25 : 260} `)
  await (await chooser).setFiles({ name: 'Stand 2.obj', mimeType: 'model/obj', buffer: Buffer.from(taller) })
  await expect(page.getByText('2 parts read again')).toBeVisible()
  expect(fileOf((await saved(page, server)).parts)).toEqual([
    ['Stand 2.obj', 25],
    ['Stand 2.obj', 260],
  ])
  await page.keyboard.press('Control+z')
  await expect.poll(async () => (await saved(page, server)).parts).toEqual(before)
})
