import { z } from 'zod'
import { color, finite, id, name, positive, sha256, vec3 } from './values'

/** Solids made from numbers. Each stands on its base: its pivot is the centre of its footprint, at the bottom. */
export const solid = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('box'), width: positive, height: positive, depth: positive }),
  z.object({ kind: z.literal('roundedBox'), width: positive, height: positive, depth: positive, radius: positive }),
  z.object({ kind: z.literal('cylinder'), width: positive, height: positive }),
  z.object({ kind: z.literal('cone'), width: positive, top: finite.refine((n) => n >= 0), height: positive }),
  z.object({ kind: z.literal('sphere'), width: positive }),
  z.object({ kind: z.literal('torus'), width: positive, thickness: positive }),
  z.object({
    kind: z.literal('lathe'),
    /** Turned about the up axis, from the first point to the last; a colour holds from its point to the next. */
    profile: z
      .array(z.object({ radius: finite.refine((n) => n >= 0), height: finite, color: color.optional() }))
      .min(2)
      .max(500),
  }),
])
export type Solid = z.infer<typeof solid>
export type SolidKind = Solid['kind']

/** What 1 in a mesh file stands for. */
export const fileUnits = ['mm', 'cm', 'm', 'in', 'ft'] as const
export type FileUnit = (typeof fileUnits)[number]

/** A mesh that came in as a file; the file itself lies beside the document under its SHA-256. */
export const meshShape = z.object({
  kind: z.literal('mesh'),
  file: sha256,
  fileName: z.string().max(200),
  unit: z.enum(fileUnits),
  low: vec3,
  high: vec3,
  triangles: z.int().nonnegative(),
})
export type MeshShape = z.infer<typeof meshShape>

/** Under which a mesh that has been read is kept: one file read in two units is two meshes. */
export const meshKey = (shape: Pick<MeshShape, 'file' | 'unit'>): string => `${shape.file}@${shape.unit}`

export const look = z.object({
  color,
  roughness: finite.refine((n) => n >= 0 && n <= 1),
  metal: finite.refine((n) => n >= 0 && n <= 1),
})
export type Look = z.infer<typeof look>

/** A point on a part with a name, about its pivot, that companions can be tied to. */
export const namedPoint = z.object({ name, at: vec3 })
export type NamedPoint = z.infer<typeof namedPoint>

/** A thing that gets repeated, defined once. */
export const part = z.object({
  id,
  name,
  shape: z.union([solid, meshShape]),
  look,
  points: z.array(namedPoint).max(50).optional(),
})
export type Part = z.infer<typeof part>
export type Shape = Part['shape']
