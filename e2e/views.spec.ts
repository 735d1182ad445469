import { expect, openDemo, pattern, test } from './app'

test('I8, I11, I17: the ends of a curve are caught exactly; it is looked along the axes of what is picked', async ({
  page,
  server,
}) => {
  await openDemo(page, server)
  await pattern(page, 'Lantern garland')
  await page.getByRole('button', { name: 'Front', exact: true }).click()
  await page.getByRole('button', { name: 'Measure M' }).click()
  // A few pixels beside each end: what is measured is the span of the chain, to the bit.
  for (const end of ['first', 'last'] as const) {
    const at = await page
      .locator('path.guide')
      .first()
      .evaluate((path, which) => {
        const line = path as SVGPathElement
        const p = line.getPointAtLength(which === 'first' ? 0 : line.getTotalLength())
        const { left, top } = line.ownerSVGElement!.getBoundingClientRect()
        return { x: p.x + left, y: p.y + top }
      }, end)
    await page.mouse.click(at.x + 3, at.y - 2)
  }
  await expect(page.getByRole('button', { name: /^from click to click:/ })).toHaveText('2 200 mm')

  await page.getByRole('button', { name: 'Views' }).click()
  await page.getByRole('button', { name: 'Along its deep' }).click()
  await expect(page.getByRole('button', { name: 'Along deep of Lantern garland' })).toBeVisible()
})

test('I17: four views are seen at once, and a click makes one of them the one that is worked in', async ({
  page,
  server,
}) => {
  await openDemo(page, server)
  await page.getByRole('button', { name: 'Views', exact: true }).click()
  await page.getByRole('button', { name: 'Four at once' }).click()
  await page.keyboard.press('Escape')
  const others = page.getByRole('button', { name: /^Work in this view:/ })
  await expect(others).toHaveCount(3)
  /** How many colours a small view is drawn in; none before it is drawn. */
  const colours = (name: string): Promise<number> =>
    page.locator(`canvas[data-view=${name}]`).evaluate((sheet: HTMLCanvasElement) => {
      const { data } = sheet.getContext('2d')!.getImageData(0, 0, sheet.width, sheet.height)
      return new Set(new Uint32Array(data.buffer)).size
    })
  for (const name of ['top', 'front', 'side']) await expect.poll(() => colours(name)).toBeGreaterThan(100)

  await page.getByRole('button', { name: 'Work in this view: front' }).click()
  await expect(page.getByRole('button', { name: 'Work in this view: perspective' })).toBeVisible()
  await expect(page.getByText('Hides deep')).toBeVisible()
  await expect.poll(() => colours('perspective')).toBeGreaterThan(100)
})
