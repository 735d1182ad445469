// @vitest-environment node
import { encode } from 'fast-png'
import { describe, expect, it } from 'vitest'
import { deepBrightness } from './deepPng'
import { isDeepPng } from './isDeepPng'

const png = (width: number, height: number, channels: 1 | 2 | 3 | 4, data: number[], depth: 8 | 16 = 16): Uint8Array =>
  encode({ width, height, channels, depth, data: depth === 16 ? Uint16Array.from(data) : Uint8Array.from(data) })
const read = (bytes: Uint8Array, most = 1024) => {
  const made = deepBrightness(bytes, most, 'h.png')
  if (!made.ok) throw new Error(made.problem.says.join(''))
  return made.value
}

describe('pictures of 16 bits', () => {
  it('keep all of their shades', () => {
    const data = [0, 1, 256, 257, 40_000, 65_535]
    const bytes = png(3, 2, 1, data)
    expect(isDeepPng(bytes)).toBe(true)
    expect(isDeepPng(png(3, 2, 1, [0, 1, 2, 3, 4, 255], 8))).toBe(false)
    expect(isDeepPng(new Uint8Array(8))).toBe(false)
    expect(read(bytes)).toEqual({ width: 3, height: 2, values: Uint16Array.from(data), most: 65_535 })
  })

  it('of colours have the luma of ITU-R BT.709, over white where they are clear', () => {
    expect([...read(png(2, 1, 3, [65_535, 0, 0, 0, 65_535, 0])).values]).toEqual([
      Math.round(0.2126 * 65_535),
      Math.round(0.7152 * 65_535),
    ])
    expect([...read(png(3, 1, 2, [0, 0, 0, 65_535, 30_000, 65_535])).values]).toEqual([65_535, 0, 30_000])
    expect(read(png(1, 1, 4, [0, 0, 0, 0])).values[0]).toBe(65_535)
  })

  it('are brought down by whole squares, what is left at the edges too', () => {
    const made = read(png(5, 2, 1, [0, 100, 200, 300, 1000, 100, 200, 300, 400, 3000]), 3)
    expect(made).toEqual({ width: 3, height: 1, values: Uint16Array.of(100, 300, 2000), most: 65_535 })
  })

  it('are refused where they are cut off or far too large', () => {
    const bytes = png(3, 2, 1, [0, 1, 2, 3, 4, 5])
    expect(deepBrightness(bytes.slice(0, 50), 1024, 'h.png')).toMatchObject({ ok: false })
    const vast = bytes.slice()
    new DataView(vast.buffer).setUint32(16, 100_000)
    new DataView(vast.buffer).setUint32(20, 100_000)
    const made = deepBrightness(vast, 1024, 'h.png')
    expect(made.ok ? '' : made.problem.says.join('')).toContain('more than 64 million pixels')
  })
})
