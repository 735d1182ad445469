import { Evaluator } from '@hilera/core/evaluate'
import { InstanceTable } from '@hilera/core/instances'
import type { Project } from '@hilera/core/model/project'
import { casaNispero } from '@hilera/demo/casaNispero'
import { freeze } from 'immer'
import * as THREE from 'three'
import { ms, ratio, rounds, table } from './rounds'
import { writeLoop } from './writeLoop'

/** A line of boxes, frozen as every document of the application is: what a pattern names is kept then. */
function lineOf(count: number): Project {
  const demo = casaNispero()
  const [pattern] = demo.patterns
  const layout = { ...pattern.layout, kind: 'line' as const, hold: ['spacing', 'count'] as ['spacing', 'count'], count }
  return freeze({ ...demo, patterns: [{ ...pattern, layout } as Project['patterns'][number]] }, true)
}

/** Evaluating a line beside writing the same bytes, and beside one scene object per copy. */
export async function line(): Promise<void> {
  const rows = []
  for (const count of [1_000, 10_000, 100_000, 1_000_000]) {
    const evaluator = new Evaluator()
    const [even, odd] = [lineOf(count), lineOf(count)]
    let turn = 0
    const bytes = new InstanceTable()
    const objects = count <= 100_000 ? Array.from({ length: count }, () => new THREE.Object3D()) : []
    const taken = rounds({
      evaluate: () => void evaluator.evaluate(turn++ % 2 ? odd : even, new Map()),
      bytes: () => writeLoop(bytes, count),
      objects: () => {
        for (let k = 0; k < objects.length; k++) {
          objects[k].position.set(k * 0.131, 0, 0)
          objects[k].updateMatrix()
        }
      },
    })
    rows.push({
      copies: count,
      evaluate: ms(taken.evaluate),
      'same bytes': ms(taken.bytes),
      'evaluate ÷ bytes': ratio(taken.evaluate / taken.bytes),
      'scene objects': objects.length ? ms(taken.objects) : '–',
      'objects ÷ evaluate': objects.length ? ratio(taken.objects / taken.evaluate) : '–',
    })
  }
  table('A line, dealt in turn from three parts (medians of 9 alternating runs)', rows)
}
