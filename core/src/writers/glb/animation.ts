import type { Accessor, Animation, Node } from '@gltf-transform/core'
import type { InstanceTable, Placing } from '../../instances'
import type { Moving } from '../../motion/playing'
import { movedPlacing } from '../../motion/standing'
import { RESTS } from '../../motion/state'
import { type Track, trackOf } from '../../motion/tracks'
import type { GlbDocument } from './document'

/** The keys of one piece that is drawn; undefined where it stands still from the start to the end. */
export function trackOfPiece(
  moving: Moving,
  length: number,
  own: InstanceTable,
  row: number,
  rest: Placing,
): Track | undefined {
  const pivot = own.moveOf(row)
  const track = trackOf(
    (time) => {
      const moved = moving.at(row, time)
      return moved === RESTS ? { ...rest, shown: true } : { ...movedPlacing(pivot, rest, moved), shown: moved.shown }
    },
    length,
    moving.turns(row),
    moving.finest,
  )
  return isIdle(track) ? undefined : track
}

/** Whether it stands still from the start to the end, and is there. */
export const isIdle = (track: Track): boolean => !track.shown && track.times.length <= 2 && !isMoved(track)

const isMoved = ({ placings: [a, b] }: Track): boolean =>
  a.move.some((n, i) => n !== b.move[i]) ||
  a.turn.some((n, i) => n !== b.turn[i]) ||
  a.size.some((n, i) => n !== b.size[i])

const sizes = ({ placings: [first, ...more] }: Track): boolean =>
  more.some(({ size }) => size.some((n, i) => n !== first.size[i]))

/** Whether a piece needs two nodes: one that is sized smoothly, and in it one that appears at once. */
export const needsTwo = (track: Track): boolean => track.shown !== undefined && sizes(track)

/** What a track takes in a file, about, beside what its node takes still: keys of 32-bit floats, and the text about them. */
export const trackBytes = (keys: number, shown = 0): number => 500 + 40 * keys + 16 * shown

/** The one animation of a file. Keys that several pieces have at the same moments are written once. */
export class GlbAnimation {
  private readonly animation: Animation
  private readonly inputs = new Map<string, Accessor>()
  keys = 0

  constructor(private readonly writer: GlbDocument) {
    this.animation = writer.document.createAnimation('Motion')
  }

  /**
   * Moves a node; before a copy has come its size is 0, by a key that holds.
   *
   * @param outer carries the motion; `inner` appears at once, and is the same node where nothing is sized
   * @param turnFor how a turn of ours reads in the file
   */
  move(outer: Node, inner: Node, track: Track, turnFor: (turn: Placing['turn']) => readonly number[]): void {
    const { times, placings, shown } = track
    const add = (
      node: Node,
      path: 'translation' | 'rotation' | 'scale',
      at: readonly number[],
      flat: readonly number[],
      step = false,
    ): void => {
      const output = this.writer.accessor(new Float32Array(flat), path === 'rotation' ? 'VEC4' : 'VEC3')
      const sampler = this.writer.document
        .createAnimationSampler()
        .setInput(this.inputFor(at))
        .setOutput(output)
        .setInterpolation(step ? 'STEP' : 'LINEAR')
      const channel = this.writer.document
        .createAnimationChannel()
        .setTargetNode(node)
        .setTargetPath(path)
        .setSampler(sampler)
      this.animation.addSampler(sampler).addChannel(channel)
      this.keys += at.length
    }
    const [first] = placings
    if (placings.some(({ move }) => move.some((n, i) => n !== first.move[i])))
      add(
        outer,
        'translation',
        times,
        placings.flatMap(({ move }) => move),
      )
    if (placings.some(({ turn }) => turn.some((n, i) => n !== first.turn[i])))
      add(outer, 'rotation', times, onShorterWay(placings.map(({ turn }) => turnFor(turn))).flat())
    if (sizes(track))
      add(
        outer,
        'scale',
        times,
        placings.flatMap(({ size }) => size),
      )
    if (shown) {
      const full = outer === inner ? first.size : [1, 1, 1]
      add(
        inner,
        'scale',
        shown.times,
        shown.values.flatMap((is) => (is ? full : [0, 0, 0])),
        true,
      )
    }
  }

  private inputFor(times: readonly number[]): Accessor {
    const key = times.join(' ')
    const known = this.inputs.get(key)
    if (known) return known
    const made = this.writer.accessor(new Float32Array(times), 'SCALAR')
    this.inputs.set(key, made)
    return made
  }
}

/** Of a turn and its opposite, which are one, the one nearer to the key before: readers that blend numbers go the shorter way then. */
function onShorterWay(turns: readonly (readonly number[])[]): number[][] {
  const out: number[][] = []
  for (const turn of turns) {
    const before = out.at(-1)
    const isFar = before !== undefined && turn.reduce((dot, n, i) => dot + n * before[i], 0) < 0
    out.push(isFar ? turn.map((n) => -n) : [...turn])
  }
  return out
}
