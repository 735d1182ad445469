import type { Page } from '@playwright/test'
import { centreOf, choose, drag, expect, exportGlb, facts, openDemo, plain, screen, test, type, value } from './app'
import { copiesIn } from './readBack'

async function emptyProject(page: Page, address: string): Promise<void> {
  await page.goto(address)
  await page.getByRole('button', { name: 'New project' }).click()
  await expect(page.getByText('Begin with a layout')).toBeVisible()
}
const command = async (page: Page, words: string): Promise<void> => {
  await page.keyboard.press('Control+k')
  await page.keyboard.type(words)
  await page.keyboard.press('Enter')
  await expect(page.getByRole('dialog')).toHaveCount(0)
}

test('B15: a line is drawn from one place to another', async ({ page, server }) => {
  await emptyProject(page, server.address)
  await page.keyboard.press('2')
  await command(page, 'draw a line')
  await expect(page.getByText('Click where the line begins')).toBeVisible()
  const stage = (await page.locator('.frame').boundingBox())!
  // Esc leaves nothing.
  await page.mouse.click(stage.x + 100, stage.y + 300)
  await page.keyboard.press('Escape')
  await expect(page.locator('.list li')).toHaveCount(0)
  await command(page, 'draw a line')
  await page.mouse.click(stage.x + 100, stage.y + 300)
  await page.mouse.click(stage.x + 500, stage.y + 300)
  await expect(page.locator('.list li')).toHaveCount(1)
  await expect(value(page, 'Count')).toHaveAttribute('aria-valuetext', /worked out/)
  const room = parseFloat(plain(await value(page, 'Room').innerText()).replaceAll(' ', ''))
  const pitch = parseFloat(plain(await value(page, 'Spacing').innerText()))
  await expect(value(page, 'Count')).toHaveText(String(Math.floor(room / pitch + 1e-9) + 1))
})

test('D8: a set is completed round a corner, and says that it closes', async ({ page, server }) => {
  await emptyProject(page, server.address)
  await page.getByRole('button', { name: /^Grid/ }).click()
  await type(page, 'Count across', '3')
  await type(page, 'Count deep', '3')
  await page.getByRole('group', { name: 'View' }).getByRole('button', { name: 'Top' }).click()
  await page.getByRole('button', { name: /^More for Box grid/ }).click()
  await page.getByRole('menuitem', { name: 'Complete the set round a corner' }).click()
  const stage = (await page.locator('.frame').boundingBox())!
  await page.mouse.click(stage.x + stage.width - 30, stage.y + 80)
  await expect.poll(() => facts(page)).toContain('the pieces close')
  const { bytes } = await exportGlb(page)
  const places = (await copiesIn(bytes)).map((c) => c.position)
  expect(places).toHaveLength(36)
  // Four squares of three by three, touching: their box is twice as wide as one and its middle is the corner.
  const xs = places.map((p) => p[0])
  expect(Math.max(...xs) - Math.min(...xs) + 0.1).toBeCloseTo(2 * (3 * 0.1 + 2 * 0.02), 6)
})

test('B14: a dragged value is typed without looking for it', async ({ page, server }) => {
  await openDemo(page, server)
  await drag(page, await centreOf(page, '[data-pin=pitch] .head'), { x: 14, y: -2 })
  await page.keyboard.press('Enter')
  await page.keyboard.type('15 mm')
  await page.keyboard.press('Enter')
  await expect(value(page, 'Spacing')).toHaveText(/15/)
})

test('a companion hangs on a named point of its host', async ({ page, server }) => {
  await openDemo(page, server)
  await page.locator('.tray .card', { hasText: 'Peach lantern' }).click()
  await page.getByText('Named points, 0').click()
  await page.getByRole('button', { name: 'Add a point' }).click()
  await type(page, 'Hook across', '50 mm')
  await page.getByRole('button', { name: 'Close the part' }).click()
  await page.locator('.list .row', { hasText: 'Bulbs' }).click()
  await page.getByRole('button', { name: /^Tied to:/ }).click()
  await page.getByRole('option', { name: /Hook/ }).click()
  await expect.poll(() => facts(page)).toContain('5 of these hosts have no point “Hook”')
  await type(page, 'Offset up', '0')
  const { bytes } = await exportGlb(page)
  const copies = await copiesIn(bytes)
  const bulbs = copies.filter((c) => c.mesh.startsWith('Bulb'))
  const lanterns = copies.filter((c) => c.mesh.includes('lantern'))
  lanterns.forEach(({ position, mesh }, k) =>
    expect(bulbs[k].position[0] - position[0]).toBeCloseTo(mesh.startsWith('Peach') ? 0.05 : 0, 9),
  )
})

test('numbers show the order, and a share of a crowd can be looked into', async ({ page, server }) => {
  await openDemo(page, server)
  await page.locator('.list .row', { hasText: 'Sampler tray' }).click()
  await page.getByRole('button', { name: 'Numbers' }).click()
  await expect(page.locator('.over .number')).toHaveCount(35)
  await expect(page.locator('.over .number').first()).toHaveText('1')
  await page.getByRole('button', { name: 'Settings' }).click()
  await page.getByRole('group', { name: 'Copies drawn' }).getByRole('button', { name: '10 %' }).click()
  await expect(page.locator('.chips')).toContainText('10 % of')
  await page.keyboard.press('Escape')
  await expect(page.locator('.list li', { hasText: 'Loose sugar' }).locator('.count')).toHaveText('600')
})

test('E8: copies go along an edge, a chain or a loop of a part, and along with it where it changes', async ({
  page,
  server,
}) => {
  await emptyProject(page, server.address)
  await page.getByRole('button', { name: /^Line/ }).click()
  await type(page, 'Count', '2')
  await page.getByRole('group', { name: 'View' }).getByRole('button', { name: 'Top' }).click()
  const pitch = parseFloat(plain(await value(page, 'Spacing').innerText())) + 100
  const [a, b] = [await centreOf(page, '.over circle.dot >> nth=0'), await centreOf(page, '.over circle.dot >> nth=1')]
  const perMm = (b.x - a.x) / pitch
  await command(page, 'follow an edge')
  await expect(page.locator('.asking')).toContainText('Click an edge of a copy')
  // The middle of the upper edge, not of the lower one under it, of the second box that is nearest to the viewer.
  await page.mouse.click(b.x + 1, b.y + 50 * perMm - 3)
  await expect(page.locator('.list li')).toHaveCount(2)
  const along = async () => (await copiesIn((await exportGlb(page)).bytes)).map((c) => c.position).slice(2)
  await choose(page, /^Which edges: one chain/, 'the loop round one face')
  // The line begins with the outer face of its first box. Round the top of the second one it is 400 mm.
  await type(page, 'Count', '4')
  const round = await along()
  const [x0, x1] = [Math.min(...round.map((p) => p[0])), Math.max(...round.map((p) => p[0]))]
  expect([x1 - x0, (x0 + x1) / 2]).toEqual([expect.closeTo(0.1, 6), expect.closeTo(0.05 + pitch / 1000, 6)])
  for (const p of round) expect(p[1]).toBeCloseTo(0.1, 6)

  // The box itself becomes twice as wide: what follows its rim is so at once, as one step of undo.
  await screen(page, 'Arrange')
  await page.locator('.tray .card', { hasText: 'Box' }).click()
  await type(page, 'Width', '200 mm')
  const wider = (await along()).map((p) => p[0])
  expect(Math.max(...wider) - Math.min(...wider)).toBeCloseTo(0.2, 6)
  await screen(page, 'Arrange')
  await page.keyboard.press('Control+z')
  expect(await along()).toEqual(round)
})
