import { type Page } from '@playwright/test'
import { expect, exportGlb, openDemo, pattern, read, saved, screen, test, under } from './app'

const dialog = (page: Page, name: string) => page.getByRole('dialog', { name })
/** Chooses from a list of the dialog by its label. */
async function give(page: Page, role: string, part: string): Promise<void> {
  await dialog(page, 'Place by a recipe').getByRole('combobox', { name: role, exact: true }).click()
  await page.getByRole('option', { name: part, exact: true }).click()
  await expect(page.getByRole('option')).toHaveCount(0)
}

test('P12: a pattern is kept as a recipe and used in another project with its parts, as one step', async ({
  page,
  server,
}) => {
  await openDemo(page, server)
  const original = under(await read((await exportGlb(page)).bytes), 'Sampler tray').map((n) => n.getTranslation())
  await screen(page, 'Arrange')
  await page.getByRole('button', { name: 'More for Sampler tray' }).click()
  await page.getByRole('menuitem', { name: 'Keep as a recipe…' }).click()
  await dialog(page, 'Keep as a recipe').getByRole('textbox', { name: 'Name' }).fill('Tray of sweets')
  await page.keyboard.press('Enter')
  await expect(page.getByText('Kept as the recipe “Tray of sweets”')).toBeVisible()

  await page.goto(server.address)
  await page.getByRole('button', { name: 'New project' }).click()
  await expect(page.getByText('Saved', { exact: true })).toBeVisible()
  await page.keyboard.press('Control+k')
  await page
    .getByRole('combobox', { name: /say what to make/ })
    .fill('place 1 of a box 20 mm wide, 20 mm tall, 20 mm deep in a line across, 5 mm gap')
  await expect(page.locator('.preview')).toContainText('1 cop')
  await page.keyboard.press('Enter')
  await expect(page.locator('.list .row')).toHaveCount(1)
  await expect(page.getByText('Saved', { exact: true })).toBeVisible()
  const before = await saved(page, server)
  const [box] = before.parts

  await page.getByRole('button', { name: 'Add a pattern' }).click()
  await page.getByRole('menuitem', { name: 'By a recipe…' }).click()
  const using = dialog(page, 'Place by a recipe')
  await expect(using.getByRole('region', { name: 'What it says' })).toContainText('Place 7 across at 34 mm gap')
  await give(page, 'Matcha sweet', box.name)
  await give(page, 'Azuki sweet', box.name)
  await using.getByRole('button', { name: 'Place it' }).click()
  await expect(using).toBeHidden()
  await expect(page.locator('.list .row', { hasText: 'Sampler tray' })).toContainText('35')
  const after = await saved(page, server)
  expect(after.parts.map(({ name, shape }) => [name, shape.kind])).toEqual([
    [box.name, 'box'],
    ['Yuzu sweet', 'placeholder'],
  ])
  expect(after.patterns[1].deal.parts).toEqual([box.id, after.parts[1].id, box.id])

  // Every third is a placeholder, which stands in no file; depth does not change with what is dealt along it.
  const nodes = under(await read((await exportGlb(page)).bytes), 'Sampler tray')
  expect(nodes).toHaveLength(Array.from({ length: 35 }, (_, k) => k % 3).filter((k) => k !== 1).length)
  expect(original).toHaveLength(35)
  await screen(page, 'Arrange')
  await page.keyboard.press('Control+z')
  await expect(page.locator('.list .row')).toHaveCount(1)
  expect(await saved(page, server)).toEqual(before)
})

test('P12: who keeps none is told how; a recipe is renamed, and removed when it is asked for twice', async ({
  page,
  server,
}) => {
  await openDemo(page, server)
  await page.keyboard.press('Control+k')
  await page.getByRole('combobox', { name: /say what to make/ }).fill('by a recipe')
  await page.keyboard.press('Enter')
  const using = dialog(page, 'Place by a recipe')
  await expect(using).toContainText('No recipe is kept yet.')
  await expect(using.getByRole('button', { name: 'Place it' })).toBeDisabled()
  await page.keyboard.press('Escape')
  await pattern(page, 'Counter front, left')
  await page.keyboard.press('Control+k')
  await page.getByRole('combobox', { name: /say what to make/ }).fill('keep the picked patterns')
  await page.keyboard.press('Enter')
  // While the server is away nothing is kept, and nothing is lost either: the name stays to be sent again.
  await page.route('**/api/recipes', (route) => route.abort())
  await dialog(page, 'Keep as a recipe').getByRole('button', { name: 'Keep it' }).click()
  await expect(page.getByRole('alert')).toHaveText('The server cannot be reached. Try again when it is back.')
  await page.unroute('**/api/recipes')
  await dialog(page, 'Keep as a recipe').getByRole('button', { name: 'Keep it' }).click()
  await expect(page.getByText('Kept as the recipe “Counter front, left”')).toBeVisible()
  await page.keyboard.press('Control+k')
  await page.getByRole('combobox', { name: /say what to make/ }).fill('by a recipe')
  await page.keyboard.press('Enter')
  await using.getByRole('button', { name: 'Name of the recipe: Counter front, left' }).click()
  await page.keyboard.type('Slatted front')
  await page.keyboard.press('Enter')
  await expect(using.getByRole('combobox', { name: 'Recipe' })).toHaveText('Slatted front')
  await using.getByRole('button', { name: 'Remove this recipe' }).click()
  await using.getByRole('button', { name: 'Remove it for good' }).click()
  await expect(using).toContainText('No recipe is kept yet.')
})

test('F5: the same set-up with another part stands beside it with what belongs to it, and one undo takes it back', async ({
  page,
  server,
}) => {
  await openDemo(page, server)
  await pattern(page, 'Lantern garland')
  await page.getByRole('button', { name: 'More for Lantern garland' }).click()
  await page.getByRole('menuitem', { name: 'The same with other parts…' }).click()
  const asked = dialog(page, 'The same with other parts')
  await expect(asked).toContainText('what belongs to it: Bulbs, Lights')
  await asked.getByRole('combobox', { name: 'Peach lantern' }).click()
  await page.getByRole('option', { name: 'Cup', exact: true }).click()
  await expect(page.getByRole('option')).toHaveCount(0)
  await asked.getByRole('button', { name: 'Place it' }).click()
  await expect(asked).toBeHidden()
  await expect(page.locator('.list .picked')).toContainText('Lantern garland 2')
  const file = await read((await exportGlb(page)).bytes)
  const [was, is] = ['Lantern garland', 'Lantern garland 2'].map((name) =>
    under(file, name).map((n) => n.getTranslation()),
  )
  expect(is).toHaveLength(11)
  // It stands 200 mm nearer, each lantern in its place; a bulb goes with every one of them.
  expect(under(file, 'Bulbs 2')).toHaveLength(11)
  is.forEach((at, k) => at.forEach((n, i) => expect(n).toBeCloseTo(was[k][i], 6)))
  await screen(page, 'Arrange')
  const names = (await saved(page, server)).patterns.map(({ name }) => name)
  expect(names).toContain('Lights 2')
  await page.keyboard.press('Control+z')
  await expect(page.locator('.list .row', { hasText: 'Lantern garland 2' })).toHaveCount(0)
})
