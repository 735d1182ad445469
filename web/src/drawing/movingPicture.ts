import type { MovingFormat } from '@hilera/core/drawing/pictureSentence'
import type { Clock } from '@hilera/core/motion/index'
import { Zip, ZipPassThrough } from 'fflate'
import type { ScenePicture } from './scenePicture'

/** The formats that this browser can write pictures of a size in; pictures in a ZIP it always can. */
export async function formatsHere(width: number, height: number): Promise<MovingFormat[]> {
  if (typeof VideoEncoder === 'undefined') return ['zip']
  const { canEncodeVideo } = await import('mediabunny')
  const size = { width: even(width), height: even(height) }
  const [vp9, avc] = await Promise.all([canEncodeVideo('vp9', size), canEncodeVideo('avc', size)])
  return [...(vp9 ? (['webm'] as const) : []), ...(avc ? (['mp4'] as const) : []), 'zip']
}
const even = (n: number): number => Math.max(2, 2 * Math.floor(n / 2))

/** What is drawn of one picture after another. */
export interface Run {
  readonly clock: Clock
  /** A turntable shows one moment from all round. */
  readonly round?: number
  readonly onProgress: (share: number) => void
  readonly isStopped: () => boolean
}

/** How many pictures an animation has. */
export const picturesOf = ({ length, rate }: Clock): number => Math.max(1, Math.round(length * rate))

/** The moment and the turn of a picture by its number, from 0. */
function pictureAt({ clock, round }: Run, n: number): [moment: number, turn: number] {
  return round === undefined ? [n / clock.rate, 0] : [round, (2 * Math.PI * n) / picturesOf(clock)]
}

/**
 * Draws picture by picture, each for its own moment, and encodes it: as fast as it goes, and the same every time.
 *
 * @returns undefined where it was stopped
 */
export async function movingPicture(
  picture: ScenePicture,
  size: { readonly width: number; readonly height: number },
  format: Exclude<MovingFormat, 'zip'>,
  run: Run,
): Promise<Blob | undefined> {
  const { BufferTarget, CanvasSource, Mp4OutputFormat, Output, QUALITY_VERY_HIGH, WebMOutputFormat } =
    await import('mediabunny')
  const target = new BufferTarget()
  const output = new Output({ format: format === 'webm' ? new WebMOutputFormat() : new Mp4OutputFormat(), target })
  // A canvas that covers all: video has no room for what can be seen through.
  const sheet = Object.assign(document.createElement('canvas'), size)
  const paint = sheet.getContext('2d', { alpha: false })!
  const source = new CanvasSource(sheet, { codec: format === 'webm' ? 'vp9' : 'avc', bitrate: QUALITY_VERY_HIGH })
  const { rate } = run.clock
  output.addVideoTrack(source, { frameRate: rate })
  await output.start()
  const count = picturesOf(run.clock)
  for (let n = 0; n < count; n++) {
    if (run.isStopped()) {
      await output.cancel()
      return undefined
    }
    await picture.draw(...pictureAt(run, n))
    paint.fillStyle = picture.paper
    paint.fillRect(0, 0, size.width, size.height)
    paint.drawImage(picture.canvas, 0, 0)
    await source.add(n / rate, 1 / rate)
    run.onProgress((n + 1) / count)
    await new Promise((resolve) => setTimeout(resolve))
  }
  await output.finalize()
  return new Blob([target.buffer!], { type: format === 'webm' ? 'video/webm' : 'video/mp4' })
}

/** The same pictures as PNGs in a ZIP, by their numbers. */
export async function picturesInZip(
  picture: ScenePicture,
  on: 'paper' | 'nothing',
  run: Run,
): Promise<Blob | undefined> {
  const pieces: Uint8Array<ArrayBuffer>[] = []
  const zip = new Zip((fault, bytes) => {
    if (fault) throw fault
    pieces.push(bytes as Uint8Array<ArrayBuffer>)
  })
  const count = picturesOf(run.clock)
  const digits = Math.max(4, `${count}`.length)
  for (let n = 0; n < count; n++) {
    const [moment, turn] = pictureAt(run, n)
    const png = await picture.png(moment, on, undefined, run.isStopped, turn)
    if (!png) return undefined
    // They are packed already.
    const entry = new ZipPassThrough(`picture-${`${n}`.padStart(digits, '0')}.png`)
    zip.add(entry)
    entry.push(new Uint8Array(await png.arrayBuffer()), true)
    run.onProgress((n + 1) / count)
  }
  zip.end()
  return new Blob(pieces, { type: 'application/zip' })
}
