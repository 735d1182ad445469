import { PGM, writePgm } from '@hilera/core/pictures/pgm'
import type { Gray } from '@hilera/core/pictures/brightness'
import { pictureKey } from '@hilera/core/parts/partMesh'
import { pictureMesh } from '@hilera/core/parts/pictureMesh'
import { sha256Of } from '@hilera/core/sha256'
import { type Result, done, refused } from '@hilera/core/words'
import { useFileDialog } from '@vueuse/core'
import { saidBy } from '../faults'
import { useRefusal } from '../shell/refusal'
import { api } from '../api/client'
import { useOutcomes } from '../stores/outcomes'
import { isDeepPng } from '../worker/isDeepPng'
import { readAway } from '../worker/reading'

/** More pixels along a side than this are brought down: there are never so many copies in a row. */
const MOST_PIXELS = 1024
const MAX_BYTES = 64 * 1024 * 1024

/**
 * The brightness of a picture that this browser can read: luma of ITU-R BT.709 of its colours as seen, over white where it is
 * clear. It is kept rather than the picture, so that the same document gives the same values wherever it is worked out.
 */
async function brightnessOf(file: File): Promise<Gray> {
  const image = await createImageBitmap(file)
  const by = Math.min(1, MOST_PIXELS / Math.max(image.width, image.height))
  const [width, height] = [image.width, image.height].map((n) => Math.max(1, Math.round(n * by)))
  const canvas = new OffscreenCanvas(width, height)
  const drawing = canvas.getContext('2d')!
  drawing.fillStyle = '#ffffff'
  drawing.fillRect(0, 0, width, height)
  drawing.drawImage(image, 0, 0, width, height)
  const { data } = drawing.getImageData(0, 0, width, height)
  const values = Uint8Array.from({ length: width * height }, (_, i) =>
    Math.round(0.2126 * data[4 * i] + 0.7152 * data[4 * i + 1] + 0.0722 * data[4 * i + 2]),
  )
  return { width, height, values, most: 255 }
}

/** A PNG of 16 bits keeps its shades: as heights a step of one in 256 would be seen. */
async function deepOrPlain(file: File): Promise<Result<Gray>> {
  const bytes = new Uint8Array(await file.arrayBuffer())
  if (isDeepPng(bytes)) return readAway(file.name, (to) => to.deep(bytes, MOST_PIXELS, file.name))
  const gray = await brightnessOf(file).catch(() => undefined)
  return gray ? done(gray) : refused(`${file.name} is not a picture that can be read here. Choose a PNG or a JPEG.`)
}

/** Asks for a picture and keeps its brightness as a file of the project. */
export function useBrightness() {
  const outcomes = useOutcomes()
  const dialog = useFileDialog({ accept: 'image/*', multiple: false, reset: true })
  let then: ((file: string, fileName: string, size: Gray) => void) | undefined

  const refuse = useRefusal('Not read')
  dialog.onChange(async (files) => {
    const file = files?.[0]
    if (!file || !then) return
    if (file.size > MAX_BYTES) return refuse(`${file.name} is larger than 64 MB. Choose a smaller picture.`)
    try {
      const read = await deepOrPlain(file)
      if (!read.ok) return refuse(read.problem.says)
      const gray = read.value
      const bytes = writePgm(gray)
      const sha256 = await sha256Of(bytes)
      await api.putFile(sha256, bytes)
      await outcomes.addMesh(pictureKey(sha256), pictureMesh(bytes, PGM))
      then(sha256, file.name.slice(-200), gray)
    } catch (fault) {
      refuse(saidBy(fault))
    }
  })

  function choose(taken: (file: string, fileName: string, size: Gray) => void): void {
    then = taken
    dialog.open()
  }
  return { choose }
}
