import { useLocalStorage } from '@vueuse/core'
import { defineStore } from 'pinia'
import { computed } from 'vue'
import { type Catchable, catchables } from '../arrange/catching'
import { useActs } from './acts'

/** What the pins about the picked things do. */
export const tools = ['move', 'turn', 'size'] as const
export type Tool = (typeof tools)[number]

/** How picked things are handled on the stage: by which pins, about what and along which axes. Nothing here changes by itself. */
export const useTools = defineStore('tools', () => {
  const acts = useActs()
  const tool = useLocalStorage<Tool>('hilera.tool', 'move')
  /** How large the pins' heads are, of the usual size. */
  const pinSize = useLocalStorage('hilera.pinSize', 1)
  /** What is not caught while something is dragged or clicked, and whether anything is. What can be caught from today on is. */
  const notCaught = useLocalStorage<Catchable[]>('hilera.notCaught', [])
  const catches = computed({
    get: () => catchables.filter((what) => !notCaught.value.includes(what)),
    set: (to) => void (notCaught.value = catchables.filter((what) => !to.includes(what))),
  })
  const isCatching = useLocalStorage('hilera.catching', true)
  /** The values that go with every drag. */
  const motion = computed(() => acts.values.move)
  const set = (change: Partial<typeof motion.value>): void => acts.put('move', { ...motion.value, ...change })
  return { tool, pinSize, catches, isCatching, motion, set }
})
