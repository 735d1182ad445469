import { parse } from 'csv-parse/sync'
import { readFileSync } from 'node:fs'
import type { Page } from '@playwright/test'
import { expect, openDemo, plain, saved, screen, test, type } from './app'

const row = (page: Page, pattern: string, number: number) =>
  page.locator('.table tbody tr', { hasText: new RegExp(`^\\s*${pattern}\\s*${number}\\s*[A-Z]`) })
const cell = (page: Page, pattern: string, number: number, column: string) =>
  row(page, pattern, number).getByRole('button', { name: new RegExp(`^${column} `) })

test('the ledger tells every copy; a value typed there is where the copy stands, and one undo brings it back', async ({
  page,
  server,
}) => {
  await openDemo(page, server)
  await screen(page, 'Ledger')
  await expect(page.locator('.table footer')).toContainText('988 rows')
  await expect(cell(page, 'Shelf tins', 3, 'Across')).toHaveText(/^−262\.00$/)
  await row(page, 'Shelf tins', 3).locator('td').nth(2).click()
  await expect(page.locator('.table footer')).toContainText('1 picked')
  // Why it stands there: its line, moved to where the line starts.
  await expect(page.locator('.why')).toContainText('Shelf tins 3')
  await expect(page.locator('.why')).toContainText('Line')
  // A sum with units; the copy stands there to the bit, as a touch-up.
  await cell(page, 'Shelf tins', 3, 'Deep').dblclick()
  await page.getByRole('textbox', { name: 'Deep' }).fill('1 cm - 6 mm')
  await page.keyboard.press('Enter')
  await expect(cell(page, 'Shelf tins', 3, 'Deep')).toHaveText('4.00')
  await expect(row(page, 'Shelf tins', 3)).toContainText('touched up')
  await expect(page.locator('.why')).toContainText('Touched up by hand')
  const { patterns } = await saved(page, server)
  expect(patterns.find((p) => p.name === 'Shelf tins')!.touchUps['2'].move![2]).toBeCloseTo(0.004, 12)
  await page.keyboard.press('Control+z')
  await expect(cell(page, 'Shelf tins', 3, 'Deep')).toHaveText('0.00')
  await expect(row(page, 'Shelf tins', 3)).not.toContainText('touched up')
})

test('what is no value is refused where it is typed; several picked lines take one value as one step', async ({
  page,
  server,
}) => {
  await openDemo(page, server)
  await screen(page, 'Ledger')
  await cell(page, 'Shelf tins', 1, 'Up').dblclick()
  await page.getByRole('textbox', { name: 'Up' }).fill('tall')
  await page.keyboard.press('Enter')
  await expect(page.locator('.table [role=alert]')).toBeVisible()
  await page.keyboard.press('Escape')
  await row(page, 'Shelf tins', 1).locator('td').first().click()
  await row(page, 'Shelf tins', 3)
    .locator('td')
    .first()
    .click({ modifiers: ['Shift'] })
  await expect(page.locator('.table footer')).toContainText('3 picked')
  await cell(page, 'Shelf tins', 2, 'Up').dblclick()
  await page.getByRole('textbox', { name: 'Up' }).fill('50')
  await page.keyboard.press('Enter')
  for (const number of [1, 2, 3]) await expect(cell(page, 'Shelf tins', number, 'Up')).toHaveText('50.00')
  await expect(cell(page, 'Shelf tins', 4, 'Up')).toHaveText('24.00')
  await page.keyboard.press('Control+z')
  await expect(cell(page, 'Shelf tins', 1, 'Up')).toHaveText('24.00')
  // What is locked stays where it is, and says so.
  await page.keyboard.press('Control+k')
  await page.keyboard.type('lock the pattern')
  await page.keyboard.press('Enter')
  await cell(page, 'Shelf tins', 4, 'Up').dblclick()
  await page.getByRole('textbox', { name: 'Up' }).fill('50')
  await page.keyboard.press('Enter')
  await expect(page.locator('.table [role=alert]')).toContainText('Shelf tins is locked')
})

test('P3, P5: the table goes out as CSV with the very figures and comes in again; sorted and filtered it shows what is asked for', async ({
  page,
  server,
}) => {
  await openDemo(page, server)
  await screen(page, 'Ledger')
  const [file] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Table out (CSV)' }).click(),
  ])
  const [columns, ...lines] = parse(readFileSync(await file.path())) as string[][]
  expect(lines).toHaveLength(988)
  const at = columns.indexOf('x [mm, y up]')
  const tin = lines.find((line) => line[0] === 'Shelf tins' && line[2] === '3')!
  expect(Number(tin[at])).toBeCloseTo(-262, 9)

  // In again with one value changed, and a line that is of nobody.
  const comeIn = async (table: string): Promise<void> => {
    const [chooser] = await Promise.all([
      page.waitForEvent('filechooser'),
      page.getByRole('button', { name: 'Table in …' }).click(),
    ])
    await chooser.setFiles({ name: 'changed.csv', mimeType: 'text/csv', buffer: Buffer.from(table) })
  }
  const text = readFileSync(await file.path(), 'utf8')
  const dialog = page.getByRole('dialog', { name: 'What changed.csv changes' })
  await comeIn(text)
  await expect(dialog).toContainText('Nothing: 988 copies stand as it says.')
  await dialog.getByRole('button', { name: 'Leave it' }).click()
  await comeIn(text.replace(/^(Shelf tins,,3,[^,]+),[^,]+,/m, '$1,-250,').concat('Nobody,,1,,0,0,0\r\n'))
  await expect(dialog).toContainText(/1 copy is moved, by up to 12.mm; 987 stay as they are/)
  await expect(dialog).toContainText('there is no copy 1 of “Nobody”')
  await dialog.getByRole('button', { name: 'Place them so' }).click()
  await expect(cell(page, 'Shelf tins', 3, 'Across')).toHaveText('−250.00')
  await page.keyboard.press('Control+z')
  await expect(cell(page, 'Shelf tins', 3, 'Across')).toHaveText('−262.00')

  await page.getByRole('textbox', { name: 'Only names with' }).fill('shelf t')
  await expect(page.locator('.table footer')).toContainText('9 rows')
  await page.getByRole('button', { name: 'Sort by Across' }).click()
  await page.getByRole('button', { name: 'Sort by Across' }).click()
  await expect(page.locator('.table tbody tr').first()).toContainText('9')
  expect(plain(await page.locator('.table tbody tr').first().innerText())).toMatch(/Shelf tins\s+9\s/)

  await page.locator('.p-multiselect').click()
  await page.getByRole('option', { name: 'Nearest gap' }).click()
  await page.keyboard.press('Escape')
  await expect(row(page, 'Shelf tins', 9)).toContainText('12.00')
})

test('100 000 lines are scrolled to the last, which is the last copy', async ({ page, server }) => {
  await page.goto(server.address)
  await page.getByRole('button', { name: 'New project' }).click()
  await page.getByRole('button', { name: 'Add a pattern' }).click()
  await page.getByRole('menuitem', { name: 'Grid', exact: true }).click()
  await type(page, 'Count across', '316')
  await type(page, 'Count deep', '316')
  await screen(page, 'Ledger')
  await expect.poll(async () => plain(await page.locator('.table footer').innerText())).toMatch(/99.856 rows/)
  await page.locator('.table .p-virtualscroller').evaluate((scroller) => scroller.scrollTo(0, scroller.scrollHeight))
  await expect.poll(async () => plain(await page.locator('.table tbody tr').last().innerText())).toMatch(/99.856/)
})

test('L3 to L6: several conditions are joined in one sentence, counted live; picked, saved, and recalled after a reload', async ({
  page,
  server,
}) => {
  await openDemo(page, server)
  await screen(page, 'Ledger')
  const pick = async (label: string, option: string, at = 0): Promise<void> => {
    await page
      .getByRole('button', { name: new RegExp(`^${label}:`) })
      .nth(at)
      .click()
    await page.getByRole('option', { name: option, exact: true }).click()
  }
  const count = async (): Promise<number> => Number((await page.locator('.pick .count').innerText()).replace(/\D/g, ''))
  await pick('Pick', 'a share of')
  await pick('First come', 'the smallest first')
  await pick('Where', 'Sampler tray')
  await expect.poll(count).toBe(11)
  // Of these only copies of one part; then all but those; then those and all copies of it.
  await page.getByRole('button', { name: 'and …' }).click()
  await pick('Part to pick', 'Matcha sweet')
  const both = await count()
  expect(both).toBeLessThan(11)
  await pick('Joined by', 'and not', 1)
  await expect.poll(count).toBe(11 - both)
  await pick('Joined by', 'or', 1)
  const either = await count()
  expect(either).toBeGreaterThan(11)
  await page.getByRole('button', { name: 'Pick', exact: true }).click()
  await expect(page.locator('.table footer')).toContainText(`${either} picked`)
  await screen(page, 'Arrange')
  await page.getByRole('button', { name: 'Save the selection' }).click()
  await saved(page, server)
  await page.reload()
  await page.getByRole('button', { name: 'Recall' }).click()
  await expect(page.locator('.picks .told')).toContainText(`${either} copies picked`)
  // A condition that is taken away counts no more.
  await screen(page, 'Ledger')
  await pick('Pick', 'copies that are')
  await pick('Where', 'all patterns')
  await pick('Sort', 'lights')
  const lights = await count()
  await page.getByRole('button', { name: 'and …' }).click()
  await pick('Part to pick', 'Cup')
  await expect.poll(count).toBe(0)
  await page.getByRole('button', { name: 'Take this condition away' }).click()
  // The saved selection by its name; and all that have the shape of a part, whatever its colours.
  await pick('Pick', 'the selection')
  await expect.poll(count).toBe(either)
  await pick('Pick', 'what has the shape of')
  await pick('Part to pick', 'Matcha sweet')
  await expect.poll(count).toBe(35)
  await pick('Pick', 'copies that are')
  await expect.poll(count).toBe(lights)
  expect(lights).toBeGreaterThan(0)
})
