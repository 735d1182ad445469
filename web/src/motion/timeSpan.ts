import { type Ref, computed, shallowRef, watch } from 'vue'
import { usePlayback } from '../stores/playback'
import { type Span, closer, shifted, timeScale } from './timeScale'

/** So many times closer by a step of a button, and by a pixel of the wheel. */
export const CLOSER = 2
const WHEEL = 1.0015

/**
 * The part of the time that the strip shows: all of it until one looks closer.
 *
 * @param width of the strip in pixels
 * @param left where it begins in the window
 */
export function useTimeSpan(width: Readonly<Ref<number>>, left: () => number) {
  const playback = usePlayback()
  const looked = shallowRef<Span>()
  const span = computed<Span>(() => {
    const { length } = playback.clock
    return looked.value && looked.value.to <= length + 1e-9 ? looked.value : { from: 0, to: length }
  })
  const scale = computed(() => timeScale(span.value, width.value))

  function look(at: number, by: number): void {
    const { length, rate } = playback.clock
    const next = closer(span.value, at, by, length, rate)
    looked.value = next.to - next.from < length ? next : undefined
  }
  const goOn = (by: number): void => {
    if (looked.value) looked.value = shifted(looked.value, by, playback.clock.length)
  }
  /** The wheel looks closer at what is under the pointer; sideways, or with Shift, it goes on in time. */
  function wheel(event: WheelEvent): void {
    const { deltaX, deltaY, shiftKey } = event
    const { from, to } = span.value
    const sideways = shiftKey ? deltaX || deltaY : deltaX
    if (shiftKey || Math.abs(deltaX) > Math.abs(deltaY)) goOn(((to - from) * sideways) / Math.max(width.value, 1))
    else look(scale.value.seconds(event.clientX - left()), WHEEL ** -deltaY)
  }
  // A moment that goes out of what is looked at takes it along, by a page.
  watch(
    () => playback.moment,
    (now) => {
      const { from, to } = span.value
      if (now < from || now > to) goOn(now - from)
    },
  )

  return { looked, span, scale, look, wheel }
}
