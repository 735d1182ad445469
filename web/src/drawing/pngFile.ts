import { Zlib } from 'fflate'

const SIGNATURE = Uint8Array.of(137, 80, 78, 71, 13, 10, 26, 10)
/** Each pixel as red, green, blue and how much it covers, 8 bits each. */
const RGBA = 6

const table = Uint32Array.from({ length: 256 }, (_, n) => {
  let c = n
  for (let k = 0; k < 8; k++) c = c & 1 ? 0xedb88320 ^ (c >>> 1) : c >>> 1
  return c >>> 0
})
/** The checksum of PNG (ISO 3309). */
function crc(...pieces: readonly Uint8Array[]): number {
  let c = 0xffffffff
  for (const bytes of pieces) for (const byte of bytes) c = table[(c ^ byte) & 255] ^ (c >>> 8)
  return (c ^ 0xffffffff) >>> 0
}

function chunk(name: string, bytes: Uint8Array): Uint8Array<ArrayBuffer> {
  const type = Uint8Array.from(name, (letter) => letter.charCodeAt(0))
  const out = new Uint8Array(12 + bytes.length)
  const view = new DataView(out.buffer)
  view.setUint32(0, bytes.length)
  out.set(type, 4)
  out.set(bytes, 8)
  view.setUint32(8 + bytes.length, crc(type, bytes))
  return out
}

/**
 * A PNG that is written from the top down, some rows at a time, so that a large one is never held as pixels. A canvas writes PNGs by
 * itself, and holds 1 GB for one of 16 384 to a side.
 *
 * Source: PNG, third edition (W3C 2025): 8 bits a channel, colour type 6, the filter that takes from each row the one above it.
 */
export class PngFile {
  private readonly pieces: Uint8Array<ArrayBuffer>[]
  private readonly packing = new Zlib({ level: 6 })
  private above: Uint8Array

  constructor(
    private readonly width: number,
    height: number,
  ) {
    const head = new DataView(new ArrayBuffer(13))
    head.setUint32(0, width)
    head.setUint32(4, height)
    head.setUint8(8, 8)
    head.setUint8(9, RGBA)
    this.pieces = [SIGNATURE, chunk('IHDR', new Uint8Array(head.buffer))]
    this.above = new Uint8Array(4 * width)
    this.packing.ondata = (bytes) => void (bytes.length > 0 && this.pieces.push(chunk('IDAT', bytes)))
  }

  /** @param pixels the next rows, four bytes a pixel */
  add(pixels: Uint8ClampedArray): void {
    const row = 4 * this.width
    const rows = pixels.length / row
    const filtered = new Uint8Array(rows * (row + 1))
    for (let y = 0; y < rows; y++) {
      const to = y * (row + 1)
      filtered[to] = 2
      for (let i = 0; i < row; i++) {
        const above = y === 0 ? this.above[i] : pixels[(y - 1) * row + i]
        filtered[to + 1 + i] = pixels[y * row + i] - above
      }
    }
    this.above = Uint8Array.from(pixels.subarray((rows - 1) * row))
    this.packing.push(filtered)
  }

  /** When all rows have been added. */
  finish(): Blob {
    this.packing.push(new Uint8Array(), true)
    return new Blob([...this.pieces, chunk('IEND', new Uint8Array())], { type: 'image/png' })
  }
}
