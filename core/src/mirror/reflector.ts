import { Flag, type InstanceTable } from '../instances'
import type { Reflection } from '../values/reflection'
import type { Vec3 } from '../values/values'
import { type Quaternion, compose, rotate } from '../geometry/rotation'
import { imageSlot } from '../slots'
import type { SurfaceFrames } from './frames'
import { Hands, type MirrorThings } from './hands'
import type { MirrorNoting } from './notes'
import { type Isometry, acrossPoint, acrossTurn, afterEach, placedBy, reflectionIn } from '../geometry/isometry'

/** How many images came out which way. */
export interface ImageCounts {
  twins: number
  kept: number
  symmetric: number
}

/**
 * Writes the images of copies. A copy that stands as place · turn R · size S · shape P has the mirror image M·R·S·P. As no size
 * is ever negative, that is written as the proper turn R′ = M·R·Sx, where Sx reflects across:
 *
 * - mirrored: R′ · S · (Sx·P), the part's twin Sx·P;
 * - kept: R′ · S · P, the same shape with its front and up mirrored and its side re-made right-handed;
 * - symmetric: where P is its own image in a plane H, Sx·P = (Sx·H)·P is P turned and moved, so that R′ · S · (Sx·H) · P lies
 *   exactly where the mirror image does.
 */
export class Reflector {
  readonly counts: ImageCounts = { twins: 0, kept: 0, symmetric: 0 }
  readonly hands: Hands

  constructor(
    private readonly how: Pick<Reflection, 'what' | 'shapes' | 'answers' | 'surfaces'>,
    private readonly things: MirrorThings,
    private readonly frames: SurfaceFrames,
    noting?: MirrorNoting,
  ) {
    this.hands = new Hands(how.shapes, how.answers, how.surfaces === 'book', things, (id, hand) =>
      noting?.shape(id, hand),
    )
  }

  /** Writes the image of row k of one table as row n of another, which has room for it. */
  write(from: InstanceTable, k: number, image: Isometry, to: InstanceTable, n: number): void {
    const thing = from.thing[k]
    const [p, q, s] = [from.position, from.quaternion, from.scale]
    const size: Vec3 = [s[3 * k], s[3 * k + 1], s[3 * k + 2]]
    const own: Quaternion = [q[4 * k], q[4 * k + 1], q[4 * k + 2], q[4 * k + 3]]
    let at: Vec3 = [p[3 * k], p[3 * k + 1], p[3 * k + 2]]
    if (this.how.what !== 'turn') at = placedBy(image, at)
    let turn = own
    const wasTwin = from.isTwin(k)
    let twin = wasTwin
    let symmetric = false
    if (this.how.what !== 'place') {
      turn = compose(image.turn, image.mirrored ? acrossTurn(own) : own)
      if (image.mirrored) {
        const hand = this.hands.of(thing, ...size)
        // A twin that is mirrored is the part itself again; one that is kept stays a twin.
        const kept = hand.kind === 'kept'
        twin = wasTwin ? kept : hand.kind === 'twin'
        if (hand.kind === 'symmetric' && !wasTwin) {
          symmetric = true
          const { normal, distance } = hand.plane
          const shift = acrossPoint(normal.map((c) => 2 * distance * c) as Vec3)
          if (this.how.what === 'both') {
            const moved = rotate(turn, shift.map((c, i) => c * size[i]) as Vec3)
            at = [at[0] + moved[0], at[1] + moved[1], at[2] + moved[2]]
          }
          // Sx·H turns from across to the normal and back: its inverse is H·Sx.
          const [hx, hy, hz, hw] = reflectionIn({ normal, distance: 0 }).turn
          turn = compose(turn, [-hx, -hy, -hz, hw])
        }
        this.counts[kept ? 'kept' : symmetric ? 'symmetric' : 'twins']++
      }
    }
    to.position.set(at, 3 * n)
    to.quaternion.set(turn, 4 * n)
    to.scale.set(size, 3 * n)
    to.thing[n] = thing
    to.flags[n] = (from.flags[k] & Flag.empty) | (twin ? Flag.twin : 0)
    to.surface[n] = this.surfaceOf(from, k, image, { own, turn, twin, symmetric })
  }

  /** Gives a row the slot of its source's image. */
  nameImage(from: InstanceTable, k: number, image: number, mirror: number, to: InstanceTable, n: number): void {
    const [low, high] = imageSlot(from.slotLow[k], from.slotHigh[k], image, mirror)
    to.slotLow[n] = low
    to.slotHigh[n] = high
  }

  private surfaceOf(
    from: InstanceTable,
    k: number,
    image: Isometry,
    now: { own: Quaternion; turn: Quaternion; twin: boolean; symmetric: boolean },
  ): number {
    if (this.how.what === 'place' || !this.things.isPatterned(from.thing[k])) return from.surface[k]
    const { color, ...lay } = this.frames.of(from.surface[k], from.isTwin(k))
    const before: Isometry = { ...lay, move: [0, 0, 0] }
    if (this.how.surfaces === 'turned') return this.frames.numberOf({ ...before, color }, now.twin)
    // A plane that keeps the grain leaves nothing to mirror.
    if (this.how.surfaces === 'book' && now.symmetric) return from.surface[k]
    const [x, y, z, w] = now.turn
    const back: Isometry = { turn: [-x, -y, -z, w], mirrored: false, move: [0, 0, 0] }
    const stood = afterEach({ turn: now.own, mirrored: false, move: [0, 0, 0] }, before)
    const lies = this.how.surfaces === 'continued' ? stood : afterEach({ ...image, move: [0, 0, 0] }, stood)
    return this.frames.numberOf({ ...afterEach(back, lies), color }, now.twin)
  }
}
