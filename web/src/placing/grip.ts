import { type Body, bodiesOf } from '@hilera/core/placing/body'
import { keyOf } from '@hilera/core/placing/proposed'
import * as THREE from 'three'
import { computed } from 'vue'
import { useOutcomes } from '../stores/outcomes'
import { type Grip, gripOf } from './handles'
import { usePicked } from './picked'
import { useTools } from './tools'

/** Where what is picked is taken hold of, and where its mark stands; nothing while a whole pattern alone is read. */
export function useGrip() {
  const outcomes = useOutcomes()
  const picked = usePicked()
  const tools = useTools()

  const worked = computed(() => ({
    project: outcomes.worked,
    outcomes: outcomes.patterns,
    supportOf: outcomes.supportOf,
  }))
  const lead = computed<Body | undefined>(() =>
    picked.isHeld && picked.marked ? bodiesOf(worked.value, [picked.marked])[0] : undefined,
  )
  const grip = computed<Grip | undefined>(() => {
    if (!lead.value) return undefined
    // Only their middle needs all of them.
    const bodies = tools.motion.about === 'middle' ? bodiesOf(worked.value, picked.things) : [lead.value]
    return gripOf(bodies, lead.value, tools.motion)
  })
  /** On top of the one that leads, where several are picked. */
  const mark = computed(() => {
    const body = lead.value
    if (!body || picked.things.length < 2) return undefined
    const [x, , z] = body.stands.move
    return new THREE.Vector3(x, body.reach([0, 1, 0]).high, z)
  })
  /** Whether a copy belongs to what is picked, and is dragged with it. */
  function holds(patternId: string, slot: string): boolean {
    if (!picked.isHeld) return false
    return picked.things.some((of) =>
      of.is === 'copy' ? of.pattern === patternId && of.slot === slot : of.ids.includes(patternId),
    )
  }
  /** Whether a whole pattern is dragged, so that its curve goes along. */
  const holdsPattern = (patternId: string): boolean =>
    picked.isHeld && picked.things.some((of) => of.is === 'patterns' && of.ids.includes(patternId))
  /** Gives a picked thing the mark; false where it is none of them. */
  function giveMark(patternId: string, slot: string): boolean {
    const of = picked.things.find((t) =>
      t.is === 'copy' ? keyOf(t) === `${patternId} ${slot}` : t.ids.includes(patternId),
    )
    if (of) picked.mark(of)
    return of !== undefined
  }

  return { grip, mark, holds, holdsPattern, giveMark }
}
