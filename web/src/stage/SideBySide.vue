<script setup lang="ts">
import type { Project } from '@hilera/core/model/project'
import * as THREE from 'three'
import { computed, nextTick, onBeforeUnmount, onMounted, ref, watch } from 'vue'
import { useDocument } from '../stores/document'
import { useView } from '../stores/view'
import type { PatternUpdate } from '../worker/messages'
import { SideStage } from './sideStage'

export interface ComparedSide {
  /** The name of the slot for its caption. */
  readonly key: string
  readonly label: string
  readonly project: Project
  readonly updates: readonly PatternUpdate[]
  /** The pattern that is framed; everything where it is absent. */
  readonly framed?: string
}

/** How two states are compared: beside each other, one wiped over the other, or laid over it. */
export type Compared = 'beside' | 'wiped' | 'over'

/**
 * Two states on two stages with one camera: where one is moved, the other goes along.
 *
 * `share` is how far the second one is wiped over the first, from the right, or how much of it is seen, from 0 to 1.
 */
const {
  sides,
  way = 'beside',
  share = 0.5,
} = defineProps<{
  sides: readonly ComparedSide[]
  way?: Compared
  share?: number
}>()
const document = useDocument()
const view = useView()
const canvases: Record<string, HTMLCanvasElement> = {}
let stages: SideStage[] = []

/** How many triangles each stage shows. */
const drawn = ref<readonly number[]>([])

/** A canvas that was let go of cannot be drawn on again: each time they are new ones. */
const round = ref(0)
async function show(): Promise<void> {
  tearDown()
  const now = ++round.value
  await nextTick()
  if (now !== round.value || !isThere) return
  stages = sides.map(build)
  // One camera from the start: on what is framed of all of them.
  const box = new THREE.Box3()
  for (const [i, { copies }] of stages.entries()) box.union(copies.box(sides[i].framed))
  for (const { viewer } of stages) viewer.setView('perspective', box)
  follow()
  drawn.value = stages.map(({ viewer }) => viewer.renderer.info.render.triangles)
}
onMounted(show)
let isThere = true
watch(() => sides, show, { flush: 'post' })
watch(
  () => way,
  () => {
    for (const [i, { viewer }] of stages.entries()) {
      const frame = canvases[sides[i].key].parentElement!
      viewer.resize(frame.clientWidth, frame.clientHeight)
    }
  },
  { flush: 'post' },
)
/** What is seen of the one that lies on top. */
const onTop = computed(() =>
  way === 'wiped'
    ? { clipPath: `inset(0 0 0 ${(1 - share) * 100}%)` }
    : way === 'over'
      ? { opacity: share }
      : undefined,
)
onBeforeUnmount(() => {
  isThere = false
  tearDown()
})

function build({ key, project, updates }: ComparedSide): SideStage {
  const canvas = canvases[key]
  const { clientWidth, clientHeight } = canvas.parentElement!
  const stage = new SideStage(canvas, view.drawing === 'fine', clientWidth, clientHeight)
  stage.show(project, updates, { parts: project.parts, meshes: document.meshes })
  return stage
}

function follow(): void {
  let busy = false
  for (const { viewer: from } of stages) {
    from.controls.addEventListener('update', () => {
      if (busy) return
      busy = true
      const eye = from.controls.getPosition(from.camera.position.clone())
      const target = from.controls.getTarget(from.camera.position.clone())
      for (const { viewer: to } of stages) {
        if (to === from) continue
        void to.controls.setLookAt(eye.x, eye.y, eye.z, target.x, target.y, target.z, false)
        to.invalidate()
      }
      busy = false
    })
  }
}

function tearDown(): void {
  for (const stage of stages) stage.dispose()
  stages = []
}
</script>

<template>
  <div class="sheet" :class="{ one: sides.length === 1, stacked: way !== 'beside' }">
    <figure v-for="(side, i) in sides" :key="side.key" :data-triangles="drawn[i]">
      <div class="frame" :style="i > 0 ? onTop : undefined">
        <canvas
          :key="round"
          :ref="(el) => void (el && (canvases[side.key] = el as HTMLCanvasElement))"
          :aria-label="side.label"
        />
      </div>
      <figcaption><slot :name="side.key" /></figcaption>
    </figure>
  </div>
</template>

<style scoped>
.sheet {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 14px;
}
.sheet.one,
.sheet.stacked {
  grid-template-columns: 1fr;
}
.stacked figure {
  grid-area: 1 / 1;
}
.stacked figure + figure {
  border-color: transparent;
}
.stacked figure + figure figcaption {
  justify-content: flex-end;
  border-color: transparent;
}
figure {
  margin: 0;
  min-width: 0;
  border: 1px solid var(--rule);
  border-radius: 8px;
  overflow: hidden;
}
.frame {
  height: min(440px, 56vh);
  background: var(--stage);
}
canvas {
  display: block;
  width: 100%;
  height: 100%;
  touch-action: none;
}
figcaption {
  display: flex;
  align-items: center;
  justify-content: space-between;
  gap: 8px;
  padding: 8px 12px;
  font-size: 12px;
  color: var(--soft);
  border-top: 1px solid var(--rule);
}
figcaption :deep(b) {
  color: var(--ink);
}
</style>
