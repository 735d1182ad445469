import type { PatternOutcome } from '../evaluate'
import type { InstanceTable } from '../instances'

type Tables = 'table' | 'copies' | 'expanded'

/** Of one piece over several moments: sums of its place, turn and size, and of how many. */
const [PLACE, TURN, SIZE, MANY] = [0, 3, 7, 10]
const WIDTH = 11

/**
 * The mean of what moments come to over some pictures before and after each: places and sizes by their arithmetic mean, turns by that of
 * their quaternions on one side of the sphere, made a unit again (the eigenvector of Markley et al. 2007 agrees with it to the third order of
 * the angles between them, and costs a 4 × 4 problem a copy). Who is there is as at the moment itself; a copy that was not there before or
 * after counts only where it was.
 */
export class Smoothing {
  /** @param reach so many pictures before and after */
  constructor(
    private readonly reach: number,
    /** The patterns of which anything changes. */
    private readonly reached: ReadonlySet<string>,
  ) {}

  at(time: number, rate: number, worked: (time: number) => readonly PatternOutcome[]): readonly PatternOutcome[] {
    const sums = new Map<string, Map<string, Float64Array>>()
    const isReached = ({ id }: PatternOutcome): boolean => this.reached.has(id)
    for (let k = -this.reach; k <= this.reach; k++) {
      if (k === 0) continue
      for (const outcome of worked(time + k / rate).filter(isReached))
        for (const [which, table, owner] of tablesOf(outcome)) add(sums, `${outcome.id} ${which}`, table, owner)
    }
    return worked(time).map((outcome) => {
      if (!isReached(outcome)) return outcome
      const made = new Map<InstanceTable, InstanceTable>()
      for (const [which, table, owner] of tablesOf(outcome))
        made.set(table, averaged(table, owner, add(sums, `${outcome.id} ${which}`, table, owner)))
      const of = (table: InstanceTable): InstanceTable => made.get(table)!
      return { ...outcome, table: of(outcome.table), copies: of(outcome.copies), expanded: of(outcome.expanded) }
    })
  }
}

/** The tables of an outcome, each once. */
function tablesOf(outcome: PatternOutcome): [Tables, InstanceTable, Uint32Array | undefined][] {
  const { table, copies, expanded, copyOwner, owner } = outcome
  return [
    ['table', table, undefined],
    ...(copies === table ? [] : [['copies', copies, copyOwner] as [Tables, InstanceTable, Uint32Array | undefined]]),
    ...(expanded === table || expanded === copies
      ? []
      : [['expanded', expanded, owner] as [Tables, InstanceTable, Uint32Array | undefined]]),
  ]
}

/** What a row is called at every moment: its slot, and which piece of that copy it is. */
function* piecesOf(table: InstanceTable, owner: Uint32Array | undefined): Generator<[row: number, key: string]> {
  let [before, piece] = [-1, 0]
  for (let k = 0; k < table.count; k++) {
    const own = owner ? owner[k] : k
    piece = own === before ? piece + 1 : 0
    before = own
    yield [k, `${table.slotLow[k]} ${table.slotHigh[k]} ${piece}`]
  }
}

function add(
  all: Map<string, Map<string, Float64Array>>,
  name: string,
  table: InstanceTable,
  owner: Uint32Array | undefined,
): Map<string, Float64Array> {
  const sums = all.get(name) ?? new Map<string, Float64Array>()
  all.set(name, sums)
  const { position, quaternion, scale } = table
  for (const [k, key] of piecesOf(table, owner)) {
    if (!table.isMirrored(k)) continue
    const sum = sums.get(key) ?? new Float64Array(WIDTH)
    sums.set(key, sum)
    let side = 0
    for (let c = 0; c < 4; c++) side += sum[TURN + c] * quaternion[4 * k + c]
    for (let c = 0; c < 3; c++) {
      sum[PLACE + c] += position[3 * k + c]
      sum[SIZE + c] += scale[3 * k + c]
    }
    for (let c = 0; c < 4; c++) sum[TURN + c] += (side < 0 ? -1 : 1) * quaternion[4 * k + c]
    sum[MANY]++
  }
  return sums
}

function averaged(
  table: InstanceTable,
  owner: Uint32Array | undefined,
  sums: ReadonlyMap<string, Float64Array>,
): InstanceTable {
  const out = table.snapshot()
  for (const [k, key] of piecesOf(table, owner)) {
    const sum = table.isMirrored(k) ? sums.get(key) : undefined
    if (!sum) continue
    const n = sum[MANY]
    const long = Math.hypot(sum[TURN], sum[TURN + 1], sum[TURN + 2], sum[TURN + 3])
    for (let c = 0; c < 3; c++) {
      out.position[3 * k + c] = sum[PLACE + c] / n
      out.scale[3 * k + c] = sum[SIZE + c] / n
    }
    if (long > 0) for (let c = 0; c < 4; c++) out.quaternion[4 * k + c] = sum[TURN + c] / long
  }
  return out
}
