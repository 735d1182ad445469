import { type Gesture, useDocument } from '../stores/document'

/** Pixels that a pointer must go before it drags rather than clicks. */
const SLACK = 4

interface Followed {
  /** Once it drags, and at every move from then on. */
  move(now: PointerEvent): void
  /** It has been let go; not told where it never dragged. */
  release?(): void
  /** The browser took the pointer away. */
  cancel?(): void
  /** However it ended. */
  ended?(): void
}

/**
 * Follows a pressed pointer until it is let go.
 *
 * @returns ends it from outside
 */
export function followPointer(event: PointerEvent, { move, release, cancel, ended }: Followed): () => void {
  const start = { x: event.clientX, y: event.clientY }
  // The browser would drag selected text instead, and cancel the pointer.
  window.getSelection()?.removeAllRanges()
  const noSelection = (selecting: Event): void => selecting.preventDefault()
  let isDragging = false
  const follow = (now: PointerEvent): void => {
    if (!isDragging && Math.hypot(now.clientX - start.x, now.clientY - start.y) < SLACK) return
    isDragging = true
    move(now)
  }
  const end = (): void => {
    window.removeEventListener('selectstart', noSelection)
    window.removeEventListener('pointermove', follow)
    window.removeEventListener('pointerup', up)
    window.removeEventListener('pointercancel', lost)
    ended?.()
  }
  const up = (): void => {
    if (isDragging) release?.()
    end()
  }
  const lost = (): void => {
    cancel?.()
    end()
  }
  window.addEventListener('selectstart', noSelection)
  window.addEventListener('pointermove', follow)
  window.addEventListener('pointerup', up)
  window.addEventListener('pointercancel', lost)
  return end
}

/**
 * Follows a pressed pointer as one step of undo. Esc, a lost pointer, or anything else that ends the gesture leaves nothing
 * behind.
 */
export function useDragGesture() {
  const document = useDocument()

  return function drag(
    event: PointerEvent,
    label: string,
    move: (now: PointerEvent, gesture: Gesture) => void,
    ended?: () => void,
  ): void {
    let gesture: Gesture | undefined
    const isOn = (): boolean => gesture !== undefined && document.gesture === gesture
    const end = followPointer(event, {
      move(now) {
        gesture ??= document.begin(label)
        if (isOn()) move(now, gesture)
        else end()
      },
      release: () => void (isOn() && gesture?.commit()),
      cancel: () => void (isOn() && gesture?.cancel()),
      ...(ended && { ended }),
    })
  }
}
