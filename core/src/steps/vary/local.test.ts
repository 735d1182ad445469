import { workedScene } from '../../writers/scene'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { aFill, aGrid, aLine, aPath, aPattern, aProject, box, pitched } from '../../../test/projects'
import { evaluated, said } from '../../../test/placed'
import { writeGlb } from '../../writers/glb/write'
import { PGM, readPgm, writePgm } from '../../pictures/pgm'
import { type Gray, brightnessAt } from '../../pictures/brightness'
import { Evaluator } from '../../evaluate'
import type { InstanceTable } from '../../instances'
import { type MeshShape, type Part, meshKey } from '../../model/part'
import type { Pattern } from '../../model/pattern'
import type { Driver, Reach } from '../../values/variation'
import type { Vary } from './schema'
import type { Vec3 } from '../../values/values'
import { type MeshLibrary, pictureKey } from '../../parts/partMesh'
import { pictureMesh } from '../../parts/pictureMesh'
import type { Mesh } from '../../geometry/mesh'
import { openGlb } from '../../readers/gltf/open'

const tin = box('tin', 0.1)
const size: Vary = {
  kind: 'vary',
  id: 'v',
  what: 'size',
  low: 2,
  high: 2,
  spread: 'even',
  axes: 'copy',
  seed: 17,
  share: 1,
  strength: 1,
}
/** Eleven copies, one every metre from the origin across. */
const row: Pattern['layout'] = {
  kind: 'spots',
  spots: Array.from({ length: 11 }, (_, slot) => ({ slot, move: [slot, 0, 0] as Vec3 })),
}
const rowOf = (step: Vary, ...others: Pattern[]) =>
  evaluated(aProject([tin], aPattern(row, ['tin'], { steps: [step] }), ...others))
const sizes = (table: InstanceTable): number[] => Array.from({ length: table.count }, (_, k) => table.scale[3 * k])
const near = (from: Reach['from'], change: Partial<Reach> = {}): Vary => ({
  ...size,
  reach: { from, full: 0, none: 5, easing: 'evenly', ...change },
})

describe('a variation near something', () => {
  const point: Reach['from'] = { kind: 'point', point: [0, 0, 0] }

  it('fades evenly in ratio with the distance from a point: 2 at it, the root of 2 half-way, 1 from its end on', () => {
    const came = sizes(rowOf(near(point)).table)
    for (const [k, s] of came.entries()) expect(s).toBeCloseTo(2 ** Math.max(0, 1 - k / 5), 12)
  })

  it('spares what is near where the end is the nearer one', () => {
    const came = sizes(rowOf(near(point, { full: 5, none: 0 })).table)
    for (const [k, s] of came.entries()) expect(s).toBeCloseTo(2 ** Math.min(1, k / 5), 12)
  })

  it('is all or nothing where both ends are one', () => {
    const { table, stepFacts } = rowOf(near(point, { full: 3, none: 3 }))
    expect(sizes(table)).toEqual([2, 2, 2, 2, 1, 1, 1, 1, 1, 1, 1])
    expect(said(stepFacts['v'])).toMatch(/^4 of 11 changed/)
  })

  it('goes by the distance from a plane, whichever side', () => {
    const came = sizes(rowOf(near({ kind: 'plane', axis: 'across', at: 5 }, { full: 1, none: 1 })).table)
    expect(came).toEqual([1, 1, 1, 1, 2, 2, 2, 1, 1, 1, 1])
  })

  it('keeps inside an outline, with a soft edge outside of it where one is asked for', () => {
    const outline: Reach['from'] = {
      kind: 'outline',
      outline: { kind: 'rectangle', width: 2.2, depth: 1 },
      middle: [5, 0],
    }
    expect(sizes(rowOf(near(outline, { none: 0 })).table)).toEqual([1, 1, 1, 1, 2, 2, 2, 1, 1, 1, 1])
    const soft = sizes(rowOf(near(outline, { none: 1.8 })).table)
    expect(soft[4]).toBe(2)
    expect(soft[3]).toBeCloseTo(2 ** 0.5, 9)
    expect(soft[2]).toBe(1)
  })

  it('goes by the true distance from another pattern’s path, in whatever axes that stands', () => {
    const arc = aPattern(aPath({ curve: { kind: 'arc', radius: 3, start: 0, angle: 2 * Math.PI } }), ['tin'], {
      id: 'arc',
      place: { move: [5, 0, 0], turn: [Math.PI / 2, 0, 0] },
    })
    const { table } = rowOf(near({ kind: 'pattern', pattern: 'arc' }, { full: 0, none: 3 }), arc)
    // The circle stands upright now, but the row still meets it at 2 and at 8.
    for (const [k, s] of sizes(table).entries())
      expect(s).toBeCloseTo(2 ** Math.max(0, 1 - Math.abs(Math.abs(k - 5) - 3) / 3), 7)
  })

  it('goes by the outline of a fill, and follows when that is moved', () => {
    const fill = (x: number): Pattern =>
      aPattern(aFill({ outline: { kind: 'ellipse', width: 4, depth: 4 } }), ['tin'], {
        id: 'fill',
        place: { move: [x, 0, 0], turn: [0, 0, 0] },
      })
    const step = near({ kind: 'pattern', pattern: 'fill' }, { none: 0 })
    const evaluator = new Evaluator()
    const at = (x: number): number[] =>
      sizes(evaluator.evaluate(aProject([tin], aPattern(row, ['tin'], { steps: [step] }), fill(x)), new Map())[0].table)
    // An ellipse is walked in chords: its two ends lie on it exactly.
    expect(at(3)).toEqual([1, 2, 2, 2, 2, 2, 1, 1, 1, 1, 1])
    expect(at(8)).toEqual([1, 1, 1, 1, 1, 1, 2, 2, 2, 2, 2])
  })

  it('says so when what it keeps near to is gone, and changes nothing', () => {
    const { table, stepFacts } = rowOf(near({ kind: 'pattern', pattern: 'gone' }))
    expect(said(stepFacts['v'])).toBe('what it keeps near to is not there: choose another')
    expect(new Set(sizes(table))).toEqual(new Set([1]))
  })

  it('never adds to a strength: any fade lies between nothing and all of it', () => {
    const metre = fc.double({ min: 0, max: 12, noNaN: true })
    fc.assert(
      fc.property(
        metre,
        metre,
        fc.constantFrom('evenly', 'slowFirst', 'slowLast', 'slowBoth'),
        (full, none, easing) => {
          for (const s of sizes(rowOf(near(point, { full, none, easing })).table)) {
            expect(s).toBeGreaterThanOrEqual(1)
            expect(s).toBeLessThanOrEqual(2)
          }
        },
      ),
      { numRuns: 50 },
    )
  })
})

/** Black at the left, white at the right, evenly; dark at the bottom half. */
const ramp: Gray = {
  width: 11,
  height: 2,
  values: Uint8Array.from({ length: 22 }, (_, i) => (i < 11 ? Math.round(25.5 * i) : 0)),
  most: 255,
}

describe('graymaps', () => {
  it('come back as they were written, whatever is in them', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 9 }),
        fc.integer({ min: 1, max: 9 }),
        fc.constantFrom(255, 256, 1000, 65_535),
        fc.infiniteStream(fc.nat(65_535)),
        (w, h, most, all) => {
          const shades = Array.from({ length: w * h }, () => all.next().value % (most + 1))
          const values = most > 255 ? Uint16Array.from(shades) : Uint8Array.from(shades)
          const gray: Gray = { width: w, height: h, values, most }
          expect(readPgm(writePgm(gray), 'x.pgm')).toEqual({ ok: true, value: gray })
        },
      ),
    )
  })

  it('are read with comments and another white, and refused cut off', () => {
    const head = new TextEncoder().encode('P5\n# made by hand\n2 1\n# white is\n15\n')
    const whole = Uint8Array.of(...head, 0, 15)
    expect(readPgm(whole, 'x.pgm')).toMatchObject({ ok: true, value: { values: Uint8Array.of(0, 15), most: 15 } })
    for (const bytes of [whole.slice(0, -1), new TextEncoder().encode('P2\n1 1\n255\n7'), new Uint8Array()]) {
      const read = readPgm(bytes, 'x.pgm')
      expect(read.ok ? '' : said(read.problem.says)).toMatch(/^x\.pgm is (damaged|not a binary graymap)/)
    }
  })

  it('are blended between the middles of their pixels, and have nothing beside them', () => {
    expect(brightnessAt(ramp, 0, 0)).toBe(0)
    expect(brightnessAt(ramp, 1, 0)).toBe(1)
    expect(brightnessAt(ramp, 0.5, 0.25)).toBeCloseTo(128 / 255, 12)
    expect(brightnessAt(ramp, 1, 0.5)).toBeCloseTo(0.5, 12)
    expect(brightnessAt(ramp, 1.01, 0.5)).toBeUndefined()
    expect(brightnessAt(ramp, 0.5, -0.01)).toBeUndefined()
  })
})

describe('J14: driven by a picture or by colours', () => {
  const meshes: MeshLibrary = new Map([[pictureKey('ramp'), pictureMesh(writePgm(ramp), PGM)]])
  const driven = (by: Driver, change: Partial<Vary> = {}): Vary => ({ ...size, low: 0.5, high: 2, by, ...change })
  const picture: Driver = {
    kind: 'picture',
    file: 'ramp',
    fileName: 'ramp',
    plane: 'ground',
    middle: [5, 0],
    width: 11,
  }

  it('dark is small, light is large, evenly in ratio; beside the picture nothing changes', () => {
    const project = aProject([tin], aPattern(row, ['tin'], { steps: [driven({ ...picture, middle: [5, 0.5] })] }))
    const [{ table, stepFacts }] = new Evaluator().evaluate(project, meshes)
    // Each copy stands on the middle of a pixel of the upper row.
    for (const [k, s] of sizes(table).entries()) expect(s).toBeCloseTo(0.5 * 4 ** (ramp.values[k] / 255), 12)
    expect(said(stepFacts['v'])).toMatch(/^11 of 11 changed · from 50 % to 200 %/)
    const half = aProject(
      [tin],
      aPattern(row, ['tin'], { steps: [driven({ ...picture, middle: [5, 0.2], width: 5 })] }),
    )
    const few = sizes(new Evaluator().evaluate(half, meshes)[0].table)
    expect(few.slice(0, 3).concat(few.slice(8))).toEqual([1, 1, 1, 1, 1, 1])
    expect(few[7]).toBeGreaterThan(1.7)
  })

  it('one that stands has its top up', () => {
    const column = aGrid({ across: pitched(1, 1), deep: pitched(1, 1), up: pitched(2, 1) })
    const by: Driver = { ...picture, plane: 'upright', middle: [-4.99, 0.5], width: 11 }
    const project = aProject([tin], aPattern(column, ['tin'], { steps: [driven(by)] }))
    const [{ table }] = new Evaluator().evaluate(project, meshes)
    const [below, above] = sizes(table)
    expect(below).toBe(0.5)
    expect(above).toBeGreaterThan(1.9)
  })

  it('waits for its picture and says so', () => {
    const project = aProject([tin], aPattern(row, ['tin'], { steps: [driven(picture)] }))
    const [{ table, stepFacts }] = new Evaluator().evaluate(project, new Map())
    expect(said(stepFacts['v'])).toBe('its picture is not there: choose it again')
    expect(new Set(sizes(table))).toEqual(new Set([1]))
  })

  /** A floor of 10 m with black corners on the left and white ones on the right. */
  const floor: Mesh = {
    positions: new Float32Array([0, 0, -1, 10, 0, -1, 10, 0, 1, 0, 0, 1]),
    normals: new Float32Array([0, 1, 0, 0, 1, 0, 0, 1, 0, 0, 1, 0]),
    indices: new Uint32Array([0, 2, 1, 0, 3, 2]),
    sections: [{ start: 0, count: 6 }],
    colors: new Uint8Array([0, 0, 0, 255, 255, 255, 255, 255, 255, 0, 0, 0]),
  }
  const land: Part = {
    ...tin,
    id: 'land',
    name: 'Land',
    shape: {
      kind: 'mesh',
      file: 'f'.repeat(64),
      fileName: 'land.ply',
      unit: 'm',
      low: [0, 0, -1],
      high: [10, 0, 1],
      triangles: 2,
    },
  }
  const withLand = (move: [number, number, number]) => {
    const ground = aPattern({ kind: 'spots', spots: [{ slot: 0, move: [0, 0, 0] }] }, ['land'], {
      id: 'ground',
      name: 'Ground',
      place: { move, turn: [0, 0, 0] },
    })
    return aProject(
      [tin, land],
      aPattern(row, ['tin'], { steps: [driven({ kind: 'colors', pattern: 'ground' })] }),
      ground,
    )
  }
  const painted: MeshLibrary = new Map([[meshKey(land.shape as MeshShape), floor]])

  it('takes the colour of the nearest place of a painted mesh, blended between corners', () => {
    const [{ table }] = new Evaluator().evaluate(withLand([0, 0.4, 0]), painted)
    for (const [k, s] of sizes(table).entries()) expect(s).toBeCloseTo(0.5 * 4 ** (k / 10), 6)
    // Moved by two metres, the last two copies stand nearest to its end.
    const [moved] = new Evaluator().evaluate(withLand([-2, 0.4, 0]), painted)
    expect(sizes(moved.table)[0]).toBeCloseTo(0.5 * 4 ** 0.2, 6)
    for (const s of sizes(moved.table).slice(8)) expect(s).toBeCloseTo(2, 12)
  })

  it('says so where nothing has colours', () => {
    const [{ stepFacts }] = new Evaluator().evaluate(withLand([0, 0, 0]), new Map())
    expect(said(stepFacts['v'])).toBe('nothing there has colours')
  })
})

describe('a colour between two', () => {
  const colored = (change: Partial<Vary> = {}): Vary => ({
    ...size,
    what: 'color',
    low: 0,
    high: 1,
    colors: { from: '#000000', to: '#ffffff', shades: 4 },
    ...change,
  })
  const twoHundred = aGrid({ across: pitched(20, 0.2), deep: pitched(10, 0.2) })
  const outcome = (change: Partial<Vary> = {}) =>
    evaluated(aProject([tin], aPattern(twoHundred, ['tin'], { steps: [colored(change)] })))
  const colorsOf = ({ table, frames }: ReturnType<typeof outcome>): (string | undefined)[] =>
    Array.from({ length: table.count }, (_, k) => frames[table.surface[k] - 1]?.color)

  it('comes in so many shades, each as likely as the others, its own for good', () => {
    const came = colorsOf(outcome())
    expect(new Set(came).size).toBe(4)
    expect(came).toContain('#000000')
    expect(came).toContain('#ffffff')
    // Binomial with 50 of 200, sd 6.1; 4 sd.
    for (const shade of new Set(came)) expect(Math.abs(came.filter((c) => c === shade).length - 50)).toBeLessThan(25)
    expect(colorsOf(outcome())).toEqual(came)
  })

  it('strength leads from the part’s own colour, which is left as it is at nothing', () => {
    expect(new Set(colorsOf(outcome({ strength: 0 })))).toEqual(new Set([undefined]))
    const [half] = colorsOf(outcome({ strength: 0.5, colors: { from: '#3a6b5f', to: '#3a6b5f', shades: 2 } }))
    expect(half).toBe('#3a6b5f')
  })

  it('is in the file: one mesh a shade, all of the same points, each in its colour', async () => {
    const project = aProject([tin], aPattern(twoHundred, ['tin'], { steps: [colored()] }))
    for (const style of ['linked', 'instanced'] as const) {
      const written = await writeGlb(workedScene(project, new Map()), { style })
      if (!written.ok) throw new Error('not written')
      expect(written.value.report).toMatchObject({ copies: 200, meshes: 4 })
      const document = await openGlb(written.value.bytes, 'x.glb')
      if (!document.ok) throw new Error('not read')
      const root = document.value.getRoot()
      const primitives = root.listMeshes().map((m) => m.listPrimitives()[0])
      expect(new Set(primitives.map((p) => p.getAttribute('POSITION'))).size).toBe(1)
      const lights = primitives.map((p) => p.getMaterial()!.getBaseColorFactor()[0]).sort((a, b) => a - b)
      expect(lights[0]).toBe(0)
      expect(lights[3]).toBe(1)
    }
  })

  it('a mirror image has the colour of its source', () => {
    const reflect: Pattern['steps'][number] = {
      kind: 'reflect',
      id: 'r',
      planes: [{ facing: { kind: 'axis', axis: 'deep', angle: 0 }, through: { kind: 'origin' }, offset: -1 }],
      keep: 'both',
      what: 'both',
      shapes: 'auto',
      answers: {},
      surfaces: 'book',
    }
    const made = evaluated(aProject([tin], aPattern(twoHundred, ['tin'], { steps: [colored(), reflect] })))
    const came = colorsOf(made)
    expect(came).toHaveLength(400)
    expect(came.slice(200)).toEqual(came.slice(0, 200))
  })

  it('reaches what is inside a whole pattern that is repeated', () => {
    const pair = aPattern(aLine({ hold: ['count', 'spacing'], count: 2 }), ['tin'], { id: 'pair', name: 'Pair' })
    const outer = aPattern(aGrid({ across: pitched(4, 1), deep: pitched(1, 1) }), ['pair'], { steps: [colored()] })
    const { expanded, frames } = evaluated(aProject([tin], outer, pair))
    const came = Array.from({ length: expanded.count }, (_, k) => frames[expanded.surface[k] - 1]?.color)
    expect(came).toHaveLength(8)
    for (let k = 0; k < 8; k += 2) expect(came[k]).toBe(came[k + 1])
    expect(came.every((c) => c !== undefined)).toBe(true)
  })
})

describe('one seed for all that is left to chance', () => {
  const patternWith = (seed: number | undefined, own: number): Pattern =>
    aPattern(aFill({ count: 60, seed: own }), ['tin', 'crate'], {
      deal: { kind: 'random', parts: ['tin', 'crate'], weights: [1, 1], seed: own },
      steps: [{ ...size, low: 0.5, high: 2, seed: own }],
      ...(seed !== undefined && { seed }),
    })
  const worked = (pattern: Pattern) => evaluated(aProject([tin, box('crate', 0.2)], pattern)).table
  const all = (table: InstanceTable) =>
    [[...table.position], [...table.scale], [...table.thing]].map((a) => a.slice(0, 60))

  it('stands for the seeds of deal, fill and steps', () => {
    expect(all(worked(patternWith(5, 1)))).toEqual(all(worked(patternWith(undefined, 5))))
    expect(all(worked(patternWith(5, 1)))).toEqual(all(worked(patternWith(5, 99))))
    expect(all(worked(patternWith(6, 1)))).not.toEqual(all(worked(patternWith(5, 1))))
  })
})
