import { zipSync } from 'fflate'
import fc from 'fast-check'
import type { HostileFile, HostileKind } from '../case'
import type { Chance } from '../chance'
import { anyProject } from '../../core/test/laws/projects'
import { aGrid, aLine, aPattern, aProject, box } from '../../core/test/projects'
import { casaNispero } from '@hilera/demo/casaNispero'

const packed = (project: unknown, more: Record<string, Uint8Array> = {}): HostileFile => ({
  name: 'work.hilera',
  bytes: zipSync({ 'project.json': new TextEncoder().encode(JSON.stringify(project)), ...more }, { level: 1 }),
})
const part = (id: string, shape: unknown) => ({ ...box(id, 0.1), shape })
const many = <T>(count: number, of: (i: number) => T): T[] => Array.from({ length: count }, (_, i) => of(i))
const place = { move: [0, 0, 0], turn: [0, 0, 0, 1], size: [1, 1, 1] }

/** Assemblies of two of the one before: so deep, 2ⁿ pieces. */
const doubling = (deep: number) => [
  box('p0', 0.1),
  ...many(deep, (i) =>
    part(`p${i + 1}`, {
      kind: 'assembly',
      members: many(2, (k) => ({ id: `m${i}-${k}`, name: 'one', part: `p${i}`, ...place, move: [0.2 * k, 0, 0] })),
    }),
  ),
]
const line = (count: number, spacing: unknown = 0.1) =>
  aLine({ hold: ['count', 'spacing'], count, spacing: spacing as number, measure: 'pitch', edges: 'centres' })
const one = aPattern(line(3), ['tin'])

const list: readonly (() => HostileFile)[] = [
  ...[4, 16, 30].map((deep) => () => packed(aProject(doubling(deep) as never, aPattern(line(2), [`p${deep}`])))),
  // Each twin of the one before.
  () =>
    packed(
      aProject(
        [box('p0', 0.1), ...many(2000, (i) => part(`p${i + 1}`, { kind: 'twin', of: `p${i}` }))] as never,
        aPattern(line(2), ['p2000']),
      ),
    ),
  // Each pattern repeats the one before.
  () =>
    packed(
      aProject(
        [box('tin', 0.1)],
        ...many(2000, (i) => aPattern(line(1), [i === 0 ? 'tin' : `n${i - 1}`], { id: `n${i}` })),
      ),
    ),
  () =>
    packed(
      aProject(
        [box('tin', 0.1)],
        ...many(20, (i) => aPattern(line(10), [i === 0 ? 'tin' : `n${i - 1}`], { id: `n${i}` })),
      ),
    ),
  () =>
    packed(
      aProject(
        [box('tin', 0.1)],
        ...many(2000, (i) =>
          aPattern(
            i === 0
              ? line(1)
              : ({
                  kind: 'companion',
                  host: `n${i - 1}`,
                  offset: [0, 0.1, 0],
                  turn: [0, 0, 0],
                  follow: ['turn'],
                } as never),
            ['tin'],
            { id: `n${i}` },
          ),
        ),
      ),
    ),
  ...[1e160, 1e9, 1e300].map(
    (far) => () => packed(aProject([box('tin', 0.1)], { ...one, place: { move: [far, 0, -far], turn: [0, 0, 0] } })),
  ),
  ...[1e160, 1e9, 1e-300].map((wide) => () => packed(aProject([box('tin', wide)], one))),
  ...[1e160, 1e12, 1e-300].map(
    (spacing) => () => packed(aProject([box('tin', 0.1)], aPattern(line(100, spacing), ['tin']))),
  ),
  () =>
    packed(
      aProject(
        [box('tin', 0.1)],
        ...many(40, (i) => aPattern(line(1_000_000), ['tin'], { id: `h${i}`, hidden: true })),
      ),
    ),
  () => packed(aProject([box('tin', 0.1)], aPattern(aGrid({ layers: 1000 } as never), ['tin']))),
  () => packed(aProject([box('tin', 0.1)], aPattern(line(1e15), ['tin']))),
  () => packed(null),
  () => packed([]),
  () => packed({ ...aProject([box('tin', 0.1)], one), schema: 1e300 }),
  () => packed({ ...aProject([box('tin', 0.1)], one), schema: -1 }),
  () =>
    packed({
      ...aProject([box('tin', 0.1)], one),
      groups: many(100, (i) => ({ id: `g${i}`, name: 'G', parent: `g${(i + 1) % 100}` })),
    }),
  () =>
    packed({
      ...aProject([box('tin', 0.1)], one),
      groups: many(5000, (i) => ({ id: `g${i}`, name: 'G', ...(i && { parent: `g${i - 1}` }) })),
    }),
  () => packed(aProject([part('p', { kind: 'assembly', members: [] }) as never], aPattern(line(2), ['p']))),
  () =>
    packed(
      aProject(
        [box('tin', 0.1), part('p', { kind: 'assembly', members: [] }) as never],
        aPattern(line(4), ['p', 'tin']),
      ),
    ),
  () =>
    packed(
      aProject(
        [part('p', { kind: 'assembly', members: [] }) as never, part('q', { kind: 'twin', of: 'p' }) as never],
        aPattern(line(4), ['p', 'q']),
      ),
    ),
  () => packed({ ...aProject([box('tin', 0.1)], one), name: 'n'.repeat(10_000_000) }),
  () => ({
    name: 'work.hilera',
    bytes: zipSync({ 'project.json': new TextEncoder().encode(`${'['.repeat(5000)}${']'.repeat(5000)}`) }),
  }),
  () => ({ name: 'work.hilera', bytes: zipSync({ 'project.json': new TextEncoder().encode('['.repeat(3_000_000)) }) }),
  () => ({
    name: 'work.hilera',
    bytes: zipSync({ 'project.json': new Uint8Array(300_000_000).fill(0x20) }, { level: 9 }),
  }),
  () => overlapping(3000),
]

/** A zip whose directory names one packed stream thousands of times. */
function overlapping(count: number): HostileFile {
  const zip = zipSync({ 'files/a': new Uint8Array(10_000_000) }, { level: 9 })
  const view = new DataView(zip.buffer)
  const end = zip.length - 22
  const directory = view.getUint32(end + 16, true)
  const entry = zip.subarray(directory, end)
  const out = new Uint8Array(directory + count * entry.length + 22)
  out.set(zip.subarray(0, directory))
  for (let i = 0; i < count; i++) out.set(entry, directory + i * entry.length)
  out.set(zip.subarray(end), out.length - 22)
  const tail = new DataView(out.buffer, out.length - 22)
  tail.setUint16(8, count, true)
  tail.setUint16(10, count, true)
  tail.setUint32(12, count * entry.length, true)
  return { name: 'work.hilera', bytes: out }
}

export const documentFaults: HostileKind = {
  name: 'projects, faults one by one',
  count: list.length,
  make: (_, number) => list[number](),
}

const extremes: readonly unknown[] = [
  0,
  -1,
  1e-9,
  1e-6,
  0.001,
  0.5,
  3,
  40,
  100,
  1000,
  1e5,
  1e6,
  1e9,
  -1e5,
  -1e9,
  1e160,
  null,
  '',
  [],
]

/** Some numbers of a document exchanged for extreme ones, now and then another value too. */
function stretched(project: unknown, chance: Chance): unknown {
  const copy = structuredClone(project)
  const places: [Record<string, unknown>, string][] = []
  const walk = (at: unknown): void => {
    if (typeof at !== 'object' || at === null) return
    for (const [key, value] of Object.entries(at)) {
      if (typeof value === 'number' || chance.next() < 0.05) places.push([at as Record<string, unknown>, key])
      walk(value)
    }
  }
  walk(copy)
  for (let n = 1 + chance.whole(4); n > 0 && places.length > 0; n--) {
    const [owner, key] = chance.pick(places)
    owner[key] = chance.pick(extremes)
  }
  return copy
}

export const documentsStretched: HostileKind = {
  name: 'projects with extreme numbers',
  make: (chance) => packed(stretched(fc.sample(anyProject, { numRuns: 1, seed: chance.whole(2 ** 31) })[0], chance)),
}

export const demoStretched: HostileKind = {
  name: 'one pattern of the demo with extreme numbers',
  make(chance) {
    const demo = casaNispero()
    return packed(
      stretched({ ...demo, patterns: [chance.pick(demo.patterns.filter((p) => !('host' in p.layout)))] }, chance),
    )
  },
}
