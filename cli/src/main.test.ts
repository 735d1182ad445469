import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { WebIO } from '@gltf-transform/core'
import { EXTMeshGPUInstancing, type InstancedMesh } from '@gltf-transform/extensions'
import { writeProjectFile } from '@hilera/core/projectFile/hilera'
import { writePgm } from '@hilera/core/pictures/pgm'
import { sha256Of } from '@hilera/core/sha256'
import { casaNispero } from '@hilera/demo/casaNispero'
import { supplierFile } from '@hilera/demo/supplier'
import { afterAll, describe, expect, it } from 'vitest'
import { run } from '../test/run'

const folder = mkdtempSync(join(tmpdir(), 'hilera-cli-'))
afterAll(() => rmSync(folder, { recursive: true }))

const solved = async (words: string): Promise<Record<string, number | null>> => {
  const { code, out, err } = await run('solve', ...words.split(' '), '--json')
  expect([code, err]).toEqual([0, ''])
  return JSON.parse(out) as Record<string, number | null>
}

describe('solve', () => {
  it('works out each of the three', async () => {
    expect(await solved('--gap 12mm --room 1180mm --width 119mm')).toMatchObject({ count: 9, gap: 0.012, room: 1.18 })
    const { run: length, leftover, pitch } = await solved('--gap 12mm --room 1180mm --width 119mm')
    expect(length).toBeCloseTo(1.167, 12)
    expect(leftover).toBeCloseTo(0.013, 12)
    expect(pitch).toBeCloseTo(0.131, 12)
    expect((await solved('--count 5 --room 1'))['pitch']).toBe(0.25)
    expect((await solved('--count 3 --pitch 2ft'))['room']).toBeCloseTo(1.2192, 12)
  })

  it('B4: 7 ft 5 in at 16 in is 6 with 9 in left', async () => {
    const { count, leftover } = await solved('--pitch 16in --room 7ft5in')
    expect(count).toBe(6)
    expect(leftover).toBeCloseTo(9 * 0.0254, 12)
  })

  it('deals widths in turn, keeps ends free, and places a leftover', async () => {
    // 100 + 10 + 200 + 10 + 100 = 420
    expect(await solved('--count 3 --gap 10mm --widths 100mm,200mm')).toMatchObject({ count: 3 })
    expect((await solved('--count 3 --gap 10mm --widths 100mm,200mm'))['run']).toBeCloseTo(0.42, 12)
    expect((await solved('--count 11 --room 1 --ends between'))['pitch']).toBeCloseTo(1 / 12, 12)
    expect((await solved('--pitch 0.3 --room 1 --leftover spread'))['pitch']).toBeCloseTo(1 / 3, 12)
    expect((await solved('--pitch 0.3 --room 1 --leftover extra'))['count']).toBe(5)
  })

  it('takes all three and says what is left, or that they do not fit', async () => {
    expect((await solved('--count 9 --gap 12mm --room 1180mm --width 119mm'))['leftover']).toBeCloseTo(0.013, 12)
    const { code, err } = await run('solve', '--count', '10', '--gap', '12mm', '--room', '1180mm', '--width', '119mm')
    expect(code).toBe(2)
    expect(err).toBe(
      '10 copies with this spacing take 1.298 m, 0.118 m more than the room of 1.18 m. Leave one of the three out.',
    )
  })

  it.each([
    [['--count', '9'], 'Give two of --count'],
    [['--count', '0', '--room', '1'], 'A pattern needs at least 1 copy'],
    [['--count', '1e9', '--room', '1'], 'up to 1 000 000 copies'],
    [['--pitch', 'wide', '--room', '1'], '--pitch: “wide” is not a unit'],
    [['--pitch', '0', '--room', '1'], 'would put neighbours on one spot'],
    [['--pitch', '1', '--gap', '1', '--room', '9'], 'not both'],
    [['--room', '10mm', '--gap', '1', '--width', '20mm'], 'is shorter than one copy'],
    [['--ends', 'none', '--count', '2', '--room', '1'], '--ends is both, start, between'],
    [['--colour', 'red'], "Unknown option '--colour'"],
  ])('%j is refused in one sentence', async (args, sentence) => {
    const { code, out, err } = await run('solve', ...args)
    expect([code, out]).toEqual([2, ''])
    expect(err).toContain(sentence)
    expect(err).not.toContain('\n')
  })
})

describe('export', () => {
  const file = join(folder, 'counter.hilera')
  writeFileSync(file, writeProjectFile(casaNispero(), new Map()))

  it.each([[[]], [['--instancing']]])('writes what the project holds %j', async (flags) => {
    const out = join(folder, 'out.glb')
    const { code, out: printed } = await run('export', file, out, ...flags, '--json')
    expect(code).toBe(0)
    const report = JSON.parse(printed) as { copies: number; lights: number; bytes: number; style: string }
    const bytes = readFileSync(out)
    expect(report).toMatchObject({ bytes: bytes.length, style: flags.length ? 'instanced' : 'linked' })
    expect(report.copies).toBeGreaterThanOrEqual(10)
    const root = (await new WebIO().registerExtensions([EXTMeshGPUInstancing]).readBinary(bytes)).getRoot()
    const placed = root
      .listNodes()
      .reduce(
        (n, node) =>
          n +
          (node.getMesh()
            ? (node.getExtension<InstancedMesh>('EXT_mesh_gpu_instancing')?.getAttribute('TRANSLATION')?.getCount() ??
              1)
            : 0),
        0,
      )
    expect(placed).toBe(report.copies - report.lights)
  })

  it('sizes copies by the picture that came with the project', async () => {
    const gray = writePgm({ width: 2, height: 1, values: Uint8Array.of(0, 255), most: 255 })
    const hash = await sha256Of(gray)
    const demo = casaNispero()
    const [tins] = demo.patterns
    const by = { kind: 'picture', file: hash, fileName: 'ramp.png', plane: 'ground', middle: [0, 0], width: 4 } as const
    const size = { what: 'size', low: 0.5, high: 1, spread: 'even', axes: 'copy', seed: 1 } as const
    const steps = [
      {
        kind: 'vary' as const,
        id: 'v',
        ...size,
        share: 1,
        strength: 1,
        by: { ...by, middle: [0, 0] as [number, number] },
      },
    ]
    const driven = join(folder, 'driven.hilera')
    writeFileSync(driven, writeProjectFile({ ...demo, patterns: [{ ...tins, steps }] }, new Map([[hash, gray]])))
    const out = join(folder, 'driven.glb')
    expect((await run('export', driven, out)).code).toBe(0)
    const shelf = (await new WebIO().readBinary(readFileSync(out)))
      .getRoot()
      .listNodes()
      .find((n) => n.getName() === tins.name)!
    const sizes = shelf.listChildren().map((n) => n.getScale()[0])
    // One more than of full size fits, as they stand.
    expect(sizes).toHaveLength(10)
    for (let k = 1; k < 10; k++) expect(sizes[k]).toBeGreaterThan(sizes[k - 1])
    // A picture that is none is refused: the copies would silently keep their sizes.
    const noise = Uint8Array.of(1, 2, 3)
    const noiseHash = await sha256Of(noise)
    const damaged = [{ ...steps[0], by: { ...steps[0].by, file: noiseHash } }]
    writeFileSync(
      driven,
      writeProjectFile({ ...demo, patterns: [{ ...tins, steps: damaged }] }, new Map([[noiseHash, noise]])),
    )
    const { code, err } = await run('export', driven, out)
    expect([code, err]).toEqual([
      2,
      `The picture of ${tins.name} is not a binary graymap (P5). Choose the picture again.`,
    ])
  })

  it('refuses what is not there or not a project', async () => {
    expect(await run('export', 'nowhere.hilera', 'x.glb')).toEqual({
      code: 2,
      out: '',
      err: 'nowhere.hilera cannot be read. Check its name.',
    })
    const text = join(folder, 'letter.hilera')
    writeFileSync(text, 'hello')
    expect((await run('export', text, 'x.glb')).err).toContain('is not a .hilera file')
    expect((await run('fly')).err).toContain('“fly” is not a command')
  })
})

describe('fold', () => {
  it('turns the supplier’s 640 meshes into three parts and a twin, and says what it did', async () => {
    const from = join(folder, 'supplier.glb')
    const to = join(folder, 'folded.glb')
    writeFileSync(from, await supplierFile())
    const dry = await run('fold', from, '--dry-run', '--json')
    expect(dry.err).toBe('')
    const report = JSON.parse(dry.out) as Record<string, number | unknown[]>
    expect(report).toMatchObject({ parts: 3, twins: 1, copies: 640, nearMisses: [], leftBehind: [] })
    expect(report.worstDeviation).toBeLessThan(1e-5)
    expect(report.bytesBefore).toBe(readFileSync(from).length)
    expect(() => readFileSync(to)).toThrow()

    const { code, out } = await run('fold', from, to)
    expect(code).toBe(0)
    expect(out).toContain('640 parts become 3 and 1 twin, with 640 copies')
    expect(readFileSync(to).length).toBe(report.bytesAfter)
    const root = (await new WebIO().readBinary(readFileSync(to))).getRoot()
    expect(root.listMeshes()).toHaveLength(4)
    const placed = root.listNodes().filter((node) => node.getMesh())
    expect(placed).toHaveLength(640)
    // Names stay, and no size is negative.
    expect(placed[0].getName()).toBe('Slat 001')
    for (const node of placed) expect(Math.min(...node.getScale())).toBeGreaterThan(0)
  }, 60_000)

  it.each([
    [['a.glb'], 'or add --dry-run'],
    [['nowhere.glb', 'b.glb'], 'cannot be read'],
    [['a.glb', 'b.glb', '--tolerance', '0'], 'a length above 0'],
    [['a.glb', 'b.glb', '--by', 'luck'], '--by is geometry, name'],
  ])('%j is refused in one sentence', async (args, sentence) => {
    const { code, err } = await run('fold', ...args)
    expect(code).toBe(2)
    expect(err).toContain(sentence)
  })
})

describe('solve --find', () => {
  const found = async (words: string): Promise<Record<string, number>> => {
    const { code, out, err } = await run('solve', ...words.split(' '), '--json')
    expect([code, err]).toEqual([0, ''])
    return JSON.parse(out) as Record<string, number>
  }

  it('works out a ring from any of its values', async () => {
    const chord = 0.08 + 0.012
    const { radius } = await found('--find radius --ring --count 18 --gap 12mm --width 80mm')
    expect(radius).toBeCloseTo(chord / (2 * Math.sin(Math.PI / 18)), 9)
    expect((await found(`--find gap --ring --count 18 --radius ${radius} --width 80mm`)).gap).toBeCloseTo(0.012, 9)
    expect((await found(`--find size --ring --count 18 --radius ${radius} --gap 12mm`)).size).toBeCloseTo(0.08, 9)
    expect((await found('--find count --ring --radius 265mm --gap 12mm --width 80mm')).count).toBe(18)
    const { angle } = await found('--find angle --ring --count 9 --radius 400mm --gap 12mm --width 80mm')
    expect(angle).toBeCloseTo(8 * 2 * Math.asin(chord / 0.8), 9)
  })

  it('works out a path by its true length', async () => {
    const path = 'M0,0L1000,0'
    expect((await found(`--find pitch --path ${path} --count 11`)).pitch).toBeCloseTo(0.1, 12)
    expect((await found(`--find count --path ${path} --gap 20mm --width 80mm`)).count).toBe(11)
    expect((await found(`--find size --path ${path} --gap 20mm --count 11`)).size).toBeCloseTo(0.08, 9)
  })

  it.each([
    [['--ring', '--count', '18'], 'To find the radius, give the others'],
    [['--count', '18', '--gap', '12mm'], 'Give --ring or --path'],
    [['--ring', '--gap', '1mm', '--pitch', '1mm'], 'Give one of --gap, --pitch and --arc'],
    [['--path', 'nowhere', '--count', '3'], '--find is count, pitch, gap, size'],
  ])('%j is refused in one sentence', async (args, sentence) => {
    const { code, err } = await run('solve', '--find', 'radius', ...args)
    expect(code).toBe(2)
    expect(err).toContain(sentence)
  })
})

describe('read and make', () => {
  it('what is read from a project makes the same places again, in inches too', async () => {
    const [first, second] = [join(folder, 'first.hilera'), join(folder, 'second.hilera')]
    const text =
      'Place 18 spheres 60 mm across round a circle, 12 mm gap. Vary their size between 80 % and 120 %, seed 4.'
    expect((await run('make', text, first)).out).toContain('1 part, 1 pattern, 18 copies.')
    const { out } = await run('read', first, '--unit', 'in')
    expect(out).toMatch(/^Sphere is a sphere 2\.36\d+ in across/)
    expect((await run('make', out, second, '--unit', 'in')).code).toBe(0)
    const places = async (file: string): Promise<unknown> => {
      const glb = join(folder, 'places.glb')
      expect((await run('export', file, glb)).code).toBe(0)
      const doc = await new WebIO().readBinary(readFileSync(glb))
      return doc
        .getRoot()
        .listNodes()
        .map((n) => [n.getTranslation(), n.getScale()])
    }
    expect(await places(second)).toEqual(await places(first))
  })

  it('says which line is not understood, and writes nothing', async () => {
    const to = join(folder, 'none.hilera')
    const { code, err } = await run('make', 'Cup is a sphere 60 mm across.\nPlace 9 cups in a lime.', to)
    expect([code, err]).toEqual([2, 'Line 2: “lime” is not understood here. Is “line” meant?'])
    expect(() => readFileSync(to)).toThrow()
    expect((await run('read', to)).err).toContain('cannot be read')
    expect((await run('make', 'Place 9')).err).toContain('Give the sentences and the file')
  })
})
