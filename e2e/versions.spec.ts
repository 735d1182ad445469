import { readFileSync } from 'node:fs'
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
  // One over the other in one picture, as far as is said.
  const top = beside.locator('.frame').nth(1)
  const width = async () => (await top.boundingBox())!.width
  const before = await width()
  await beside.getByRole('button', { name: 'Wiped' }).click()
  await expect.poll(width).toBeGreaterThan(1.8 * before)
  await expect(top).toHaveCSS('clip-path', 'inset(0px 0px 0px 50%)')
  await beside.getByRole('slider', { name: 'How far it is wiped' }).press('Home')
  await expect(top).toHaveCSS('clip-path', 'inset(0px 0px 0px 100%)')
  await beside.getByRole('button', { name: 'Laid over' }).click()
  await beside.getByRole('slider').press('End')
  await expect(top).toHaveCSS('opacity', '1')
  await beside.getByRole('button', { name: 'Side by side' }).click()
  await expect.poll(width).toBeLessThan(1.2 * before)
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

test('O4, O9: a version is looked at alone; a file takes all that was kept along, with pictures, and brings it in', async ({
  page,
  server,
}) => {
  await openDemo(page, server)
  await screen(page, 'Versions')
  await page.getByRole('textbox', { name: 'Note' }).fill('From the demo')
  await page.getByRole('button', { name: 'Keep this one' }).click()
  await expect(page.locator('aside .versions > li')).toHaveCount(1)
  await page.getByRole('button', { name: 'Compare version 1 with now' }).click()
  const beside = page.getByRole('region', { name: 'Compared' })
  await expect(beside.locator('figure')).toHaveCount(2, { timeout: 30_000 })
  await beside.getByRole('button', { name: 'It alone' }).click()
  await expect(beside.locator('figure')).toHaveCount(1)
  // It is drawn anew, on a canvas of its own.
  await expect(beside.locator('figure')).toHaveAttribute('data-triangles', /^[1-9]/)
  await expect(beside).toContainText('Version 1 as it was kept, to look at only.')
  await expect(beside.locator('.alone')).toContainText(/Shelf tins[^]*12 mm/)
  const arrived = page.waitForEvent('download')
  await page.getByRole('button', { name: 'Download with its versions (.hilera)' }).click()
  const path = await (await arrived).path()

  await page.goto(server.address)
  const chooser = page.waitForEvent('filechooser')
  await page.getByRole('button', { name: 'Open a file' }).click()
  await (await chooser).setFiles({ name: 'taken.hilera', mimeType: 'application/zip', buffer: readFileSync(path) })
  await expect(page.locator('.list .row', { hasText: 'Shelf tins' })).toBeVisible({ timeout: 45_000 })
  await screen(page, 'Versions')
  const line = page.locator('aside .versions > li')
  await expect(line).toHaveCount(1)
  await expect(line).toContainText('From the demo')
  await expect(line.locator('img')).toHaveJSProperty('complete', true)
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
  // The server takes its time over it: it joins the list that was read before.
  let take = (): void => {}
  const taken = new Promise<void>((resolve) => (take = resolve))
  await page.route('**/versions', async (route) => {
    if (route.request().method() === 'POST') await taken
    await route.continue()
  })
  await type(page, 'Spacing', '30 mm')
  await screen(page, 'Versions')
  await expect(steps).toHaveCount(3)
  await expect(page.getByText('Nothing is kept yet')).toBeVisible()
  take()
  await expect(page.locator('aside .versions')).toContainText('2 steps that were undone')
  await page.getByRole('button', { name: /Compare version \d+ with now/ }).click()
  const beside = page.getByRole('region', { name: 'Compared' })
  await expect(beside.locator('del').filter({ hasText: '18' }).first()).toBeVisible({ timeout: 30_000 })
  await expect(beside.locator('ins').filter({ hasText: '30' }).first()).toBeVisible()
  // It outlasts the page: jumped in after a reload it leads where it did.
  await expect(page.getByText('Saved', { exact: true })).toBeVisible()
  await page.reload()
  await expect(steps).toHaveCount(3)
  await expect(steps.first()).toContainText('as it was opened')
  await steps.last().click()
  await screen(page, 'Arrange')
  await pattern(page, 'Shelf tins')
  await expect(value(page, 'Spacing')).toHaveText(/12/)
  await page.keyboard.press('Control+Shift+z')
  await page.keyboard.press('Control+Shift+z')
  await expect(value(page, 'Spacing')).toHaveText(/30/)
})
