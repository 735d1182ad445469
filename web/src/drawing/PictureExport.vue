<script setup lang="ts">
import {
  type MovingFormat,
  movingFormats,
  type PictureWish,
  pictureSentence,
} from '@hilera/core/drawing/pictureSentence'
import { formatNumber } from '@hilera/core/numbers/format'
import Button from 'primevue/button'
import ProgressBar from 'primevue/progressbar'
import { computed, onBeforeUnmount, ref, shallowRef, watch } from 'vue'
import { NOT_FETCHED, saidBy } from '../faults'
import { saveBlob } from '../api/download'
import { fileNameOf } from '../api/projectFile'
import { bytesText } from '../export/bytesText'
import SentenceItems from '../sentences/SentenceItems.vue'
import { useOwnSentence } from '../sentences/ownSentence'
import { useViewpoints } from '../stage/viewpoints'
import { useDocument } from '../stores/document'
import { useOutcomes } from '../stores/outcomes'
import { useMoments } from '../stores/moments'
import { usePlayback } from '../stores/playback'
import { formatsHere, movingPicture, picturesInZip, picturesOf } from './movingPicture'
import { ScenePicture, type Seen } from './scenePicture'

/** Draws the arrangement as a picture, a moving one, or a turntable, and says how far it is. */
const document = useDocument()
const outcomes = useOutcomes()
const playback = usePlayback()
const moments = useMoments()
const viewpoints = useViewpoints()
const wish = shallowRef<PictureWish>({
  kind: 'still',
  width: 1920,
  height: 1080,
  on: 'paper',
  view: 'all',
  // As it stands when all has come.
  moment: document.project.clock.length,
  format: 'webm',
})
const formats = shallowRef<readonly MovingFormat[]>(movingFormats)
watch(
  () => [wish.value.kind, wish.value.width, wish.value.height] as const,
  async ([kind, width, height]) => {
    // What writes video is only fetched where some is wanted.
    if (kind === 'still') return
    formats.value = await formatsHere(width, height)
    if (!formats.value.includes(wish.value.format)) wish.value = { ...wish.value, format: formats.value[0] }
  },
)
const moves = computed(() => playback.playing.moves)
const sentence = useOwnSentence(() => pictureSentence(moves.value, viewpoints.last !== undefined, formats.value), wish)
const clock = computed(() => document.project.clock)
const pictures = computed(() => (wish.value.kind === 'still' ? 1 : picturesOf(clock.value)))
const progress = ref<number>()
const problem = ref<string>()
const told = ref<{ file: string; bytes: number }>()
let stopped = false

function seen(): Seen {
  const { view } = wish.value
  if (view === 'stage') return viewpoints.last
  if (view === 'camera') return 'camera'
  return document.project.views.find((v) => v.id === view)
}

async function draw(): Promise<void> {
  problem.value = told.value = undefined
  progress.value = 0
  stopped = false
  const { kind, width, height, on, moment, format } = wish.value
  // The page shows that it is at work before the first picture is drawn.
  await new Promise((resolve) => setTimeout(resolve, 30))
  let picture: ScenePicture | undefined
  try {
    const scene = { ...moments.still, source: outcomes.source, at: moments.at }
    picture = new ScenePicture(scene, width, height, seen())
    await picture.ready()
    const run = {
      clock: clock.value,
      ...(kind === 'round' && { round: moment }),
      onProgress: (share: number) => void (progress.value = share),
      isStopped: () => stopped,
    }
    const blob =
      kind === 'still'
        ? await picture.png(moment, on, run.onProgress, run.isStopped)
        : format === 'zip'
          ? await picturesInZip(picture, on, run)
          : await movingPicture(picture, { width, height }, format, run)
    if (!blob) return
    const file = `${fileNameOf(document.project.name)}.${kind === 'still' ? 'png' : format}`
    saveBlob(blob, file)
    told.value = { file, bytes: blob.size }
  } catch (fault) {
    const says = saidBy(fault)
    problem.value = says === NOT_FETCHED ? says : `The picture could not be drawn: ${says} Try a smaller one.`
  } finally {
    picture?.dispose()
    progress.value = undefined
  }
}
onBeforeUnmount(() => void (stopped = true))
</script>

<template>
  <section class="picture" aria-labelledby="picture-head">
    <h2 id="picture-head">As pictures</h2>
    <p class="sentence"><SentenceItems :items="sentence.items.value" :edits="sentence.edits" /></p>
    <p v-if="wish.kind !== 'still'" class="note">
      <span class="figure">{{ formatNumber(pictures, 0) }}</span> pictures,
      <span class="figure">{{ formatNumber(clock.rate, 0) }}</span> a second,
      <span class="figure">{{ formatNumber(clock.length, 3) }} s</span>; each is drawn for its own moment, the same
      every time.<template v-if="formats.length === 1">
        This browser has no encoder for video: the pictures come in a ZIP.</template
      >
    </p>
    <div class="actions">
      <Button
        :label="wish.kind === 'still' ? 'Draw the picture' : 'Draw the pictures'"
        severity="secondary"
        variant="outlined"
        :disabled="progress !== undefined || !outcomes.settled || outcomes.copies === 0"
        :title="outcomes.copies === 0 ? 'There is nothing to draw yet' : undefined"
        @click="draw"
      />
      <Button
        v-if="progress !== undefined"
        label="Stop"
        severity="secondary"
        variant="outlined"
        @click="stopped = true"
      />
    </div>
    <div v-if="progress !== undefined" class="progress" role="status">
      <ProgressBar :value="Math.round(progress * 100)" :show-value="false" aria-label="Drawing" />
      <span class="note"
        >Drawing, <span class="figure">{{ Math.round(progress * 100) }} %</span></span
      >
    </div>
    <p v-if="told" class="note" role="status">
      {{ told.file }}, <span class="figure">{{ bytesText(told.bytes) }}</span>
    </p>
    <p v-if="problem" class="wrong" role="alert">{{ problem }}</p>
  </section>
</template>

<style scoped>
.picture {
  padding-top: 4px;
}
h2 {
  font-size: 21px;
}
.sentence {
  font: 19px/1.7 var(--serif);
  margin: 9px 0 4px;
}
.actions {
  display: flex;
  gap: 8px;
  margin-top: 10px;
}
.progress {
  margin-top: 12px;
  display: grid;
  gap: 5px;
}
.wrong {
  color: var(--vermilion);
}
</style>
