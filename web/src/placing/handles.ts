import { rotate } from '@hilera/core/geometry/rotation'
import type { Body } from '@hilera/core/placing/body'
import { AXES } from '@hilera/core/placing/edges'
import { type Motion, centerOf } from '@hilera/core/placing/motion'
import * as THREE from 'three'
import type { Tool } from './tools'

/** What one pin changes of a motion: the axes that it goes along or about. */
export interface MotionPin {
  readonly key: string
  readonly words: string
  readonly at: THREE.Vector3
  readonly does: Tool
  readonly axes: readonly number[]
  /** A copy is made, and that one is moved. */
  readonly another?: true
}

/** Where the picked things are taken hold of. */
export interface Grip {
  readonly center: THREE.Vector3
  /** The axes along which they go, in the world. */
  readonly axes: readonly THREE.Vector3[]
}

const names = ['across', 'up', 'deep'] as const
const pairs = [
  [0, 2],
  [0, 1],
  [1, 2],
] as const

/** The centre that is stated, and the axes; undefined where nothing that is picked stands anywhere. */
export function gripOf(bodies: readonly Body[], lead: Body | undefined, motion: Motion): Grip | undefined {
  const first = lead ?? bodies[0]
  if (!first) return undefined
  const center = centerOf(bodies, lead, motion) ?? first.stands.move
  const turn = first.stands.turn
  return {
    center: new THREE.Vector3(...center),
    axes: AXES.map((axis) => new THREE.Vector3(...(motion.axes === 'world' ? axis : rotate(turn, axis)))),
  }
}

/** Pins about a centre, so long from it; the circles on which things are turned are guides. */
export function motionPins(
  { center, axes }: Grip,
  tool: Tool,
  reach: number,
): { pins: MotionPin[]; guides: THREE.Vector3[][] } {
  const off = (...along: readonly (readonly [number, number])[]): THREE.Vector3 =>
    along.reduce((p, [i, by]) => p.addScaledVector(axes[i], by * reach), center.clone())
  if (tool === 'turn') {
    const circle = (i: number): THREE.Vector3[] =>
      Array.from({ length: 49 }, (_, k) => {
        const angle = (k / 48) * 2 * Math.PI
        return off([(i + 1) % 3, Math.cos(angle)], [(i + 2) % 3, Math.sin(angle)])
      })
    return {
      guides: [0, 1, 2].map(circle),
      pins: names.map((name, i) => ({
        key: `turn-${name}`,
        words: `about ${name}`,
        at: off([(i + 1) % 3, Math.SQRT1_2], [(i + 2) % 3, Math.SQRT1_2]),
        does: 'turn',
        axes: [i],
      })),
    }
  }
  const single: MotionPin[] = names.map((name, i) => ({
    key: `${tool}-${name}`,
    words: tool === 'move' ? name : { across: 'wide', up: 'tall', deep: 'long' }[name],
    at: off([i, 1]),
    does: tool,
    axes: [i],
  }))
  const double: MotionPin[] = pairs.map(([a, b]) => ({
    key: `${tool}-${names[a]}-${names[b]}`,
    words: '',
    at: off([a, 0.5], [b, 0.5]),
    does: tool,
    axes: [a, b],
  }))
  const whole: MotionPin =
    tool === 'move'
      ? { key: 'move-ground', words: 'free', at: center.clone(), does: 'move', axes: [0, 1, 2] }
      : { key: 'size-evenly', words: 'evenly', at: off([0, 0.7], [1, 0.7], [2, 0.7]), does: 'size', axes: [0, 1, 2] }
  // On the other side of two axes, where it is in nobody's way, also where a flat view looks along one of them.
  const another: MotionPin[] =
    tool === 'move'
      ? [
          {
            key: 'another',
            words: 'another',
            at: off([0, -0.5], [1, 0.5], [2, -0.5]),
            does: 'move',
            axes: [0, 1, 2],
            another: true,
          },
        ]
      : []
  return { pins: [...single, ...double, whole, ...another], guides: names.map((_, i) => [center, off([i, 1])]) }
}

/** A turn about an axis of the grip that a way round it makes, as so much about each of them. */
export const turnAbout = (axis: number, angle: number): [number, number, number] =>
  [0, 1, 2].map((i) => (i === axis ? angle : 0)) as [number, number, number]
