import { readFileSync } from 'node:fs'
import { createRequire } from 'node:module'
import { type HostileFile, type HostileKind, text } from '../case'

const svg = (inside: string, attributes = 'viewBox="0 0 100 100"'): HostileFile =>
  text('drawing.svg', `<svg xmlns="http://www.w3.org/2000/svg" ${attributes}>${inside}</svg>`)

const list: readonly (() => HostileFile)[] = [
  () => svg(`<path d="M0 0L1 1" transform="${'a'.repeat(200_000)}"/>`),
  () => svg(`<path d="M0 0L1 1" transform="${'a('.repeat(100_000)}"/>`),
  () => svg(`<path d="M0 0L1 1" transform="${'scale(1e30) '.repeat(100)}"/>`),
  () => svg('<path d="M0 0L1 1"/>', `viewBox="0 0 100 100" width="${'1'.repeat(200_000)}x"`),
  () => svg('<path d="M0 0L1 1"/>', `viewBox="${' '.repeat(200_000)}1"`),
  () => svg('<path d="M0 0L1 1"/>', 'viewBox="0 0 1e-300 1e-300" width="1e300" height="1e300"'),
  () => svg(`<polygon points="${'1,1 '.repeat(300_000)}"/>`),
  () => svg('<g>'.repeat(5000) + '<path d="M0 0L1 1"/>' + '</g>'.repeat(5000)),
  () => svg('<g>'.repeat(50_000)),
  () => svg(`<path d="${'M0 0h1'.repeat(200_000)}"/>`),
  () => svg(`<path d="M0 0${'L1 1'.repeat(500_000)}"/>`),
  () => svg(`<path d="M0 0A1e300 1e-300 0 0 1 5 5A0 0 0 0 0 1 1A1e10 1e10 0 1 1 1e-10 0"/>`),
  () => svg('<path d="M1e400 0L1 NaN C 1 2 3"/><path d="M0 0L1e308 1e308L-1e308 0"/>'),
  () => svg('<rect width="1e300" height="5" rx="1e-300"/><circle r="1e308"/>'),
  () => svg('<path d="M0 0L1 1"/>'.repeat(30_000)),
  () => text('drawing.svg', '<svg'.repeat(100_000)),
  () =>
    text(
      'drawing.svg',
      `<!DOCTYPE svg [<!ENTITY a "${'b'.repeat(1000)}">${Array.from({ length: 30 }, (_, i) => `<!ENTITY a${i} "&a;&a;&a;&a;">`).join('')}]><svg><path d="&a29;"/></svg>`,
    ),
  () => text('drawing.svg', `<svg>${'<!--'.repeat(100_000)}`),
  () => text('drawing.svg', `<svg ${'a="b" '.repeat(100_000)}/>`),
  () => text('drawing.svg', `${' '.repeat(1_000_000)}<svg><path d="M0 0L1 1"/></svg>`),
  () => text('picture.pgm', `P5${' '.repeat(35)}x`),
  () => text('picture.pgm', `P5${' '.repeat(1000)}x`),
  () => text('picture.pgm', `P5${'#\n'.repeat(500)}x`),
  () => text('picture.pgm', 'P5\n99999999 99999999\n255\nabc'),
  () => text('picture.pgm', 'P5\n0 0\n255\n'),
]

export const drawingFaults: HostileKind = {
  name: 'SVG and pictures, faults one by one',
  count: list.length,
  make: (_, number) => list[number](),
}

const require = createRequire(import.meta.url)
let font: Buffer | undefined
const fontBytes = (): Buffer =>
  (font ??= readFileSync(require.resolve('@fontsource/bebas-neue/files/bebas-neue-latin-400-normal.woff')))

/** A font as it is stored plainly, table by table, so that damage reaches the tables and not their packing alone. */
async function plainFont(): Promise<{ bytes: Uint8Array; tables: { tag: string; at: number; length: number }[] }> {
  const { unzlibSync } = await import('fflate')
  const woff = fontBytes()
  const view = new DataView(woff.buffer, woff.byteOffset, woff.byteLength)
  const count = view.getUint16(12)
  const tables: { tag: string; at: number; length: number; data: Uint8Array }[] = []
  let at = 12 + 16 * count
  for (let i = 0; i < count; i++) {
    const entry = 44 + 20 * i
    const tag = woff.toString('latin1', entry, entry + 4)
    const [offset, packed, length] = [4, 8, 12].map((n) => view.getUint32(entry + n))
    const raw = new Uint8Array(woff.subarray(offset, offset + packed))
    tables.push({ tag, at, length, data: packed < length ? unzlibSync(raw) : raw })
    at += Math.ceil(length / 4) * 4
  }
  const bytes = new Uint8Array(at)
  const out = new DataView(bytes.buffer)
  out.setUint32(0, view.getUint32(4))
  out.setUint16(4, count)
  for (const [i, { tag, at: where, length, data }] of tables.entries()) {
    for (let c = 0; c < 4; c++) out.setUint8(12 + 16 * i + c, tag.charCodeAt(c))
    out.setUint32(12 + 16 * i + 8, where)
    out.setUint32(12 + 16 * i + 12, length)
    bytes.set(data, where)
  }
  return { bytes, tables }
}
let plain: ReturnType<typeof plainFont> | undefined

export const fontNoise: HostileKind = {
  name: 'fonts, noise in a table',
  async make(chance): Promise<HostileFile> {
    const { bytes, tables } = await (plain ??= plainFont())
    const copy = bytes.slice()
    const { at, length } = chance.pick(tables)
    const heavy = chance.next() < 0.4
    for (let n = heavy ? length : 1 + chance.whole(20); n > 0; n--) copy[at + chance.whole(length)] = chance.whole(256)
    return { name: 'letters.ttf', bytes: copy }
  },
}

/** Units to the em that cannot be, tables that are not there, a file that ends early. */
export const fontFaults: HostileKind = {
  name: 'fonts, faults one by one',
  count: 24,
  async make(chance, number): Promise<HostileFile> {
    const { bytes, tables } = await (plain ??= plainFont())
    const copy = bytes.slice()
    const view = new DataView(copy.buffer)
    if (number === 0) view.setUint16(tables.find((t) => t.tag === 'head')!.at + 18, 0)
    else if (number < 12) {
      const table = tables[number % tables.length]
      if (number % 2) view.setUint32(12 + 16 * (number % tables.length) + 8, 0xffffff00)
      else copy.fill(0xff, table.at, table.at + table.length)
    } else if (number < 18) return { name: 'letters.ttf', bytes: copy.subarray(0, 12 + chance.whole(copy.length - 12)) }
    else {
      const woff = new Uint8Array(fontBytes())
      for (let n = 1 + 4 * (number - 18); n > 0; n--) woff[chance.whole(woff.length)] = chance.whole(256)
      return { name: 'letters.woff', bytes: woff }
    }
    return { name: 'letters.ttf', bytes: copy }
  },
}
