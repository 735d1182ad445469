import { Document, WebIO } from '@gltf-transform/core'
import { readFileSync } from 'node:fs'
import { drop, expect, exportGlb, facts, openDemo, plain, saved, screen, test, type, value } from './app'
import { copiesIn } from './readBack'

/** A GLB of a tetrahedron, 80 mm wide unless it is wider, as somebody else's program might write it. */
async function foreignGlb(half = 0.04): Promise<Buffer> {
  const document = new Document()
  const buffer = document.createBuffer()
  const corners = new Float32Array([-half, 0, -0.04, half, 0, -0.04, 0, 0, 0.04, 0, 0.09, 0])
  const position = document.createAccessor().setType('VEC3').setArray(corners).setBuffer(buffer)
  const indices = document
    .createAccessor()
    .setType('SCALAR')
    .setArray(new Uint16Array([0, 1, 2, 0, 3, 1, 1, 3, 2, 2, 3, 0]))
    .setBuffer(buffer)
  const primitive = document.createPrimitive().setAttribute('POSITION', position).setIndices(indices)
  document.createScene().addChild(document.createNode('Wedge').setMesh(document.createMesh().addPrimitive(primitive)))
  return Buffer.from(await new WebIO().writeBinary(document))
}

test('a line from the demo to a file that others read', async ({ page, server }) => {
  await openDemo(page, server)
  await expect(value(page, 'Count')).toHaveText('9')
  await expect
    .poll(() => facts(page))
    .toBe('1 + 8 more · They take 1 167 mm, left over 13 mm · pitch 131 mm · two overall 250 mm')
  await expect(page.locator('[data-gap]')).toHaveCount(8)

  // Half an inch: 12.7 mm, and nine still fit.
  await type(page, 'Spacing', '1/2 in')
  await expect(page.locator('.panel .facts').first()).toContainText('left over')
  await expect
    .poll(() => facts(page))
    .toBe('1 + 8 more · They take 1 172.6 mm, left over 7.4 mm · pitch 131.7 mm · two overall 250.7 mm')

  // Taking hold of the count lets go of the room, which was held longest untouched.
  await value(page, 'Count').click()
  await expect(value(page, 'Room')).toHaveAttribute('aria-valuetext', /worked out/)
  await expect(value(page, 'Room')).toHaveText(/1.172\.6.mm/)

  // A part of their own becomes the part of the line.
  await drop(page, 'Wedge.glb', await foreignGlb())
  await page.getByRole('button', { name: 'Use in Shelf tins' }).click()
  await expect(page.locator('.panel .facts').first()).toContainText('821.6')
  await page.getByRole('button', { name: 'Undo', exact: true }).click()
  await expect(page.locator('.panel .facts').first()).toContainText('172.6')
  await page.getByRole('button', { name: 'Redo', exact: true }).click()
  await expect(page.locator('.panel .facts').first()).toContainText('821.6')
  await expect(page.getByRole('status').filter({ hasText: 'Saved' })).toBeVisible()

  await page.reload()
  await expect(page.locator('.panel .facts').first()).toContainText('821.6')
  const { bytes, verdict } = await exportGlb(page)
  expect(verdict).toContain('The validator found no error')
  expect(verdict).toMatch(/errors 0 warnings 0 copies written/)
  const wedges = (await copiesIn(bytes)).filter((c) => c.mesh.startsWith('Wedge'))
  expect(wedges).toHaveLength(9)
  // The file holds 32-bit corners: half of its width is the float next to 40 mm.
  const half = Math.fround(0.04)
  // Nine wedges 80 mm wide, 12.7 mm apart, from −590 mm, on the board.
  for (const [k, { position }] of wedges.entries()) {
    expect(position[0]).toBeCloseTo(-0.59 + half + k * (2 * half + 0.0127), 9)
    expect(position[1]).toBeCloseTo(0.024, 9)
    expect(position[2]).toBeCloseTo(0, 9)
  }
})

test('P11: the file of a part is read again: its copies, their touch-ups and its look stay, the gap holds for the new shape', async ({
  page,
  server,
}) => {
  await openDemo(page, server)
  await drop(page, 'Wedge.glb', await foreignGlb())
  await page.getByRole('button', { name: 'Use in Shelf tins' }).click()
  await expect.poll(() => facts(page)).toContain('1 + 11 more · They take 1 092 mm')
  await screen(page, 'Parts')
  await page.locator('.wall .card', { hasText: 'Wedge' }).click()
  const readAgain = async (name: string, bytes: Buffer): Promise<void> => {
    const [chooser] = await Promise.all([
      page.waitForEvent('filechooser'),
      page.getByRole('button', { name: 'Read its file again…' }).click(),
    ])
    await chooser.setFiles({ name, mimeType: 'model/gltf-binary', buffer: bytes })
  }
  await readAgain('Notes.glb', Buffer.from('no mesh at all'))
  await expect(page.getByText(/Notes.glb is not a glTF file/)).toBeVisible()
  await readAgain('Wider.glb', await foreignGlb(0.05))
  await expect(page.locator('.details .facts')).toContainText(/100\s*mm ×/)
  await screen(page, 'Arrange')
  await page.locator('.list .row', { hasText: 'Shelf tins' }).click()
  await expect.poll(() => facts(page)).toContain('1 + 9 more · They take 1 108 mm, left over 72 mm')
  const wedge = async () => (await saved(page, server)).parts.find((p) => p.name === 'Wedge')!
  const { shape, look } = await wedge()
  expect(shape).toMatchObject({ kind: 'mesh', fileName: 'Wider.glb' })
  const { bytes } = await exportGlb(page)
  const wedges = (await copiesIn(bytes)).filter((c) => c.mesh.startsWith('Wedge'))
  expect(wedges).toHaveLength(10)
  expect(wedges[1].position[0] - wedges[0].position[0]).toBeCloseTo(0.112, 6)
  await page.keyboard.press('Control+z')
  await expect.poll(async () => (await wedge()).shape).toMatchObject({ fileName: 'Wedge.glb' })
  expect((await wedge()).look).toEqual(look)
})

test('editing a part changes all its copies', async ({ page, server }) => {
  await openDemo(page, server)
  await page
    .getByRole('button', { name: /Sencha tin/ })
    .first()
    .click()
  await type(page, 'Width', '100 mm')
  // Three of nine are narrower: 3 × 100 + 6 × 119 + 8 × 12 = 1 110, and a tenth does not fit.
  await expect(page.locator('.panel .facts').first()).toContainText('110')
  await expect.poll(() => facts(page)).toContain('They take 1 110 mm, left over 70 mm')
  await page.keyboard.press('Control+z')
  await expect.poll(() => facts(page)).toContain('They take 1 167 mm, left over 13 mm')
})

test('a project goes out as one file and comes in again', async ({ page, server }) => {
  await openDemo(page, server)
  await type(page, 'Spacing', '20')
  await expect(page.getByRole('status').filter({ hasText: 'Saved' })).toBeVisible()
  await page.getByRole('navigation', { name: 'Screens' }).getByRole('link', { name: 'Export' }).click()
  const download = page.waitForEvent('download')
  await page.getByRole('button', { name: 'Download the project (.hilera)' }).click()
  const path = await (await download).path()
  await page.getByRole('link', { name: 'Hilera, all projects' }).click()
  await expect(page.locator('.card')).toHaveCount(2)
  const chooser = page.waitForEvent('filechooser')
  await page.getByRole('button', { name: 'Open a file' }).click()
  await (await chooser).setFiles({ name: 'counter.hilera', mimeType: 'application/zip', buffer: readFileSync(path) })
  await expect(value(page, 'Spacing')).toHaveText(/20/)
  await page.getByRole('link', { name: 'Hilera, all projects' }).click()
  await expect(page.locator('.card')).toHaveCount(3)
})

test('bad input gets one sentence and nothing is lost', async ({ page, server }) => {
  await openDemo(page, server)
  const before = await facts(page)
  const partsBefore = await page.locator('.tray .card').count()
  const said = async (name: string, text: string): Promise<string> => {
    const spot = value(page, name)
    await spot.press('Enter')
    await page.getByRole('textbox', { name, exact: true }).fill(text)
    await page.keyboard.press('Enter')
    const alert = plain(await page.locator('.panel .problem').innerText())
    await page.keyboard.press('Escape')
    await expect(page.locator('.panel .problem')).toHaveCount(0)
    return alert
  }
  expect(await said('Spacing', 'wide')).toContain('“wide” is not a unit.')
  expect(await said('Spacing', '40 %')).toContain('a length is needed here')
  expect(await said('Count', '0')).toBe('A pattern needs at least 1 copy; 0 cannot be placed. Type 1 or more.')
  expect(await said('Count', '-1')).toContain('A pattern needs at least 1 copy')
  expect(await said('Count', '1.5')).toContain('Copies come whole')
  expect(await said('Count', '1e9')).toContain('A pattern can place up to 1 000 000 copies')
  expect(await said('Room', '100')).toContain('is shorter than one copy')
  await page.getByRole('button', { name: /^Measure: / }).click()
  await page.getByRole('option', { name: /pitch/ }).click()
  expect(await said('Spacing', '0')).toContain('would put neighbours on one spot')
  await page.keyboard.press('Control+z')
  await expect.poll(() => facts(page)).toBe(before)

  for (const [name, bytes, sentence] of [
    ['nothing.glb', Buffer.alloc(0), 'nothing.glb is empty'],
    ['half.glb', (await foreignGlb()).subarray(0, 200), 'half.glb is cut off'],
    ['letter.txt', Buffer.from('hello'), 'letter.txt is not a kind of file that is read here'],
    ['fake.glb', Buffer.from('solid tin'), 'fake.glb is not a glTF file'],
  ] as const) {
    await drop(page, name, bytes)
    await expect(page.getByRole('alert').filter({ hasText: sentence })).toBeVisible()
  }
  await expect(page.locator('.tray .card')).toHaveCount(partsBefore)
  await expect.poll(() => facts(page)).toBe(before)
})
