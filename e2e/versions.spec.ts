import { expect, openDemo, pattern, plain, screen, test, type, value } from './app'

test('O4, R11: versions are kept, compared in words and figures, and brought back; one undo takes that back', async ({
  page,
  server,
}) => {
  await openDemo(page, server)
  await screen(page, 'Versions')
  await expect(page.locator('aside')).toContainText('Nothing is kept yet')
  await page.getByRole('textbox', { name: 'Note' }).fill('From the demo')
  await page.getByRole('button', { name: 'Keep this one' }).click()
  await expect(page.locator('aside .versions > li')).toHaveCount(1)
  await screen(page, 'Arrange')
  await pattern(page, 'Shelf tins')
  await type(page, 'Spacing', '20 mm')
  await expect(value(page, 'Count')).toHaveText('8')
  await screen(page, 'Versions')
  await page.getByRole('button', { name: 'Compare version 1 with now' }).click()
  const beside = page.getByRole('region', { name: 'Compared' })
  await expect(beside.locator('figure')).toHaveCount(2, { timeout: 30_000 })
  // Word by word: what was said is struck out.
  await expect(beside.locator('del').filter({ hasText: '12' }).first()).toBeVisible()
  await expect(beside.locator('ins').filter({ hasText: '20' }).first()).toBeVisible()
  const told = async () => plain(await beside.locator('table').innerText())
  await expect.poll(told).toMatch(/moved\s+8\s+at most [\d.]+ mm, Shelf tins \d/)
  await expect.poll(told).toMatch(/removed\s+1/)
  await beside.getByRole('button', { name: 'Bring version 1 back' }).click()
  // What was there before is kept by itself; nothing differs any more.
  await expect(page.locator('aside .versions > li')).toHaveCount(2)
  await expect(page.locator('aside')).toContainText('before bringing back version 1')
  await expect(beside).toContainText('They say what they said.')
  await expect.poll(told).toMatch(/moved\s+0/)
  await screen(page, 'Arrange')
  await expect(value(page, 'Spacing')).toHaveText(/12/)
  await page.keyboard.press('Control+z')
  await expect(value(page, 'Spacing')).toHaveText(/20/)
})

test('versions outlast a restart, are renamed, removed, and become projects of their own', async ({ page, server }) => {
  await openDemo(page, server)
  await screen(page, 'Versions')
  for (const note of ['One', 'Two']) {
    await page.getByRole('textbox', { name: 'Note' }).fill(note)
    await page.getByRole('button', { name: 'Keep this one' }).click()
    await expect(page.locator('aside')).toContainText(note)
  }
  await page.getByRole('button', { name: 'Note of the version: One' }).click()
  await page.getByRole('textbox', { name: 'Note of the version' }).fill('The first one')
  await page.keyboard.press('Enter')
  await expect(page.locator('aside')).toContainText('The first one')
  await page.getByRole('button', { name: 'More for version 2' }).click()
  await page.getByRole('menuitem', { name: 'Remove' }).click()
  await expect(page.locator('aside .versions > li')).toHaveCount(1)
  await page.reload()
  await expect(page.locator('aside')).toContainText('The first one')
  await page.getByRole('button', { name: 'More for version 1' }).click()
  await page.getByRole('menuitem', { name: 'Duplicate as a project' }).click()
  await expect(page.locator('header').first()).toContainText('Casa Níspero tea counter, version 1')
})

test('O1, O6: the history is a list to jump in; what is left behind by going on from an earlier step is kept as a version', async ({
  page,
  server,
}) => {
  await openDemo(page, server)
  await pattern(page, 'Shelf tins')
  for (const gap of ['14 mm', '16 mm', '18 mm']) await type(page, 'Spacing', gap)
  await screen(page, 'Versions')
  const history = page.getByRole('region', { name: 'History' })
  const steps = history.getByRole('button')
  await expect(steps).toHaveCount(4)
  await expect(steps.first()).toHaveAttribute('aria-current', 'step')
  await expect(steps.last()).toContainText('As it was opened')
  await steps.nth(2).click()
  await expect(steps.nth(2)).toHaveAttribute('aria-current', 'step')
  await screen(page, 'Arrange')
  await expect(value(page, 'Spacing')).toHaveText(/14/)
  // Both ways: the last state is still there.
  await page.keyboard.press('Control+Shift+z')
  await page.keyboard.press('Control+Shift+z')
  await expect(value(page, 'Spacing')).toHaveText(/18/)
  await screen(page, 'Versions')
  await steps.nth(2).click()
  await screen(page, 'Arrange')
  await type(page, 'Spacing', '30 mm')
  await screen(page, 'Versions')
  await expect(steps).toHaveCount(3)
  await expect(page.locator('aside .versions')).toContainText('2 steps that were undone')
  await page.getByRole('button', { name: /Compare version \d+ with now/ }).click()
  const beside = page.getByRole('region', { name: 'Compared' })
  await expect(beside.locator('del').filter({ hasText: '18' }).first()).toBeVisible({ timeout: 30_000 })
  await expect(beside.locator('ins').filter({ hasText: '30' }).first()).toBeVisible()
})
