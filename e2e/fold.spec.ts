import { WebIO } from '@gltf-transform/core'
import type { Page } from '@playwright/test'
import { drop, exportGlb, expect, openDemo, plain, test } from './app'

const screen = (page: Page, name: string) =>
  page.getByRole('navigation', { name: 'Screens' }).getByRole('link', { name }).click()

test('M5, M6, Q7, R6: the supplier’s file is folded after a dry run; the export is far smaller; undo brings all parts back', async ({
  page,
  server,
}) => {
  await page.goto(server.address)
  await page.getByRole('button', { name: 'A file received, to fold' }).click()
  await expect(page.locator('.chips')).toContainText('Drawn 640 from 640 meshes', { timeout: 30_000 })
  const before = await exportGlb(page)
  await screen(page, 'Parts')
  await page.getByRole('button', { name: 'Fold…' }).click()
  const dialog = page.getByRole('dialog', { name: 'Fold' })
  await expect(dialog.locator('table')).toBeVisible({ timeout: 60_000 })
  const told = plain(await dialog.innerText())
  expect(told).toContain('640 → 4')
  expect(told).toContain('Peg 320 0 319 names agree')
  // Nothing has changed yet.
  await dialog.getByRole('button', { name: 'Leave it' }).click()
  await expect(page.locator('.wall header .figure')).toHaveText('640')

  await page.getByRole('button', { name: 'Fold…' }).click()
  await dialog.getByRole('button', { name: 'Fold', exact: true }).click({ timeout: 60_000 })
  await expect(page.locator('.wall header .figure')).toHaveText('4')
  const after = await exportGlb(page)
  expect(after.verdict).toContain('The validator found no error')
  expect(before.bytes.length / after.bytes.length).toBeGreaterThan(25)
  const root = (await new WebIO().readBinary(after.bytes)).getRoot()
  expect(root.listMeshes()).toHaveLength(4)
  const copies = root.listNodes().filter((node) => node.getMesh())
  expect(copies).toHaveLength(640)
  expect(copies.map((n) => n.getName())).toContain('Bracket 640')

  await screen(page, 'Parts')
  await page.getByRole('button', { name: /^Undo/ }).click()
  await expect(page.locator('.wall header .figure')).toHaveText('640')
})

test('P1, N4: a file of many things comes in as it stands, its groups kept and its repeated meshes linked', async ({
  page,
  server,
}) => {
  await openDemo(page, server)
  const { bytes } = await exportGlb(page)
  await page.goto(server.address)
  await page.getByRole('button', { name: 'New project' }).click()
  await expect(page.getByText('drop a GLB').first()).toBeVisible()
  await drop(page, 'counter.glb', Buffer.from(bytes))
  const dialog = page.getByRole('dialog', { name: 'counter.glb' })
  await expect(dialog).toContainText('982 things made from 24 meshes, in 17 groups')
  await page.keyboard.press('Escape')
  await expect(page.locator('.list li')).toHaveCount(0)

  await drop(page, 'counter.glb', Buffer.from(bytes))
  await dialog.getByRole('button', { name: 'As it stands, repeated meshes linked' }).click()
  await expect(page.locator('.chips')).toContainText('Drawn 982 from 24 meshes')
  await expect(page.locator('.list .row .name')).toHaveText([
    'Shelf tins',
    'Turntable cups',
    'Sampler tray',
    'Lantern garland',
    'Bulbs',
    'Pastry tower',
    'Loose sugar',
    'Tea leaf',
    'Sign',
    'Counter front',
    'Counter front, left',
    'Shelf',
    'Turntable',
    'Tray',
    'Tower',
    'Dish',
  ])
  const again = await exportGlb(page)
  expect(again.verdict).toContain('The validator found no error')
  const root = (await new WebIO().readBinary(again.bytes)).getRoot()
  expect(root.listMeshes()).toHaveLength(24)
  expect(root.listNodes().filter((n) => n.getMesh())).toHaveLength(982)
})
