import { centreOf, choose, drag, expect, exportGlb, openDemo, pattern, plain, read, saved, test, under } from './app'

test('one copy gets a colour by hand, keeps it in a group of its own, and in the file; the others keep theirs', async ({
  page,
  server,
}) => {
  await openDemo(page, server)
  await page.locator('[data-copy="3"]').first().click()
  await choose(page, /^Colour of this copy:/, /^its own/)
  await page.getByLabel('Own colour of this copy').fill('#2060e0')
  await page
    .locator('[data-copy="4"]')
    .first()
    .click({ modifiers: ['Shift'] })
  await page.locator('.picks').getByRole('button', { name: 'Group', exact: true }).click()
  const { patterns } = await saved(page, server)
  expect(patterns.find((p) => p.name === 'Some of Shelf tins')!.touchUps).toEqual({ '0': { color: '#2060e0' } })
  const { bytes } = await exportGlb(page)
  const document = await read(bytes)
  const blue = (name: string) =>
    under(document, name).map((node) =>
      (node.getMesh()?.listPrimitives() ?? []).some((p) => {
        const [red, , b] = p.getMaterial()?.getBaseColorFactor() ?? [1, 0, 0]
        return b > 0.7 && red < 0.02
      }),
    )
  expect(blue('Some of Shelf tins')).toEqual([true, false])
  expect(blue('Shelf tins')).toEqual(Array.from({ length: 7 }, () => false))
})

test('L: copies inside an outline drawn on the stage, and of one part, are picked; looked at from elsewhere they stay', async ({
  page,
  server,
}) => {
  await openDemo(page, server)
  await page.locator('.p-selectbutton').getByText('Top', { exact: true }).click()
  await pattern(page, 'Shelf tins')
  await page.keyboard.press('w')
  await page.getByRole('button', { name: 'Pick by words' }).click()
  const told = page.locator('.pick .sentence')
  // Given up, nobody is inside; asked for again by its words.
  await choose(page, /^Pick:/, /^what stands inside/)
  await expect(page.locator('.asking')).toContainText('Draw an outline')
  await page.keyboard.press('Escape')
  await expect(page.locator('.asking')).toHaveCount(0)
  await expect(told).toContainText(/an outline not drawn yet.+0\scopies/)
  await page.getByRole('button', { name: /^Outline:/ }).click()
  const fourth = await centreOf(page, '.over circle.dot >> nth=3')
  const stage = (await page.locator('.frame canvas').boundingBox())!
  await drag(page, { x: stage.x + 20, y: stage.y + 70 }, { x: fourth.x + 8 - stage.x - 20, y: stage.height - 160 })
  await expect(told).toContainText(/an outline of 4 corners.+4\scopies/)
  await page.locator('.p-selectbutton').getByText('Perspective', { exact: true }).click()
  await page.locator('.pick').getByRole('button', { name: 'and …' }).click()
  await expect(told).toContainText(/Sencha tin.+2\scopies/)
  await page.locator('.pick').getByRole('button', { name: 'Pick', exact: true }).click()
  await expect(page.locator('.picks .told')).toContainText('2 copies picked')
  await page.getByRole('button', { name: 'Save the selection' }).click()
  expect((await saved(page, server)).sets[0].copies).toEqual({ 'shelf-tins': ['0', '3'] })
})

test('L1, L2: copies are picked by a rectangle, kept under a name, and a step keeps to them after a reload', async ({
  page,
  server,
}) => {
  await openDemo(page, server)
  await page.locator('.p-selectbutton').getByText('Front', { exact: true }).click()
  await pattern(page, 'Shelf tins')
  await page.keyboard.press('w')
  await page.getByRole('button', { name: /^Pick by a rectangle/ }).click()
  await page.getByRole('button', { name: 'what it touches' }).click()
  const [third, fifth] = await Promise.all(
    [2, 4].map((i) =>
      page
        .locator(`[data-copy="${i + 1}"]`)
        .first()
        .boundingBox(),
    ),
  )
  const stage = (await page.locator('.frame canvas').boundingBox())!
  const half = Math.abs(fifth!.x - third!.x) / 4
  await page.mouse.move(third!.x - 1.1 * half, stage.y + 60)
  await page.mouse.down()
  await page.mouse.move(fifth!.x + 1.4 * half, stage.y + stage.height - 60, { steps: 6 })
  await page.mouse.up()
  await expect(page.locator('.picks .told')).toContainText('copies picked')
  const picked = plain(await page.locator('.picks .told').innerText())
  await page.getByRole('button', { name: 'Save the selection' }).click()
  await page.keyboard.press('Control+k')
  await page.keyboard.type('add a step: grade')
  await page.keyboard.press('Enter')
  await choose(page, /^Copies that it reaches/, 'Selection')
  await expect(page.locator('.panel')).toContainText('the first 100 %, the last 50 %')
  const document = await saved(page, server)
  const size = document.sets[0].copies['shelf-tins'].length
  expect(picked).toContain(`${Object.values(document.sets[0].copies).flat().length} copies picked`)
  await page.reload()
  await page.getByRole('button', { name: 'Recall' }).click()
  await expect(page.locator('.picks .told')).toContainText(
    `${Object.values(document.sets[0].copies).flat().length} copies picked`,
  )
  const { bytes } = await exportGlb(page)
  const sizes = under(await read(bytes), 'Shelf tins').map((node) => node.getScale()[0])
  expect(sizes.filter((s) => s < 1 - 1e-9)).toHaveLength(size - 1)
  expect(Math.min(...sizes)).toBeCloseTo(0.5, 9)
})
