import type { Gray } from '@hilera/core/pictures/brightness'
import { type Result, done, refused } from '@hilera/core/words'
import { decode } from 'fast-png'

/** Where the head says how wide and how high it is (PNG, third edition, 11.2.1). */
const [WIDTH, HEIGHT] = [16, 20]
const MOST_PIXELS = 64_000_000
const WHITE = 65_535

/**
 * The brightness of a PNG of 16 bits a channel, in all of its shades: luma of ITU-R BT.709 of its colours as they are, over white where
 * it is clear.
 *
 * @param most so many pixels along a side; what has more is brought down, squares of pixels being one
 * @param name the file's name, for the sentences
 */
export function deepBrightness(bytes: Uint8Array, most: number, name: string): Result<Gray> {
  const head = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength)
  if (head.getUint32(WIDTH) * head.getUint32(HEIGHT) > MOST_PIXELS)
    return refused(`${name} has more than 64 million pixels. Make it smaller, then choose it again.`)
  let picture: ReturnType<typeof decode>
  try {
    picture = decode(bytes)
  } catch {
    return refused(`${name} is damaged. Save it again, then choose it again.`)
  }
  const { width, height, channels, data } = picture
  const luma = (i: number): number => {
    const at = channels * i
    const own = channels < 3 ? data[at] : 0.2126 * data[at] + 0.7152 * data[at + 1] + 0.0722 * data[at + 2]
    const seen = channels % 2 === 0 ? data[at + channels - 1] / WHITE : 1
    return own * seen + WHITE * (1 - seen)
  }
  const by = Math.ceil(Math.max(width, height) / most)
  const [across, down] = [Math.ceil(width / by), Math.ceil(height / by)]
  const values = new Uint16Array(across * down)
  for (let j = 0; j < down; j++) {
    for (let i = 0; i < across; i++) {
      let [sum, count] = [0, 0]
      for (let y = j * by; y < Math.min((j + 1) * by, height); y++) {
        for (let x = i * by; x < Math.min((i + 1) * by, width); x++) {
          sum += luma(y * width + x)
          count++
        }
      }
      values[j * across + i] = Math.round(sum / count)
    }
  }
  return done({ width: across, height: down, values, most: WHITE })
}
