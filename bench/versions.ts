import { createHash } from 'node:crypto'
import { gzipSync } from 'node:zlib'
import type { Spot } from '@hilera/core/layouts/spots/schema'
import { aPattern, aProject, box } from '../core/test/projects'
import { minimalStandard } from '../core/test/shapes'
import type { StoredProject } from '../server/src/api'
import { running } from '../server/test/running'
import { ms, ratio, table } from './rounds'

const median = (all: number[]): number => all.sort((a, b) => a - b)[all.length >> 1]

/** A document of some 15 MB: places of their own, turned and sized, with long digits. */
function large() {
  const random = minimalStandard(5)
  const patterns = Array.from({ length: 4 }, (_, i) => {
    const spots = Array.from({ length: 18_000 }, (_, slot): Spot => {
      const [x, y, z, a, b, c, size] = Array.from({ length: 7 }, () => random())
      const length = Math.hypot(a, b, c, 1)
      return {
        slot,
        move: [9 * x, 9 * y, 9 * z],
        turn: [a / length, b / length, c / length, 1 / length],
        size: [0.5 + size, 0.5 + size, 0.5 + size],
      }
    })
    return aPattern({ kind: 'spots', spots }, ['crate'], { id: `p${i}`, name: `p${i}` })
  })
  return aProject([box('crate', 0.1)], ...patterns)
}

/** Keeping a version of a large document through the server, beside reading, packing and hashing its text alone. */
export async function versions(): Promise<void> {
  const server = await running()
  try {
    const document = large()
    const made = await server.call('POST', '/api/projects', { from: 'document', document })
    if (made.status !== 201) throw new Error(await made.text())
    const { id } = (await made.json()) as StoredProject
    const text = JSON.stringify(document)
    const [kept, bound]: number[][] = [[], []]
    for (let n = 0; n < 5; n++) {
      let start = performance.now()
      const answer = await server.call('POST', `/api/projects/${id}/versions`, { note: `${n}` })
      if (answer.status !== 201) throw new Error(await answer.text())
      kept.push(performance.now() - start)
      start = performance.now()
      JSON.parse(text)
      gzipSync(text)
      createHash('sha256').update(text).digest('hex')
      bound.push(performance.now() - start)
    }
    table(`A version of a document of ${(text.length / 1e6).toFixed(1)} MB kept (medians of 5 alternating runs)`, [
      { what: 'kept by the server', time: ms(median(kept)), ratio: ratio(median(kept) / median(bound)) },
      { what: 'its text read, packed and hashed', time: ms(median(bound)), ratio: ratio(1) },
    ])
  } finally {
    await server.stop()
  }
}
