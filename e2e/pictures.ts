import { crc32, deflateSync } from 'node:zlib'

/** A grey PNG, drawn pixel by pixel: 8 bits, no filter (PNG specification, third edition). */
export function grayPng(width: number, height: number, brightness: (x: number, y: number) => number): Buffer {
  const rows = Buffer.alloc(height * (width + 1))
  for (let y = 0; y < height; y++) for (let x = 0; x < width; x++) rows[y * (width + 1) + 1 + x] = brightness(x, y)
  const head = Buffer.alloc(13)
  head.writeUInt32BE(width, 0)
  head.writeUInt32BE(height, 4)
  head[8] = 8
  return Buffer.concat([
    Buffer.from([0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a]),
    chunk('IHDR', head),
    chunk('IDAT', deflateSync(rows)),
    chunk('IEND', Buffer.alloc(0)),
  ])
}

function chunk(type: string, data: Buffer): Buffer {
  const named = Buffer.concat([Buffer.from(type, 'latin1'), data])
  const out = Buffer.alloc(named.length + 8)
  out.writeUInt32BE(data.length, 0)
  named.copy(out, 4)
  out.writeUInt32BE(crc32(named), named.length + 4)
  return out
}
