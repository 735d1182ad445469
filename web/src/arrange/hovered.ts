import { useEventListener } from '@vueuse/core'
import { shallowRef, type Ref } from 'vue'
import { usePicked } from '../placing/picked'
import type { Copies } from '../stage/copies/copies'
import type { Viewer } from '../stage/viewer'
import { useOutcomes } from '../stores/outcomes'

/** After the pointer has rested so long, in milliseconds, what is under it is named. */
const REST = 220

/** The name of the copy on which the pointer rests, and of its part; where it is named on the stage. */
export interface Hovered {
  readonly words: string
  readonly x: number
  readonly y: number
}

export function useHovered(
  frame: Readonly<Ref<HTMLElement | null>>,
  stage: () => { viewer: Viewer | undefined; copies: Copies | undefined; canvas: HTMLCanvasElement | null },
) {
  const outcomes = useOutcomes()
  const picked = usePicked()
  const hovered = shallowRef<Hovered>()
  let timer = 0
  const leave = (): void => {
    clearTimeout(timer)
    hovered.value = undefined
  }
  useEventListener(frame, 'pointermove', (event: PointerEvent) => {
    leave()
    if (event.buttons === 0 && event.target === stage().canvas) timer = window.setTimeout(() => look(event), REST)
  })
  for (const gone of ['pointerleave', 'pointerdown', 'wheel'] as const) useEventListener(frame, gone, leave)

  function look({ clientX, clientY }: PointerEvent): void {
    const { viewer, copies, canvas } = stage()
    const hit = viewer && copies?.pick(viewer.ray(clientX, clientY))
    const table = hit && outcomes.byId.get(hit.patternId)?.table
    if (!hit || !table || !canvas) return
    const { left, top } = canvas.getBoundingClientRect()
    const name = picked.nameOf({ is: 'copy', pattern: hit.patternId, slot: table.keyOf(hit.row) })
    const part = outcomes.things[table.thing[hit.row]]?.name
    hovered.value = { words: part ? `${name} · ${part}` : name, x: clientX - left, y: clientY - top }
  }
  return { hovered, leave }
}
