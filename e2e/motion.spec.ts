import { AnimationMixer, Line3, Mesh, Vector3 } from 'three'
import type { Page } from '@playwright/test'
import { choose, drag, expect, exportGlb, openDemo, pattern, pick, saved, screen, test, type, value } from './app'
import { loaded } from './readBack'

const moment = (page: Page) => page.getByRole('slider', { name: 'Moment' })
const bar = (page: Page, number: number) => page.locator(`[data-bar="${number}"] rect`)

test('R10: the lanterns of the title are set out in time: typed, dragged, played, undone; the file moves as the strip says', async ({
  page,
  server,
}) => {
  await openDemo(page, server)
  await screen(page, 'Motion')
  await pattern(page, 'Lantern garland')
  await expect(page.locator('.list .picked')).toContainText('0.2–2.7 s')
  // Its third of three: in all is worked out, and held instead when it is typed.
  await expect(value(page, 'In all')).toHaveAttribute('aria-valuetext', /2\.5.*worked out/)
  await type(page, 'In all', '3 s')
  await expect(value(page, 'Apart')).toHaveAttribute('aria-valuetext', /0\.23.*worked out/)
  await page.keyboard.press('Control+z')
  // Frames at the pictures a second of the project.
  await type(page, 'Apart', '6 f')
  await expect(value(page, 'Apart')).toHaveText('0.25 s'.replace(' ', '\u202f'))
  await expect(page.locator('.list .picked')).toContainText('0.2–3.4 s')
  // The second bar is dragged half as far from the first.
  const [one, two] = [await bar(page, 1).boundingBox(), await bar(page, 2).boundingBox()]
  const apart = two!.x - one!.x
  await drag(page, { x: two!.x + 10, y: two!.y + 2 }, { x: -apart / 2, y: 0 })
  await expect
    .poll(async () => (await bar(page, 2).boundingBox())!.x - (await bar(page, 1).boundingBox())!.x)
    .toBeCloseTo(apart / 2, -1)
  await page.keyboard.press('Control+z')
  await expect(page.locator('.list .picked')).toContainText('0.2–3.4 s')

  // A closer look at the time, about the moment: bars are twice as far apart, until all of it is shown again.
  const away = async () => (await bar(page, 2).boundingBox())!.x - (await bar(page, 1).boundingBox())!.x
  await moment(page).press('+')
  await expect.poll(away).toBeCloseTo(2 * apart, 0)
  await page.getByRole('button', { name: 'all of it' }).click()
  await expect.poll(away).toBeCloseTo(apart, 0)

  // A pattern that stands gets a motion of its own, and loses it again.
  await pattern(page, 'Tea leaf')
  await expect(page.locator('.panel')).toContainText('Stands from the start')
  await page.getByRole('button', { name: 'Let it move' }).click()
  await page.getByRole('menuitem', { name: /^Keep moving/ }).click()
  await pick(page, 'Idle', 'bobs')
  await type(page, 'Bob', '5 mm')
  await type(page, 'Once in', '2 s')
  const { patterns } = await saved(page, server)
  expect(patterns.find((p) => p.name === 'Tea leaf')!.motion).toMatchObject([
    { kind: 'idle', way: 'bob', distance: 0.005 },
  ])

  // The moment goes by keys and plays to its end.
  await moment(page).focus()
  await page.keyboard.press('PageUp')
  await page.keyboard.press('ArrowRight')
  await expect(moment(page)).toHaveAttribute('aria-valuetext', /^0\.458/)
  await page.keyboard.press('End')
  await expect(moment(page)).toHaveAttribute('aria-valuetext', /^5/)
  await page.getByRole('button', { name: 'Play', exact: true }).click()
  await expect(page.getByRole('button', { name: 'Stop', exact: true })).toBeVisible()
  await expect.poll(async () => Number(await moment(page).getAttribute('aria-valuenow'))).toBeGreaterThan(0.3)
  await page.getByRole('button', { name: 'Stop', exact: true }).click()

  await screen(page, 'Export')
  await pick(page, 'Motion is', 'written as an animation')
  const { bytes, verdict } = await exportGlb(page)
  expect(verdict).toMatch(/No error|0 errors/i)
  const { scene, animations } = await loaded(bytes)
  const mixer = new AnimationMixer(scene)
  mixer.clipAction(animations[0]).play()
  const lanterns = scene.getObjectByName('Lantern_garland')!.children
  expect(lanterns).toHaveLength(11)
  const restsAt = lanterns.map(({ position }) => position.y)
  // The fifth begins at 0.2 + 4 × 0.25 = 1.2 s, from 180 mm below.
  mixer.setTime(1.2001)
  expect(restsAt[4] - lanterns[4].position.y).toBeCloseTo(0.18, 3)
  mixer.setTime(1.2 + 0.7)
  expect(lanterns[4].position.y).toBeCloseTo(restsAt[4], 5)
})

test('R10: copies come along their path, outward from a place; the file has them on the path at every moment', async ({
  page,
  server,
}) => {
  await openDemo(page, server)
  await screen(page, 'Motion')
  await pattern(page, 'Lantern garland')
  await pick(page, 'Side', 'back along the path')
  await type(page, 'Distance', '200 mm')
  await pick(page, 'Order in time', 'outward from a place')
  // The place is asked for on the stage; given up, it is there to be typed.
  await expect(page.locator('.asking')).toContainText('Click the place from which they come')
  await page.keyboard.press('Escape')
  const atStart = /outward from a place at 0.mm across, 0.mm up and 0.mm deep/
  await expect(page.locator('.panel')).toContainText(atStart)
  await pick(page, 'Order in time', 'outward from a place')
  const stage = (await page.getByRole('application', { name: 'Stage' }).boundingBox())!
  await page.mouse.click(stage.x + stage.width / 2, stage.y + 0.8 * stage.height)
  await expect(page.locator('.panel')).not.toContainText(atStart)
  // Clicked on the ground, 900 mm below the start of the garland.
  await expect(page.locator('.panel')).toContainText(/outward from a place at .+ across, −900.mm up and/)
  await page.keyboard.press('Control+z')
  await expect(page.locator('.panel')).toContainText(atStart)
  // What stands on no path is told so, and stands.
  await pattern(page, 'Shelf tins')
  await pick(page, 'Side', 'back along the path')
  await expect(page.locator('.panel').getByRole('alert')).toContainText('They stand on no path')
  await page.keyboard.press('Control+z')
  await expect(page.locator('.panel').getByRole('alert')).toHaveCount(0)

  await screen(page, 'Export')
  await pick(page, 'Motion is', 'written as an animation')
  const { bytes } = await exportGlb(page)
  const { scene, animations } = await loaded(bytes)
  const mixer = new AnimationMixer(scene)
  mixer.clipAction(animations[0]).play()
  const lanterns = scene.getObjectByName('Lantern_garland')!.children
  const placesAt = (time: number): Vector3[] => {
    mixer.setTime(time)
    scene.updateMatrixWorld(true)
    return lanterns.map((node) => new Vector3().setFromMatrixPosition(node.matrixWorld))
  }
  const stands = placesAt(4.9)
  // The chain hangs between the places of the lanterns: whoever is on the way is nearer to it than it sags between two of them.
  const away = (p: Vector3): number =>
    Math.min(
      ...stands
        .slice(1)
        .map((b, i) => new Line3(stands[i], b).closestPointToPoint(p, true, new Vector3()).distanceTo(p)),
    )
  let moved = 0
  for (const time of [0.3, 0.5, 0.8, 1.1, 1.6, 2.2]) {
    const now = placesAt(time)
    for (const [k, p] of now.entries()) {
      // The first come from before the first place.
      if (stands[k].distanceTo(stands[0]) > 0.25) expect(away(p)).toBeLessThan(0.02)
      expect(p.distanceTo(stands[k])).toBeLessThan(0.2 + 1e-6)
      if (p.distanceTo(stands[k]) > 0.01) moved++
    }
  }
  expect(moved).toBeGreaterThan(10)
})

test('what cannot be is a sentence: too little time in all, no pictures a second, an hour', async ({
  page,
  server,
}) => {
  await openDemo(page, server)
  await screen(page, 'Motion')
  await pattern(page, 'Lantern garland')
  await type(page, 'In all', '0.5 s')
  await expect(page.locator('.panel [role=alert]')).toContainText('longer than all of it')
  await expect(page.locator('[data-bar]')).toHaveCount(0)
  await page.keyboard.press('Control+z')
  await expect(page.locator('[data-bar]')).toHaveCount(11)
  for (const [name, text, says] of [
    ['Pictures a second', '0', 'from 1 to 120'],
    ['Length', '1 h', 'is not a unit'],
    ['Length', '3600', 'up to'],
  ] as const) {
    await page.getByRole('spinbutton', { name, exact: true }).press('Enter')
    await page.getByRole('textbox', { name, exact: true }).fill(text)
    await page.keyboard.press('Enter')
    await expect(page.locator('.play')).toContainText(says)
    await page.keyboard.press('Escape')
  }
})

test('R10, R17: a gap changes in time, its lane is dragged, the camera goes from view to view; the file has as many copies as each moment', async ({
  page,
  server,
}) => {
  await openDemo(page, server)
  await screen(page, 'Motion')
  await pattern(page, 'Shelf tins')
  await page.getByRole('button', { name: 'Let it move' }).click()
  await page.getByRole('menuitem', { name: /^Change/ }).click()
  await pick(page, 'What changes', 'spacing')
  for (const [name, text] of [
    ['By', '4.8 s'],
    ['At', '4 s'],
    ['From', '60 mm'],
  ])
    await type(page, name, text)
  // What the sentence itself would refuse is refused here, and nothing is lost.
  await value(page, 'From').press('Enter')
  await page.getByRole('textbox', { name: 'From', exact: true }).fill('wide')
  await page.keyboard.press('Enter')
  await page.keyboard.press('Escape')
  await expect(value(page, 'From')).toHaveText(/60.mm/)

  const lane = page.locator('[data-lane=spacing]')
  const [start, end] = [
    await lane.locator('[data-key="0"]').boundingBox(),
    await lane.locator('[data-key="1"]').boundingBox(),
  ]
  const second = (end!.x - start!.x) / 0.8
  await drag(page, { x: end!.x + 3, y: end!.y + 4 }, { x: -0.3 * second, y: 0 })
  await expect(value(page, 'By')).toHaveText(/4\.5.s/)

  // Six tins 60 mm apart fit where nine do 12 mm apart.
  await moment(page).focus()
  await page.keyboard.press('End')
  await expect(page.locator('.told')).toContainText(/(\d+) of \1 have arrived/)

  // The camera is where the stage is turned to, by this moment.
  await page.getByRole('button', { name: 'Let the camera be here at this moment' }).click()
  await expect(page.locator('.camera')).toContainText('By 5 s it looks from View'.replace(' s', '\u202fs'))
  const { camera, views, patterns } = await saved(page, server)
  expect(camera).toHaveLength(3)
  expect(views.map(({ name }) => name)).toContain('View')
  expect(patterns[0].motion).toMatchObject([
    { kind: 'arrive' },
    { kind: 'change', of: 'layout', value: 'Spacing', from: { at: 4, value: 0.06 }, keys: [{ at: 4.5, value: 0.012 }] },
  ])

  await screen(page, 'Export')
  await pick(page, 'Motion is', 'written as an animation')
  const { bytes } = await exportGlb(page)
  const { scene, animations } = await loaded(bytes)
  const mixer = new AnimationMixer(scene)
  mixer.clipAction(animations[0]).play()
  const tinsAt = (time: number): number => {
    mixer.setTime(time)
    scene.updateMatrixWorld(true)
    let shown = 0
    scene.getObjectByName('Shelf_tins')!.traverse((node) => {
      if (node instanceof Mesh && new Vector3().setFromMatrixScale(node.matrixWorld).length() > 1e-6) shown++
    })
    // A tin is of four looks: one mesh of each.
    return shown / 4
  }
  expect([tinsAt(4.01), tinsAt(4.99)]).toEqual([6, 9])
})

/** How many pixels of the stage are clearly blue, as nothing of the demo is. */
async function blueOnStage(page: Page): Promise<number> {
  const clip = (await page.locator('[data-keys=stage] canvas').boundingBox())!
  const shot = (await page.screenshot({ clip })).toString('base64')
  return page.evaluate(async (base64) => {
    const picture = await createImageBitmap(await (await fetch(`data:image/png;base64,${base64}`)).blob())
    const paint = new OffscreenCanvas(picture.width, picture.height).getContext('2d')!
    paint.drawImage(picture, 0, 0)
    const { data } = paint.getImageData(0, 0, picture.width, picture.height)
    let blue = 0
    for (let i = 0; i < data.length; i += 4) if (data[i + 2] > 1.6 * data[i] && data[i + 2] > 80) blue++
    return blue
  }, shot)
}

test('R10: copies are tinted as they come and stand in their own colours; export says that files cannot hold it', async ({
  page,
  server,
}) => {
  await openDemo(page, server)
  await screen(page, 'Motion')
  await pattern(page, 'Sampler tray')
  await choose(page, /^Colour as it comes:/, /^tinted/)
  await page.getByLabel('Tint', { exact: true }).fill('#1133dd')
  await moment(page).press('End')
  await expect.poll(() => blueOnStage(page)).toBe(0)
  // At 2 s, where the outermost sweets begin to come and the camera has the tray in the picture.
  await moment(page).press('Home')
  for (let n = 0; n < 5; n++) await moment(page).press('PageUp')
  await expect.poll(() => blueOnStage(page)).toBeGreaterThan(50)
  const { patterns } = await saved(page, server)
  expect(patterns.find((p) => p.name === 'Sampler tray')!.motion).toMatchObject([{ kind: 'arrive', tint: '#1133dd' }])
  await screen(page, 'Export')
  await expect(page.getByText(/It cannot hold .*colours in which copies arrive/)).toBeVisible()
})
