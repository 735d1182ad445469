import { greatest } from '../geometry/extremes'
import Papa from 'papaparse'
import { type Quaternion, compose, fromTurns } from '../geometry/rotation'
import { MAX_SPOTS, type Spot } from '../layouts/spots/schema'
import { parseQuantity } from '../numbers/parse'
import type { LengthUnit } from '../numbers/units'
import type { Vec3 } from '../values/values'
import { type Result, type Sentence, done, refused } from '../words'

/** What a column can tell of a place, in the order in which it is asked for. */
export const spotFields = [
  'across',
  'up',
  'deep',
  'turnAcross',
  'turnUp',
  'turnDeep',
  'qx',
  'qy',
  'qz',
  'qw',
  'size',
  'sizeAcross',
  'sizeUp',
  'sizeDeep',
  'part',
  'name',
] as const
export type SpotField = (typeof spotFields)[number]

/** How columns are called that tell it; compared without capitals, blanks and signs. */
const CALLED: Readonly<Record<SpotField, readonly string[]>> = {
  across: ['x', 'across', 'posx', 'positionx', 'px', 'tx'],
  up: ['y', 'up', 'posy', 'positiony', 'py', 'ty', 'height'],
  deep: ['z', 'deep', 'posz', 'positionz', 'pz', 'tz'],
  turnAcross: ['turnacross', 'turnx', 'rx', 'rotx', 'rotationx'],
  turnUp: ['turnup', 'turny', 'ry', 'roty', 'rotationy', 'turn'],
  turnDeep: ['turndeep', 'turnz', 'rz', 'rotz', 'rotationz'],
  qx: ['qx', 'quatx'],
  qy: ['qy', 'quaty'],
  qz: ['qz', 'quatz'],
  qw: ['qw', 'quatw'],
  size: ['size', 'scale', 's'],
  sizeAcross: ['sizeacross', 'sizex', 'sx', 'scalex'],
  sizeUp: ['sizeup', 'sizey', 'sy', 'scaley'],
  sizeDeep: ['sizedeep', 'sizez', 'sz', 'scalez'],
  part: ['part', 'mesh', 'object'],
  name: ['name', 'label', 'id'],
}

export interface TableWish {
  /** In which lengths are told that carry no unit. */
  readonly unit: LengthUnit
  /** Which axis of the table is up; where it is its z, its y leads to the back. */
  readonly up: 'y' | 'z'
  /** The column by which each is told; a column that is not named tells nothing. */
  readonly columns: Partial<Record<SpotField, string>>
}

/** A table as it stands: the names of its columns, and its rows as text. */
export interface Table {
  readonly columns: readonly string[]
  readonly rows: readonly (readonly string[])[]
}

/** A row that was not read, by its number in the file, where the first is the header. */
export interface SkippedRow {
  readonly row: number
  readonly says: Sentence
}

/** Places that were read; `part` is a name as the table tells it. */
export interface ReadPlaces {
  readonly places: readonly (Omit<Spot, 'slot' | 'part'> & { readonly part?: string })[]
  readonly skipped: readonly SkippedRow[]
}

/**
 * Reads a table of text: comma separated values (RFC 4180; semicolons and tabs too, told from the text), or JSON with a list of
 * objects or of lists. More rows than a pattern takes places are refused.
 *
 * @param name the file's name, for the sentences
 */
export function readTable(text: string, name: string): Result<Table> {
  const table = /^\s*[[{]/.test(text) ? fromJson(text) : fromCsv(text)
  if (!table || table.columns.length === 0)
    return refused(`${name} is no table that can be read. Choose a CSV with a header, or a JSON list of objects.`)
  if (table.rows.length > MAX_SPOTS)
    return refused(`${name} has `, { count: table.rows.length }, ' rows; up to ', { count: MAX_SPOTS }, ' are read.')
  return done(table)
}

function fromCsv(text: string): Table | undefined {
  const read = Papa.parse<string[]>(text.replace(/^\uFEFF/, ''), { skipEmptyLines: true, preview: MAX_SPOTS + 2 })
  const [columns, ...rows] = read.data
  return columns && { columns: columns.map((c) => c.trim()), rows }
}

function fromJson(text: string): Table | undefined {
  let data: unknown
  try {
    data = JSON.parse(text)
  } catch {
    return undefined
  }
  const heads = namedColumns(data)
  const list = Array.isArray(data)
    ? data
    : Object.values((data ?? {}) as object).find((value) => Array.isArray(value) && value !== heads)
  if (!Array.isArray(list) || list.length === 0) return undefined
  const said = (value: unknown): string =>
    typeof value === 'string' || typeof value === 'number'
      ? String(value)
      : value === undefined
        ? ''
        : JSON.stringify(value)
  if (list.every(Array.isArray))
    return {
      columns: heads ?? AXES.slice(0, greatest(list.map((row) => row.length))),
      rows: list.map((row) => row.map(said)),
    }
  if (!list.every((item) => typeof item === 'object' && item !== null)) return undefined
  const columns = [...new Set(list.flatMap((item) => Object.keys(item as object)))]
  return { columns, rows: list.map((item) => columns.map((c) => said((item as Record<string, unknown>)[c]))) }
}
const AXES = ['x', 'y', 'z']

/** The names of its columns, where a table gives them beside its rows, as one that is written out does. */
function namedColumns(data: unknown): string[] | undefined {
  const columns = (data as { columns?: unknown } | null)?.columns
  return Array.isArray(columns) && columns.every((c) => typeof c === 'string') ? columns : undefined
}

/** The columns that are called as what they tell. */
export function guessedColumns({ columns }: Table): TableWish['columns'] {
  // What stands in brackets is a unit.
  const plain = columns.map((c) =>
    c
      .toLowerCase()
      .replace(/\[.*\]/, '')
      .replace(/[^a-z]/g, ''),
  )
  const found: TableWish['columns'] = {}
  for (const field of spotFields) {
    const at = CALLED[field].map((called) => plain.indexOf(called)).find((i) => i >= 0)
    if (at !== undefined) found[field] = columns[at]
  }
  return found
}

/**
 * The places of a table. A row of which a value cannot be read is left out and told, with its column; the others are read.
 *
 * Lengths carry a unit or are in the one that was said; turns are degrees, about across, then up, then deep, or a quaternion; sizes
 * are factors.
 */
export function placesOf(table: Table, wish: TableWish): Result<ReadPlaces> {
  const { columns, unit, up } = wish
  const missing = (['across', 'deep'] as const).filter((axis) => columns[axis] === undefined)
  if (missing.length > 0)
    return refused(`Say which column tells ${missing.join(' and ')}: the table has ${table.columns.join(', ')}.`)
  const at = Object.fromEntries(
    spotFields.flatMap((f) => (columns[f] === undefined ? [] : [[f, table.columns.indexOf(columns[f])]])),
  ) as Partial<Record<SpotField, number>>
  const places: ReadPlaces['places'][number][] = []
  const skipped: SkippedRow[] = []
  for (const [i, row] of table.rows.entries()) {
    const cell = (field: SpotField): string | undefined => {
      const text = at[field] === undefined ? undefined : row[at[field]]?.trim()
      return text === '' ? undefined : text
    }
    const wrong: Sentence[] = []
    const number = (field: SpotField, quantity: 'length' | 'angle' | 'factor', otherwise: number): number => {
      const text = cell(field)
      if (text === undefined) return otherwise
      const read = parseQuantity(text, quantity, unit)
      if (read.ok && Number.isFinite(read.value)) return read.value
      wrong.push([
        `Row ${i + 2}, ${columns[field]}: “${text.slice(0, 40)}” is no ${quantity === 'factor' ? 'number' : quantity}.`,
      ])
      return otherwise
    }
    const place = placeIn(number, cell, up)
    if (place.size?.some((n) => !(n > 0))) wrong.push([`Row ${i + 2}: a size is more than 0.`])
    if (wrong.length > 0) skipped.push({ row: i + 2, says: wrong[0] })
    else places.push(place)
  }
  return done({ places, skipped })
}

function placeIn(
  number: (field: SpotField, quantity: 'length' | 'angle' | 'factor', otherwise: number) => number,
  cell: (field: SpotField) => string | undefined,
  up: TableWish['up'],
): ReadPlaces['places'][number] {
  const own: Vec3 = [number('across', 'length', 0), number('up', 'length', 0), number('deep', 'length', 0)]
  const turns: Vec3 = [number('turnAcross', 'angle', 0), number('turnUp', 'angle', 0), number('turnDeep', 'angle', 0)]
  const q = [number('qx', 'factor', 0), number('qy', 'factor', 0), number('qz', 'factor', 0), number('qw', 'factor', 1)]
  const length = Math.hypot(...q)
  const quaternion: Quaternion =
    length > 0 ? [q[0] / length, q[1] / length, q[2] / length, q[3] / length] : [0, 0, 0, 1]
  const turn = compose(quaternion, fromTurns(turns))
  const all = number('size', 'factor', 1)
  const sizes: Vec3 = [
    all * number('sizeAcross', 'factor', 1),
    all * number('sizeUp', 'factor', 1),
    all * number('sizeDeep', 'factor', 1),
  ]
  const lies = up === 'z'
  const move: Vec3 = lies ? [own[0], own[2], -own[1] + 0] : own
  // Axes change places: what turned about z turns about up.
  const stood: Quaternion = lies ? [turn[0], turn[2], -turn[1], turn[3]] : turn
  const size: Vec3 = lies ? [sizes[0], sizes[2], sizes[1]] : sizes
  const [part, name] = [cell('part'), cell('name')]
  return {
    move,
    ...(Math.abs(stood[3]) < 1 && { turn: [...stood] as [number, number, number, number] }),
    ...(size.some((n) => n !== 1) && { size }),
    ...(part !== undefined && { part }),
    ...(name !== undefined && { name: name.slice(0, 80) }),
  }
}
