import { type Quaternion, rotate, toTurns } from '../../geometry/rotation'
import { Ledger, type LedgerCopy } from '../../ledger/ledger'
import type { LengthUnit } from '../../numbers/units'
import type { Vec3 } from '../../values/values'
import { type Result, done } from '../../words'
import type { Forecast, WriterOptions } from '../definition'
import { countScene } from '../forecast'
import type { WorkedScene } from '../scene'

/** How a table tells turns: about three axes, as a quaternion, or all of the place as a matrix. */
export const turnWays = ['degrees', 'quaternion', 'matrix'] as const

/** The lengths that a table may be in, and so many of each are a metre. */
export const perMetre = { m: 1, cm: 100, mm: 1000, in: 1 / 0.0254 } as const
export type TableUnit = keyof typeof perMetre

export interface TableOptions {
  readonly unit: TableUnit
  /** Which axis is up; where it is z, y leads to the back. */
  readonly up: 'y' | 'z'
  readonly turn: (typeof turnWays)[number]
}

/** Feet and inches are told in inches: a column of numbers has one unit. */
export const tableUnit = (unit: LengthUnit): TableUnit => (unit === 'ftin' ? 'in' : unit)

export const tableOptions = (options: WriterOptions, unit: LengthUnit): TableOptions => ({
  unit: (Object.keys(perMetre) as TableUnit[]).find((u) => u === options.unit) ?? tableUnit(unit),
  up: options.up === 'z' ? 'z' : 'y',
  turn: turnWays.find((way) => way === options.turn) ?? 'degrees',
})

/** The names of a table's columns; lengths carry their unit, and which axis is up. */
export function columnsOf({ unit, up, turn }: TableOptions): string[] {
  const length = (axis: string): string => `${axis} [${unit}, ${up} up]`
  const placed =
    turn === 'matrix'
      ? Array.from(
          { length: 16 },
          (_, i) => `m${(i % 4) + 1}${Math.floor(i / 4) + 1}${i >= 12 && i < 15 ? ` [${unit}, ${up} up]` : ''}`,
        )
      : [
          ...['x', 'y', 'z'].map(length),
          ...(turn === 'quaternion' ? ['qx', 'qy', 'qz', 'qw'] : ['turn x [°]', 'turn y [°]', 'turn z [°]']),
          'size x',
          'size y',
          'size z',
        ]
  return ['pattern', 'group', 'number', 'part', ...placed, 'color', 'twin']
}

/** The values of a table's lines, one after another, in the order of its columns. */
export function* rowsOf(scene: WorkedScene, options: TableOptions): Generator<(string | number)[]> {
  const { project } = scene
  const ledger = new Ledger(project, scene.outcomes)
  const groups = new Map(project.groups.map(({ id, name }) => [id, name]))
  for (let line = 0; line < ledger.count; line++) {
    const copy = ledger.copy(line)
    const { pattern, number, thing, color, marks } = copy
    yield [
      pattern.name,
      groups.get(pattern.group ?? '') ?? '',
      number,
      thing.name,
      ...placedAs(copy, options),
      color ?? '',
      marks.includes('twin') ? 1 : 0,
    ]
  }
}

function placedAs({ stands }: LedgerCopy, { unit, up, turn }: TableOptions): number[] {
  const move = turned(stands.move, up).map((n) => n * perMetre[unit]) as Vec3
  const [x, y, z, w] = stands.turn
  const [qx, qy, qz] = turned([x, y, z], up)
  const way: Quaternion = [qx, qy, qz, w]
  // Sizes go along the part's own axes, which are turned with it.
  const size: Vec3 = up === 'y' ? [...stands.size] : [stands.size[0], stands.size[2], stands.size[1]]
  if (turn === 'matrix') return matrixOf(move, way, size)
  const turns = turn === 'quaternion' ? way : toTurns(way).map((n) => (n * 180) / Math.PI)
  return [...move, ...turns, ...size]
}

/** With z up, what led up leads along z, and what led to the front along −y. */
const turned = ([x, y, z]: Readonly<Vec3>, up: 'y' | 'z'): Vec3 => (up === 'y' ? [x, y, z] : [x, -z, y])

/** By columns: the turned axes, sized, and the place. */
function matrixOf(move: Readonly<Vec3>, turn: Quaternion, size: Readonly<Vec3>): number[] {
  const axes: readonly Vec3[] = [
    [size[0], 0, 0],
    [0, size[1], 0],
    [0, 0, size[2]],
  ]
  return [...axes.flatMap((axis) => [...rotate(turn, axis), 0]), ...move, 1]
}

/** What a table of a scene would hold. */
export function forecastTable(scene: WorkedScene, bytesOfLine: number): Result<Forecast> {
  const counted = countScene(scene)
  if (!counted.ok) return counted
  // A copy that repeats a whole pattern is one line.
  const copies = new Ledger(scene.project, scene.outcomes).count
  return done({ ...counted.value, copies, bytes: copies * bytesOfLine })
}
