<script setup lang="ts">
import { useDebounceFn, useResizeObserver } from '@vueuse/core'
import type * as THREE from 'three'
import { computed, onBeforeUnmount, onMounted, useTemplateRef, watch } from 'vue'
import { pictureBeside } from '../stage/beside'
import { cameraOfView } from '../stage/cameras'
import type { Viewer } from '../stage/viewer'
import { hiddenAxis, mainViews, viewWords } from '../stage/views'
import { useView } from '../stores/view'

/** After so many milliseconds without another picture of the stage these are drawn. */
const REST = 120

/**
 * The other views beside the one that is worked in, each of all that is framed. They are drawn when the stage rests; a click on one
 * makes it the view that is worked in.
 */
const { viewer, resting, box } = defineProps<{
  viewer: Viewer
  /** No picture of the stage is under way. */
  resting: boolean
  box: () => THREE.Box3
}>()
const view = useView()
/** Without the one that looks along the same axis. */
const others = computed(() => mainViews.filter((name) => hiddenAxis[name] !== hiddenAxis[view.view]).slice(-3))
const frame = useTemplateRef<HTMLElement>('frame')
let isGone = false

const draw = useDebounceFn(async () => {
  const shown = box()
  if (shown.isEmpty()) return
  for (const sheet of frame.value?.querySelectorAll('canvas') ?? []) {
    const name = mainViews.find((v) => v === sheet.dataset.view)
    const ratio = Math.min(devicePixelRatio, 2)
    const [width, height] = [sheet.clientWidth, sheet.clientHeight].map((n) => Math.round(n * ratio))
    if (!name || name === 'own' || width * height === 0) continue
    const picture = await pictureBeside(viewer, cameraOfView(name, shown, width / height), width, height)
    if (isGone || !picture) return
    Object.assign(sheet, { width, height }).getContext('2d')?.putImageData(picture, 0, 0)
  }
}, REST)

watch(
  () => resting,
  (rests) => void (rests && draw()),
)
watch([others, () => viewer], draw, { flush: 'post' })
useResizeObserver(frame, draw)
onMounted(draw)
onBeforeUnmount(() => (isGone = true))
</script>

<template>
  <div ref="frame" class="others">
    <button
      v-for="name in others"
      :key="name"
      type="button"
      :aria-label="`Work in this view: ${name}`"
      @click="view.view = name"
    >
      <canvas :data-view="name" />
      <span class="chip">{{ viewWords(name) }}</span>
    </button>
  </div>
</template>

<style scoped>
.others {
  position: absolute;
  inset: 0 0 0 auto;
  width: 34%;
  display: grid;
  grid-auto-rows: minmax(0, 1fr);
}
button {
  position: relative;
  overflow: hidden;
  padding: 0;
  border: 0;
  border-left: 1px solid var(--rule);
  background: none;
  cursor: pointer;
}
button + button {
  border-top: 1px solid var(--rule);
}
button:hover .chip {
  color: var(--madder);
}
button:focus-visible {
  outline-offset: -3px;
}
canvas {
  position: absolute;
  inset: 0;
  width: 100%;
  height: 100%;
}
.chip {
  position: absolute;
  top: 8px;
  left: 8px;
}
</style>
