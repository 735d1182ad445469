import type { Page } from '@playwright/test'
import { copiesInFile, nearestBetween, reachIn } from '../core/test/laws/ruler'
import { choose, exportGlb, expect, facts, openDemo, plain, read, screen, test, type, value } from './app'

async function begin(page: Page, address: string, layout: RegExp): Promise<void> {
  await page.goto(address)
  await page.getByRole('button', { name: 'New project' }).click()
  await page.getByRole('button', { name: layout }).click()
  await expect(page.locator('.panel .facts').first()).not.toBeEmpty()
}

/** The copies of a pattern in the exported file, under the ruler; of the one that there is where no name is said. */
async function measured(page: Page, name?: string): Promise<ReturnType<typeof copiesInFile>> {
  const { bytes, verdict } = await exportGlb(page)
  expect(verdict).toContain('The validator found no error')
  await screen(page, 'Arrange')
  const [only] = (await read(bytes)).getRoot().getDefaultScene()!.listChildren()
  return copiesInFile(bytes, name ?? only.getName())
}
const mm = (metres: readonly number[]): [number, number] =>
  [Math.min(...metres), Math.max(...metres)].map((n) => Math.round(n * 1e5) / 100) as [number, number]

test('D1–D9: a gap along a winding path is the nearest distance, in the facts, the strip and the file', async ({
  page,
  server,
}) => {
  await begin(page, server.address, /^Path/)
  await choose(page, /^Measure:/, 'gap')
  await type(page, 'Spacing', '11.3 mm')
  await expect.poll(() => facts(page)).toContain('gap 11.3 mm')
  const before = await facts(page)
  // Asked another way and back, nothing is changed.
  await choose(page, /^Measure:/, 'pitch')
  await choose(page, /^Measure:/, 'gap')
  await expect(value(page, 'Spacing')).toContainText('11.3')
  await expect.poll(() => facts(page)).toBe(before)
  const copies = await measured(page)
  const gaps = copies.slice(1).map((b, i) => nearestBetween(copies[i], b))
  expect(mm(gaps)).toEqual([11.3, 11.3])
  const labels = (await page.locator('[data-gap] text').allTextContents()).map(plain).filter((t) => t !== '')
  expect(new Set(labels)).toEqual(new Set(['11.3']))
})

test('C7: what is thinned out is in no fact: the tins that are left stand as far apart as is told', async ({
  page,
  server,
}) => {
  await openDemo(page, server)
  await page.getByRole('button', { name: 'Add a step' }).press('Enter')
  await page.getByRole('menuitem', { name: /^Thin/ }).click()
  await expect.poll(() => facts(page)).toContain('as they stand')
  const tins = (await measured(page, 'Shelf tins')).map((copy) => ({ pivot: copy.pivot.x, reach: reachIn(copy, 0) }))
  const gaps = mm(tins.slice(1).map((b, i) => b.reach[0] - tins[i].reach[1]))
  const told = gaps[0] === gaps[1] ? `${gaps[0]} mm` : `${gaps[0]} to ${gaps[1]} mm`
  expect(await facts(page)).toContain(told)
  await expect(page.locator('[data-gap] text').first()).toHaveText(`${gaps[0]}`)
})

test('F4: an area is filled with whole copies; its density is typed by the foot and told by the metre', async ({
  page,
  server,
}) => {
  await begin(page, server.address, /^Fill/)
  await choose(page, /^Spread/, 'at random')
  await type(page, 'Margin', '11.3 mm')
  await choose(page, /^Amount/, /to the area/)
  await type(page, 'Density', '6 / ft²')
  await expect(value(page, 'Density')).toContainText('64.583')
  const [width, depth] = [1.1, 0.75]
  const count = Math.round((6 / 0.3048 ** 2) * width * depth)
  await expect.poll(() => facts(page)).toContain(`${count} copies on 0.825 m²`)
  const edges = async (): Promise<number> => {
    const copies = await measured(page)
    expect(copies).toHaveLength(count)
    return Math.min(
      ...copies.flatMap((copy) => {
        const [x, z] = [reachIn(copy, 0), reachIn(copy, 2)]
        return [x[0] + width / 2, width / 2 - x[1], z[0] + depth / 2, depth / 2 - z[1]]
      }),
    )
  }
  expect(await edges()).toBeGreaterThanOrEqual(0.0113 - 1e-6)
  await choose(page, /^Kept inside/, /pivots/)
  expect(await edges()).toBeLessThan(0)
  await page.keyboard.press('Control+z')
  expect(await edges()).toBeGreaterThanOrEqual(0.0113 - 1e-6)
})
