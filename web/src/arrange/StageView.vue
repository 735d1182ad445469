<script setup lang="ts">
import { reachIn } from '@hilera/core/evaluate'
import { slotKeyOf } from '@hilera/core/instances'
import type { Vec3 } from '@hilera/core/model/values'
import { fromTurns, rotate } from '@hilera/core/rotation'
import { formatLength, formatNumber } from '@hilera/core/numbers/format'
import { useResizeObserver, watchDebounced } from '@vueuse/core'
import ProgressBar from 'primevue/progressbar'
import SelectButton from 'primevue/selectbutton'
import * as THREE from 'three'
import { computed, onBeforeUnmount, onMounted, shallowRef, useTemplateRef, watch } from 'vue'
import { Copies } from '../stage/copies'
import { Daylight } from '../stage/daylight'
import { Lamps } from '../stage/lamps'
import { Dots } from '../stage/dots'
import { type Handles, handlesOf } from '../stage/handles'
import { MirrorPlanes } from '../stage/mirrorPlanes'
import { stageColors } from '../stage/stageColors'
import { Viewer } from '../stage/viewer'
import { views } from '../stage/views'
import { useCopyEdits } from '../patterns/copyEdits'
import { useDocument } from '../stores/document'
import { usePicking } from '../stores/picking'
import { useOutcomes } from '../stores/outcomes'
import { useSelection } from '../stores/selection'
import { useView } from '../stores/view'
import { useTheme } from '../theme/theme'
import { caughtBy } from './catching'
import StageHandles from './StageHandles.vue'
import StagePicker from './StagePicker.vue'
import { useLasso } from './lasso'
import { usePickedRows } from './pickedRows'
import { useStageDrag } from './stageDrag'

const emit = defineEmits<{ picture: [png: string] }>()
const document = useDocument()
const outcomes = useOutcomes()
const selection = useSelection()
const view = useView()
const copyEdits = useCopyEdits()
const pickedRows = usePickedRows()
const NONE: ReadonlySet<number> = new Set()
const picking = usePicking()
const { shown: theme } = useTheme()

const canvas = useTemplateRef<HTMLCanvasElement>('canvas')
const frame = useTemplateRef<HTMLElement>('frame')
const viewer = shallowRef<Viewer>()
const handles = shallowRef<Handles>()
/** Counted up with every frame, so that what lies over the picture moves with it. */
const frames = shallowRef(0)
let copies: Copies | undefined
let light: Daylight | undefined
let lamps: Lamps | undefined
const lampsTold = shallowRef({ all: 0, shining: 0 })
let dots: Dots | undefined
let planes: MirrorPlanes | undefined
let chosen: THREE.LineSegments | undefined
let framed = ''

const drag = useStageDrag(
  () => viewer.value,
  () => copies,
)
const lasso = useLasso(
  () => viewer.value,
  () => copies,
)
const viewOptions = views.map((value) => ({ value, label: value[0].toUpperCase() + value.slice(1) }))
const meshCount = computed(
  () => new Set(outcomes.patterns.flatMap((p) => p.batches.map((b) => `${b.part} ${b.twin} ${b.surface}`))).size,
)
const gridStep = computed(() => (frames.value >= 0 && dots ? formatLength(dots.step, document.unit) : ''))

function build(): void {
  if (!canvas.value || !frame.value) return
  const fine = view.drawing === 'fine'
  const made = new Viewer(canvas.value, fine)
  const colors = stageColors()
  copies = new Copies(fine, colors.ink, () => made.invalidate())
  light = new Daylight(fine)
  dots = new Dots()
  dots.setColor(colors.edge)
  lamps = new Lamps()
  planes = new MirrorPlanes()
  made.scene.add(dots.points, light.root, lamps.root, copies.root, planes.root)
  made.onFrame = () => {
    dots?.follow(made, document.unit)
    frames.value++
  }
  viewer.value = made
  made.resize(frame.value.clientWidth, frame.value.clientHeight)
  show()
}

function tearDown(): void {
  chosen = undefined
  copies?.dispose()
  planes?.dispose()
  viewer.value?.dispose()
  viewer.value = undefined
}

function show(): void {
  if (!viewer.value || !copies) return
  copies.show(document.project, outcomes.patterns, document.source, {
    share: view.share,
    ghost: document.proposal?.patternId,
  })
  const box = copies.box()
  light?.cover(box)
  light?.setNight(view.night)
  lamps?.show(document.project, outcomes.patterns, view.night)
  if (lamps) lampsTold.value = { all: lamps.all, shining: lamps.shining }
  viewer.value.shadowsChanged()
  refreshHandles()
  if (framed !== document.id && !box.isEmpty() && outcomes.settled) {
    framed = document.id
    viewer.value.setView(view.view, box)
  }
}

function refreshHandles(): void {
  const { pattern, outcome } = selection
  handles.value =
    pattern && outcome && !pattern.hidden
      ? handlesOf(pattern, outcome, reachIn(document.project, document.meshes, outcomes.patterns), (thing) =>
          outcomes.twinned.has(thing),
        )
      : undefined
  planes?.show(handles.value?.mirrors ?? [], stageColors().madder)
  drawChosen()
}

function drawChosen(): void {
  const at = viewer.value
  if (!at || !copies) return
  if (chosen) {
    at.scene.remove(chosen)
    chosen.geometry.dispose()
    chosen = undefined
  }
  const edges = copies.edgesOf(pickedRows.value)
  if (edges) {
    const geometry = new THREE.BufferGeometry().setAttribute('position', new THREE.BufferAttribute(edges, 3))
    chosen = new THREE.LineSegments(
      geometry,
      new THREE.LineBasicMaterial({ color: stageColors().madder, depthTest: false, transparent: true }),
    )
    chosen.renderOrder = 5
    at.scene.add(chosen)
  }
  at.invalidate()
}

watch(() => [document.project, outcomes.patterns, document.meshes, outcomes.settled, document.proposal], show)
watch(() => [selection.patternId, selection.picks, document.unit], refreshHandles)
watch(() => [view.share, view.night], show)
watch(
  () => outcomes.crowd,
  () => {
    copies?.hatch(outcomes.crowd?.id, outcomes.crowd?.overlaps ?? [], stageColors().vermilion)
    viewer.value?.invalidate()
  },
)
watch(
  () => view.view,
  (name) => copies && viewer.value?.setView(name, copies.box()),
)
watch(
  () => view.framing,
  ({ what }) => {
    const box =
      what === 'everything'
        ? copies?.box()
        : pickedRows.value.size > 0
          ? copies?.boxOf(pickedRows.value)
          : copies?.box(selection.patternId)
    if (box) viewer.value?.frame(box, false, true)
  },
)
watch(theme, () => {
  const colors = stageColors()
  copies?.setInk(colors.ink)
  dots?.setColor(colors.edge)
  drawChosen()
})
watch(
  () => view.drawing,
  () => {
    tearDown()
    framed = ''
    // A canvas keeps the kind of context that it first gave, so a new drawing mode needs a new canvas.
    requestAnimationFrame(build)
  },
)
useResizeObserver(frame, ([{ contentRect }]) => viewer.value?.resize(contentRect.width, contentRect.height))
onMounted(build)
onBeforeUnmount(tearDown)

watchDebounced(
  () => outcomes.patterns,
  () => {
    const png = copies && viewer.value?.picture(copies.box(), 420, 262)
    if (png) emit('picture', png)
  },
  { debounce: 1500 },
)

let pressed: { x: number; y: number; button: number } | undefined
function down(event: PointerEvent): void {
  if (event.target !== canvas.value && !picking.active) return
  pressed = { x: event.clientX, y: event.clientY, button: event.button }
  drag.moved.value = false
  if (!picking.active && event.button === 0 && lasso.begin(event)) return
  if (picking.active || event.button !== 0 || !viewer.value || !copies || selection.slot === undefined) return
  const hit = copies.pick(viewer.value.ray(event.clientX, event.clientY))
  if (!hit || hit.patternId !== selection.patternId || hit.row !== copyEdits.row.value) return
  // The picked copy is dragged; the camera does not hear of it.
  event.stopPropagation()
  drag.copy(event, viewer.value.ray(event.clientX, event.clientY).at(hit.distance, new THREE.Vector3()))
}
function up(event: PointerEvent): void {
  const still = pressed && pressed.button === 0 && Math.hypot(event.clientX - pressed.x, event.clientY - pressed.y) < 4
  pressed = undefined
  if (!still || drag.moved.value || lasso.drawn.value || !viewer.value || !copies) return
  const hit = copies.pick(viewer.value.ray(event.clientX, event.clientY))
  if (picking.asking) return answerPick(event, hit)
  // Beside everything nothing is picked any more; adding to a pick leaves it.
  if (!hit) return void (selection.patternId && !event.shiftKey && selection.pickPattern(selection.patternId))
  const table = outcomes.byId.get(hit.patternId)?.table
  if (!table) return
  const key = slotKeyOf(table.slotLow[hit.row], table.slotHigh[hit.row])
  if (event.shiftKey || event.ctrlKey || event.metaKey) selection.toggleCopy(hit.patternId, key)
  else selection.pickCopy(hit.patternId, key)
}

/** The pivot of the copy that was hit, or the place on the view's plane through the origin. */
function answerPick(event: PointerEvent, hit: ReturnType<Copies['pick']>): void {
  const table = hit && outcomes.byId.get(hit.patternId)?.table
  const pattern = hit && document.project.patterns.find((p) => p.id === hit.patternId)
  if (hit && table && pattern) {
    const own = rotate(fromTurns(pattern.place.turn), [
      table.position[3 * hit.row],
      table.position[3 * hit.row + 1],
      table.position[3 * hit.row + 2],
    ])
    const point = own.map((n, i) => n + pattern.place.move[i]) as Vec3
    return picking.asking?.answer({
      point,
      copy: { patternId: hit.patternId, slot: slotKeyOf(table.slotLow[hit.row], table.slotHigh[hit.row]) },
      caught: caughtBy(hit, viewer.value!, event.clientX, event.clientY),
      normal: hit.normal.toArray(),
    })
  }
  const at = viewer.value?.onPlane(event.clientX, event.clientY, new THREE.Vector3(), viewer.value.dragNormal())
  const whole = (n: number): number => Math.round(n * 1000) / 1000
  if (at) picking.asking?.answer({ point: [whole(at.x), whole(at.y), whole(at.z)] })
}
/** What has been drawn so far, on the screen. */
const drawnSoFar = computed(() => {
  void frames.value
  const at = viewer.value
  return at && picking.asking ? picking.asking.before.map((p) => at.toScreen(new THREE.Vector3(...p))) : []
})
</script>

<template>
  <div
    ref="frame"
    class="frame"
    data-keys="stage"
    :class="{ picking: picking.active, night: view.night, outlining: view.picker !== 'one' }"
    tabindex="0"
    aria-label="Stage"
    role="application"
    @pointerdown.capture="down"
    @pointerup="up"
  >
    <canvas :key="view.drawing" ref="canvas" />
    <StageHandles
      v-if="viewer && handles"
      :viewer="viewer"
      :handles="handles"
      :frames="frames"
      :picked="(selection.patternId && pickedRows.get(selection.patternId)) || NONE"
      :numbered="view.numbered"
      @grab="(event, pin) => handles && drag.pin(event, pin, handles)"
    />
    <p
      v-if="drag.note.value"
      class="chip note-chip"
      role="status"
      :style="{ left: `${drag.note.value.x}px`, top: `${drag.note.value.y}px` }"
    >
      {{ drag.note.value.words }}
    </p>
    <svg v-if="drawnSoFar.length" class="drawing" aria-hidden="true">
      <polyline :points="drawnSoFar.map((p) => `${p.x},${p.y}`).join(' ')" />
      <circle v-for="(p, i) in drawnSoFar" :key="i" :cx="p.x" :cy="p.y" r="4" />
    </svg>
    <svg v-if="lasso.drawn.value" class="drawing" aria-hidden="true">
      <polygon class="lasso" :points="lasso.drawn.value.map((p) => `${p.x},${p.y}`).join(' ')" />
    </svg>
    <p v-if="picking.asking" class="asking chip" role="status">{{ picking.asking.words }} · Esc: give up</p>
    <div class="chips">
      <span v-if="outcomes.crowd && outcomes.crowd.id === selection.patternId" class="chip" data-overlaps
        >Overlaps
        <span class="figure" :class="{ wrong: outcomes.crowd.count > 0 }">{{
          formatNumber(outcomes.crowd.count, 0)
        }}</span></span
      >
      <span class="chip"
        >Drawn
        <template v-if="view.share < 1"
          ><span class="figure">{{ formatNumber(view.share * 100, 0) }} %</span> of </template
        ><span class="figure">{{ formatNumber(outcomes.copies, 0) }}</span> from
        <span class="figure">{{ meshCount }}</span> {{ meshCount === 1 ? 'mesh' : 'meshes' }}</span
      >
      <span v-if="view.night" class="chip"
        ><span class="figure">{{ lampsTold.shining }}</span> of <span class="figure">{{ lampsTold.all }}</span> lights
        shine</span
      >
      <span class="chip"
        >Worked out in <span class="figure">{{ formatNumber(outcomes.milliseconds, 1) }} ms</span></span
      >
    </div>
    <div v-if="outcomes.working" class="working chip" role="status">
      Working it out…
      <ProgressBar mode="indeterminate" aria-label="Working it out" style="width: 90px" />
      <button type="button" @click="outcomes.stop()">Stop</button>
    </div>
    <div class="foot">
      <SelectButton
        v-model="view.view"
        :options="viewOptions"
        option-label="label"
        option-value="value"
        :allow-empty="false"
        aria-label="View"
      />
      <button
        type="button"
        class="chip toggle"
        :aria-pressed="view.numbered"
        title="Show the order in which copies are numbered"
        @click="view.numbered = !view.numbered"
      >
        Numbers
      </button>
      <button
        type="button"
        class="chip toggle"
        :aria-pressed="view.night"
        title="Only the lights among the copies shine"
        @click="view.night = !view.night"
      >
        Night
      </button>
      <StagePicker />
      <span v-if="view.picker === 'one'" class="chip"
        >Dots every <span class="figure">{{ gridStep }}</span></span
      >
    </div>
  </div>
</template>

<style scoped>
.frame {
  position: absolute;
  inset: 0;
  overflow: hidden;
}
.frame.night {
  background: #17161a;
}
.frame.outlining canvas {
  cursor: crosshair;
}
.lasso {
  fill: var(--madder);
  fill-opacity: 0.1;
  stroke: var(--madder);
  stroke-width: 1.5;
  stroke-dasharray: 5 3;
}
.frame.picking {
  cursor: crosshair;
}
.frame.picking :deep(.over) {
  pointer-events: none;
}
.frame:focus-visible {
  outline-offset: -3px;
}
canvas {
  display: block;
  width: 100%;
  height: 100%;
  touch-action: none;
}
.chips .wrong {
  color: var(--vermilion);
}
.chips {
  position: absolute;
  top: 12px;
  right: 12px;
  display: flex;
  gap: 6px;
  pointer-events: none;
}
.foot {
  position: absolute;
  left: 12px;
  right: 12px;
  bottom: 12px;
  display: flex;
  flex-wrap: wrap-reverse;
  gap: 8px;
  pointer-events: none;
  align-items: center;
}

.foot > * {
  pointer-events: auto;
}
.toggle {
  cursor: pointer;
}
.toggle[aria-pressed='true'] {
  color: var(--madder);
  background: var(--madder-wash);
}
.note-chip {
  position: absolute;
  margin: 0;
  transform: translate(-50%, -140%);
  white-space: nowrap;
  box-shadow: var(--float);
  color: var(--ink);
  pointer-events: none;
}
.drawing {
  position: absolute;
  inset: 0;
  width: 100%;
  height: 100%;
  pointer-events: none;
}
.drawing polyline {
  fill: none;
  stroke: var(--madder);
  stroke-width: 1.5;
}
.drawing circle {
  fill: var(--madder);
}
.asking {
  position: absolute;
  top: 48px;
  left: 50%;
  margin: 0;
  transform: translateX(-50%);
  color: var(--madder);
  background: var(--madder-wash);
}
.working {
  position: absolute;
  top: 12px;
  left: 12px;
}
.working button {
  border: 0;
  background: none;
  color: var(--madder);
  font-weight: 600;
  cursor: pointer;
}
</style>
