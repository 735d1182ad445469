import { useLocalStorage, usePreferredDark } from '@vueuse/core'
import { computed, watchEffect } from 'vue'

export const themes = ['system', 'light', 'lamp'] as const
export type Theme = (typeof themes)[number]

const chosen = useLocalStorage<Theme>('hilera.theme', 'system')

/** Light paper or paper under a lamp: as chosen, or as the system prefers. */
export function useTheme() {
  const dark = usePreferredDark()
  const shown = computed(() => (chosen.value === 'system' ? (dark.value ? 'lamp' : 'light') : chosen.value))
  watchEffect(() => (document.documentElement.dataset.theme = shown.value))
  return { chosen, shown }
}
