import type { Pattern } from '@hilera/core/model/pattern'
import type { Project } from '@hilera/core/model/project'
import type { Vec3 } from '@hilera/core/model/values'
import { fromTurns } from '@hilera/core/rotation'
import { boundsOf } from '@hilera/core/solids/outline'
import * as THREE from 'three'
import type { PatternUpdate } from '../worker/messages'

export type PinName = 'move' | 'turn' | 'pitch' | 'end' | 'more'

export interface Pin {
  readonly name: PinName
  /** Where its stem stands, in the world. */
  readonly at: THREE.Vector3
}

export interface Dimension {
  readonly key: string
  readonly from: THREE.Vector3
  readonly to: THREE.Vector3
  /** Where the extension lines start, on the things that are measured. */
  readonly fromFoot: THREE.Vector3
  readonly toFoot: THREE.Vector3
  readonly metres: number
  readonly words: string
}

/** What is drawn over a selected line: pins to drag, dimension lines, and a dot on every copy. */
export interface Handles {
  readonly origin: THREE.Vector3
  /** Unit vector of the line, in the world. */
  readonly direction: THREE.Vector3
  readonly pins: readonly Pin[]
  readonly dimensions: readonly Dimension[]
  readonly dots: readonly { readonly row: number; readonly at: THREE.Vector3 }[]
}

const MOST_DOTS = 300

/** Lays out the handles of a line in the world; nothing while it cannot be placed. */
export function handlesOf(project: Project, pattern: Pattern, update: PatternUpdate): Handles | undefined {
  const { spacing, table } = update
  if (!spacing || table.count === 0) return undefined
  const turn = new THREE.Quaternion(...fromTurns(pattern.place.turn))
  const origin = new THREE.Vector3(...pattern.place.move)
  const world = (local: Vec3): THREE.Vector3 => new THREE.Vector3(...local).applyQuaternion(turn).add(origin)
  const direction = new THREE.Vector3(...spacing.direction).applyQuaternion(turn)

  const used = [...new Set(table.part.subarray(0, table.count))].flatMap((i) =>
    project.parts[i] ? [boundsOf(project.parts[i].shape)] : [],
  )
  const highest = Math.max(...used.map((b) => b.high[1]))
  const nearest = Math.max(...used.map((b) => b.high[2]))
  const widest = Math.max(...used.map((b) => b.high[0]))
  const standing = Math.abs(spacing.direction[1]) > 0.7
  // Dimension lines lie beside the copies, towards the viewer; those of a standing line to its right.
  const aside: Vec3 = standing ? [widest * 1.25 + 0.03, 0, 0] : [0, 0, nearest * 1.35 + 0.03]
  const pinBase: Vec3 = standing ? [0, 0, nearest] : [0, highest, 0]

  const local = (along: number, off: Vec3 = [0, 0, 0], lift = 0): THREE.Vector3 =>
    world([0, 1, 2].map((i) => spacing.direction[i] * along + off[i] + (i === 1 ? lift : 0)) as Vec3)
  const pivot = (row: number): number =>
    [0, 1, 2].reduce((sum, i) => sum + table.position[3 * row + i] * spacing.direction[i], 0)
  const first = pivot(0)
  const second = table.count > 1 ? pivot(1) : undefined
  const last = pivot(table.count - 1)
  const regular = second === undefined ? Math.max(widest * 2, 0.1) : second - first

  const pins: Pin[] = [{ name: 'move', at: local(first, pinBase) }]
  if (second !== undefined && table.count > 2) pins.push({ name: 'pitch', at: local(second, pinBase) })
  pins.push({ name: 'end', at: local(Math.max(spacing.room, last), pinBase) })
  pins.push({ name: 'more', at: local(Math.max(last, spacing.room) + regular, pinBase) })
  pins.push({ name: 'turn', at: local(spacing.room, aside.map((n) => n * 1.6) as Vec3) })

  const dimension = (key: string, from: number, to: number, off: number, words: string): Dimension => {
    const shift = aside.map((n) => n * off) as Vec3
    return {
      key,
      from: local(from, shift),
      to: local(to, shift),
      fromFoot: local(from, aside.map((n) => n * 0.55) as Vec3),
      toFoot: local(to, aside.map((n) => n * 0.55) as Vec3),
      metres: Math.abs(to - from),
      words,
    }
  }
  const dimensions: Dimension[] = []
  if (second !== undefined) dimensions.push(dimension('pitch', first, second, 0.85, ''))
  const start = spacing.lead
  dimensions.push(dimension('overall', start, start + spacing.run, 1.3, 'overall'))

  const dots = []
  for (let row = 0; row < Math.min(table.count, MOST_DOTS); row++) {
    const at = world([table.position[3 * row], table.position[3 * row + 1], table.position[3 * row + 2]])
    const top = standing
      ? 0
      : (project.parts[table.part[row]] ? boundsOf(project.parts[table.part[row]].shape).high[1] : 0) *
        table.scale[3 * row + 1]
    dots.push({ row, at: at.add(new THREE.Vector3(0, top, 0).applyQuaternion(turn)) })
  }
  return { origin, direction, pins, dimensions, dots }
}
