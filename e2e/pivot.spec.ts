import type { Page } from '@playwright/test'
import { centreOf, choose, expect, exportGlb, openDemo, pattern, read, screen, test } from './app'
import { copiesIn } from './readBack'

/** Where the pivots of Sencha tins stand in the file, and how far their mesh reaches below and above them. */
async function tinInFile(page: Page): Promise<{ low: number; high: number; at: readonly number[] }> {
  const { bytes } = await exportGlb(page)
  const mesh = (await read(bytes))
    .getRoot()
    .listMeshes()
    .find((m) => m.getName().includes('Sencha'))!
  const points = mesh.listPrimitives().map((p) => p.getAttribute('POSITION')!)
  return {
    low: Math.min(...points.map((p) => p.getMin([])[1])),
    high: Math.max(...points.map((p) => p.getMax([])[1])),
    at: (await copiesIn(bytes)).find((c) => c.mesh.includes('Sencha'))!.position,
  }
}

test('I13: a pivot is brought to the centre and nothing that is placed moves, or all of it follows', async ({
  page,
  server,
}) => {
  await openDemo(page, server)
  const before = await tinInFile(page)
  await screen(page, 'Parts')
  await page.locator('.wall .card', { hasText: 'Sencha tin' }).click()
  await choose(page, /^Pivot: /, 'its centre')
  await expect(page.getByRole('button', { name: 'Put back' })).toBeVisible()
  const moved = await tinInFile(page)
  expect(moved.at[1] - before.at[1]).toBeCloseTo(-moved.low, 6)
  expect(moved.at[1] + moved.low).toBeCloseTo(before.at[1] + before.low, 6)
  await page.keyboard.press('Control+z')
  await screen(page, 'Parts')
  await page.locator('.wall .card', { hasText: 'Sencha tin' }).click()
  await choose(page, /^Copies: /, 'follow it')
  await choose(page, /^Pivot: /, 'its centre')
  await expect(page.getByRole('button', { name: 'Put back' })).toBeVisible()
  const followed = await tinInFile(page)
  expect(followed.at[1]).toBeCloseTo(before.at[1], 6)
  expect(followed.low).toBeCloseTo(moved.low, 6)
})

test('I13, I11: a pivot is put on the middle of a face that is clicked on the stage, and nothing that is placed moves', async ({
  page,
  server,
}) => {
  await openDemo(page, server)
  const before = await tinInFile(page)
  await screen(page, 'Arrange')
  await pattern(page, 'Shelf tins')
  await page.locator('[data-copy="1"]').first().click()
  const asked = page.getByText('Click where the pivot of Sencha tin is to be')
  await page.getByRole('button', { name: 'Move its pivot' }).click()
  await expect(asked).toBeVisible()
  await page.keyboard.press('Escape')
  await expect(asked).toBeHidden()
  expect(await tinInFile(page)).toEqual(before)

  await screen(page, 'Arrange')
  await page.locator('.frame').first().press('w')
  // Its dot lies on the middle of its upper face.
  const dot = await centreOf(page, '.over circle.dot')
  await page.getByRole('button', { name: 'Move its pivot' }).click()
  await expect(asked).toBeVisible()
  await page.mouse.click(dot.x, dot.y)
  await expect(asked).toBeHidden()
  await expect(page.getByRole('button', { name: 'Undo' })).toBeEnabled()
  const after = await tinInFile(page)
  expect(after.at[1] - before.at[1]).toBeCloseTo(before.high, 6)
  expect(after.high).toBeCloseTo(0, 6)
  for (const i of [0, 2]) expect(after.at[i]).toBeCloseTo(before.at[i], 6)
})
