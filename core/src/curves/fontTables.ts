import { unzlibSync } from 'fflate'

/** What is needed of a font to draw its letters side by side; anything else in it is not looked at. */
const wanted = ['head', 'hhea', 'hmtx', 'maxp', 'cmap', 'name', 'post', 'OS/2', 'loca', 'glyf', 'CFF ', 'kern', 'GPOS']
const signatures = [0x00010000, 0x4f54544f, 0x74727565]
const WOFF = 0x774f4646

/** A font unpacks to so much at the most, in bytes. */
const MOST_BYTES = 64 * 2 ** 20
/** All code points that there are (Unicode 16, 0 to 10FFFF), with room for ranges that touch. */
const MOST_CODES = 2 * 0x110000

interface Table {
  readonly tag: string
  readonly bytes: Uint8Array
}

/**
 * A font (TTF, OTF or WOFF 1.0) with the tables alone that are wanted here, in order and unpacked: damaged rules for ligatures,
 * scripts and hinting cannot harm then. The maps from letters to glyphs are counted before anybody goes through them.
 *
 * @returns undefined for what is no font, is cut off, or says more than it can hold
 */
export function plainFont(bytes: Uint8Array): Uint8Array | undefined {
  if (bytes.length < 12) return undefined
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength)
  const signature = view.getUint32(0)
  const isWoff = signature === WOFF
  if (!isWoff && !signatures.includes(signature)) return undefined
  const tables = isWoff ? packedTables(bytes, view) : tablesIn(bytes, view)
  const cmap = tables?.find(({ tag }) => tag === 'cmap')
  if (!tables || !cmap || !isCounted(cmap.bytes)) return undefined
  return joined(isWoff ? view.getUint32(4) : signature, tables)
}

function tablesIn(bytes: Uint8Array, view: DataView): Table[] | undefined {
  const count = view.getUint16(4)
  if (12 + 16 * count > bytes.length) return undefined
  const tables: Table[] = []
  for (let at = 12; at < 12 + 16 * count; at += 16) {
    const tag = tagAt(view, at)
    const [start, length] = [view.getUint32(at + 8), view.getUint32(at + 12)]
    if (!wanted.includes(tag)) continue
    if (start + length > bytes.length) return undefined
    tables.push({ tag, bytes: bytes.subarray(start, start + length) })
  }
  return tables
}

/** WOFF 1.0 (W3C 2012), section 5: tables packed one by one by zlib, where that makes them smaller. */
function packedTables(bytes: Uint8Array, view: DataView): Table[] | undefined {
  const count = bytes.length < 44 ? Infinity : view.getUint16(12)
  if (44 + 20 * count > bytes.length) return undefined
  const tables: Table[] = []
  let total = 0
  for (let at = 44; at < 44 + 20 * count; at += 20) {
    const tag = tagAt(view, at)
    const [start, packed, length] = [4, 8, 12].map((n) => view.getUint32(at + n))
    if (!wanted.includes(tag)) continue
    total += length
    if (start + packed > bytes.length || packed > length || total > MOST_BYTES) return undefined
    const own = bytes.subarray(start, start + packed)
    if (packed === length) tables.push({ tag, bytes: own })
    else {
      // Unpacked into so much room as is said, and no more.
      try {
        tables.push({ tag, bytes: unzlibSync(own, { out: new Uint8Array(length) }) })
      } catch {
        return undefined
      }
    }
  }
  return tables
}

const tagAt = (view: DataView, at: number): string =>
  String.fromCharCode(...[0, 1, 2, 3].map((i) => view.getUint8(at + i)))

/** Whether the ranges of letters in all maps together are no more than there can be (OpenType 1.9, cmap, formats 4, 12 and 13). */
function isCounted(bytes: Uint8Array): boolean {
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength)
  let codes = 0
  try {
    const maps = new Set(Array.from({ length: view.getUint16(2) }, (_, i) => view.getUint32(8 + 8 * i)))
    for (const at of maps) {
      const format = view.getUint16(at)
      if (format === 4) {
        const segments = view.getUint16(at + 6) >> 1
        for (let i = 0; i < segments; i++) {
          const [end, start] = [view.getUint16(at + 14 + 2 * i), view.getUint16(at + 16 + 2 * (segments + i))]
          codes += Math.max(0, end - start + 1)
        }
      } else if (format === 12 || format === 13) {
        const groups = view.getUint32(at + 12)
        for (let i = 0; i < groups; i++)
          codes += Math.max(0, view.getUint32(at + 20 + 12 * i) - view.getUint32(at + 16 + 12 * i) + 1)
      }
      if (codes > MOST_CODES) return false
    }
    return true
  } catch {
    // A map that ends before its ranges.
    return false
  }
}

/** The tables as one plain font file (OpenType 1.9, table directory); sums are not checked by anybody here and left 0. */
function joined(signature: number, tables: readonly Table[]): Uint8Array {
  const head = 12 + 16 * tables.length
  const out = new Uint8Array(tables.reduce((n, { bytes }) => n + 4 * Math.ceil(bytes.length / 4), head))
  const view = new DataView(out.buffer)
  view.setUint32(0, signature)
  view.setUint16(4, tables.length)
  let at = head
  for (const [i, { tag, bytes }] of tables.entries()) {
    const entry = 12 + 16 * i
    for (let c = 0; c < 4; c++) view.setUint8(entry + c, tag.charCodeAt(c))
    view.setUint32(entry + 8, at)
    view.setUint32(entry + 12, bytes.length)
    out.set(bytes, at)
    at += 4 * Math.ceil(bytes.length / 4)
  }
  return out
}
