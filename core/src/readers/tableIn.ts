import { type Matrix, takenApart } from '../geometry/matrix'
import { type Quaternion, angleOf, compose, fromTurns, inverse } from '../geometry/rotation'
import type { Placing } from '../instances'
import { Ledger, type LedgerCopy } from '../ledger/ledger'
import type { Project } from '../model/project'
import type { LengthUnit } from '../numbers/units'
import type { Table } from './spotTable'
import type { Vec3 } from '../values/values'
import { type Result, type Sentence, done, refused } from '../words'
import { type TableUnit, perMetre, tableUnit } from '../writers/table/rows'
import type { Target } from '../placing/exactly'

/** What a table of copies says otherwise than they stand. */
export interface TableIn {
  /** Where copies are to stand that stand elsewhere now. */
  readonly targets: readonly Target[]
  /** Of these, how many are moved, turned and sized, and how far one is moved at the most, in metres. */
  readonly moved: number
  readonly furthest: number
  readonly turned: number
  readonly sized: number
  /** Lines whose copies stand as they say. */
  readonly alike: number
  /** Lines that were not taken, by their numbers in the file, where the first is the header. */
  readonly skipped: readonly { readonly row: number; readonly says: Sentence }[]
}

/** What stands nearer to where it is said than this stands there: metres, radians, a share of the size. */
const EXACT = 1e-9

const MATRIX = Array.from({ length: 16 }, (_, i) => `m${(i % 4) + 1}${Math.floor(i / 4) + 1}`)
/** The ways in which a table tells a turn; of each all columns are there or none is taken. */
const DEGREES = ['turn x', 'turn y', 'turn z']
const QUATERNION = ['qx', 'qy', 'qz', 'qw']

interface Column {
  readonly name: string
  readonly unit: TableUnit | undefined
  readonly up: 'y' | 'z' | undefined
}

/** "x [mm, y up]": what it tells, in which lengths, and which axis is up. */
function columnOf(head: string): Column {
  const [, name, said = ''] = /^\s*([^[]*?)\s*(?:\[(.*)\])?\s*$/.exec(head) ?? [head, head]
  const words = said.split(',').map((word) => word.trim().toLowerCase())
  return {
    name: name.toLowerCase(),
    unit: (Object.keys(perMetre) as TableUnit[]).find((unit) => words.includes(unit)),
    up: words.includes('z up') ? 'z' : words.includes('y up') ? 'y' : undefined,
  }
}

/** A number as spreadsheets write it, with a point or a comma for its decimals; undefined where it is none. */
function numberIn(text: string): number | undefined {
  const plain = text.trim().replace(/^(-?\d*),(\d+(?:e[+-]?\d+)?)$/i, '$1.$2')
  return plain !== '' && Number.isFinite(Number(plain)) ? Number(plain) : undefined
}

/**
 * What copies are to be where a table of them, as it was written before, is read in again: each line is found by its pattern's name and its
 * number there. Lengths are in the unit that the head of their column says, and go by its axis that is up; turns in degrees, as a quaternion
 * or as a matrix. A column that is missing leaves what it would tell as it is; a line that cannot be read is told, the others are taken.
 *
 * Parts and colours are not taken over: they are what the pattern deals.
 */
export function tableIn(
  { columns: heads, rows }: Table,
  project: Project,
  outcomes: ConstructorParameters<typeof Ledger>[1],
  unit: LengthUnit,
): Result<TableIn> {
  const columns = heads.map(columnOf)
  const at = (name: string): number => columns.findIndex((c) => c.name === name)
  const [pattern, number] = [at('pattern'), at('number')]
  if (pattern < 0 || number < 0)
    return refused(
      'Its lines cannot be found again without the columns “pattern” and “number”. Write a table out to see them.',
    )
  const told = {
    unit: columns.find((c) => c.unit)?.unit ?? tableUnit(unit),
    up: columns.find((c) => c.up)?.up ?? 'y',
    has: (names: readonly string[]): boolean => names.every((name) => at(name) >= 0),
  }
  const ledger = new Ledger(project, outcomes)
  const lines = new Map<string, number>()
  for (let line = 0; line < ledger.count; line++)
    lines.set(`${ledger.row[line] + 1} ${project.patterns[ledger.pattern[line]].name.toLowerCase()}`, line)
  const seen = new Set<number>()
  const skipped: TableIn['skipped'][number][] = []
  const targets: Target[] = []
  let [moved, furthest, turned, sized, alike] = [0, 0, 0, 0, 0]
  for (const [i, cells] of rows.entries()) {
    const skip = (...says: Sentence): void => void skipped.push({ row: i + 2, says: [`Row ${i + 2}: `, ...says] })
    // What begins like a formula was written with an apostrophe before it.
    const name = (cells[pattern] ?? '').trim().replace(/^'(?=[=+\-@])/, '')
    const line = lines.get(`${numberIn(cells[number] ?? '') ?? ''} ${name.toLowerCase()}`)
    if (line === undefined) {
      skip(`there is no copy ${(cells[number] ?? '').slice(0, 20)} of “${name.slice(0, 40)}”.`)
      continue
    }
    if (seen.has(line)) {
      skip('this copy had a line before.')
      continue
    }
    seen.add(line)
    const copy = ledger.copy(line)
    const wrong: string[] = []
    const cell = (column: string): number | undefined => {
      const text = cells[at(column)]
      if (text === undefined || text.trim() === '') return undefined
      const read = numberIn(text)
      if (read === undefined) wrong.push(`“${text.slice(0, 20)}” in ${heads[at(column)]} is no number.`)
      return read
    }
    const to = placingIn(copy, cell, told)
    if (wrong.length > 0 || !to) {
      skip(wrong[0] ?? 'its matrix leans or turns inside out, and no copy can.')
      continue
    }
    if (to.size.some((n) => !(n > 0))) {
      skip('a size is more than 0.')
      continue
    }
    const away = Math.hypot(...to.move.map((n, c) => n - copy.stands.move[c]))
    const scale = Math.max(1, Math.hypot(...copy.stands.move))
    const isMoved = away > EXACT * scale
    const isTurned = angleOf(compose(to.turn, inverse(copy.stands.turn))) > EXACT
    const isSized = to.size.some((n, c) => Math.abs(n / copy.stands.size[c] - 1) > EXACT)
    if (isMoved) [moved, furthest] = [moved + 1, Math.max(furthest, away)]
    if (isTurned) turned++
    if (isSized) sized++
    if (isMoved || isTurned || isSized)
      targets.push({ of: { is: 'copy', pattern: copy.pattern.id, slot: copy.slot }, from: copy.stands, to })
    else alike++
  }
  return done({ targets, moved, furthest, turned, sized, alike, skipped })
}

function placingIn(
  { stands }: LedgerCopy,
  cell: (column: string) => number | undefined,
  { unit, up, has }: { readonly unit: TableUnit; readonly up: 'y' | 'z'; has(names: readonly string[]): boolean },
): Placing | undefined {
  const before = tableAxes(stands, up)
  const per = perMetre[unit]
  if (has(MATRIX)) {
    const numbers = MATRIX.map((name) => cell(name))
    if (numbers.some((n) => n === undefined)) return stands
    const matrix = numbers.map((n, i) => (i >= 12 && i < 15 ? n! / per : n!)) as unknown as Matrix
    const taken = takenApart(matrix)
    return taken && !taken.mirrored ? ownAxes(taken, up) : undefined
  }
  const move = ['x', 'y', 'z'].map((name, c) => {
    const read = cell(name)
    return read === undefined ? before.move[c] : read / per
  }) as Vec3
  return ownAxes({ move, turn: turnIn(before.turn, cell, has), size: sizeIn(before.size, cell) }, up)
}

function turnIn(
  before: Quaternion,
  cell: (column: string) => number | undefined,
  has: (names: readonly string[]) => boolean,
): Quaternion {
  if (has(QUATERNION)) {
    const [x, y, z, w] = QUATERNION.map((name, c) => cell(name) ?? before[c])
    const length = Math.hypot(x, y, z, w)
    return length > 0 ? [x / length, y / length, z / length, w / length] : before
  }
  if (!has(DEGREES)) return before
  const turns = DEGREES.map((name) => cell(name))
  return turns.some((n) => n === undefined) ? before : fromTurns(turns.map((n) => (n! * Math.PI) / 180) as Vec3)
}

const sizeIn = (before: Readonly<Vec3>, cell: (column: string) => number | undefined): Vec3 =>
  ['size x', 'size y', 'size z'].map((name, c) => cell(name) ?? before[c]) as Vec3

/** With z up, what led up leads along z, and what led to the front along −y. */
function tableAxes({ move, turn, size }: Placing, up: 'y' | 'z'): Placing {
  if (up === 'y') return { move, turn, size }
  const [[x, y, z], [a, b, c, w]] = [move, turn]
  return { move: [x, -z, y], turn: [a, -c, b, w], size: [size[0], size[2], size[1]] }
}
function ownAxes({ move, turn, size }: Placing, up: 'y' | 'z'): Placing {
  if (up === 'y') return { move, turn, size }
  const [[x, y, z], [a, b, c, w]] = [move, turn]
  return { move: [x, z, -y], turn: [a, c, -b, w], size: [size[0], size[2], size[1]] }
}
