import { useEventListener } from '@vueuse/core'
import { type Ref, ref } from 'vue'

/** What PrimeVue's popovers and menus have for what they hang on: when that scrolls, they close. */
interface Anchored {
  readonly target?: unknown
  unbindScrollListener(): void
  alignOverlay(): void
}

/**
 * Keeps a popover or a menu open while what it hangs on scrolls, and moves it along: a panel that is still gliding would close it
 * under the pointer.
 *
 * @returns to be called when it has been shown and hidden, and whether it is open
 */
export function useStayOpen(overlay: Ref<unknown>) {
  const open = ref(false)
  const anchored = (): Anchored => overlay.value as Anchored
  function shown(): void {
    open.value = true
    anchored().unbindScrollListener()
  }
  // Only what carries the anchor moves it along: a list that scrolls in itself would be set elsewhere under the pointer, and the
  // choice that was about to be clicked be lost.
  function scrolled({ target }: Event): void {
    const anchor = open.value ? anchored().target : undefined
    if (anchor instanceof Node && target instanceof Node && target.contains(anchor)) anchored().alignOverlay()
  }
  useEventListener(document, 'scroll', scrolled, { capture: true, passive: true })
  return { open, shown, hidden: () => void (open.value = false) }
}
