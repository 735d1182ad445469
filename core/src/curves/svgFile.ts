import { XMLParser } from 'fast-xml-parser'
import type { BezierRun } from '../values/curve'
import { type Result, done, refused } from '../words'
import { type PlaneMatrix, runsOfPath } from './svgPath'

/** A node as the parser keeps it: its name with its children, and its attributes beside them. */
type Node = { readonly ':@'?: Readonly<Record<string, string>> } & Readonly<Record<string, unknown>>

const IDENTITY: PlaneMatrix = [1, 0, 0, 1, 0, 0]
/** CSS units in metres: 96 pixels to the inch (CSS Values 4, § 6.2). */
const PIXEL = 0.0254 / 96
const units = new Map([
  ['px', PIXEL],
  ['', PIXEL],
  ['pt', 0.0254 / 72],
  ['pc', 0.0254 / 6],
  ['mm', 0.001],
  ['cm', 0.01],
  ['m', 1],
  ['in', 0.0254],
  ['q', 0.00025],
])
/** Longer texts are no number. */
const LONGEST_NUMBER = 40
const MOST_RUNS = 2000
const MOST_PIECES = 200_000
/** Drawings longer than this are refused unread: they would hold more than can be taken. */
const LONGEST = 32 * 2 ** 20
/** Nothing lies further from a drawing's corner, in metres. */
const FARTHEST = 1_000_000
/** What is kept for reference and not drawn by itself. */
const notDrawn = [
  'defs',
  'symbol',
  'clipPath',
  'mask',
  'marker',
  'pattern',
  'metadata',
  'title',
  'desc',
  'style',
  'script',
]

/**
 * Reads the outlines of an SVG drawing as runs in metres, standing upright with its top left corner at the origin: paths
 * and basic shapes with their transforms, viewBox and real units (a plain number is a pixel of 1/96 inch).
 *
 * @param name the file's name, for the sentences
 * @param measure in the drawing's own units, as its viewBox counts them, instead of metres
 */
export function readSvg(text: string, name: string, measure: 'metres' | 'units' = 'metres'): Result<BezierRun[]> {
  if (text.length > LONGEST) return tooMuch(name)
  let root: Node | undefined
  try {
    const nodes = new XMLParser({
      ignoreAttributes: false,
      attributeNamePrefix: '',
      preserveOrder: true,
      processEntities: false,
    }).parse(text) as Node[]
    root = nodes.find((node) => 'svg' in node)
  } catch {
    return refused(`${name} is damaged: it is not well-formed SVG. Save it again from the program that made it.`)
  }
  if (!root) return refused(`${name} is not an SVG drawing. Save it as SVG and drop it again.`)
  const runs = runsIn(root, viewOf(root[':@'] ?? {}, measure))
  if (!runs) return tooMuch(name)
  if (runs.length === 0) return refused(`${name} holds no outlines. Turn its text and pictures into paths first.`)
  if (!runs.every(isNear))
    return refused(
      `${name} has outlines that reach further than `,
      { length: FARTHEST },
      '. Check its units and sizes.',
    )
  return done(runs)
}

const tooMuch = (name: string) =>
  refused(
    `${name} has more than `,
    { count: MOST_RUNS },
    ' outlines of ',
    { count: MOST_PIECES },
    ' pieces, which is all that can be read. Simplify it first.',
  )

const isNear = ({ start, pieces }: BezierRun): boolean =>
  [start, ...pieces.flat()].every((p) => p.every((n) => Math.abs(n) <= FARTHEST))

/** From the drawing's own units to metres: its width and height against its viewBox, evenly and centred as SVG does by itself. */
function viewOf(attributes: Readonly<Record<string, string>>, measure: 'metres' | 'units'): PlaneMatrix {
  const pixel = PIXEL
  const box = attributes.viewBox
    ?.trim()
    .split(/[\s,]+/)
    .map(Number)
  const length = (value: string | undefined): number | undefined => {
    const said = (value ?? '').trim()
    const found = said.length < LONGEST_NUMBER ? /^([\d.eE+-]*\d\.?)\s*([a-zA-Z]*)$/.exec(said) : undefined
    const unit = found && units.get(found[2].toLowerCase())
    const length = found && unit ? Number(found[1]) * unit : NaN
    return Number.isFinite(length) ? length : undefined
  }
  if (!box || box.length !== 4 || !box.every(Number.isFinite) || box[2] <= 0 || box[3] <= 0)
    return measure === 'units' ? IDENTITY : [pixel, 0, 0, pixel, 0, 0]
  const [x, y, w, h] = box
  if (measure === 'units') return [1, 0, 0, 1, -x, -y]
  const [width, height] = [length(attributes.width), length(attributes.height)]
  const scale =
    width !== undefined && height !== undefined
      ? Math.min(width / w, height / h)
      : width !== undefined
        ? width / w
        : height !== undefined
          ? height / h
          : pixel
  const [dx, dy] = [((width ?? w * scale) - w * scale) / 2, ((height ?? h * scale) - h * scale) / 2]
  return [scale, 0, 0, scale, dx - x * scale, dy - y * scale]
}

/** The runs of a drawing in their order, or undefined where they are too many. Without calls into itself: groups may be thousands deep. */
function runsIn(root: Node, view: PlaneMatrix): BezierRun[] | undefined {
  const runs: BezierRun[] = []
  const next: [Node, PlaneMatrix][] = [[root, view]]
  let pieces = 0
  for (let one = next.pop(); one; one = next.pop()) {
    const [node, matrix] = one
    const name = Object.keys(node).find((key) => key !== ':@') ?? ''
    if (notDrawn.includes(name)) continue
    const attributes = node[':@'] ?? {}
    const own = name === 'svg' ? matrix : times(matrix, transformOf(attributes.transform ?? ''))
    const data = dataOf(name, attributes)
    for (const run of data ? runsOfPath(data, own) : []) {
      runs.push(run)
      pieces += run.pieces.length
    }
    if (runs.length > MOST_RUNS || pieces > MOST_PIECES) return undefined
    const children = node[name]
    if (Array.isArray(children)) for (let i = children.length - 1; i >= 0; i--) next.push([children[i] as Node, own])
  }
  return runs
}

/** A shape as path data; undefined for what is no shape. */
function dataOf(name: string, a: Readonly<Record<string, string>>): string | undefined {
  const n = (key: string): number => parseFloat(a[key] ?? '0') || 0
  switch (name) {
    case 'path':
      return a.d
    case 'line':
      return `M${n('x1')} ${n('y1')}L${n('x2')} ${n('y2')}`
    case 'polyline':
    case 'polygon':
      return a.points ? `M${a.points}${name === 'polygon' ? 'Z' : ''}` : undefined
    case 'circle':
      return ellipse(n('cx'), n('cy'), n('r'), n('r'))
    case 'ellipse':
      return ellipse(n('cx'), n('cy'), n('rx'), n('ry'))
    case 'rect': {
      const [x, y, w, h] = [n('x'), n('y'), n('width'), n('height')]
      if (w <= 0 || h <= 0) return undefined
      const rx = Math.min(a.rx === undefined ? n('ry') : n('rx'), w / 2)
      const ry = Math.min(a.ry === undefined ? n('rx') : n('ry'), h / 2)
      if (rx <= 0 || ry <= 0) return `M${x} ${y}h${w}v${h}h${-w}z`
      const arc = (dx: number, dy: number): string => `a${rx} ${ry} 0 0 1 ${dx} ${dy}`
      return `M${x + rx} ${y}h${w - 2 * rx}${arc(rx, ry)}v${h - 2 * ry}${arc(-rx, ry)}h${2 * rx - w}${arc(-rx, -ry)}v${2 * ry - h}${arc(rx, -ry)}z`
    }
    default:
      return undefined
  }
}

const ellipse = (cx: number, cy: number, rx: number, ry: number): string | undefined =>
  rx > 0 && ry > 0
    ? `M${cx + rx} ${cy}A${rx} ${ry} 0 0 1 ${cx - rx} ${cy}A${rx} ${ry} 0 0 1 ${cx + rx} ${cy}Z`
    : undefined

/** a·b: b first. */
const times = (a: PlaneMatrix, b: PlaneMatrix): PlaneMatrix => [
  a[0] * b[0] + a[2] * b[1],
  a[1] * b[0] + a[3] * b[1],
  a[0] * b[2] + a[2] * b[3],
  a[1] * b[2] + a[3] * b[3],
  a[0] * b[4] + a[2] * b[5] + a[4],
  a[1] * b[4] + a[3] * b[5] + a[5],
]

/** The matrix of a transform attribute: translate, scale, rotate, skewX, skewY, matrix, in order. */
function transformOf(text: string): PlaneMatrix {
  let matrix = IDENTITY
  // Cut at the brackets: an expression over all of it looks at a long word again from each of its letters.
  for (const one of text.split(')')) {
    const [before, list = ''] = one.split('(', 2)
    const name = before.replaceAll(',', ' ').trim()
    const n = list
      .trim()
      .split(/[\s,]+/)
      .map(Number)
    const angle = ((n[0] ?? 0) * Math.PI) / 180
    const made: Readonly<Record<string, (() => PlaneMatrix) | undefined>> = {
      __proto__: null as never,
      matrix: () => [n[0], n[1], n[2], n[3], n[4], n[5]],
      translate: () => [1, 0, 0, 1, n[0], n[1] ?? 0],
      scale: () => [n[0], 0, 0, n[1] ?? n[0], 0, 0],
      rotate: () => {
        const turn: PlaneMatrix = [Math.cos(angle), Math.sin(angle), -Math.sin(angle), Math.cos(angle), 0, 0]
        return n.length < 3 ? turn : times(times([1, 0, 0, 1, n[1], n[2]], turn), [1, 0, 0, 1, -n[1], -n[2]])
      },
      skewX: () => [1, 0, Math.tan(angle), 1, 0, 0],
      skewY: () => [1, Math.tan(angle), 0, 1, 0, 0],
    }
    const next = made[name]?.()
    if (next?.every(Number.isFinite)) matrix = times(matrix, next)
  }
  return matrix
}
