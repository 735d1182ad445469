import { spawn } from 'node:child_process'
import { once } from 'node:events'
import { mkdtempSync, rmSync } from 'node:fs'
import { writeFile } from 'node:fs/promises'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { chromium } from '@playwright/test'
import { findChromium } from './chromium.mjs'
import { root } from './install.mjs'

/** Draws the pictures in docs/screenshots anew from the demo. The application must have been built. */
const folder = mkdtempSync(join(tmpdir(), 'hilera-shots-'))
const env = { ...process.env, HILERA_DATA: join(folder, 'demo.db'), HILERA_PORT: '0', HILERA_LOG: 'silent' }
const server = spawn(process.execPath, ['server/dist/main.js'], {
  cwd: root,
  env,
  stdio: ['ignore', 'pipe', 'inherit'],
})
const [line] = await once(server.stdout, 'data')
const address = /http:\S+/.exec(line.toString())[0]
const args = [
  '--no-sandbox',
  '--use-gl=angle',
  '--use-angle=gl-egl',
  '--ignore-gpu-blocklist',
  '--disable-quic',
  '--disable-background-networking',
]
const browser = await chromium.launch({ executablePath: findChromium(), args })
// A part turns on its plinth unless motion is not wanted; a picture wants it still.
const page = await browser.newPage({ viewport: { width: 1280, height: 800 }, reducedMotion: 'reduce' })
// Nine proofs of a crowd that is cleared take half a minute on two cores.
page.setDefaultTimeout(120_000)

/** @param over what the pointer rests on; nothing when left out */
const shot = async (name, over) => {
  // The camera has come to rest when nothing has been drawn anew for a while.
  await page.evaluate(
    () =>
      new Promise((resolve) => {
        let timer = setTimeout(resolve, 700)
        new MutationObserver(() => {
          clearTimeout(timer)
          timer = setTimeout(resolve, 700)
        }).observe(document.body, { subtree: true, attributes: true, childList: true })
      }),
  )
  await page.waitForFunction(() => {
    const stage = document.querySelector('[data-drawn]')
    const isLooking = document.querySelector('.chips')?.textContent?.includes('looking')
    return !isLooking && (!stage || stage.dataset.drawn === '100 %')
  })
  if (over) await over.hover()
  else await page.mouse.move(640, 8)
  await page.screenshot({ path: join(root, 'docs/screenshots', `${name}.png`) })
  console.log(name)
}
const savedCard = () =>
  page.waitForResponse((response) => response.url().endsWith('/card') && response.request().method() === 'PUT')
/** The picture of the project's card, which ships with the demo. */
const card = async (name) => {
  const id = /\/p\/([^/]+)/.exec(page.url())[1]
  const picture = await fetch(new URL(`/api/projects/${id}/picture`, address))
  await writeFile(join(root, 'demo/cards', `${name}.webp`), Buffer.from(await picture.arrayBuffer()))
}
const pattern = (name) => page.locator('.list .row', { hasText: name }).first().click()
/** The last of several: a step that was just added. */
const choose = async (label, option) => {
  await page.getByRole('button', { name: label }).last().click()
  await page.getByRole('option', { name: option }).first().click()
}
const screen = (name) => page.getByRole('navigation', { name: 'Screens' }).getByRole('link', { name }).click()

try {
  await page.goto(address)
  await shot('projects')
  const saved = savedCard()
  await page.getByRole('link', { name: /Casa Níspero tea counter/ }).click()
  await page.locator('[data-pin=end]').waitFor()
  await saved
  await card('casa-nispero')
  await pattern('Shelf tins')
  await shot('arrange')
  for (const [name, file] of [
    ['Turntable cups', 'arrange-ring'],
    ['Sampler tray', 'arrange-grid'],
    ['Lantern garland', 'arrange-path'],
  ]) {
    await pattern(name)
    await page.keyboard.press('w')
    await page.waitForFunction((words) => document.querySelector('.panel h2')?.textContent?.includes(words), name)
    await page.locator('.strip svg').first().waitFor()
    await shot(file)
  }
  // Picked copies that are spaced, and what was measured between two others.
  await pattern('Shelf tins')
  await page.keyboard.press('w')
  await page.waitForFunction(() => document.querySelector('.panel h2')?.textContent?.includes('tins'))
  await page.getByRole('button', { name: 'Pick by words' }).click()
  await choose(/^Pick: /, 'all')
  await page.getByRole('button', { name: 'Pick', exact: true }).click()
  await page.getByRole('button', { name: 'Pick by words' }).click()
  await page.getByRole('button', { name: 'Space', exact: true }).click()
  await page.locator('.act .facts').filter({ hasText: 'order kept' }).waitFor()
  await page.locator('.act').getByRole('spinbutton', { name: 'Distance' }).press('Enter')
  await page.getByRole('textbox', { name: 'Distance' }).fill('6 mm')
  await page.keyboard.press('Enter')
  await page.locator('.act .facts').filter({ hasText: 'order kept' }).waitFor()
  await page.keyboard.press('m')
  for (const dot of [1, 4]) {
    const box = await page.locator('.over .dot').nth(dot).boundingBox()
    await page.mouse.click(box.x + box.width / 2, box.y + box.height / 2 + 10)
  }
  await page.getByRole('region', { name: 'Measured' }).waitFor()
  await shot('line-up')
  await page.getByRole('button', { name: 'Close' }).click()
  await page.getByRole('button', { name: 'Leave it' }).click()
  await pattern('Counter front, left')
  await page.keyboard.press('w')
  await page.waitForFunction(() => document.querySelector('.panel h2')?.textContent?.includes('left'))
  await shot('arrange-mirror')
  await pattern('Sampler tray')
  await page.keyboard.press('w')
  await page.waitForFunction(() => document.querySelector('.panel h2')?.textContent?.includes('tray'))
  await page.getByRole('button', { name: 'Add a step' }).click()
  await page.getByRole('menuitem', { name: /^Vary/ }).click()
  await page.waitForFunction(() => document.querySelector('.panel')?.textContent?.match(/Vary/g)?.length === 2)
  await choose(/^What varies/, 'their colour')
  // What is neutral is said once the sentences are opened.
  await page.locator('.panel [data-quiet][aria-expanded=false]').evaluateAll((all) => all.forEach((b) => b.click()))
  await choose(/^Where it reaches/, 'near a point')
  const facts = page.locator('.panel .step', { hasText: 'their colour' }).locator('.facts')
  await facts.filter({ hasText: 'shades' }).scrollIntoViewIfNeeded()
  await shot('arrange-vary')
  for (let i = 0; i < 3; i++) await page.keyboard.press('Control+z')
  await pattern('Sampler tray')
  await screen('Ledger')
  await page.locator('.table tbody tr').first().waitFor()
  await page.getByRole('textbox', { name: 'Only names with' }).fill('sampler')
  await page.locator('.table tbody tr', { hasText: 'Yuzu' }).nth(1).locator('td').first().click()
  await page.locator('.why tfoot').waitFor()
  await shot('ledger')
  await screen('Motion')
  await pattern('Lantern garland')
  const moment = page.getByRole('slider', { name: 'Moment' })
  await moment.focus()
  for (let i = 0; i < 3; i++) await page.keyboard.press('PageUp')
  await shot('motion')
  await screen('Parts')
  await page.locator('.wall .card', { hasText: 'Peach lantern' }).click()
  await shot('parts')
  await screen('Arrange')
  await pattern('Loose sugar')
  await page.keyboard.press('w')
  await page.waitForFunction(() => document.querySelector('.panel h2')?.textContent?.includes('sugar'))
  await page.waitForFunction(() => document.querySelector('[data-overlaps]'))
  // Its clearance is drawn while the sentence is pointed at.
  await shot('arrange-clear', page.locator('.panel .frame', { hasText: 'Keep' }))
  await screen('Proofs')
  await page.waitForFunction(() => document.querySelectorAll('.proof img').length === 9)
  await page.locator('.proof').first().click()
  await shot('proofs')
  await screen('Checks')
  await page.waitForFunction(() => document.querySelectorAll('.charts canvas').length >= 2)
  await page.waitForFunction(() => !document.querySelector('.findings [role=status]'))
  await shot('checks')
  // A version beside what came after it.
  await screen('Versions')
  await page.getByRole('textbox', { name: 'Note' }).fill('Nine tins, 12 mm apart')
  await page.getByRole('button', { name: 'Keep this one' }).click()
  await page.getByRole('button', { name: 'Compare version 1 with now' }).waitFor()
  await screen('Arrange')
  await pattern('Shelf tins')
  await page.locator('.panel').getByRole('spinbutton', { name: 'Spacing', exact: true }).press('Enter')
  await page.getByRole('textbox', { name: 'Spacing', exact: true }).fill('1/2 in')
  await page.keyboard.press('Enter')
  await page.waitForFunction(() => document.querySelector('header')?.textContent?.includes('Saved'))
  await screen('Versions')
  await page.getByRole('button', { name: 'Compare version 1 with now' }).click()
  await page.waitForFunction(() => document.querySelectorAll('.beside figcaption').length === 2)
  await shot('versions')
  await page.keyboard.press('Control+z')
  await screen('Export')
  const download = page.waitForEvent('download')
  await page.getByRole('button', { name: 'Write the file' }).click()
  await download
  await page.locator('.verdict').waitFor()
  await shot('export')
  await page.getByRole('link', { name: 'Hilera, all projects' }).click()
  const drawn = savedCard()
  await page.getByRole('link', { name: /Casa Níspero terrace/ }).click()
  await page.locator('[data-profile="16"]').waitFor()
  await drawn
  await card('terrace')
  await page.getByRole('button', { name: 'Top', exact: true }).click()
  await page.locator('[data-profile="12"]').click()
  await shot('ground')
  await page.getByRole('link', { name: 'Hilera, all projects' }).click()
  // A crowd, with its readout.
  await page.getByRole('button', { name: 'New project' }).click()
  await page.getByRole('button', { name: 'Add a pattern' }).click()
  await page.getByRole('menuitem', { name: 'Grid', exact: true }).click()
  for (const name of ['Count across', 'Count deep']) {
    await page.locator('.panel').getByRole('spinbutton', { name }).press('Enter')
    await page.getByRole('textbox', { name }).fill('316')
    await page.keyboard.press('Enter')
  }
  await page.waitForFunction(() => document.querySelector('.chips')?.textContent?.replace(/\s/g, '').includes('99856'))
  await page.keyboard.press('w')
  await page.locator('[data-overlaps]', { hasText: 'Overlaps 0' }).waitFor()
  await page.locator('[data-drawn="100 %"]').waitFor()
  await page.getByRole('button', { name: /^Drawn/ }).click()
  await shot('crowd')
  await page.keyboard.press('Escape')
  await page.getByRole('link', { name: 'Hilera, all projects' }).click()
  await page.getByRole('button', { name: 'A file received, to fold' }).click()
  await page.locator('.list .row').first().waitFor()
  await page.waitForFunction(() => document.querySelector('.chips')?.textContent?.includes('640'))
  await screen('Parts')
  await page.getByRole('button', { name: 'Fold…' }).click()
  await page.locator('[role=dialog] table').waitFor()
  await shot('fold')
} finally {
  await browser.close()
  server.kill()
  rmSync(folder, { recursive: true, force: true })
}
