import type { Page } from '@playwright/test'
import { exportGlb, expect, openDemo, pattern, plain, read, screen, test, type, under, value } from './app'

const sentences = async (page: Page): Promise<string[]> =>
  (await page.locator('.panel .sentence').allInnerTexts()).map((text) => plain(text.replaceAll('…', '')))
const wordsIn = (sentence: string): number => sentence.split(' ').filter((word) => /\w/.test(word)).length

test('R3: a sentence says what is not neutral; … opens the rest, which is found open again', async ({
  page,
  server,
}) => {
  await page.goto(server.address)
  await page.getByRole('button', { name: 'New project' }).click()
  await page.getByRole('button', { name: /^Path/ }).click()
  await expect(page.locator('.panel .facts').first()).not.toBeEmpty()
  const [path, , place] = await sentences(page)
  expect(wordsIn(path)).toBeLessThan(25)
  expect(path).toMatch(/^Place 8 along .* a copy at both ends; turned along, staying upright\.$/)
  expect(place).toBe('It starts at the origin.')

  // Opened by key, a quiet value is set; closed again, it is said.
  const more = page.locator('.panel [data-quiet]').first()
  await more.press('Enter')
  await expect(more).toHaveAttribute('aria-expanded', 'true')
  await expect(value(page, 'Twist')).toBeVisible()
  await type(page, 'Aside', '30 mm')
  await expect.poll(async () => (await sentences(page))[0]).toContain('30 mm aside')
  await expect(page.getByText('Saved', { exact: true })).toBeVisible()
  await page.reload()
  await expect(value(page, 'Twist')).toBeVisible()
  await more.click()
  await expect(value(page, 'Twist')).toHaveCount(0)
  expect((await sentences(page))[0]).toMatch(/They stand 30 mm aside and 0 mm up from it\.$/)
  const nodes = under(await read((await exportGlb(page)).bytes), 'Box path')
  // Aside of the first way, which leads to the right and away: to the right of it is towards the front.
  expect(Math.hypot(...nodes[0].getTranslation())).toBeCloseTo(0.03, 9)
  await screen(page, 'Arrange')
  // Neutral again, it goes once it is left.
  await type(page, 'Aside', '0')
  await page.locator('.panel h1, .panel h2').first().click()
  await expect.poll(async () => (await sentences(page))[0]).toBe(path)
})

test('R3: the demo’s variation is said in under twenty words, and a start at the origin in five', async ({
  page,
  server,
}) => {
  await openDemo(page, server)
  await pattern(page, 'Sampler tray')
  await expect.poll(async () => (await sentences(page)).find((s) => s.startsWith('Vary'))).toBeDefined()
  const variation = (await sentences(page)).find((s) => s.startsWith('Vary'))!
  expect(wordsIn(variation)).toBeLessThan(20)
  expect(variation).toMatch(/^Vary their turn about up between −[\d.]+° and [\d.]+°/)
  for (const axis of ['across', 'up', 'deep']) await type(page, `Start ${axis}`, '0')
  await expect.poll(() => sentences(page)).toContain('It starts at the origin.')
})
