import type { InstanceTable } from '../instances'
import type { Vec3 } from '../values/values'
import { type ExtentOut, unmeasured } from './row'
import type { Support } from './support'

/**
 * How far copies reach along a direction, one after another, without allocation: of a crowd each is turned and sized for itself.
 * Those that stand unturned and in full size are worked out once a thing.
 */
export class Reach {
  low = 0
  high = 0
  /** By thing and hand; by thing: numbers of things are small, and a list is read faster than a map. */
  private readonly plain: ExtentOut[] = []
  private readonly supports: Support[] = []
  private readonly way: Vec3 = [0.5, 0.5, 0.5]
  private readonly asked = unmeasured()
  private lastPlain = -1
  private lastThing = -1
  private lastSupport: Support = () => ({ low: 0, high: 0 })

  constructor(
    private readonly table: InstanceTable,
    private readonly direction: Readonly<Vec3>,
    private readonly supportOf: (thing: number) => Support,
  ) {}

  /** Works out how far one reaches from its pivot: `low` and `high`. */
  ask(k: number): void {
    const { table, direction, way } = this
    const { quaternion: q, scale: s } = table
    const x = q[4 * k]
    const y = q[4 * k + 1]
    const z = q[4 * k + 2]
    const w = q[4 * k + 3]
    const a = s[3 * k]
    const b = s[3 * k + 1]
    const c = s[3 * k + 2]
    const isPlain = w === 1 && a === 1 && b === 1 && c === 1
    const isTwin = table.isTwin(k)
    const key = 2 * table.thing[k] + (isTwin ? 1 : 0)
    // Neighbours are mostly alike.
    if (isPlain && key === this.lastPlain) return
    this.lastPlain = isPlain ? key : -1
    let own: ExtentOut | undefined = isPlain ? this.plain[key] : undefined
    if (!own) {
      // The direction as the copy sees it: turned back.
      const dx = direction[0]
      const dy = direction[1]
      const dz = direction[2]
      const tx = 2 * (z * dy - y * dz)
      const ty = 2 * (x * dz - z * dx)
      const tz = 2 * (y * dx - x * dy)
      way[0] = (isTwin ? -a : a) * (dx + w * tx - y * tz + z * ty)
      way[1] = b * (dy + w * ty - z * tx + x * tz)
      way[2] = c * (dz + w * tz - x * ty + y * tx)
      own = isPlain ? (this.plain[key] = unmeasured()) : this.asked
      this.supportAt(table.thing[k])(way, own)
    }
    this.low = own.low
    this.high = own.high
  }

  private supportAt(thing: number): Support {
    if (thing === this.lastThing) return this.lastSupport
    const support = (this.supports[thing] ??= this.supportOf(thing))
    this.lastThing = thing
    this.lastSupport = support
    return support
  }
}
