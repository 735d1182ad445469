import { z } from 'zod'
import { inMetres } from './marks'
import type { Vec3 } from '../geometry/vec'

/** Beyond this no number of a document goes: sums and products of them stay finite, also in a 32-bit file. */
const LARGEST = 1e9

/** A finite number; metres and radians unless a name says otherwise. */
export const finite = z.number().min(-LARGEST).max(LARGEST)
export const positive = finite.refine((n) => n > 0, 'more than 0')
/** A share of a whole. */
export const share = finite.refine((n) => n >= 0 && n <= 1, 'from 0 to 1')

/** Across (X), up (Y), deep (Z): right-handed, Y up, metres, as in glTF 2.0. */
export const vec3 = z.tuple([finite, finite, finite])
/** A place, or a way from one place to another, in metres. */
export const placeIn = inMetres(vec3)
/** A place on a flat ground: across and deep. */
export const flatPlace = inMetres(z.tuple([finite, finite]))
/** A length in metres. */
export const length = inMetres(finite)
export const positiveLength = inMetres(positive)
export type { Vec3 }

export const axes = ['across', 'up', 'deep'] as const
export const axis = z.enum(axes)
export type Axis = z.infer<typeof axis>
/** The way that each axis goes: to the right, upwards, towards the eye. */
export const wayOf: Readonly<Record<Axis, Readonly<Vec3>>> = { across: [1, 0, 0], up: [0, 1, 0], deep: [0, 0, 1] }

/** The sides of a part: its front is +Z, its right +X, its top +Y. */
export const sides = ['front', 'back', 'right', 'left', 'top', 'base'] as const
export type Side = (typeof sides)[number]

export const sideVectors: Readonly<Record<Side, Vec3>> = {
  front: [0, 0, 1],
  back: [0, 0, -1],
  right: [1, 0, 0],
  left: [-1, 0, 0],
  top: [0, 1, 0],
  base: [0, -1, 0],
}

/**
 * The rows of the rotation that brings one side to the top and another to the front; undefined where both lie on one axis.
 */
export function turnOf(up: Side, front: Side): readonly [Vec3, Vec3, Vec3] | undefined {
  const [u, f] = [sideVectors[up], sideVectors[front]]
  if (u[0] * f[0] + u[1] * f[1] + u[2] * f[2] !== 0) return undefined
  return [[u[1] * f[2] - u[2] * f[1], u[2] * f[0] - u[0] * f[2], u[0] * f[1] - u[1] * f[0]], u, f]
}

export const name = z.string().trim().min(1).max(80)
export const color = z.string().regex(/^#[0-9a-f]{6}$/)
