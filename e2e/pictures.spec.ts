import { readFileSync } from 'node:fs'
import { unzipSync } from 'fflate'
import { expect, openDemo, pick, plain, screen, test } from './app'
import { canProbe, distance, pixelsOf, probed } from './ffmpeg'

test('R19: a picture, a moving picture and pictures in a ZIP are drawn, of the size and length that is asked', async ({
  page,
  server,
}) => {
  await openDemo(page, server)
  await screen(page, 'Export')
  const section = page.getByRole('region', { name: 'As pictures' })
  const size = async (width: string, height: string): Promise<void> => {
    for (const [name, text] of [
      ['Width', width],
      ['Height', height],
    ]) {
      await section.getByRole('spinbutton', { name, exact: true }).press('Enter')
      await page.getByRole('textbox', { name, exact: true }).fill(text)
      await page.keyboard.press('Enter')
    }
  }
  const drawn = async (button: string): Promise<Buffer> => {
    const download = page.waitForEvent('download', { timeout: 120_000 })
    await section.getByRole('button', { name: button }).click()
    return readFileSync(await (await download).path())
  }
  /** The size of a picture as the browser reads it, with its corner's and the whole's colours. */
  const read = (bytes: Buffer, mime: string) =>
    page.evaluate(
      async ([base64, type]) => {
        const blob = new Blob([Uint8Array.from(atob(base64), (c) => c.charCodeAt(0))], { type })
        const bitmap = await createImageBitmap(blob)
        const canvas = new OffscreenCanvas(bitmap.width, bitmap.height)
        const paint = canvas.getContext('2d')!
        paint.drawImage(bitmap, 0, 0)
        const { data } = paint.getImageData(0, 0, bitmap.width, bitmap.height)
        const colors = new Set<number>()
        let covered = 0
        for (let i = 0; i < data.length; i += 4) {
          colors.add((data[i] << 16) | (data[i + 1] << 8) | data[i + 2])
          if (data[i + 3] > 0) covered++
        }
        return {
          width: bitmap.width,
          height: bitmap.height,
          corner: [...data.slice(0, 4)],
          colors: colors.size,
          covered,
        }
      },
      [bytes.toString('base64'), mime] as const,
    )

  await size('401', '300')
  const paper = await read(await drawn('Draw the picture'), 'image/png')
  expect(paper).toMatchObject({ width: 401, height: 300, corner: [241, 236, 225, 255] })
  expect(paper.colors).toBeGreaterThan(500)
  await pick(page, 'On', 'on nothing')
  const clear = await read(await drawn('Draw the picture'), 'image/png')
  expect(clear.corner[3]).toBe(0)
  expect(clear.covered).toBeGreaterThan(10_000)
  expect(clear.covered).toBeLessThan(401 * 300)

  // A second of it, in few and small pictures.
  await screen(page, 'Motion')
  for (const [name, text] of [
    ['Length', '1 s'],
    ['Pictures a second', '6'],
  ]) {
    await page.getByRole('spinbutton', { name, exact: true }).press('Enter')
    await page.getByRole('textbox', { name, exact: true }).fill(text)
    await page.keyboard.press('Enter')
  }
  await screen(page, 'Export')
  await pick(page, 'What is drawn', 'a moving picture')
  await size('160', '90')
  expect(plain(await section.innerText())).toContain('6 pictures, 6 a second, 1 s')
  const player = await page.context().newPage()
  const videos: { readonly bytes: Buffer; readonly codec: string }[] = []
  for (const [format, mime, codec] of [
    ['WebM', 'video/webm', 'vp9'],
    ['MP4', 'video/mp4', 'h264'],
  ]) {
    await pick(page, 'Written as', format)
    const bytes = await drawn('Draw the pictures')
    videos.push({ bytes, codec })
    // Played by the browser on a page that takes media from anywhere.
    const played = await player.evaluate(
      async ([base64, type]) => {
        const video = document.createElement('video')
        video.src = `data:${type};base64,${base64}`
        await new Promise((resolve, reject) => {
          video.onloadeddata = resolve
          video.onerror = () => reject(new Error(video.error?.message ?? 'not read'))
        })
        return { width: video.videoWidth, height: video.videoHeight, length: video.duration }
      },
      [bytes.toString('base64'), mime] as const,
    )
    expect(played).toMatchObject({ width: 160, height: 90 })
    expect(played.length).toBeCloseTo(1, 1)
  }
  // A side of an odd number of pixels has no place in a video.
  await section.getByRole('spinbutton', { name: 'Width', exact: true }).press('Enter')
  await page.getByRole('textbox', { name: 'Width', exact: true }).fill('161')
  await page.keyboard.press('Enter')
  await expect(section).toContainText('sides of an even number')
  await page.keyboard.press('Escape')
  await pick(page, 'Written as', 'PNGs in a ZIP')
  const zip = await drawn('Draw the pictures')
  const names = [...zip.toString('latin1').matchAll(/picture-\d{4}\.png/g)].map(([name]) => name)
  expect(new Set(names)).toEqual(new Set(Array.from({ length: 6 }, (_, i) => `picture-000${i}.png`)))
  // The very same pictures every time.
  expect((await drawn('Draw the pictures')).length).toBe(zip.length)

  // Read by a program of somebody else, where it is there: `npm test` says where it is not.
  if (!canProbe) return
  const pictures = Object.entries(unzipSync(zip))
    .sort(([a], [b]) => a.localeCompare(b))
    .map(([, png]) => pixelsOf(png, 0))
  for (const { bytes, codec } of videos) {
    expect(probed(bytes)).toEqual({
      codec_name: codec,
      width: 160,
      height: 90,
      avg_frame_rate: '6/1',
      nb_read_frames: '6',
      duration: 1,
    })
    for (const [n, picture] of pictures.entries()) expect(distance(pixelsOf(bytes, n), picture)).toBeLessThan(4.5)
  }
  // By what they are compared, other pictures are told apart.
  expect(distance(pictures[0], pictures[5])).toBeGreaterThan(6)
})
