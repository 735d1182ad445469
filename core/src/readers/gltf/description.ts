import { z } from 'zod'
import { type Result, done, refused } from '../../words'

const index = z.int().min(0)
const finite = z.number()
const name = z.string().optional()
const numbers = (count: number) => z.array(finite).length(count).optional()
const indices = z.array(index).optional()
const bytes = z.int().min(0)

/**
 * What is used of a glTF 2.0 description, each field of the kind that the standard says (Khronos glTF 2.0, section 5). What is not
 * used here is not looked at. Checked before anything is read by it: the library takes descriptions as it finds them.
 */
const node = z.looseObject({
  name,
  children: indices,
  mesh: index.optional(),
  translation: numbers(3),
  rotation: numbers(4),
  scale: numbers(3),
  matrix: numbers(16),
  extensions: z.record(z.string(), z.looseObject({})).optional(),
})
const accessor = z.looseObject({
  bufferView: index.optional(),
  byteOffset: bytes.optional(),
  count: z.int().min(0),
  type: z.enum(['SCALAR', 'VEC2', 'VEC3', 'VEC4', 'MAT2', 'MAT3', 'MAT4']),
  componentType: z.literal([5120, 5121, 5122, 5123, 5125, 5126]),
  sparse: z
    .looseObject({
      count: z.int().min(0),
      indices: z.looseObject({ bufferView: index }),
      values: z.looseObject({ bufferView: index }),
    })
    .optional(),
})
const primitive = z.looseObject({
  attributes: z.record(z.string(), index),
  indices: index.optional(),
  material: index.optional(),
  mode: z.int().min(0).max(6).optional(),
  targets: z.array(z.record(z.string(), index)).optional(),
})
const slot = z.looseObject({ index }).optional()
const material = z.looseObject({
  name,
  pbrMetallicRoughness: z
    .looseObject({
      baseColorFactor: numbers(4),
      baseColorTexture: slot,
      metallicRoughnessTexture: slot,
      metallicFactor: finite.optional(),
      roughnessFactor: finite.optional(),
    })
    .optional(),
})
const description = z.looseObject({
  asset: z.looseObject({ version: z.string() }),
  scene: index.optional(),
  scenes: z.array(z.looseObject({ name, nodes: indices })).optional(),
  nodes: z.array(node).optional(),
  meshes: z.array(z.looseObject({ name, primitives: z.array(primitive) })).optional(),
  accessors: z.array(accessor).optional(),
  bufferViews: z
    .array(
      z.looseObject({
        buffer: index,
        byteLength: bytes,
        byteOffset: bytes.optional(),
        byteStride: z.int().min(4).max(252).optional(),
      }),
    )
    .optional(),
  buffers: z.array(z.looseObject({ byteLength: bytes, uri: z.string().optional() })).optional(),
  materials: z.array(material).optional(),
  textures: z.array(z.looseObject({ source: index.optional(), sampler: index.optional() })).optional(),
  images: z
    .array(z.looseObject({ uri: z.string().optional(), bufferView: index.optional(), mimeType: z.string().optional() }))
    .optional(),
  extensionsUsed: z.array(z.string()).optional(),
  extensionsRequired: z.array(z.string()).optional(),
})
export type Description = z.infer<typeof description>

/** Numbers in accessors that name no bytes, which stand for zeros: so many are taken, all together. */
const MOST_UNSAID = 4_000_000
const wide: Readonly<Record<string, number>> = { SCALAR: 1, VEC2: 2, VEC3: 3, VEC4: 4, MAT2: 4, MAT3: 9, MAT4: 16 }

/** What one of the things in the lists of a description is called. */
const called: Readonly<Record<string, string>> = {
  scenes: 'scene',
  nodes: 'node',
  meshes: 'mesh',
  accessors: 'accessor',
  bufferViews: 'buffer view',
  buffers: 'buffer',
  materials: 'material',
  textures: 'texture',
  images: 'picture',
}

/**
 * The description of a glTF file, checked: every field of its kind, every number finite, each node under one other at most and none
 * in a circle, and no more numbers than there are bytes for.
 *
 * @param json as it was parsed
 * @param length the file's bytes
 * @param file the file's name, for the sentences
 */
export function checkedDescription(json: unknown, length: number, file: string): Result<Description> {
  const version = versionOf(json)
  if (version === undefined) return refused(`${file} does not say which glTF it is. Save it as glTF 2.0.`)
  if (!version.startsWith('2'))
    return refused(`${file} is glTF ${version.slice(0, 8)}; only glTF 2.0 is read. Save it as glTF 2.0.`)
  const damaged = (what: string) => refused(`${file} is damaged: ${what}. Save it again from the program that made it.`)
  const parsed = description.safeParse(json)
  if (!parsed.success) {
    const [list, number, field] = parsed.error.issues[0].path
    const thing = called[String(list)]
    const what = field === undefined || thing === undefined ? '' : `the ${String(field)} of `
    return damaged(
      thing && typeof number === 'number'
        ? `${what}${thing} ${number + 1} in its description cannot be`
        : `its ${String(list ?? 'description')} cannot be read`,
    )
  }
  const { accessors = [], bufferViews = [], nodes = [], scenes = [] } = parsed.data
  let unsaid = 0
  for (const one of accessors) {
    if (one.bufferView === undefined) unsaid += one.count * wide[one.type]
    else if (one.count > (bufferViews[one.bufferView]?.byteLength ?? 0))
      return damaged('it names more numbers than it holds')
    if ((one.sparse?.count ?? 0) > length) return damaged('it names more numbers than it holds')
  }
  if (unsaid > MOST_UNSAID) return damaged('it names more numbers than it holds')
  const twice = new Uint8Array(nodes.length)
  for (const { children = [] } of nodes)
    for (const child of children) if (twice[child]++ > 0) return damaged('one of its nodes stands under two others')
  for (const { nodes: top = [] } of scenes)
    if (new Set(top).size < top.length) return damaged('one of its scenes names a node twice')
  return hasLoop(nodes) ? damaged('its things stand inside each other in a circle') : done(parsed.data)
}

function versionOf(json: unknown): string | undefined {
  if (typeof json !== 'object' || json === null || !('asset' in json)) return undefined
  const { asset } = json
  const version: unknown = typeof asset === 'object' && asset !== null && 'version' in asset ? asset.version : undefined
  return typeof version === 'string' || typeof version === 'number' ? String(version) : undefined
}

/** Whether a node is among its own children's children. */
function hasLoop(nodes: NonNullable<Description['nodes']>): boolean {
  const under = new Uint8Array(nodes.length)
  const [ABOVE, CLEAR] = [1, 2]
  for (let top = 0; top < nodes.length; top++) {
    // Without calls into itself: files may be thousands of nodes deep.
    const path: { node: number; child: number }[] = under[top] === CLEAR ? [] : [{ node: top, child: 0 }]
    while (path.length > 0) {
      const here = path[path.length - 1]
      under[here.node] = ABOVE
      const next = nodes[here.node].children?.[here.child++]
      if (next === undefined) under[path.pop()!.node] = CLEAR
      else if (under[next] === ABOVE) return true
      else if (nodes[next] !== undefined && under[next] !== CLEAR) path.push({ node: next, child: 0 })
    }
  }
  return false
}
