import { existsSync, readFileSync } from 'node:fs'
import { basename, dirname, join } from 'node:path'
import { describe, expect, it } from 'vitest'
import { readPartFile } from '../../src/readers/partFile'
import type { ReadMesh } from '../../src/readers/readMesh'
import { readScene } from '../../src/readers/scene'
import { volumeOf } from '../../src/geometry/mesh'
import type { Result, Sentence } from '../../src/words'

/**
 * Files by other hands, as Debian ships them (assimp-testmodels 5.2.5, glmark2-data 2023.01); they stay where they are
 * installed. Counts were read by independent programs: three 0.187 and assimp 5.2 (OBJ, STL, PLY), admesh 0.98 (STL), the
 * Khronos validator (glTF).
 */
const folder = '/usr/share/assimp/models'
const models = describe.skipIf(!existsSync(folder))
const bunnyFile = '/usr/share/glmark2/models/bunny.obj'

const read = (path: string): Promise<Result<ReadMesh>> =>
  readPartFile(new Uint8Array(readFileSync(join(folder, path))), basename(path))
const counts = async (path: string) => {
  const result = await read(path)
  return result.ok
    ? [result.value.mesh.positions.length / 3, result.value.mesh.indices.length / 3]
    : says(result.problem.says)
}
const says = (sentence: Sentence): string => sentence.map((s) => (typeof s === 'string' ? s : '#')).join('')

/** A .gltf with the files beside it put inside. */
async function readTogether(path: string): Promise<Result<ReadMesh>> {
  if (path.endsWith('.glb')) return read(path)
  const json = JSON.parse(readFileSync(join(folder, path), 'utf8')) as Record<string, unknown>
  for (const kind of ['buffers', 'images']) {
    const list = json[kind]
    for (const item of Array.isArray(list) ? (list as { uri?: unknown }[]) : []) {
      const beside = typeof item.uri === 'string' ? join(folder, dirname(path), item.uri) : ''
      if (beside && existsSync(beside)) item.uri = `data:;base64,${readFileSync(beside).toString('base64')}`
    }
  }
  return readPartFile(new TextEncoder().encode(JSON.stringify(json)), basename(path))
}

models('F4: glTF 2.0 good and damaged', () => {
  it('good files come in whole', async () => {
    expect(await counts('glTF2/BoxTextured-glTF-Binary/BoxTextured.glb')).toEqual([24, 12])
    // Wrong normals are put right: they are made unit, or worked out from the faces.
    expect(await counts('glTF2/BoxBadNormals-glTF-Binary/BoxBadNormals.glb')).toEqual([24, 12])
  })

  it('each mesh of a scene comes in once', async () => {
    const file = join(folder, 'glTF2/2CylinderEngine-glTF-Binary/2CylinderEngine.glb')
    const scene = await readScene(new Uint8Array(readFileSync(file)), '2CylinderEngine.glb')
    const meshes = scene.ok ? scene.value.meshes.flatMap((m) => (m ? [m.read.mesh] : [])) : []
    expect(meshes.reduce((n, m) => n + m.indices.length / 3, 0)).toBe(75_730)
    expect(meshes.reduce((n, m) => n + m.positions.length / 3, 0)).toBe(55_843)
    expect(meshes.reduce((n, m) => n + m.sections.length, 0)).toBe(34)
  })

  it.each([
    ['glTF2/BoxWithInfinites-glTF-Binary/BoxWithInfinites.glb', 'positions that are not numbers'],
    ['glTF2/IndexOutOfRange/IndexOutOfRange.gltf', 'a triangle names a corner that is not there'],
    ['glTF2/IndexOutOfRange/AllIndicesOutOfRange.gltf', 'a triangle names a corner that is not there'],
    ['glTF2/RecursiveNodes/RecursiveNodes.gltf', 'in a circle'],
    ['glTF2/MissingBin/BoxTextured.gltf', 'needs another file, “BoxTextured0.bin”'],
    ['glTF2/TestNoRootNode/SceneWithoutNodes.gltf', 'holds no triangles'],
    ['glTF/BoxTextured-glTF/BoxTextured.gltf', 'only glTF 2.0 is read'],
  ])('%s is refused in one sentence', async (path, words) => {
    const result = await readTogether(path)
    expect(result.ok ? 'read' : says(result.problem.says)).toContain(words)
  })

  it.each(['badArray', 'badExtension', 'badNumber', 'badObject', 'badString', 'badUint'])(
    'wrong types (%s) are read or refused, never thrown',
    async (name) => {
      const result = await readTogether(`glTF2/wrongTypes/${name}.gltf`)
      expect(result.ok ? result.value.mesh.indices.length / 3 : says(result.problem.says)).toEqual(
        result.ok ? 12 : expect.stringMatching(new RegExp(`^${name}\\.gltf .+\\.$`)),
      )
    },
  )
})

models('F5: OBJ', () => {
  it.each([
    ['OBJ/box.obj', 8, 12],
    ['OBJ/box_UTF16BE.obj', 8, 12],
    ['OBJ/concave_polygon.obj', 64, 64],
    ['OBJ/number_formats.obj', 3, 1],
    ['OBJ/WusonOBJ.obj', 2117, 3732],
  ] as const)('%s: %i corners, %i triangles', async (path, vertices, triangles) => {
    expect(await counts(path)).toEqual([vertices, triangles])
  })

  it('spider: its corners differ in picture places, its triangles are all there', async () => {
    const [, triangles] = await counts('OBJ/spider.obj')
    expect(triangles).toBe(1368)
  })

  it.each([
    ['invalid/empty.obj', 'empty.obj is empty.'],
    ['invalid/malformed.obj', 'names a corner that is not there'],
    ['invalid/malformed2.obj', 'a face has fewer than three corners'],
    ['OBJ/testpoints.obj', 'holds no triangles'],
  ])('%s is refused in one sentence', async (path, words) => {
    expect(await counts(path)).toContain(words)
  })

  it.skipIf(!existsSync(bunnyFile))('the whole bunny: 34 835 corners, 69 666 triangles', async () => {
    const result = await readPartFile(new Uint8Array(readFileSync(bunnyFile)), 'bunny.obj')
    if (!result.ok) throw new Error(says(result.problem.says))
    const { mesh, low, high } = result.value
    expect([mesh.positions.length / 3, mesh.indices.length / 3]).toEqual([34_835, 69_666])
    for (const [i, half] of [1, 0.991233, 0.775047].entries()) {
      expect(high[i]).toBeCloseTo(half, 5)
      expect(low[i]).toBeCloseTo(-half, 5)
    }
  })
})

models('F6: STL', () => {
  it.each([
    ['STL/Spider_binary.stl', 1368],
    ['STL/Spider_ascii.stl', 1368],
    ['STL/Wuson.stl', 3732],
    ['STL/sphereWithHole.stl', 285],
    ['STL/triangle_with_two_solids.stl', 2],
  ] as const)('%s: %i triangles', async (path, triangles) => {
    expect(await counts(path)).toEqual([3 * triangles, triangles])
  })

  it('one shape as text and as bytes encloses one volume', async () => {
    const [text, bytes] = await Promise.all([read('STL/Spider_ascii.stl'), read('STL/Spider_binary.stl')])
    if (!text.ok || !bytes.ok) throw new Error('a spider was not read')
    const [a, b] = [volumeOf(text.value.mesh), volumeOf(bytes.value.mesh)]
    // 10.137138586 and 10.137137404 by admesh.
    expect(a).toBeCloseTo(10.137138586, 4)
    expect(b).toBeCloseTo(10.137137404, 4)
  })
})

models('F7: PLY', () => {
  it.each([
    ['PLY/cube.ply', 8, 12],
    ['PLY/cube_binary.ply', 8, 12],
    ['PLY/Wuson.ply', 11_184, 3732],
    ['PLY/cube_uv.ply', 24, 12],
    ['PLY/float-color.ply', 3, 1],
  ] as const)('%s: %i corners, %i triangles', async (path, vertices, triangles) => {
    expect(await counts(path)).toEqual([vertices, triangles])
  })

  it.each([
    ['PLY/points.ply', 'holds no triangles'],
    ['PLY/pond.0.ply', 'the file ends before all of its elements'],
    ['PLY/issue623.ply', 'the file ends before all of its elements'],
    ['invalid/empty.ply', 'empty.ply is empty.'],
  ])('%s is refused in one sentence', async (path, words) => {
    expect(await counts(path)).toContain(words)
  })
})
