import { type Gesture, useDocument } from '../stores/document'

/** Pixels that a pointer must go before it drags rather than clicks. */
const SLACK = 4

/**
 * Follows a pressed pointer until it is let go, as one step of undo. Esc, a lost pointer, or anything else that ends the
 * gesture leaves nothing behind.
 */
export function useDragGesture() {
  const document = useDocument()

  return function drag(
    event: PointerEvent,
    label: string,
    move: (now: PointerEvent, gesture: Gesture) => void,
    ended: () => void = () => {},
  ): void {
    const start = { x: event.clientX, y: event.clientY }
    // The browser would drag selected text instead, and cancel the pointer.
    window.getSelection()?.removeAllRanges()
    const noSelection = (selecting: Event): void => selecting.preventDefault()
    let gesture: Gesture | undefined
    const follow = (now: PointerEvent): void => {
      if (!gesture && Math.hypot(now.clientX - start.x, now.clientY - start.y) < SLACK) return
      gesture ??= document.begin(label)
      if (document.gesture === gesture) move(now, gesture)
      else end()
    }
    const end = (): void => {
      window.removeEventListener('selectstart', noSelection)
      window.removeEventListener('pointermove', follow)
      window.removeEventListener('pointerup', release)
      window.removeEventListener('pointercancel', cancel)
      ended()
    }
    const release = (): void => {
      if (gesture && document.gesture === gesture) gesture.commit()
      end()
    }
    const cancel = (): void => {
      if (gesture && document.gesture === gesture) gesture.cancel()
      end()
    }
    window.addEventListener('selectstart', noSelection)
    window.addEventListener('pointermove', follow)
    window.addEventListener('pointerup', release)
    window.addEventListener('pointercancel', cancel)
  }
}
