import { InstanceTable } from '@hilera/core/instances'
import { SurfaceFrames } from '@hilera/core/mirror/frames'
import type { Variation } from '@hilera/core/values/variation'
import { varyRows } from '@hilera/core/steps/vary/varyRows'
import { ms, ratio, rounds, table } from './rounds'
import { writeLoop } from './writeLoop'

const COUNT = 1_000_000
const about = { id: 'pattern', turn: [0, 0, 0, 1], frames: new SurfaceFrames(), colorOf: () => '#808080' } as const

/** A vary step on a million copies, by what varies, beside writing the same bytes. */
export function vary(): void {
  const copies = new InstanceTable()
  copies.neutral(COUNT)
  for (let k = 0; k < COUNT; k++) copies.slotLow[k] = k
  const rows = new Uint8Array(COUNT).fill(1)
  const bytes = new InstanceTable()
  const run = (variation: Partial<Variation>) => (): void =>
    void varyRows(
      copies,
      { what: 'turnUp', low: -0.1, high: 0.1, spread: 'even', axes: 'copy', seed: 17, ...variation },
      rows,
      'step',
      about,
    )
  const taken = rounds(
    {
      turn: run({}),
      move: run({ what: 'moveAcross', low: -0.001, high: 0.001 }),
      // Up and down alike, so that sizes stay what they are from run to run.
      size: run({ what: 'size', low: 0.999, high: 1 / 0.999 }),
      tilt: run({ what: 'tilt', low: 0 }),
      any: run({ what: 'turnAny' }),
      bell: run({ spread: 'bell' }),
      bytes: () => writeLoop(bytes, COUNT),
    },
    5,
  )
  const named: [string, number][] = [
    ['a turn about up', taken.turn],
    ['a move across', taken.move],
    ['a size', taken.size],
    ['a tilt', taken.tilt],
    ['any turn', taken.any],
    ['a turn, bell-shaped', taken.bell],
    ['the same bytes', taken.bytes],
  ]
  table(
    `A vary step on ${COUNT.toLocaleString('en').replaceAll(',', ' ')} copies (limit: 6 ×)`,
    named.map(([what, time]) => ({ what, time: ms(time), '÷ same bytes': ratio(time / taken.bytes) })),
  )
}
