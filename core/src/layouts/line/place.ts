import type { InstanceTable } from '../../instances'
import type { Direction } from '../../values/spacing'
import type { Line } from './schema'
import type { Axis, Vec3 } from '../../values/values'
import type { Dealt } from '../../deal/deal'
import { type Row, rowAsTheyStand } from '../../spacing/row'
import { spacingWorking } from '../../spacing/working'
import { placesOf } from '../../spacing/places'
import { type SpacingAnswer, type SpacingQuestion, solveSpacing } from '../../spacing/solve'
import { type Result, type Sentence, done, refused } from '../../words'
import { type SpacingOutcome, type LayoutContext, type Placement, spacingOutcome } from '../context'

export interface LineOutcome extends SpacingOutcome {
  readonly kind: 'line'
}

export interface LaidLine {
  /** Unit vector along which the room is measured, in the pattern's own axes. */
  readonly direction: Vec3
  readonly answer: SpacingAnswer
  readonly working: Sentence
  readonly outcome: SpacingOutcome
}

const axisIndex: Record<Axis, 0 | 1 | 2> = { across: 0, up: 1, deep: 2 }

/** The direction of a line as a unit vector; a step of nothing has none. */
function unitDirection(direction: Direction): Vec3 | undefined {
  if (direction.kind === 'axis') {
    const unit: Vec3 = [0, 0, 0]
    unit[axisIndex[direction.axis]] = direction.sign
    return unit
  }
  const [x, y, z] = direction.step
  const length = Math.hypot(x, y, z)
  return length > 1e-12 ? [x / length, y / length, z / length] : undefined
}

/**
 * Solves a line: how many copies, how far apart, in how much room. The room begins at the pattern's origin and runs along
 * the line. By amounts, the pitch is the step itself and the room is measured between centres.
 */
function solveLine(line: Line, { dealt, supportOf, standing, least, most }: LayoutContext): Result<LaidLine> {
  const direction = unitDirection(line.direction)
  if (!direction)
    return refused('A step of nothing leads nowhere: type how far across, up or deep the next copy stands.')
  const { hold, count, room, ends, leftover } = line
  const byAmounts = line.direction.kind === 'amounts'
  const question: SpacingQuestion = {
    hold,
    count,
    room,
    ends,
    leftover,
    spacing: line.direction.kind === 'amounts' ? Math.hypot(...line.direction.step) : line.spacing,
    measure: byAmounts ? 'pitch' : line.measure,
    edges: byAmounts ? 'centres' : line.edges,
    row: rowAlong(direction, dealt, supportOf, standing),
    least,
    most,
  }
  if (byAmounts && !hold.includes('spacing')) {
    return refused('A line by amounts keeps its step: hold count or room beside it.')
  }
  const solved = solveSpacing(question)
  if (!solved.ok) return solved
  const answer = solved.value
  return done({
    direction,
    answer,
    working: spacingWorking(question, answer),
    outcome: spacingOutcome(direction, question, answer),
  })
}

/** A line as a layout of a pattern. */
export function placeLine(line: Line, context: LayoutContext): Result<Placement<LineOutcome>> {
  const solved = solveLine(line, context)
  if (!solved.ok) return solved
  const { working, outcome } = solved.value
  return done({
    facts: [],
    working,
    outcome: { kind: 'line', ...outcome },
    write: (table) => layLine(table, solved.value, context.dealt),
  })
}

/** The copies of a line as a row: as they will stand where that is known, otherwise as they are dealt. */
function rowAlong(
  direction: Vec3,
  dealt: Dealt,
  supportOf: LayoutContext['supportOf'],
  standing: LayoutContext['standing'],
): Row {
  const row = dealt.row((thing) => supportOf(thing)(direction))
  if (!standing) return row
  return rowAsTheyStand(
    // The last copy may be of a kind of its own.
    row.ofCount?.(standing.count) ?? row,
    Array.from({ length: standing.count }, (_, k) => standing.extent(k, direction, supportOf)),
  )
}

/**
 * Writes the copies of a solved line into the table, unturned, in full size. Slots are the copies' numbers from 0, so
 * that a longer or shorter line keeps every slot that it had.
 */
function layLine(table: InstanceTable, { direction, answer }: LaidLine, dealt: Dealt): void {
  const { count } = answer
  table.reset(count)
  const { position, quaternion, scale, slotLow, slotHigh, flags } = table
  const [dx, dy, dz] = direction
  const places = placesOf(answer)

  for (let k = 0; k < count; k++) {
    const along = places[k]
    const k3 = 3 * k
    const k4 = 4 * k
    position[k3] = dx * along
    position[k3 + 1] = dy * along
    position[k3 + 2] = dz * along
    quaternion[k4] = 0
    quaternion[k4 + 1] = 0
    quaternion[k4 + 2] = 0
    quaternion[k4 + 3] = 1
    scale[k3] = 1
    scale[k3 + 1] = 1
    scale[k3 + 2] = 1
    slotLow[k] = k
    slotHigh[k] = 0
    flags[k] = 0
  }
  dealt.deal(table)
}
