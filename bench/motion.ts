import { Evaluator } from '@hilera/core/evaluate'
import type { Project } from '@hilera/core/model/project'
import type { Movement } from '@hilera/core/motion/index'
import { Moments } from '@hilera/core/motion/moments'
import { Playing } from '@hilera/core/motion/playing'
import { movements } from '@hilera/core/motion/registry'
import { placedAt } from '@hilera/core/motion/placedAt'
import { aGrid, aPattern, aProject, box, pitched } from '../core/test/projects'
import { ms, ratio, rounds, table } from './rounds'

/** A copy's place as ten floats: move, turn and size. */
const PLACED = 10

/** Pictures of crowds that move, beside writing as many floats. */
export function motion(): void {
  besideFloats('A picture of copies that all move, beside writing their floats (asked: 6 × or less)', arriving)
  besideFloats('A moment of copies whose gap changes, worked out whole, beside writing their floats', changing)
}

/** @param pictureOf what makes one picture after another of so many copies */
function besideFloats(title: string, pictureOf: (count: number) => () => void): void {
  const rows = [10_000, 100_000].map((count) => {
    const out = new Float32Array(PLACED * count)
    let time = 0
    const taken = rounds({
      picture: pictureOf(count),
      floats() {
        time = (time + 0.01) % 5
        for (let i = 0; i < out.length; i++) out[i] = i + time
      },
    })
    return {
      copies: count,
      picture: ms(taken.picture),
      'floats alone': ms(taken.floats),
      ratio: ratio(taken.picture / taken.floats),
    }
  })
  table(title, rows)
}

function crowd(count: number, moved: Movement): Project {
  const grid = aGrid({ across: pitched(count / 100, 0.2), deep: pitched(100, 0.2) })
  return aProject([box('tin', 0.1)], aPattern(grid, ['tin'], { motion: [moved] }))
}

/** Copies that all are on their way. */
function arriving(count: number): () => void {
  const arrival = { ...movements.arrive.begin('in', count, 5), apart: 1.9 / count, each: 2, turn: 1, size: 0.5 }
  const project = crowd(count, arrival)
  const outcomes = new Evaluator().evaluate(project, new Map())
  const own = outcomes[0].table
  const moving = new Playing(project, outcomes).of('shelf')!
  const [rest, out] = [new Float32Array(PLACED * count), new Float32Array(PLACED * count)]
  for (let k = 0; k < count; k++) {
    rest.set(own.moveOf(k), PLACED * k)
    rest.set(own.turnOf(k), PLACED * k + 3)
    rest.set(own.sizeOf(k), PLACED * k + 7)
  }
  let time = 0
  return () => {
    // From 1.9 to 2 s all are on their way, each at another moment of it.
    time = 1.9 + ((time + 0.01) % 0.1)
    for (let k = 0; k < count; k++) placedAt(moving.at(k, time), own, k, rest, PLACED * k, out)
  }
}

/** Copies whose gap goes from one to another: each picture is that moment's document, worked out whole. */
function changing(count: number): () => void {
  const gap: Movement = {
    ...movements.change.begin('gap', 5, 5),
    of: 'layout',
    value: 'Spacing across',
    quantity: 'length',
    from: { at: 0, value: 0.2 },
    keys: [{ at: 5, value: 0.4, easing: 'evenly' }],
  }
  const moments = new Moments(crowd(count, gap), new Map())
  let time = 0
  return () => {
    time = (time + 0.04) % 5
    moments.at(time)
  }
}
