import { stepDefinitionOf } from '../steps/index'
import { definitionOf } from '../layouts/index'
import { InstanceTable } from '../instances'
import type { Reflection } from '../values/reflection'
import type { Pattern } from '../model/pattern'
import type { Images } from './nesting'
import type { Quaternion } from '../geometry/rotation'
import { type SurfaceFrames } from '../mirror/frames'
import type { MirrorThings } from '../mirror/hands'
import { type Isometry, afterEach, reflectionIn } from '../geometry/isometry'
import type { MirrorNoting } from '../mirror/notes'
import { Reflector } from '../mirror/reflector'

const ACROSS = reflectionIn({ normal: [1, 0, 0], distance: 0 })
const automatic: Pick<Reflection, 'shapes' | 'answers'> = { shapes: 'auto', answers: {} }

/** The mirror images of what a pattern's copies contain, each part answered as the last reflection of the pattern that names it says. */
export class InnerImages implements Images {
  private readonly known = new Map<InstanceTable, InstanceTable>()
  private readonly how: Pick<Reflection, 'shapes' | 'answers'>

  constructor(
    { layout, steps }: Pick<Pattern, 'layout' | 'steps'>,
    private readonly things: MirrorThings,
    private readonly frames: SurfaceFrames,
    private readonly noting: MirrorNoting,
  ) {
    const reflections = [
      definitionOf(layout).reflection?.(layout),
      ...steps.map((step) => stepDefinitionOf(step).reflection?.(step)),
    ].filter((r) => r !== undefined)
    this.how = {
      shapes: reflections.at(-1)?.shapes ?? automatic.shapes,
      answers: Object.assign({}, ...reflections.map((r) => r.answers)) as Reflection['answers'],
    }
  }

  mirrored(inner: InstanceTable): InstanceTable {
    const before = this.known.get(inner)
    if (before) return before
    const reflector = new Reflector(
      { ...this.how, what: 'both', surfaces: 'book' },
      this.things,
      this.frames,
      this.noting,
    )
    const table = new InstanceTable()
    table.neutral(inner.count)
    for (let k = 0; k < inner.count; k++) {
      reflector.write(inner, k, ACROSS, table, k)
      // Inside its pattern a copy stays who it is.
      table.slotLow[k] = inner.slotLow[k]
      table.slotHigh[k] = inner.slotHigh[k]
    }
    this.known.set(inner, table)
    return table
  }

  /** Outer frame, seen from the copy inside as it now stands, over how its surface lay before: r′⁻¹ · A · r · a. */
  surfaceUnder(outer: InstanceTable, k: number, inner: InstanceTable, shown: InstanceTable, j: number): number {
    const twin = shown.isTwin(j)
    const colorIn = (table: InstanceTable, row: number): string | undefined =>
      this.frames.of(table.surface[row], false).color
    // What is inside keeps its own colour; the rest takes that of the whole.
    const color = colorIn(inner, j) ?? colorIn(outer, k)
    if (!this.things.isPatterned(shown.thing[j])) return this.frames.colored(0, twin, color)
    const frameOf = (table: InstanceTable, row: number): Isometry => ({
      ...this.frames.of(table.surface[row], table.isTwin(row)),
      move: [0, 0, 0],
    })
    const turnOf = ({ quaternion: q }: InstanceTable): Quaternion => [
      q[4 * j],
      q[4 * j + 1],
      q[4 * j + 2],
      q[4 * j + 3],
    ]
    const turned = (turn: Quaternion): Isometry => ({ turn, mirrored: false, move: [0, 0, 0] })
    const [x, y, z, w] = turnOf(shown)
    const lay = afterEach(turned(turnOf(inner)), frameOf(inner, j))
    const frame = afterEach(turned([-x, -y, -z, w]), afterEach(frameOf(outer, k), lay))
    return this.frames.numberOf({ ...frame, color }, twin)
  }
}
