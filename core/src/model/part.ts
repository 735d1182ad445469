import { z } from 'zod'
import { form, solid } from '../solids/schema'
import { variation } from '../values/variation'
import { share, color, finite, name, positive, positiveLength, vec3 } from '../values/values'
import { frame } from '../values/frame'
import { fileRef, formerId, ownId, ref } from '../values/marks'

/** The most parts inside a part, and the most cuts made one in another. */
export const MOST_MEMBERS = 1000
export const MOST_CUTS = 8
/** The most numbers that runs of picked triangles have: a part is split, not drawn triangle by triangle. */
export const MOST_RUNS = 20_000

/** What 1 in a mesh file stands for. */
export const fileUnits = ['mm', 'cm', 'm', 'in', 'ft'] as const
export type FileUnit = (typeof fileUnits)[number]

/**
 * One cut of a mesh: one of the pieces that hang together, one of its looks, or faces that were picked, or all but them. Pieces and looks
 * are counted from 0, as their first triangles come; picked triangles are runs, `[first, how many, first, how many …]`.
 */
const cut = z.discriminatedUnion('by', [
  z.object({ by: z.literal('pieces'), number: z.int().nonnegative() }),
  z.object({ by: z.literal('looks'), number: z.int().nonnegative() }),
  z.object({
    by: z.literal('faces'),
    runs: z.array(z.int().nonnegative()).max(MOST_RUNS),
    rest: z.literal(true).optional(),
  }),
])
export type Cut = z.infer<typeof cut>

/** A mesh that came in as a file; the file itself lies beside the document under its SHA-256. */
const meshShape = z.object({
  kind: z.literal('mesh'),
  file: fileRef('mesh'),
  fileName: z.string().max(200),
  unit: z.enum(fileUnits),
  /** Which mesh of the file, counted from 0; the whole scene as one where it is absent. */
  mesh: z.int().nonnegative().optional(),
  /** What of it the part is, each cut made in what the one before left; all of it where there is none. */
  cuts: z.array(cut).min(1).max(MOST_CUTS).optional(),
  /** Whether the looks in the file show, or the part's own look covers them; pictures show under either. */
  looks: z.enum(['file', 'part']).optional(),
  low: vec3,
  high: vec3,
  triangles: z.int().nonnegative(),
})
export type MeshShape = z.infer<typeof meshShape>

/** Under which a mesh that has been read is kept: one file read in two units is two meshes. */
export const meshKey = ({ file, unit, mesh }: Pick<MeshShape, 'file' | 'unit' | 'mesh'>): string =>
  mesh === undefined ? `${file}@${unit}` : `${file}@${unit}#${mesh}`

/** The mirror image of another part, across, generated from it; it keeps that part's frame. */
export const twin = z.object({ kind: z.literal('twin'), of: ref('part') })

/** A part placed inside a part, in that part's axes. */
export const member = z.object({
  id: ownId(),
  part: ref('part'),
  move: vec3,
  turn: vec3,
  size: vec3.refine((s) => s.every((n) => n > 0)),
})
export type Member = z.infer<typeof member>

export const assembly = z.object({ kind: z.literal('assembly'), members: z.array(member).max(MOST_MEMBERS) })
export type Assembly = z.infer<typeof assembly>

export const lightKinds = ['point', 'spot', 'sun'] as const
export type LightKind = (typeof lightKinds)[number]
/** A light: it shines down, or all round; its colour is that of the part's look. Candela, or lux for a sun (KHR_lights_punctual). */
export const light = z.object({
  kind: z.literal('light'),
  light: z.enum(lightKinds),
  brightness: positive,
  /** The whole angle of a spot's cone, in radians. */
  angle: positive.refine((n) => n <= Math.PI, 'up to 180°'),
})
export type Light = z.infer<typeof light>

/** Stands for something that is not there yet: drawn faintly, never exported. */
export const placeholder = z.object({
  kind: z.literal('placeholder'),
  width: positiveLength,
  height: positiveLength,
  depth: positiveLength,
})

/** A picture on the surface: laid on from the six sides, once over the part's box. */
const lookPicture = z.object({ file: fileRef('picture'), mime: z.enum(['image/png', 'image/jpeg']) })

export const look = z.object({
  color,
  roughness: share,
  metal: share,
  glow: share.optional(),
  /** False where it casts no shadow on the stage. */
  shadow: z.literal(false).optional(),
  faceted: z.literal(true).optional(),
  picture: lookPicture.optional(),
  /** Which way the surface runs: stripes so wide, turned by so much from across towards up. Radians, metres. */
  grain: z.object({ turn: finite, width: positive }).optional(),
})
export type Look = z.infer<typeof look>

/** A point on a part with a name, about its pivot, that companions can be tied to. */
const namedPoint = z.object({ name, at: vec3 })
export type NamedPoint = z.infer<typeof namedPoint>

export type { PartFrame } from '../values/frame'

export const shape = z.union([solid, meshShape, assembly, light, placeholder, twin])
export type Shape = z.infer<typeof shape>

/** A thing that gets repeated, defined once. */
export const part = z.object({
  id: ownId(),
  name,
  shape,
  /** Of a solid. */
  form: form.optional(),
  frame: frame.optional(),
  look,
  points: z.array(namedPoint).max(50).optional(),
  /** How every copy varies by itself; a pattern may do without. */
  variation: z.array(variation).max(20).optional(),
  /** The distance that its copies are to keep free, in metres. */
  clearance: finite.refine((n) => n >= 0, '0 or more').optional(),
  /** The id under which its chances are drawn, where it is not its own: that of the part that it was made from. */
  chances: formerId().optional(),
  /** Other parts that a deal may give in its place. */
  variants: z.array(ref('part', 'aside')).max(100).optional(),
  /** It carries lettering: mirrors keep it readable unless they are told otherwise. */
  lettering: z.literal(true).optional(),
  notes: z.string().max(4000).optional(),
  /** Its copies are not moved. */
  locked: z.literal(true).optional(),
})
export type Part = z.infer<typeof part>

const notSolid: readonly string[] = ['mesh', 'assembly', 'light', 'placeholder', 'twin']
/** Whether a shape is a solid made from numbers. */
export const isSolid = (shape: Shape): shape is z.infer<typeof solid> => !notSolid.includes(shape.kind)

/** The parts on which a part's shape rests. */
export function partsInside({ shape }: Part): string[] {
  if (shape.kind === 'twin') return [shape.of]
  return shape.kind === 'assembly' ? shape.members.map((m) => m.part) : []
}

/** The names of the parts that form a circle, each inside the one before; undefined where there is none. */
export function circleOfParts(parts: readonly Part[]): string[] | undefined {
  const byId = new Map(parts.map((p) => [p.id, p]))
  const clear = new Set<string>()
  const walk = (id: string, above: readonly Part[]): string[] | undefined => {
    const found = byId.get(id)
    if (!found || clear.has(id)) return undefined
    if (above.includes(found)) return [...above.slice(above.indexOf(found)), found].map((p) => p.name)
    for (const inner of partsInside(found)) {
      const circle = walk(inner, [...above, found])
      if (circle) return circle
    }
    clear.add(id)
    return undefined
  }
  for (const { id } of parts) {
    const circle = walk(id, [])
    if (circle) return circle
  }
  return undefined
}
