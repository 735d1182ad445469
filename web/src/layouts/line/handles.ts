import type * as THREE from 'three'
import { isBetweenCentres } from '@hilera/core/layouts/line/index'
import type { LineOutcome } from '@hilera/core/layouts/line/place'
import type { Line } from '@hilera/core/layouts/line/schema'
import { isImage } from '@hilera/core/slots'
import { takeHold } from '@hilera/core/spacing/hold'
import type { Vec3 } from '@hilera/core/values/values'
import type { Dimension, LayoutHandles, PatternAxes } from '../../stage/handles'
import type { Pin } from '../../stage/pins'
import { editOf } from '../index'
import { countAtSpacing, spacingBy } from './spacingEdits'

export function lineHandles(line: Line, laid: LineOutcome, frame: PatternAxes): LayoutHandles {
  const { table } = frame.update
  const { direction, room } = laid
  const [widest, highest, nearest] = frame.high
  const standing = Math.abs(direction[1]) > 0.7
  // Dimension lines lie beside the copies, towards the viewer; those of a standing line to its right.
  const aside: Vec3 = standing ? [widest * 1.25 + 0.03, 0, 0] : [0, 0, nearest * 1.35 + 0.03]
  const base: Vec3 = standing ? [0, 0, nearest] : [0, highest, 0]
  const on = (along: number, off: Vec3 = [0, 0, 0]): Vec3 => [0, 1, 2].map((i) => direction[i] * along + off[i]) as Vec3
  const [first, second, last] = ends(frame, direction)
  const regular = second === undefined ? Math.max(widest * 2, 0.1) : second - first
  const along = frame.direction(direction)

  /** On the line, taken to the level of the copy that is nearest there. */
  const level = (at: number): Vec3 => {
    const lift = standing ? 0 : frame.lift(on(Math.min(Math.max(at, first), last)))
    return on(at, [0, lift, 0])
  }
  const over = (at: number): THREE.Vector3 => frame.world(level(at).map((n, i) => n + base[i]))
  /** From pivot to pivot of the first two, as laid out. */
  const pitch = laid.readAs?.pitch ?? regular
  const pins: Pin[] = [{ does: 'move', name: 'move', words: 'move', at: over(first) }]
  if (second !== undefined && table.count > 2)
    pins.push({
      does: 'layout',
      name: 'pitch',
      words: 'pitch',
      field: 'Spacing',
      at: over(second),
      along,
      edit: ({ along: gone, whole }) => editOf('line', spacingBy(laid, 1, whole(pitch + gone) - pitch)),
    })
  pins.push({
    does: 'layout',
    name: 'end',
    words: 'end',
    field: 'Room',
    at: over(Math.max(room, last)),
    along,
    edit: ({ along: gone, whole }) => editOf('line', (l) => takeHold(l, 'room', whole(room + gone))),
  })
  pins.push({
    does: 'layout',
    name: 'more',
    words: 'more',
    field: 'Count',
    at: over(Math.max(last, room) + regular),
    along,
    edit: ({ along: gone }) =>
      pitch > 0 ? editOf('line', countAtSpacing(laid, Math.max(1, laid.count + Math.round(gone / pitch)))) : undefined,
  })
  pins.push({
    does: 'turn',
    name: 'turn',
    words: 'turn',
    at: frame.world(level(room).map((n, i) => n + aside[i] * 1.6)),
  })

  const begin = level(first)
  const dimension = (key: string, [from, to]: readonly [number, number], off: number, words: string): Dimension =>
    frame.dimension(
      key,
      begin.map((n, i) => n + (from - first) * direction[i]) as Vec3,
      begin.map((n, i) => n + (to - first) * direction[i]) as Vec3,
      aside,
      off,
      words,
    )
  const dimensions = second === undefined ? [] : [dimension('pitch', [first, second], 0.85, '')]
  // What the copies take, measured as the room is.
  const { along: stands } = frame.update.stands
  if (stands) dimensions.push(dimension('overall', stands, 1.3, isBetweenCentres(line) ? 'between centres' : 'overall'))
  return { pins, dimensions, guides: [] }
}

/** Along the line, the first place, the one after it, and the last, of the copies that are there. */
function ends({ update: { table } }: PatternAxes, direction: Vec3): [number, number | undefined, number] {
  const { position: p } = table
  let [first, second, last] = [Infinity, Infinity, -Infinity]
  for (let k = 0; k < table.count; k++) {
    if (!table.isPresent(k) || isImage(table.slotHigh[k])) continue
    const at = p[3 * k] * direction[0] + p[3 * k + 1] * direction[1] + p[3 * k + 2] * direction[2]
    if (at < first) [first, second] = [at, first]
    else if (at < second) second = at
    last = Math.max(last, at)
  }
  return first < Infinity ? [first, second < Infinity ? second : undefined, last] : [0, undefined, 0]
}
