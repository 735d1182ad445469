import { type ComputedRef, computed, nextTick, ref } from 'vue'
import { useView } from '../stores/view'
import type { Viewer } from './viewer'

/** A picture that is lost so often, with nothing drawn for a while between, is not begun again by itself. */
const MOST_TRIES = 3
/** What was drawn for so long, in milliseconds, before it was lost was no failed try. */
const LASTS = 60_000

/** A picture that cannot be drawn, and what to do. */
const NO_PICTURE =
  'This browser draws no picture here. Turn on its graphics, or close other windows that draw, then begin the picture again. Sentences, figures and files are as they should be.'

export interface CanvasAnew {
  /** By which the page knows one canvas from the next. */
  readonly key: ComputedRef<string>
  /** Why there is no picture. */
  readonly fault: ComputedRef<string | undefined>
  /** Begins to draw on a canvas; undefined where the browser does not. */
  begin(make: () => Viewer): Viewer | undefined
  /** Makes a new canvas and begins on it. */
  again(): void
}

/**
 * The canvas of a picture, and others in its place: a canvas keeps the kind of drawing that it first gave, and one whose drawing the
 * graphics side has lost and does not give back stays empty for good, without a word.
 *
 * @param build begins on the canvas that is there
 * @param tearDown ends what was drawn on the one before
 */
export function useCanvasAnew(build: () => void, tearDown: () => void): CanvasAnew {
  const view = useView()
  const count = ref(0)
  const isMissing = ref(false)
  let tries = 0
  let began = 0

  function again(): void {
    tearDown()
    isMissing.value = false
    count.value++
    void nextTick(build)
  }
  function lost(): void {
    if (performance.now() - began > LASTS) tries = 0
    if (++tries <= MOST_TRIES) return again()
    tearDown()
    isMissing.value = true
  }

  return {
    key: computed(() => `${view.drawing} ${count.value}`),
    fault: computed(() => (isMissing.value ? NO_PICTURE : undefined)),
    begin(make) {
      try {
        const viewer = make()
        viewer.onLost = lost
        began = performance.now()
        return viewer
      } catch {
        // Whatever keeps the browser from drawing, there is nothing to do about it here but to say so.
        isMissing.value = true
        return undefined
      }
    },
    again() {
      tries = 0
      again()
    },
  }
}
