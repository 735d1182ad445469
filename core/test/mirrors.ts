import fc from 'fast-check'
import { aMirror, aPattern, aReflection, box } from './projects'
import { Evaluator, type PatternOutcome } from '../src/evaluate'
import type { MirrorPlane } from '../src/values/reflection'
import type { Part } from '../src/model/part'
import type { Pattern } from '../src/model/pattern'
import type { Project } from '../src/model/project'
import type { Reflect } from '../src/steps/reflect/schema'
import type { Vec3 } from '../src/values/values'
import { anyTurn } from '../src/steps/vary/varyRows'

/** A box as wide as a tea tin. */
export const cube = box('cube', 0.119)
/** A mirror of one pattern. */
export const mirrored = (
  source: Pattern,
  planes: MirrorPlane[],
  change: Partial<ReturnType<typeof aMirror>> = {},
): Pattern => aPattern({ ...aMirror(source.id, ...planes), ...change }, [], { id: 'mirror', name: 'Mirror' })
/** Copies on places of their own; the pattern that is mirrored. */
export const spotsOf = (...spots: { move: Vec3; turn?: readonly number[]; size?: Vec3; part?: string }[]): Pattern =>
  aPattern({ kind: 'spots', spots: spots.map((s, slot) => ({ slot, ...s }) as never) }, [spots[0].part ?? 'arm'], {
    id: 'left',
    name: 'Left',
  })
/** What is mirrored and its mirror, worked out. */
export const both = (project: Project): [PatternOutcome, PatternOutcome] => {
  const all = new Evaluator().evaluate(project, new Map())
  return [all.find((o) => o.id === 'left')!, all.find((o) => o.id === 'mirror')!]
}
/** Parts without meshes. */
export const source = (parts: readonly Part[]) => ({ parts, meshes: new Map() })
/** A reflection as a step. */
export const reflectBy = (change: Partial<Reflect>, ...planes: MirrorPlane[]): Reflect => ({
  kind: 'reflect',
  id: 'r',
  ...aReflection(...planes),
  ...change,
})

/** From −1 to 1. */
export const unit = fc.double({ min: -1, max: 1, noNaN: true })
/** A chance. */
export const chance = fc.double({ min: 0, max: 0.999, noNaN: true })
/** Any direction, not of unit length. */
export const vector = fc.tuple(unit, unit, unit)
/** Any turn. */
export const turn = fc.tuple(chance, chance, chance).map(([a, b, c]) => anyTurn(a, b, c))
/** A factor of full size. */
export const size = fc.double({ min: 0.3, max: 3, noNaN: true })
/** Any plane. */
export const freePlane = fc
  .tuple(vector, unit)
  .filter(([n]) => Math.hypot(...n) > 0.1)
  .map(([normal, offset]): MirrorPlane => ({ facing: { kind: 'free', normal }, through: { kind: 'origin' }, offset }))
/** A free plane by its unit normal and its distance from the origin. */
export const planeIn = ({ facing, offset }: MirrorPlane) => {
  const n = facing.kind === 'free' ? facing.normal : [1, 0, 0]
  const l = Math.hypot(...n)
  return { normal: n.map((c) => c / l) as Vec3, distance: offset }
}
