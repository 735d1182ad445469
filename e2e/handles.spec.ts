import { centreOf, drag, expect, exportGlb, facts, openDemo, openSentences, plain, test, type, value } from './app'
import { copiesIn } from './readBack'

test('pins change pitch, room and count, one undo each, and Esc leaves nothing', async ({ page, server }) => {
  await openDemo(page, server)
  const before = await facts(page)

  await drag(page, await centreOf(page, '[data-pin=more] .head'), { x: 60, y: 0 }, async () => {
    await expect(page.locator('.note-chip')).toContainText('copies')
  })
  const counted = Number(plain(await value(page, 'Count').innerText()))
  expect(counted).toBeGreaterThan(9)
  await expect(value(page, 'Room')).toHaveAttribute('aria-valuetext', /worked out/)
  expect(plain(await value(page, 'Spacing').innerText())).toBe('12 mm')
  await page.keyboard.press('Control+z')
  await expect.poll(() => facts(page)).toBe(before)

  await drag(page, await centreOf(page, '[data-pin=pitch] .head'), { x: 20, y: -4 })
  expect(parseFloat(await value(page, 'Spacing').innerText())).toBeGreaterThan(12)
  await page.keyboard.press('Control+z')
  await expect.poll(() => facts(page)).toBe(before)

  await drag(page, await centreOf(page, '[data-pin=end] .head'), { x: -80, y: 14 })
  expect(Number(plain(await value(page, 'Count').innerText()))).toBeLessThan(9)
  await page.keyboard.press('Control+z')
  await expect.poll(() => facts(page)).toBe(before)

  await drag(page, await centreOf(page, '[data-pin=move] .head'), { x: 50, y: 0 }, async () => {
    await expect(page.locator('.note-chip')).toContainText('moved')
    await page.keyboard.press('Escape')
  })
  expect(plain(await value(page, 'Start across').innerText())).toBe('−590 mm')
  await expect.poll(() => facts(page)).toBe(before)
})

test('the strip is edited in place', async ({ page, server }) => {
  await openDemo(page, server)
  const before = await facts(page)
  const text = page.locator('[data-gap="3"] text')
  await expect(text).toHaveText('12')
  await drag(page, await centreOf(page, '[data-gap="3"] .reach'), { x: 30, y: 0 })
  const gap = parseFloat(await value(page, 'Spacing').innerText())
  expect(gap).toBeGreaterThan(20)
  await expect(page.locator('[data-gap="1"] text')).toHaveText(String(gap))
  await page.keyboard.press('Control+z')
  await expect.poll(() => facts(page)).toBe(before)
  await page.getByRole('group', { name: 'Read the strip as' }).getByRole('button', { name: 'pitch' }).click()
  await expect(page.locator('[data-gap="1"] text')).toHaveText('131')
  await page.getByRole('group', { name: 'Hold two of three' }).getByRole('button', { name: 'count' }).click()
  await expect(value(page, 'Count')).toHaveAttribute('aria-valuetext', /held/)
})

test('a touch-up made by hand stays with its copy', async ({ page, server }) => {
  await openDemo(page, server)
  await page.locator('[data-copy="5"]').click()
  await expect(page.getByRole('region', { name: 'Copy 5' })).toBeVisible()
  await type(page, 'Moved deep', '40 mm')
  await type(page, 'Turned about up', '30°')
  await expect(page.getByText('1 touched up by hand.')).toBeVisible()
  await page.locator('[data-copy="7"]').click()
  await page.getByRole('button', { name: 'Leave the place empty' }).click()
  await expect(page.getByText('2 touched up by hand.')).toBeVisible()
  await expect(page.locator('.list .picked .count')).toHaveText('8 of 9')
  await type(page, 'Room', '2 m')
  await expect(value(page, 'Count')).toHaveText('15')

  const { bytes } = await exportGlb(page)
  const tins = (await copiesIn(bytes)).filter((c) => c.mesh.includes('tin'))
  expect(tins).toHaveLength(14)
  const moved = tins.filter((c) => Math.abs(c.position[2]) > 1e-6)
  expect(moved).toHaveLength(1)
  expect(moved[0].position[2]).toBeCloseTo(0.04, 9)
  expect(2 * Math.acos(moved[0].quaternion[3])).toBeCloseTo(Math.PI / 6, 9)
  // Fifteen take 15 × 119 + 14 × 12 = 1 953 mm of 2 m; half of the 47 left over lies before the first.
  expect(moved[0].position[0]).toBeCloseTo(-0.59 + 0.0235 + 0.0595 + 4 * 0.131, 9)
})

test('a copy is dragged on the stage', async ({ page, server }) => {
  await openDemo(page, server)
  await page.keyboard.press('2')
  await page.locator('[data-copy="5"]').click()
  const dot = await centreOf(page, '.over .dot.picked')
  await drag(page, dot, { x: 0, y: 60 }, async () => {
    await expect(page.locator('.note-chip')).toContainText('deep')
  })
  // Where it is to stand is worked out beside the page: the step is made once that is known.
  await expect(page.getByText('Done, as one step.')).toBeVisible()
  const deep = parseFloat(plain(await value(page, 'Moved deep').innerText()))
  expect(deep).toBeGreaterThan(20)
  expect(plain(await value(page, 'Moved up').innerText())).toBe('0 mm')
  await page.getByRole('button', { name: 'Take the touch-up off', exact: true }).click()
  await expect(page.getByText('touched up by hand')).toHaveCount(0)
})

test('everything is reached by keys', async ({ page, server }) => {
  await openDemo(page, server)
  await page.keyboard.press('PageUp')
  await expect(value(page, 'Count')).toHaveText('10')
  await page.keyboard.press('PageDown')
  await page.keyboard.press(']')
  await expect(value(page, 'Spacing')).toHaveText(/13/)
  await value(page, 'Spacing').focus()
  await page.keyboard.press('ArrowUp')
  await expect(value(page, 'Spacing')).toHaveText(/14/)
  await page.keyboard.press('Shift+ArrowUp')
  await expect(value(page, 'Spacing')).toHaveText(/24/)
  await page.keyboard.type('2 * 6')
  await page.keyboard.press('Enter')
  await expect(value(page, 'Spacing')).toHaveText(/12/)
  await page.keyboard.press('Control+k')
  const patterns = await page.locator('.list li').count()
  await page.keyboard.type('add pattern line')
  await page.keyboard.press('Enter')
  await expect(page.getByRole('button', { name: /Name of the pattern/ })).toContainText('line')
  await expect(page.locator('.list li')).toHaveCount(patterns + 1)
  await expect(page.getByRole('dialog')).toHaveCount(0)
  await page.keyboard.press('Delete')
  await expect(page.locator('.list li')).toHaveCount(patterns)
  await page.keyboard.press('?')
  await expect(page.getByRole('dialog', { name: 'Keys' })).toBeVisible()
})

test('B2: a direction that is considered is an arrow on the stage, and leaves nothing behind', async ({
  page,
  server,
}) => {
  await openDemo(page, server)
  const before = await facts(page)
  const toward = (words: string) => page.locator(`[data-toward="${words}"]`)
  await page.getByRole('button', { name: 'Direction: across' }).click()
  await expect(toward('across')).toBeVisible()
  await page.getByRole('option', { name: 'up', exact: true }).hover()
  await expect(toward('across')).toHaveCount(0)
  const { y } = (await toward('up').locator('text').boundingBox())!
  await page.getByRole('option', { name: 'down', exact: true }).hover()
  expect((await toward('down').locator('text').boundingBox())!.y).toBeGreaterThan(y + 100)
  await page.keyboard.press('Escape')
  await expect(page.locator('[data-toward]')).toHaveCount(0)
  expect(await facts(page)).toBe(before)
  await expect(page.getByRole('button', { name: 'Undo' })).toBeDisabled()
  // So do the axes that a step goes along.
  await page.getByRole('button', { name: 'Add a step' }).click()
  await page.getByRole('menuitem', { name: /^Grade/ }).click()
  await openSentences(page)
  await page.getByRole('button', { name: /^Graded over:/ }).click()
  await page.getByRole('option', { name: 'along deep' }).hover()
  await expect(toward('along deep')).toBeVisible()
})
