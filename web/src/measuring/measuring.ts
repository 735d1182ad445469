import { plus } from '@hilera/core/geometry/vec'
import { outlineOf } from '@hilera/core/evaluation/outlines'
import { inverse, rotate } from '@hilera/core/geometry/rotation'
import type { KeptMeasure, MeasureEnd } from '@hilera/core/model/project'
import { factsText } from '@hilera/core/numbers/format'
import { bodiesOf } from '@hilera/core/placing/body'
import { type Mark, type Measured, type Measuring, measure, measureWords } from '@hilera/core/placing/measure'
import type { Vec3 } from '@hilera/core/values/values'
import { fact } from '@hilera/core/words'
import { defineStore } from 'pinia'
import { computed, ref, shallowRef, watch } from 'vue'
import { newId } from '../names'
import { usePicked } from '../placing/picked'
import { useDocument } from '../stores/document'
import { useOutcomes } from '../stores/outcomes'
import { type Picked, usePicking } from '../stores/picking'

const KEEPABLE: readonly KeptMeasure['kind'][] = ['points', 'pivots', 'clear']

/** Measuring between two clicks: all distances at once, live while what they are measured between changes; some stay on the stage. */
export const useMeasuring = defineStore('measuring', () => {
  const document = useDocument()
  const outcomes = useOutcomes()
  const picking = usePicking()
  const picked = usePicked()
  const ends = shallowRef<readonly [KeptMeasure['from'], KeptMeasure['to']]>()
  const normals = shallowRef<readonly (Vec3 | undefined)[]>([])
  /** Whether surfaces are the triangles; outlines otherwise. */
  const byMesh = ref(false)

  const around = computed<Measuring>(() => ({
    project: outcomes.worked,
    outcomes: outcomes.patterns,
    supportOf: outcomes.supportOf,
    source: outcomes.source,
    shapeOf: (thing) =>
      outlineOf(thing, { project: outcomes.worked, source: outcomes.source, supportOf: outcomes.supportOf }),
  }))
  watch(
    () => document.id,
    () => (ends.value = undefined),
  )

  /** A click as an end that goes with the copy on which it lies. */
  function endOf({ point, copy }: Picked): MeasureEnd {
    const body = copy && bodiesOf(around.value, [{ is: 'copy', pattern: copy.patternId, slot: copy.slot }])[0]
    if (!body || !copy) return { at: [...point] }
    const { move, turn, size } = body.stands
    const own = rotate(inverse(turn), point.map((n, i) => n - move[i]) as Vec3)
    return { at: own.map((n, i) => n / size[i]) as Vec3, copy: { pattern: copy.patternId, slot: copy.slot } }
  }
  /** Where an end lies now; undefined while its copy is not there. */
  function markOf({ at, copy }: MeasureEnd, normal?: Vec3): Mark | undefined {
    if (!copy) return { at, ...(normal && { normal }) }
    const of = { is: 'copy', ...copy } as const
    const body = bodiesOf(around.value, [of])[0]
    if (!body) return undefined
    const { move, turn, size } = body.stands
    return {
      at: plus(move, rotate(turn, at.map((n, i) => n * size[i]) as Vec3)),
      of,
      ...(normal && { normal: rotate(turn, normal) }),
    }
  }
  function between(from: MeasureEnd, to: MeasureEnd, mesh = false, own = normals.value): Measured[] {
    const [a, b] = [markOf(from, own[0]), markOf(to, own[1])]
    return a && b ? measure(around.value, a, b, mesh) : []
  }
  const found = computed(() => (ends.value ? between(...ends.value, byMesh.value) : []))

  /** Asks for two clicks and shows what lies between. */
  async function begin(): Promise<void> {
    ends.value = undefined
    const first = await picking.place('Measure: click the first place or thing')
    if (!first) return
    const second = await picking.place('Measure: click the second place or thing')
    if (!second) return
    const all = [first, second].map((p) => ({ end: endOf(p), normal: normalOf(p) }))
    normals.value = all.map(({ normal }) => normal)
    ends.value = [all[0].end, all[1].end]
  }
  /** How the clicked face looks in the copy's own axes, so that it turns with it. */
  function normalOf({ normal, copy }: Picked): Vec3 | undefined {
    const body = copy && bodiesOf(around.value, [{ is: 'copy', pattern: copy.patternId, slot: copy.slot }])[0]
    return normal && body ? rotate(inverse(body.stands.turn), normal) : normal
  }
  const nameOf = ({ copy }: MeasureEnd): string => (copy ? picked.nameOf({ is: 'copy', ...copy }) : 'a place')
  const title = computed(() => (ends.value ? `${nameOf(ends.value[0])} to ${nameOf(ends.value[1])}` : ''))

  /** All figures as a text. */
  const text = computed(() =>
    [
      title.value,
      ...found.value.map(({ kind, says }) => `${measureWords[kind]}\t${factsText([fact(kind, says)], document.unit)}`),
    ].join('\n'),
  )
  function keep(kind: KeptMeasure['kind'] = 'points'): void {
    if (!ends.value) return
    const [from, to] = ends.value
    document.change(
      'keep a measured distance',
      (project) => void project.measures.push({ id: newId('measure'), kind, from, to }),
    )
  }
  const drop = (id: string): void =>
    void document.change('let go of a measured distance', (project) => {
      project.measures = project.measures.filter((m) => m.id !== id)
    })
  /** Kept distances as they are now, with their lines. */
  const kept = computed(() =>
    document.project.measures.flatMap(({ id, kind, from, to }) => {
      const now = between(from, to, false, []).find((m) => m.kind === kind)
      return now?.line && 'length' in now.says
        ? [
            {
              id,
              line: now.line,
              metres: now.says.length,
              words: `${nameOf(from)} to ${nameOf(to)}, ${measureWords[kind]}`,
            },
          ]
        : []
    }),
  )
  const close = (): void => void (ends.value = undefined)
  const canKeep = (kind: string): kind is KeptMeasure['kind'] => KEEPABLE.some((k) => k === kind)

  return { ends, byMesh, found, title, text, kept, begin, keep, drop, close, canKeep }
})
