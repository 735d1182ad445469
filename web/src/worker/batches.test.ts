import { Flag, InstanceTable } from '@hilera/core/instances'
import * as THREE from 'three'
import { describe, expect, it } from 'vitest'
import { matrixOf } from '../stage/copies/placed'
import { CHUNK, batchesOf } from './batches'

function table(things: number[]): InstanceTable {
  const made = new InstanceTable()
  made.neutral(things.length)
  made.thing.set(things)
  for (let k = 0; k < things.length; k++) {
    made.slotLow[k] = k
    made.setMove(k, [k, 2 * k, -k])
  }
  return made
}

describe('batches for the stage', () => {
  it('hold each part’s copies as they stand', () => {
    const own = table([0, 1, 0])
    own.setTurn(2, [0.5, 0.5, -0.5, 0.5])
    own.setSize(2, [1, 2, 3])
    const batches = batchesOf(own, [])
    expect(batches.map((b) => [b.part, [...b.rows]])).toEqual([
      [0, [0, 2]],
      [1, [1]],
    ])
    const at = [...batches[0].rows].indexOf(2)
    expect([...batches[0].placed.subarray(10 * at, 10 * at + 10)]).toEqual([2, 4, -2, 0.5, 0.5, -0.5, 0.5, 1, 2, 3])
    const moved = matrixOf(batches[0].placed, at, new THREE.Matrix4())
    const three = new THREE.Matrix4().compose(
      new THREE.Vector3(2, 4, -2),
      new THREE.Quaternion(0.5, 0.5, -0.5, 0.5),
      new THREE.Vector3(1, 2, 3),
    )
    expect(moved.elements).toEqual(three.elements)
  })

  it('each copy comes once; the first ones of a chunk are spread over all of it', () => {
    const count = CHUNK + 1000
    const [{ rows, placed }] = batchesOf(table(new Array<number>(count).fill(0)), [])
    expect([...rows].sort((a, b) => a - b)).toEqual(Array.from({ length: count }, (_, i) => i))
    expect(rows.subarray(0, CHUNK).every((row) => row < CHUNK)).toBe(true)
    for (const i of [0, 17, CHUNK, count - 1]) expect(placed[10 * i]).toBe(rows[i])
    for (const some of [10, 100, 1000]) {
      const first = [0, ...[...rows.subarray(0, some)].sort((a, b) => a - b), CHUNK]
      const gaps = first.slice(1).map((row, i) => row - first[i])
      expect(Math.max(...gaps)).toBeLessThan((3 * CHUNK) / some)
    }
  })

  it('leave out who is not there, and keep twins and images apart', () => {
    const own = table([0, 0, 0, 0, 0])
    own.flags[0] = Flag.empty
    own.flags[1] = Flag.leftOut
    own.flags[2] = Flag.twin
    own.slotHigh[4] = 0x80000000
    const batches = batchesOf(own, [])
    expect(batches.map(({ twin, image, rows }) => [twin, image, [...rows]])).toEqual([
      [true, false, [2]],
      [false, false, [3]],
      [false, true, [4]],
    ])
  })

  it('give the rows of the pattern’s own table where it repeats others', () => {
    const [own, inside] = [table([7, 7]), table([0, 0, 1, 0])]
    const batches = batchesOf(inside, [], own, Uint32Array.of(0, 0, 1, 1))
    expect(batches.map(({ part, rows }) => [part, [...rows]])).toEqual([
      [0, [0, 0, 1]],
      [1, [1]],
    ])
  })
})
