import { readFileSync } from 'node:fs'
import { createRequire } from 'node:module'
import type { Page } from '@playwright/test'
import { expect, openDemo, test } from './app'

const axe = readFileSync(createRequire(import.meta.url).resolve('axe-core/axe.min.js'), 'utf8')

/** What axe finds against WCAG 2.2 A and AA on the page as it stands. */
async function violations(page: Page): Promise<string[]> {
  if (!(await page.evaluate(() => 'axe' in window))) await page.evaluate(axe)
  return page.evaluate(async () => {
    const { axe } = window as unknown as {
      axe: { run(options: unknown): Promise<{ violations: { id: string; nodes: { html: string }[] }[] }> }
    }
    const { violations } = await axe.run({ runOnly: ['wcag2a', 'wcag2aa', 'wcag21aa', 'wcag22aa'] })
    return violations.flatMap((v) => v.nodes.map((n) => `${v.id}: ${n.html.slice(0, 160)}`))
  })
}

// What is fading in or away has no contrast to be measured.
test.use({ contextOptions: { reducedMotion: 'reduce' } })

for (const theme of ['light', 'lamp']) {
  test(`A3: no violation where things are arranged, ${theme}`, async ({ page, server }) => {
    await page.addInitScript((t) => localStorage.setItem('hilera.theme', t), theme)
    await page.goto(server.address)
    await expect(page.locator('.card')).toHaveCount(2)
    expect(await violations(page)).toEqual([])
    await page.getByRole('link', { name: /Casa Níspero terrace/ }).click()
    await page.locator('.under .row', { hasText: 'Floor plan' }).click()
    await expect(page.locator('.under-panel')).toBeVisible()
    expect(await violations(page)).toEqual([])
    await openDemo(page, server)
    expect(await violations(page)).toEqual([])
    await page.locator('[data-copy="5"]').click()
    await page
      .getByRole('button', { name: /Mugi tin/ })
      .first()
      .click()
    expect(await violations(page)).toEqual([])
    await page.getByRole('button', { name: 'Pick by words' }).click()
    await page.getByRole('button', { name: 'Swap…' }).click()
    await expect(page.getByRole('dialog', { name: 'Swap' })).toBeVisible()
    expect(await violations(page)).toEqual([])
    await page.getByRole('button', { name: 'Leave it' }).click()
    await page.getByRole('link', { name: 'Parts', exact: true }).click()
    await expect(page.locator('.details')).toBeVisible()
    expect(await violations(page)).toEqual([])
    await page.getByRole('button', { name: 'Fold…' }).click()
    await expect(page.getByRole('dialog', { name: 'Fold' }).locator('.plan')).toBeVisible()
    expect(await violations(page)).toEqual([])
    await page.getByRole('button', { name: 'Leave it' }).click()
    await page.getByRole('link', { name: 'Arrange', exact: true }).click()
    await page.locator('.list .row', { hasText: 'Counter front, left' }).first().click()
    await expect(page.locator('.answers')).toBeVisible()
    expect(await violations(page)).toEqual([])
    await page.getByRole('button', { name: 'More for Sampler tray' }).click()
    await expect(page.getByRole('menuitem', { name: 'Keep as a recipe…' })).toBeVisible()
    expect(await violations(page)).toEqual([])
    await page.getByRole('menuitem', { name: 'Keep as a recipe…' }).click()
    await expect(page.getByRole('dialog', { name: 'Keep as a recipe' })).toBeVisible()
    await expect(page.getByRole('menuitem')).toHaveCount(0)
    expect(await violations(page)).toEqual([])
    await page.getByRole('button', { name: 'Keep it' }).click()
    await expect(page.getByRole('dialog', { name: 'Keep as a recipe' })).toBeHidden()
    await page.getByRole('button', { name: 'Add a pattern' }).click()
    await expect(page.getByRole('menuitem', { name: 'By a recipe…' })).toBeVisible()
    expect(await violations(page)).toEqual([])
    await page.getByRole('menuitem', { name: 'By a recipe…' }).click()
    await expect(page.getByRole('region', { name: 'What it says' })).toBeVisible()
    await expect(page.getByRole('menuitem')).toHaveCount(0)
    expect(await violations(page)).toEqual([])
  })

  test(`A3: no violation on the other screens, ${theme}`, async ({ page, server }) => {
    await page.addInitScript((t) => localStorage.setItem('hilera.theme', t), theme)
    await openDemo(page, server)
    await page.getByRole('link', { name: 'Ledger' }).click()
    await page.locator('.table tbody tr').first().locator('td').first().click()
    await expect(page.locator('.why tfoot')).toBeVisible()
    expect(await violations(page)).toEqual([])
    await page.getByRole('button', { name: 'and …' }).click()
    expect(await violations(page)).toEqual([])
    await page.getByRole('link', { name: 'Motion' }).click()
    await page.locator('.list .row', { hasText: 'Tea leaf' }).click()
    await expect(page.locator('.other').first()).toBeVisible()
    expect(await violations(page)).toEqual([])
    await page.locator('.list .row', { hasText: 'Lantern garland' }).click()
    await expect(page.locator('[data-bar]')).toHaveCount(11)
    expect(await violations(page)).toEqual([])
    await page.getByRole('link', { name: 'Versions' }).click()
    await page.getByRole('button', { name: 'Keep this one' }).click()
    await page.getByRole('button', { name: 'Compare version 1 with now' }).click()
    await expect(page.getByRole('region', { name: 'Compared' }).locator('figure')).toHaveCount(2)
    expect(await violations(page)).toEqual([])
    await page.getByRole('link', { name: 'Proofs' }).click()
    await expect(page.locator('.proof').first()).toBeVisible()
    expect(await violations(page)).toEqual([])
    await page.getByRole('link', { name: 'Checks' }).click()
    await expect(page.locator('.findings .good')).toBeVisible()
    await expect(page.locator('.charts .sentence')).toContainText('All are as large as their part')
    expect(await violations(page)).toEqual([])
    await page.getByRole('link', { name: 'Export' }).click()
    await expect(page.getByRole('button', { name: 'Write the file' })).toBeEnabled()
    expect(await violations(page)).toEqual([])
  })
}
