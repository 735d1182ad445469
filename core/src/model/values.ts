import { z } from 'zod'

/** A finite number; metres and radians unless a name says otherwise. */
export const finite = z.number().refine(Number.isFinite, 'a finite number')
export const positive = finite.refine((n) => n > 0, 'more than 0')

/** Across (X), up (Y), deep (Z): right-handed, Y up, metres, as in glTF 2.0. */
export const vec3 = z.tuple([finite, finite, finite])
export type Vec3 = z.infer<typeof vec3>

export const axes = ['across', 'up', 'deep'] as const
export const axis = z.enum(axes)
export type Axis = z.infer<typeof axis>

export const id = z.string().regex(/^[a-z0-9-]{1,40}$/)
export const name = z.string().trim().min(1).max(80)
export const color = z.string().regex(/^#[0-9a-f]{6}$/)
export const sha256 = z.string().regex(/^[0-9a-f]{64}$/)
