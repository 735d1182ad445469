import { defineStore } from 'pinia'
import { ref } from 'vue'
import type { SwapReach } from '@hilera/core/links/sentence'

/** Whether a swap is being asked about, for what, and which part it begins with. */
export const useSwapDialog = defineStore('swapDialog', () => {
  const reach = ref<SwapReach>()
  const from = ref<string>()
  function open(what: SwapReach, part?: string): void {
    from.value = part
    reach.value = what
  }
  const close = (): void => void (reach.value = undefined)
  return { reach, from, open, close }
})
