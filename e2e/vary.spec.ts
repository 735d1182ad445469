import { WebIO } from '@gltf-transform/core'
import { exportGlb, expect, openDemo, plain, test, type, value } from './app'

test('J1, J10, J11: tins are turned by chance within what is typed; the facts, the seed and the file agree', async ({
  page,
  server,
}) => {
  await openDemo(page, server)
  await page.getByRole('button', { name: 'Add a step' }).press('Enter')
  await page.getByRole('menuitem', { name: /^Vary/ }).click()
  await type(page, 'Share of copies', '40 %')
  await type(page, 'High', '12')
  await type(page, 'Low', '-12')
  const step = page.locator('.step', { hasText: 'Vary' })
  await expect(step.locator('.facts')).toContainText('changed')
  await expect(step.locator('.facts')).not.toContainText('9 of 9')
  const changed = Number(/(\d+) of 9/.exec(plain(await step.locator('.facts').innerText()))![1])
  const turns = async (): Promise<number[]> => {
    const { bytes, verdict } = await exportGlb(page)
    expect(verdict).toContain('The validator found no error')
    const root = (await new WebIO().readBinary(bytes)).getRoot()
    const shelf = root.listNodes().find((n) => n.getName() === 'Shelf tins')!
    return shelf.listChildren().map((n) => (2 * Math.atan2(n.getRotation()[1], n.getRotation()[3]) * 180) / Math.PI)
  }
  const first = await turns()
  expect(first.filter((a) => Math.abs(a) > 1e-9)).toHaveLength(changed)
  for (const a of first) expect(Math.abs(a)).toBeLessThanOrEqual(12 + 1e-9)

  // A copy fewer leaves the others as they are.
  await page.getByRole('navigation', { name: 'Screens' }).getByRole('link', { name: 'Arrange' }).click()
  await type(page, 'Room', '1050 mm')
  const fewer = await turns()
  expect(fewer).toHaveLength(8)
  for (const [k, a] of fewer.entries()) expect(a).toBeCloseTo(first[k], 9)
})

test('J9, A17: a size of nothing is refused; a part’s own variation reaches its copies, and a pattern may do without', async ({
  page,
  server,
}) => {
  await openDemo(page, server)
  await page.getByRole('navigation', { name: 'Screens' }).getByRole('link', { name: 'Parts' }).click()
  await page.locator('.wall .card', { hasText: 'Cup' }).click()
  await page.getByText('Variation of its own, 0').click()
  await page.getByRole('button', { name: 'Let its copies vary' }).click()
  await page.getByRole('button', { name: /^What varies/ }).click()
  await page.getByRole('option', { name: 'their size', exact: true }).click()
  const low = value(page, 'Low', '.told')
  await low.press('Enter')
  await page.getByRole('textbox', { name: 'Low', exact: true }).fill('0')
  await page.keyboard.press('Enter')
  await expect(page.locator('.told .problem')).toContainText('turns a copy inside out')
  await page.keyboard.press('Escape')
  const sizes = async (): Promise<number[]> => {
    const root = (await new WebIO().readBinary((await exportGlb(page)).bytes)).getRoot()
    const cups = root.listNodes().find((n) => n.getName() === 'Turntable cups')!
    return cups.listChildren().map((n) => n.getScale()[0])
  }
  const varied = await sizes()
  expect(new Set(varied).size).toBe(16)
  for (const s of varied) expect(s).toBeGreaterThanOrEqual(0.9)
  await page.getByRole('navigation', { name: 'Screens' }).getByRole('link', { name: 'Arrange' }).click()
  await page.locator('.list .row', { hasText: 'Turntable cups' }).click()
  await page.getByRole('button', { name: /^Variation of the parts/ }).click()
  await page.getByRole('option', { name: 'not by themselves here' }).click()
  expect(new Set(await sizes())).toEqual(new Set([1]))
})
