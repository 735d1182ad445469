import type { Document } from '@gltf-transform/core'
import type { Page } from '@playwright/test'
import {
  centreOf,
  choose,
  exportGlb,
  expect,
  openDemo,
  openSentences,
  pattern,
  read,
  saved,
  screen,
  test,
  type,
  under,
} from './app'
import { copiesIn } from './readBack'

const card = (page: Page, name: string) => page.locator('.wall .card', { hasText: name }).first().click()
/** Picks the second row of the sampler tray by words. */
async function pickSecondRow(page: Page): Promise<void> {
  await pattern(page, 'Sampler tray')
  await page.getByRole('button', { name: 'Pick by words' }).click()
  await choose(page, /^Pick: /, 'row')
  await type(page, 'Number', '2')
  await page.getByRole('button', { name: 'Pick', exact: true }).click()
  await expect(page.locator('.picks .told')).toContainText('7 copies picked')
}
const width = (node: ReturnType<typeof under>[number]): number => {
  const [low, high] = node
    .getMesh()!
    .listPrimitives()
    .reduce(
      ([a, b], p) => {
        const position = p.getAttribute('POSITION')!
        return [Math.min(a, position.getMin([])[0]), Math.max(b, position.getMax([])[0])]
      },
      [Infinity, -Infinity],
    )
  return high - low
}

test('A6, A18: a part is edited once, and all of its copies are that wide in the file', async ({ page, server }) => {
  await openDemo(page, server)
  await screen(page, 'Parts')
  await card(page, 'Cup')
  await expect(page.locator('.uses')).toContainText('Used by 18 in 1 pattern')
  const spot = page.locator('.told').getByRole('spinbutton', { name: 'Width', exact: true })
  await spot.press('Enter')
  await page.getByRole('textbox', { name: 'Width', exact: true }).fill('4 in')
  await page.keyboard.press('Enter')
  await page.getByRole('button', { name: 'Show them' }).click()
  await expect(page.locator('.picks .told')).toContainText('18 copies picked')
  const { bytes } = await exportGlb(page)
  const cups = under(await read(bytes), 'Turntable cups')
  expect(cups).toHaveLength(18)
  expect(new Set(cups.map((node) => node.getMesh())).size).toBe(1)
  expect(width(cups[0])).toBeCloseTo(0.1016, 4)
})

test('M1, C2: the second row of a grid is swapped, leaving takes it back, and the grid stays one', async ({
  page,
  server,
}) => {
  await openDemo(page, server)
  const before = await saved(page, server)
  await pickSecondRow(page)
  await page.getByRole('button', { name: 'Swap…' }).click()
  const dialog = page.getByRole('dialog', { name: 'Swap' })
  await choose(page, /^Part that comes in/, 'Cup')
  await choose(page, /^Size: /, 'fitted inside the place')
  await expect(page.locator('.panel')).toContainText('Cup 7')
  await dialog.getByRole('button', { name: 'Leave it' }).click()
  expect(await saved(page, server)).toEqual(before)

  await page.getByRole('button', { name: 'Swap…' }).click()
  await choose(page, /^Part that comes in/, 'Cup')
  await dialog.getByRole('button', { name: 'Swap', exact: true }).click()
  await type(page, 'Spacing across', '40 mm')
  const { bytes, verdict } = await exportGlb(page)
  expect(verdict).toContain('The validator found no error')
  const tray = under(await read(bytes), 'Sampler tray')
  expect(
    tray
      .map((node) => node.getName().startsWith('Cup'))
      .map(Number)
      .join(''),
  ).toBe('0000000' + '1111111' + '000000000000000000000')
})

test('O8: the next swap begins with what was chosen for the last one, says so, and goes back in one click', async ({
  page,
  server,
}) => {
  await openDemo(page, server)
  await pickSecondRow(page)
  const dialog = page.getByRole('dialog', { name: 'Swap' })
  const back = dialog.getByRole('button', { name: 'Back to how a swap begins' })
  await page.getByRole('button', { name: 'Swap…' }).click()
  await expect(back).toHaveCount(0)
  await choose(page, /^Part that comes in/, 'Cup')
  await choose(page, /^What is kept/, 'its centre')
  await choose(page, /^Size: /, 'fitted inside the place')
  await dialog.getByRole('button', { name: 'Swap', exact: true }).click()
  await page.reload()
  await expect(page.locator('[data-copy="9"]').first()).toBeAttached({ timeout: 45_000 })
  await pickSecondRow(page)
  await page.getByRole('button', { name: 'Swap…' }).click()
  await expect(dialog).toContainText(/Keep its centre in place, with fitted inside the place/)
  await back.click()
  await expect(dialog).toContainText(/Keep its pivot in place, with the new part’s own size/)
  await expect(back).toHaveCount(0)
  await dialog.getByRole('button', { name: 'Leave it' }).click()
})

test('A4: unlinking moves nothing, and later edits of the part no longer reach the copies', async ({
  page,
  server,
}) => {
  await openDemo(page, server)
  const first = await read((await exportGlb(page)).bytes)
  await screen(page, 'Arrange')
  await pickSecondRow(page)
  await page.getByRole('button', { name: 'Unlink' }).click()
  const own = page.getByRole('region', { name: /^Part / })
  await expect(own.locator('h2')).toContainText('sweet 2')
  await expect(page.locator('.panel')).toContainText('Matcha sweet 2')
  const second = await read((await exportGlb(page)).bytes)
  const places = (document: Document): number[][] =>
    under(document, 'Sampler tray').map((node) => [...node.getTranslation(), ...node.getRotation(), ...node.getScale()])
  expect(places(second)).toEqual(places(first))
  expect(new Set(under(second, 'Sampler tray').map((n) => n.getMesh())).size).toBe(6)

  await screen(page, 'Arrange')
  await page.getByRole('button', { name: /^Undo/ }).click()
  expect(places(await read((await exportGlb(page)).bytes))).toEqual(places(first))
})

test('L1: a free outline picks what lies inside it; Alt takes away', async ({ page, server }) => {
  await openDemo(page, server)
  await page.locator('.p-selectbutton').getByText('Front', { exact: true }).click()
  await pattern(page, 'Shelf tins')
  await page.keyboard.press('w')
  await page.getByRole('button', { name: /^Pick by a free outline/ }).click()
  await page.getByRole('button', { name: 'what it touches' }).click()
  const pins = () => Promise.all(['move', 'pitch'].map((pin) => centreOf(page, `[data-pin=${pin}]`)))
  // The view moves to the selection: wait until it stands.
  let [first, second] = await pins()
  await expect
    .poll(async () => {
      const before = second
      ;[first, second] = await pins()
      return second.x - before.x
    })
    .toBe(0)
  const pitch = second.x - first.x
  const stage = (await page.locator('.frame canvas').boundingBox())!
  const round = async (left: number, right: number): Promise<void> => {
    const [top, bottom] = [stage.y + 60, stage.y + stage.height - 60]
    const corners = [
      [left, top],
      [(left + right) / 2, top - 20],
      [right, top],
      [right, bottom],
      [left, bottom],
    ]
    await page.mouse.move(left, top)
    await page.mouse.down()
    for (const [x, y] of corners.slice(1)) await page.mouse.move(x, y, { steps: 4 })
    await page.mouse.up()
  }
  const told = page.locator('.picks .told')
  // Round the second to the sixth: what is cut, as the first and the seventh, is not enclosed.
  await round(first.x, first.x + 6 * pitch)
  const document = await saved(page, server)
  await expect(told).toContainText('copies picked')
  await page.getByRole('button', { name: 'Save the selection' }).click()
  const kept = (await saved(page, server)).sets[0]
  expect(kept.copies['shelf-tins'].toSorted()).toEqual(['1', '2', '3', '4', '5'])
  expect(document.sets).toEqual([])
  await page.keyboard.down('Alt')
  await round(first.x, first.x + 1.5 * pitch)
  await page.keyboard.up('Alt')
  await page.getByRole('button', { name: 'Save the selection' }).click()
  const fewer = (await saved(page, server)).sets[1]
  expect(fewer.copies['shelf-tins'].toSorted()).toEqual(['2', '3', '4', '5'])
})

test('A10: parts are dealt at random by weight; first, middle and last; gaps stay as asked', async ({
  page,
  server,
}) => {
  await openDemo(page, server)
  await choose(page, /^Way of dealing/, 'at random')
  await type(page, 'Seed of the deal', '17')
  await page.getByRole('button', { name: /^Parts dealt:/ }).click()
  await page
    .getByRole('dialog', { name: /^Parts dealt in/ })
    .getByRole('spinbutton', { name: 'Weight of Mugi tin' })
    .press('Enter')
  await page.getByRole('textbox', { name: 'Weight of Mugi tin' }).fill('0')
  await page.keyboard.press('Enter')
  await page.keyboard.press('Escape')
  await expect(page.locator('.panel')).not.toContainText('Mugi tin 3')
  await choose(page, /^Way of dealing/, 'first, middle and last')
  await expect(page.locator('.panel')).toContainText('Hojicha tin 7')
  const tins = under(await read((await exportGlb(page)).bytes), 'Shelf tins')
  const names = tins.map((n) => n.getName().split(' ')[0])
  expect(names).toEqual(['Sencha', ...Array<string>(7).fill('Hojicha'), 'Mugi'])
})

test('M7: copies become separate, saying what is lost, and the pattern comes back', async ({ page, server }) => {
  await openDemo(page, server)
  const before = await saved(page, server)
  await page.getByRole('button', { name: 'More for Shelf tins' }).click()
  await page.getByRole('menuitem', { name: /^Make its copies separate/ }).click()
  await expect(page.getByRole('dialog')).toContainText('its line no longer places them')
  await page.getByRole('button', { name: 'Make them separate' }).click()
  await expect(page.locator('.panel')).toContainText('9 places of their own')
  await page.getByRole('button', { name: 'Make it the pattern that it was' }).click()
  expect((await saved(page, server)).patterns).toEqual(before.patterns)
})

test('A15, A22, M8: an assembly, a light and a placeholder; a circle is refused; what is written of them', async ({
  page,
  server,
}) => {
  await openDemo(page, server)
  await screen(page, 'Parts')
  const add = async (name: string): Promise<void> => {
    await page.locator('.wall header').getByRole('button', { name: 'Add' }).click()
    await page.getByRole('menuitem', { name, exact: true }).click()
  }
  await add('Assembly')
  await choose(page, /^Part to add/, 'Cup')
  await choose(page, /^Part to add/, 'Macaron')
  await expect(page.locator('.told')).toContainText('An assembly of 2 parts')
  await add('Assembly')
  await choose(page, /^Part to add/, 'Assembly')
  await card(page, 'Assembly')
  await choose(page, /^Part to add/, 'Assembly 2')
  await expect(page.getByRole('alert')).toContainText('a part cannot contain itself')

  await screen(page, 'Arrange')
  const use = async (part: string, name: string): Promise<void> => {
    await pattern(page, name)
    await page.locator('.tray .card', { hasText: part }).first().click()
    await page.getByRole('button', { name: `Use in ${name}` }).click()
  }
  await use('Assembly', 'Turntable cups')
  await screen(page, 'Parts')
  await add('Point light')
  await add('Placeholder')
  await screen(page, 'Arrange')
  await use('Point light', 'Bulbs')
  await use('Placeholder', 'Pastry tower')
  const { bytes, verdict } = await exportGlb(page)
  expect(verdict).toContain('The validator found no error')
  await expect(page.getByText('40 placeholders')).toBeVisible()
  const document = await read(bytes)
  expect(under(document, 'Turntable cups')).toHaveLength(36)
  expect(under(document, 'Pastry tower')).toHaveLength(0)
  const bulbs = under(document, 'Bulbs')
  expect(bulbs).toHaveLength(11)
  for (const node of bulbs) expect(node.getExtension('KHR_lights_punctual')).toBeTruthy()
})

test('A15: lanterns with their bulbs become one part, which is repeated; taken apart again nothing has moved', async ({
  page,
  server,
}) => {
  const all = async () => {
    const { bytes } = await exportGlb(page)
    await screen(page, 'Arrange')
    const of = (await copiesIn(bytes)).filter(({ mesh }) => /lantern|bulb/i.test(mesh))
    return of
      .map(({ mesh, position }) => {
        const part = mesh.replace(/_\d+$/, '')
        return `${part} ${position.map((n) => (Math.round(n * 1e5) / 1e5 + 0).toString()).join(' ')}`
      })
      .sort()
  }
  await openDemo(page, server)
  const before = await all()
  expect(before).toHaveLength(22)
  await pattern(page, 'Lantern garland')
  await page.locator('.list .row', { hasText: 'Bulbs' }).click({ modifiers: ['Shift'] })
  const make = page.locator('.picks').getByRole('button', { name: 'Make a part', exact: true })
  await make.click()
  // The lights hang from them too.
  await expect(page.getByText('Lights needs Lantern garland. Pick both, or neither.')).toBeVisible()
  await page.locator('.list .row', { hasText: 'Lights' }).click({ modifiers: ['Shift'] })
  await make.click()
  await expect(page.locator('.list .picked')).toHaveText([/^Set of Lantern garland.*1$/])
  await page.keyboard.press('Control+a')
  await page.locator('.picks').getByRole('button', { name: 'Take apart', exact: true }).click()
  await expect(page.locator('.list .picked')).toHaveText([/^Pieces of Set of Lantern garland.*33$/])
  expect(await all()).toEqual(before)
  await page.keyboard.press('Control+z')
  await page.keyboard.press('Control+z')
  await expect(page.locator('.list .row', { hasText: 'Lantern garland' }).first()).toContainText('11')
  await expect(page.getByRole('button', { name: 'Undo' })).toBeDisabled()
})

test('A13: variants are dealt by their name, and no place is set again', async ({ page, server }) => {
  await openDemo(page, server)
  await pattern(page, 'Turntable cups')
  const places = async () =>
    under(await read((await exportGlb(page)).bytes), 'Turntable cups').map((n) => [
      n.getMesh()!.getName(),
      n.getTranslation(),
    ])
  const before = await places()
  await screen(page, 'Parts')
  await card(page, 'Cup')
  await page.getByText(/^Variants, 0/).click()
  await choose(page, /^Variant to add/, 'Macaron')
  await choose(page, /^Variant to add/, 'Bulb')
  await screen(page, 'Arrange')
  await openSentences(page)
  await choose(page, /^Variants: /, /^in the variants called/)
  const called = page.locator('.panel').getByRole('button', { name: /^Variants called/ })
  await expect(called).toContainText('Macaron')
  await called.click()
  await page.getByRole('textbox', { name: 'Variants called' }).fill('bulb')
  await page.keyboard.press('Enter')
  await expect(page.locator('.panel')).toContainText(/Bulb\s*18/)
  const bulbs = await places()
  expect(bulbs.map(([, at]) => at)).toEqual(before.map(([, at]) => at))
  expect(new Set(bulbs.map(([mesh]) => mesh))).toEqual(new Set(['Bulb']))
  await screen(page, 'Arrange')
  await page.keyboard.press('Control+z')
  await page.keyboard.press('Control+z')
  await expect(page.locator('.panel')).not.toContainText(/Bulb\s*18/)
})
