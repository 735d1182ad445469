import { defineStore } from 'pinia'
import { ref } from 'vue'

/** Whether a mirror is being looked at both ways, and which one: a pattern's layout, or a step of it. */
export const useMirrorOrTurn = defineStore('mirrorOrTurn', () => {
  const patternId = ref<string>()
  const stepId = ref<string>()
  function open(pattern: string, step?: string): void {
    patternId.value = pattern
    stepId.value = step
  }
  const close = (): void => void (patternId.value = undefined)
  return { patternId, stepId, open, close }
})
