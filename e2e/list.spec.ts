import type { Project } from '@hilera/core/model/project'
import type { Page } from '@playwright/test'
import { expect, openDemo, saved, test } from './app'

const row = (page: Page, name: string) => page.locator('.list li', { hasText: name }).first()

/** Drags a row of the list over another one, so far down over that. */
async function dragRow(page: Page, name: string, over: string, share: number): Promise<void> {
  const [from, to] = [(await row(page, name).boundingBox())!, (await row(page, over).boundingBox())!]
  await page.mouse.move(from.x + 60, from.y + from.height / 2)
  await page.mouse.down()
  await page.mouse.move(from.x + 60, from.y + from.height / 2 - 8, { steps: 3 })
  await page.mouse.move(to.x + 60, to.y + share * to.height, { steps: 5 })
  await expect(page.locator('.list .above, .list .below, .list .inside')).toHaveCount(1)
  await page.mouse.up()
}

test('N2: patterns and groups are put elsewhere in the list by dragging and by keys; nothing moves, and one undo brings it back', async ({
  page,
  server,
}) => {
  await openDemo(page, server)
  const start = await saved(page, server)
  const names = async (): Promise<string[]> =>
    (await page.locator('.list .name > span, .list .words .name').allInnerTexts()).slice(0, 5)
  await row(page, 'Shelf tins').locator('.row').click()
  await row(page, 'Turntable cups')
    .locator('.row')
    .click({ modifiers: ['Shift'] })
  await page.keyboard.press('Control+k')
  await page.keyboard.type('group what is picked')
  await page.keyboard.press('Enter')
  await expect(page.locator('.list li.group')).toHaveCount(1)
  const grouped = await saved(page, server)

  await dragRow(page, 'Sampler tray', 'Group', 0.5)
  await expect.poll(names).toEqual(['Group', 'Shelf tins', 'Turntable cups', 'Sampler tray', 'Lantern garland'])
  const nested = await saved(page, server)
  const groupId = nested.groups[0].id
  expect(nested.patterns.filter((p) => p.group === groupId)).toHaveLength(3)
  const placesOf = ({ patterns }: Project) => Object.fromEntries(patterns.map(({ id, place }) => [id, place]))
  expect(placesOf(nested)).toEqual(placesOf(grouped))
  await dragRow(page, 'Sampler tray', 'Shelf tins', 0.2)
  await expect.poll(names).toEqual(['Group', 'Sampler tray', 'Shelf tins', 'Turntable cups', 'Lantern garland'])
  await page.keyboard.press('Control+z')
  await page.keyboard.press('Control+z')
  expect(await saved(page, server)).toEqual(grouped)

  await row(page, 'Lantern garland').locator('.row').click()
  await page.keyboard.press('Alt+ArrowUp')
  await expect.poll(names).toEqual(['Group', 'Shelf tins', 'Turntable cups', 'Lantern garland', 'Sampler tray'])
  await page.keyboard.press('Alt+ArrowRight')
  await page.keyboard.press('Alt+ArrowUp')
  await expect.poll(names).toEqual(['Group', 'Shelf tins', 'Lantern garland', 'Turntable cups', 'Sampler tray'])
  await page.keyboard.press('Alt+ArrowLeft')
  await expect.poll(names).toEqual(['Group', 'Shelf tins', 'Turntable cups', 'Lantern garland', 'Sampler tray'])
  // There is no way further out, which is said.
  await page.keyboard.press('Alt+ArrowLeft')
  await expect(page.getByText('Lantern garland lies in no group.')).toBeVisible()
  for (let i = 0; i < 5; i++) await page.keyboard.press('Control+z')
  expect(await saved(page, server)).toEqual(start)
})
