import type { HostileFile, HostileKind } from '../case'
import type { Chance } from '../chance'

/** A binary glTF of a description and its bytes. */
export function glb(json: unknown, binary = new Uint8Array(0)): Uint8Array {
  const pad = (bytes: Uint8Array, by: number): Uint8Array => {
    const out = new Uint8Array(Math.ceil(bytes.length / 4) * 4).fill(by)
    out.set(bytes)
    return out
  }
  const text = pad(new TextEncoder().encode(JSON.stringify(json)), 0x20)
  const data = pad(binary, 0)
  const length = 20 + text.length + (data.length > 0 ? 8 + data.length : 0)
  const out = new Uint8Array(length)
  const view = new DataView(out.buffer)
  const head = [0x46546c67, 2, length, text.length, 0x4e4f534a]
  for (const [i, word] of head.entries()) view.setUint32(4 * i, word, true)
  out.set(text, 20)
  if (data.length > 0) {
    view.setUint32(20 + text.length, data.length, true)
    view.setUint32(24 + text.length, 0x004e4942, true)
    out.set(data, 28 + text.length)
  }
  return out
}

/** A triangle, whole: what the faults below are put into. */
function triangle() {
  const bytes = new Uint8Array(44)
  new Float32Array(bytes.buffer, 0, 9).set([0, 0, 0, 1, 0, 0, 0, 1, 0])
  new Uint16Array(bytes.buffer, 36, 3).set([0, 1, 2])
  const json = {
    asset: { version: '2.0' },
    scene: 0,
    scenes: [{ nodes: [0] }],
    nodes: [{ mesh: 0 }] as unknown[],
    meshes: [{ primitives: [{ attributes: { POSITION: 0 }, indices: 1 }] }] as unknown[],
    buffers: [{ byteLength: 44 }] as unknown,
    bufferViews: [
      { buffer: 0, byteLength: 36 },
      { buffer: 0, byteOffset: 36, byteLength: 6 },
    ] as unknown[],
    accessors: [
      { bufferView: 0, componentType: 5126, count: 3, type: 'VEC3', min: [0, 0, 0], max: [1, 1, 0] },
      { bufferView: 1, componentType: 5123, count: 3, type: 'SCALAR' },
    ] as Record<string, unknown>[],
  }
  return { json: json as typeof json & Record<string, unknown>, bytes }
}

const many = <T>(count: number, of: (i: number) => T): T[] => Array.from({ length: count }, (_, i) => of(i))

/** Faults one by one, as they were found. */
const faults: readonly ((made: ReturnType<typeof triangle>) => unknown)[] = [
  () => null,
  () => 7,
  () => [],
  ({ json }) => ({ ...json, nodes: [null] }),
  ({ json }) => ({ ...json, nodes: 'none' }),
  ({ json }) => ({ ...json, buffers: {} }),
  ({ json }) => ({ ...json, buffers: [null] }),
  ({ json }) => ({ ...json, images: 7 }),
  ({ json }) => ({ ...json, images: [null] }),
  ({ json }) => ({ ...json, images: [{ uri: 7 }] }),
  ({ json }) => ({ ...json, buffers: [{ byteLength: 44, uri: 5 }] }),
  ({ json }) => ({ ...json, extensionsRequired: [5] }),
  ({ json }) => ({ ...json, extensionsRequired: 'abc' }),
  ({ json }) => ({ ...json, nodes: [{ mesh: 0, name: 5 }], meshes: [{ ...(json.meshes[0] as object), name: 7 }] }),
  ({ json }) => ({ ...json, nodes: [{ mesh: 0, translation: [null, 0, 0] }] }),
  ({ json }) => ({ ...json, nodes: [{ mesh: 0, rotation: [null, null, null, null] }] }),
  ({ json }) => ({ ...json, nodes: [{ mesh: 0, scale: [1, null, 1] }] }),
  ({ json }) => ({ ...json, nodes: [{ mesh: 0, scale: 'large' }] }),
  ({ json }) => ({ ...json, nodes: [{ mesh: 0, matrix: [1, 2] }] }),
  ({ json }) => ({ ...json, nodes: [{ mesh: 0, translation: [1e300, 1e300, 0], scale: [1e200, 1, 1] }] }),
  ({ json }) => ({ ...json, nodes: [{ mesh: 0, rotation: [0, 0, 0, 0] }] }),
  ({ json }) => ({ ...json, nodes: [{ mesh: 99 }] }),
  ({ json }) => ({ ...json, nodes: [{ mesh: -1, children: [0] }] }),
  ({ json }) => ({ ...json, nodes: [{ mesh: 0, children: [1] }, { children: [0] }] }),
  ({ json }) => ({ ...json, nodes: [{ mesh: 0, children: 'all' }] }),
  ({ json }) => ({ ...json, scenes: [null] }),
  ({ json }) => ({ ...json, scenes: [{ nodes: [null, 'a', 77] }] }),
  ({ json }) => ({ ...json, scene: 12 }),
  ({ json }) => ({
    ...json,
    accessors: [{ ...json.accessors[0], bufferView: undefined, count: 1e9 }, json.accessors[1]],
  }),
  ({ json }) => ({
    ...json,
    accessors: [{ ...json.accessors[0], bufferView: undefined, count: 1e8 }, json.accessors[1]],
  }),
  ({ json }) => ({
    ...json,
    accessors: [json.accessors[0], { ...json.accessors[1], bufferView: undefined, count: 1e8 }],
  }),
  ({ json }) => ({ ...json, accessors: [json.accessors[0], { ...json.accessors[1], count: 1e9 }] }),
  ({ json }) => ({ ...json, accessors: [{ ...json.accessors[0], count: -3 }, json.accessors[1]] }),
  ({ json }) => ({ ...json, accessors: [{ ...json.accessors[0], count: 2.5 }, json.accessors[1]] }),
  ({ json }) => ({ ...json, accessors: [{ ...json.accessors[0], type: 'VEC9' }, json.accessors[1]] }),
  ({ json }) => ({ ...json, accessors: [{ ...json.accessors[0], componentType: 1 }, json.accessors[1]] }),
  ({ json }) => ({ ...json, accessors: [{ ...json.accessors[0], byteOffset: 1e12 }, json.accessors[1]] }),
  ({ json }) => ({ ...json, accessors: [null, null] }),
  ({ json }) => ({
    ...json,
    accessors: [
      {
        ...json.accessors[0],
        sparse: { count: 1e9, indices: { bufferView: 1, componentType: 5123 }, values: { bufferView: 0 } },
      },
      json.accessors[1],
    ],
  }),
  ({ json }) => ({
    ...json,
    extensionsUsed: ['EXT_mesh_gpu_instancing'],
    nodes: [{ mesh: 0, extensions: { EXT_mesh_gpu_instancing: { attributes: { TRANSLATION: 2 } } } }],
    accessors: [...json.accessors, { componentType: 5126, count: 1e7, type: 'VEC3' }],
  }),
  ({ json }) => ({ ...json, meshes: [{ primitives: [{ attributes: { POSITION: 0 }, indices: 1, mode: 99 }] }] }),
  ({ json }) => ({ ...json, meshes: [{ primitives: 3 }] }),
  ({ json }) => ({ ...json, meshes: [{ primitives: [null] }] }),
  ({ json }) => ({ ...json, meshes: [{ primitives: [{ attributes: null }] }] }),
  ({ json }) => ({ ...json, meshes: [{ primitives: [{ attributes: { POSITION: 1 }, indices: 0 }] }] }),
  ({ json }) => ({
    ...json,
    materials: [null],
    meshes: [{ primitives: [{ attributes: { POSITION: 0 }, material: 0 }] }],
  }),
  ({ json }) => ({
    ...json,
    materials: [{ pbrMetallicRoughness: { baseColorFactor: [null, 1e300, -5, 1], roughnessFactor: 'x' } }],
    meshes: [{ primitives: [{ attributes: { POSITION: 0 }, material: 0 }] }],
  }),
  ({ json }) => ({
    ...json,
    nodes: many(5000, (i) => (i < 4999 ? { children: [i + 1] } : { mesh: 0 })),
  }),
  ({ json }) => ({
    ...json,
    scenes: [{ nodes: many(10_000, (i) => 2 * i) }],
    nodes: many(20_000, (i) => (i % 2 === 0 ? { name: 'Group', children: [i + 1] } : { mesh: 0, name: 'Thing' })),
  }),
  ({ json }) => ({
    ...json,
    scenes: [{ nodes: many(20_000, (i) => i) }],
    nodes: many(20_000, (i) => ({ mesh: i })),
    meshes: many(20_000, () => ({ name: 'Mesh', primitives: [{ attributes: { POSITION: 0 }, indices: 1 }] })),
  }),
  ({ json }) => ({ ...json, scenes: [{ nodes: many(100_000, () => 0) }] }),
  ({ json }) => ({ ...json, nodes: [{ mesh: 0, name: 'N'.repeat(1_000_000) }] }),
  ({ json }) => ({ ...json, asset: null }),
  ({ json }) => ({ ...json, asset: { version: 2 } }),
  ({ json }) => ({ ...json, asset: { version: { toString: 5 } } }),
  ({ json }) => ({ ...json, animations: [null], skins: 5, cameras: [{}] }),
  ({ json }) => ({ ...json, buffers: [{ byteLength: 1e15 }] }),
  ({ json }) => ({ ...json, bufferViews: [{ buffer: 0, byteLength: 36, byteStride: 1 }, json.bufferViews[1]] }),
  ({ json }) => ({
    ...json,
    bufferViews: [
      { buffer: 3, byteLength: 36 },
      { buffer: 0, byteOffset: -6, byteLength: 6 },
    ],
  }),
  ({ json }) => ({ ...json, __proto__: { polluted: true }, constructor: 5 }),
]

/** What stands for any value where something is exchanged by chance. */
const strange: readonly unknown[] = [null, -1, 0.5, 1e9, 1e300, '', 'x', [], {}, true, [null], { length: 1e9 }, [[]]]

/** One value anywhere in a description exchanged for something strange, or taken away. */
export function exchanged(json: unknown, chance: Chance): unknown {
  const copy = structuredClone(json)
  const places: [Record<string, unknown>, string][] = []
  const walk = (at: unknown): void => {
    if (typeof at !== 'object' || at === null) return
    for (const key of Object.keys(at)) {
      places.push([at as Record<string, unknown>, key])
      walk((at as Record<string, unknown>)[key])
    }
  }
  walk(copy)
  for (let n = 1 + chance.whole(3); n > 0; n--) {
    const [owner, key] = chance.pick(places)
    if (chance.next() < 0.15) Reflect.deleteProperty(owner, key)
    else owner[key] = chance.pick(strange)
  }
  return copy
}

export const gltfFaults: HostileKind = {
  name: 'glTF, faults one by one',
  count: faults.length,
  make(_, number): HostileFile {
    const made = triangle()
    return { name: 'thing.glb', bytes: glb(faults[number](made), made.bytes) }
  },
}

export const gltfExchanged: HostileKind = {
  name: 'glTF, values exchanged',
  make(chance): HostileFile {
    const { json, bytes } = triangle()
    return { name: 'thing.glb', bytes: glb(exchanged(json, chance), bytes) }
  },
}
