<script setup lang="ts">
import type { Project } from '@hilera/core/model/project'
import { onBeforeUnmount, onMounted, ref, watch } from 'vue'
import { useDocument } from '../stores/document'
import { useView } from '../stores/view'
import type { PatternUpdate } from '../worker/messages'
import { Copies } from './copies/copies'
import { Daylight } from './daylight'
import { stageColors } from './stageColors'
import { Viewer } from './viewer'

export interface ComparedSide {
  /** The name of the slot for its caption. */
  readonly key: string
  readonly label: string
  readonly project: Project
  readonly updates: readonly PatternUpdate[]
  /** The pattern that is framed; everything where it is absent. */
  readonly framed?: string
}

/** Two states on two stages with one camera: where one is moved, the other goes along. */
const props = defineProps<{ sides: readonly ComparedSide[] }>()
const document = useDocument()
const view = useView()
const canvases: Record<string, HTMLCanvasElement> = {}
let stages: { viewer: Viewer; copies: Copies }[] = []

/** How many triangles each stage shows. */
const drawn = ref<readonly number[]>([])

function show(): void {
  tearDown()
  stages = props.sides.map(build)
  follow()
  drawn.value = stages.map(({ viewer }) => viewer.renderer.info.render.triangles)
}
onMounted(show)
watch(() => props.sides, show, { flush: 'post' })
onBeforeUnmount(tearDown)

function build({ key, project, updates, framed }: ComparedSide): { viewer: Viewer; copies: Copies } {
  const canvas = canvases[key]
  const fine = view.drawing === 'fine'
  const viewer = new Viewer(canvas, fine)
  const copies = new Copies(fine, stageColors().ink, () => viewer.invalidate())
  const light = new Daylight(fine)
  viewer.scene.add(light.root, copies.root)
  viewer.frames.copies = copies
  viewer.resize(canvas.parentElement!.clientWidth, canvas.parentElement!.clientHeight)
  copies.show(project, updates, { parts: project.parts, meshes: document.meshes })
  light.cover(copies.box())
  viewer.shadowsChanged()
  viewer.setView('perspective', copies.box(framed))
  return { viewer, copies }
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
  for (const { viewer, copies } of stages) {
    copies.dispose()
    viewer.dispose()
  }
  stages = []
}
</script>

<template>
  <div class="sheet" :class="{ one: sides.length === 1 }">
    <figure v-for="(side, i) in sides" :key="side.key" :data-triangles="drawn[i]">
      <div class="frame">
        <canvas :ref="(el) => void (canvases[side.key] = el as HTMLCanvasElement)" :aria-label="side.label" />
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
.sheet.one {
  grid-template-columns: 1fr;
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
