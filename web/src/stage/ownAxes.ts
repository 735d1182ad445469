import { rotate } from '@hilera/core/geometry/rotation'
import { bodiesOf } from '@hilera/core/placing/body'
import { AXES } from '@hilera/core/placing/edges'
import { axes } from '@hilera/core/values/values'
import { computed } from 'vue'
import { usePicked } from '../placing/picked'
import { useOutcomes } from '../stores/outcomes'
import { useView } from '../stores/view'

/** Looking along the axes of what is picked. */
export function useOwnAxes() {
  const outcomes = useOutcomes()
  const picked = usePicked()
  const view = useView()
  /** The directions of its across, up and deep in the world; undefined while nothing is picked. */
  const directions = computed(() => {
    const { marked } = picked
    const worked = { project: outcomes.worked, outcomes: outcomes.patterns, supportOf: outcomes.supportOf }
    const [body] = marked ? bodiesOf(worked, [marked]) : []
    return body && AXES.map((axis) => rotate(body.stands.turn, axis))
  })
  function look(axis: number): void {
    const from = directions.value?.[axis]
    if (!from || !picked.marked) return
    view.along = { from, words: `${axes[axis]} of ${picked.nameOf(picked.marked)}` }
    view.view = 'own'
  }
  return { directions, look }
}
