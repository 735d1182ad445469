import { choose, expect, openDemo, plain, test } from './app'

test('F7: a schedule counts every part of everything, of a pattern, and sums them', async ({ page, server }) => {
  await openDemo(page, server)
  const total = plain(await page.locator('.list header .total').innerText())
  await page.locator('.list header .total').click()
  const dialog = page.getByRole('dialog', { name: 'Schedule' })
  await expect(dialog.locator('tfoot')).toContainText(total)
  const counts = await dialog.locator('tbody tr td:nth-child(2)').allInnerTexts()
  const sum = counts.reduce((n, text) => n + Number(plain(text).replaceAll(/\D/g, '')), 0)
  expect(String(sum)).toBe(total.replaceAll(/\D/g, ''))
  await choose(page, /Schedule of/, 'Turntable cups')
  await expect(dialog.locator('tbody tr')).toHaveCount(1)
  await expect(dialog.locator('tbody tr')).toContainText('18')
  await dialog.getByRole('button', { name: 'Copy as text' }).click()
  await expect(dialog.getByRole('button', { name: 'Copied' })).toBeVisible()
})
