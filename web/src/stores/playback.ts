import { defineStore } from 'pinia'
import { computed, ref, watch } from 'vue'
import { useDocument } from './document'
import { useMoments } from './moments'

/** The moment of the project's motion that is looked at, and whether it goes on. */
export const usePlayback = defineStore('playback', () => {
  const document = useDocument()
  const moments = useMoments()
  /** In seconds. */
  const moment = ref(0)
  const isPlaying = ref(false)
  const again = ref(false)
  /** The stage is seen from where the camera is at the moment, where it goes anywhere. */
  const throughCamera = ref(true)
  const clock = computed(() => document.project.clock)
  /** What moves, of the document as it stands. */
  const playing = computed(() => moments.still.playing)
  let before = 0

  function tick(now: number): void {
    if (!isPlaying.value) return
    const next = moment.value + (now - before) / 1000
    before = now
    const { length } = clock.value
    if (next < length) moment.value = next
    else if (again.value) moment.value = next % length
    else {
      moment.value = length
      isPlaying.value = false
    }
    requestAnimationFrame(tick)
  }
  /** Goes on from where it is; from the start where it has come to the end. */
  function play(): void {
    if (isPlaying.value) return
    if (moment.value >= clock.value.length) moment.value = 0
    isPlaying.value = true
    before = performance.now()
    requestAnimationFrame(tick)
  }
  const stop = (): void => void (isPlaying.value = false)
  /** Goes to a moment, in seconds, within the length. */
  function goTo(time: number): void {
    stop()
    moment.value = Math.min(Math.max(time, 0), clock.value.length)
  }
  watch(
    () => document.id,
    () => goTo(0),
  )
  /** Somebody looks at the moment: only then are documents of moments worked out. */
  const isWatched = ref(false)
  watch(
    () => [moment.value, moments.still, isWatched.value] as const,
    ([time, , watched]) => watched && moments.changes && moments.want(time),
  )
  watch(
    () => clock.value.length,
    (length) => moment.value > length && goTo(length),
  )

  return { moment, isPlaying, again, throughCamera, isWatched, clock, playing, play, stop, goTo }
})
