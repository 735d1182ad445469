<script setup lang="ts">
import { formatLength } from '@hilera/core/numbers/format'
import { useResizeObserver, watchDebounced } from '@vueuse/core'
import * as THREE from 'three'
import { computed, nextTick, onBeforeUnmount, onMounted, shallowRef, useTemplateRef, watch } from 'vue'
import { Copies } from '../stage/copies/copies'
import { Daylight } from '../stage/daylight'
import { Lamps } from '../stage/lamps'
import { Dots } from '../stage/dots'
import type { Handles } from '../stage/handles'
import { handlesOf } from './handlesOf'
import { useCanvasAnew } from '../stage/canvasAnew'
import { MirrorPlanes } from '../stage/mirrorPlanes'
import { stageColors } from '../stage/stageColors'
import NoPicture from '../shell/NoPicture.vue'
import { smallPicture } from '../stage/smallPicture'
import { Underneath } from '../stage/underneath'
import { Viewer, type Viewpoint } from '../stage/viewer'
import { useViewpoints } from '../stage/viewpoints'
import { useDocument } from '../stores/document'
import { useMoments } from '../stores/moments'
import { usePicking } from '../stores/picking'
import { useOutcomes } from '../stores/outcomes'
import { useOverlaps } from '../stores/overlaps'
import { useSelection } from '../stores/selection'
import { usePlayback } from '../stores/playback'
import { useView } from '../stores/view'
import { useTheme } from '../theme/theme'
import { useGrip } from '../placing/grip'
import { useMotionDrag } from '../placing/motionDrag'
import MeasureCard from '../measuring/MeasureCard.vue'
import MeasureLines from '../measuring/MeasureLines.vue'
import PickedPins from '../placing/PickedPins.vue'
import ToolChips from '../placing/ToolChips.vue'
import { type Under, underOf } from '../under/underEdits'
import { underHandles } from '../under/underHandles'
import KeyHints from './KeyHints.vue'
import OtherViews from './OtherViews.vue'
import StageChips from './StageChips.vue'
import StageFoot from './StageFoot.vue'
import StageHandles from './StageHandles.vue'
import StageNotes from './StageNotes.vue'
import { useGuides } from './guides'
import { useUnderneathAtOnce } from './underneathAtOnce'
import { useCameraWay } from './cameraWay'
import { useOutOfPicture } from './outOfPicture'
import { useProposedInPicture } from './proposedInPicture'
import { useStagePicks } from './stagePicks'
import { useHovered } from './hovered'
import { useLasso } from './lasso'
import { usePickedRows } from './pickedRows'
import { useStageDrag } from './stageDrag'

/** With nothing over the picture but what is picked; as it is at a moment of its motion, in seconds. */
const props = defineProps<{ bare?: boolean; moment?: number }>()
const emit = defineEmits<{ picture: [png: string] }>()
const document = useDocument()
const outcomes = useOutcomes()
const selection = useSelection()
const view = useView()
const pickedRows = usePickedRows()
/** What is drawn: the document as it stands, or as it is at the moment. */
const state = computed(() => (props.moment === undefined ? moments.still : moments.state))
const NONE: ReadonlySet<number> = new Set()
const picking = usePicking()
const overlaps = useOverlaps()
const viewpoints = useViewpoints()
const playback = usePlayback()
const moments = useMoments()
const { shown: theme } = useTheme()

const canvas = useTemplateRef<HTMLCanvasElement>('canvas')
const frame = useTemplateRef<HTMLElement>('frame')
const viewer = shallowRef<Viewer>()
const handles = shallowRef<Handles>()
/** What is read of what lies under the arrangement has pins of its own, and nobody else has any. */
const underPins = shallowRef<{ under: Under; handles: Handles }>()
/** Counted up with every frame, so that what lies over the picture moves with it. */
const frames = shallowRef(0)
/** No picture is under way, and none is to follow. */
const isResting = shallowRef(false)
let copies: Copies | undefined
let light: Daylight | undefined
let lamps: Lamps | undefined
const lampsTold = shallowRef({ all: 0, shining: 0 })
let dots: Dots | undefined
let planes: MirrorPlanes | undefined
let underneath: Underneath | undefined
let framed = ''
/** From where the picture was seen that was drawn before. */
let lookedFrom: Viewpoint | undefined
const showUnderneath = useUnderneathAtOnce(() => ({ viewer: viewer.value, underneath }))
const guides = useGuides(() => ({ viewer: viewer.value, copies, underneath }), pickedRows)
const lookThroughCamera = useCameraWay(
  () => (framed === '' ? undefined : viewer.value),
  () => props.moment,
)

const drag = useStageDrag(
  () => viewer.value,
  () => copies,
)
const motion = useMotionDrag(() => viewer.value)
const held = useGrip()
const lasso = useLasso(
  () => viewer.value,
  () => copies,
)
const away = useOutOfPicture(() => ({ viewer: viewer.value, copies }))
const proposed = useProposedInPicture(() => ({ viewer: viewer.value, copies }))
const gridStep = computed(() => (frames.value >= 0 && dots ? formatLength(dots.step, document.unit) : ''))

function build(): void {
  if (!canvas.value || !frame.value) return
  const fine = view.drawing === 'fine'
  const element = canvas.value
  const made = anew.begin(() => new Viewer(element, fine))
  if (!made) return
  const colors = stageColors()
  copies = new Copies(fine, colors.ink, () => made.invalidate())
  light = new Daylight(fine)
  copies.setInking(view.inking, colors)
  dots = new Dots()
  dots.setColor(colors.edge)
  lamps = new Lamps()
  planes = new MirrorPlanes()
  underneath = new Underneath(fine, () => made.invalidate())
  made.scene.add(dots.points, light.root, lamps.root, underneath.root, copies.root, planes.root, ...guides.roots)
  made.onFrame = () => {
    dots?.follow(made, document.unit)
    frames.value++
  }
  made.frames.copies = copies
  made.frames.always = view.whole
  made.frames.onShown = (shown) => void (view.shown = shown)
  made.frames.onRest = (rests) => void (isResting.value = rests)
  viewer.value = made
  made.resize(frame.value.clientWidth, frame.value.clientHeight)
  show()
  if (!lookedFrom || framed !== document.id) return
  made.setView(view.view, copies.box(), view.along?.from)
  made.lookFrom(lookedFrom)
}

function tearDown(): void {
  lookedFrom = viewer.value?.viewpoint ?? lookedFrom
  copies?.dispose()
  underneath?.dispose()
  viewer.value?.dispose()
  viewer.value = undefined
  view.shown = undefined
}

const anew = useCanvasAnew(build, tearDown)

function show(): void {
  if (!viewer.value || !copies) return
  copies.share = view.share
  const { project, patterns } = state.value
  copies.show(project, patterns, outcomes.source, document.proposal?.patternId)
  showUnderneath()
  const box = copies.box()
  light?.cover(box)
  light?.setNight(view.night)
  lamps?.show(project, patterns, view.night)
  if (lamps) lampsTold.value = { all: lamps.all, shining: lamps.shining }
  playMoment()
  refreshHandles()
  frameFirst()
}

function playMoment(): void {
  const { time = props.moment, playing } = state.value
  copies?.play(props.moment === undefined ? undefined : playing, time ?? 0)
  viewer.value?.shadowsChanged()
  void lookThroughCamera()
}

/** Frames a project once, as soon as all of it is there. */
function frameFirst(): void {
  if (framed === document.id || !outcomes.settled) return
  const box = copies?.box()
  if (!box || box.isEmpty()) return
  framed = document.id
  viewer.value?.setView(view.view, box, view.along?.from)
  void lookThroughCamera()
}

function refreshHandles(): void {
  const { pattern, outcome } = selection
  const under = underOf(document.project, selection.underId)
  const box = under && underneath?.box(under.id)
  underPins.value = under && box && !box.isEmpty() ? { under, handles: underHandles(under, box) } : undefined
  handles.value =
    pattern && outcome && !pattern.hidden
      ? handlesOf(pattern, outcome, outcomes.supportOf, (thing) => outcomes.twinned.has(thing))
      : undefined
  planes?.show(handles.value?.mirrors ?? [], stageColors().madder)
  guides.drawNormals()
  guides.drawPicked()
}

watch([state, () => document.meshes, () => document.proposal], show)
watch(
  () => outcomes.settled,
  () => {
    frameFirst()
    proposed.look()
    away.look()
  },
)
watch([() => selection.patternId, () => selection.underId, () => selection.picks, () => document.unit], refreshHandles)
watch([() => view.share, () => view.night], show)
const cameraIn = [() => playback.throughCamera, () => document.project.camera, () => document.project.views]
watch([() => props.moment, ...cameraIn], playMoment)
watch(
  () => view.whole,
  (whole) => {
    if (viewer.value) viewer.value.frames.always = whole
    viewer.value?.invalidate()
  },
)
watch(
  () => selection.outcome && overlaps.of(selection.outcome),
  (crowd) => {
    copies?.hatch(crowd?.id, crowd?.overlaps ?? [], stageColors().vermilion)
    viewer.value?.invalidate()
  },
)
watch(
  () => [view.view, view.along] as const,
  ([name, along]) => {
    underneath?.face(name)
    if (copies) viewer.value?.setView(name, copies.box(), along?.from)
  },
)
viewpoints.now = () => viewer.value?.viewpoint
watch(
  () => viewpoints.asked,
  async (asked) => {
    // The view itself, flat or not, has changed by then.
    await nextTick()
    if (asked) viewer.value?.lookFrom(asked.view)
  },
)
/** What is framed: all that is shown, or what is picked. */
function framedBox(): THREE.Box3 {
  if (!copies) return new THREE.Box3()
  if (view.framing.what === 'everything') return copies.box()
  const box = pickedRows.value.size > 0 ? copies.boxOf(pickedRows.value) : copies.box(selection.patternId)
  // In a small picture a copy is shown among its neighbours.
  return props.bare ? box.expandByVector(box.getSize(new THREE.Vector3())) : box
}
watch(
  () => view.framing,
  () => viewer.value?.frame(framedBox(), false, true),
)
watch(theme, () => {
  const colors = stageColors()
  copies?.setInking(view.inking, colors)
  dots?.setColor(colors.edge)
  viewer.value?.invalidate()
})
watch(
  () => view.inking,
  (inking) => {
    copies?.setInking(inking, stageColors())
    viewer.value?.shadowsChanged()
  },
)
watch(
  () => view.drawing,
  () => {
    anew.again()
  },
)
useResizeObserver(frame, ([{ contentRect }]) => viewer.value?.resize(contentRect.width, contentRect.height))
onMounted(build)
onBeforeUnmount(() => {
  viewpoints.last = viewer.value?.viewpoint
  tearDown()
})

watchDebounced(
  () => outcomes.patterns,
  async () => {
    const png = copies && viewer.value && (await smallPicture(viewer.value, copies.box(), 420, 262))
    if (png) emit('picture', png)
  },
  // What was worked out before the stage was there has no picture yet.
  { debounce: 1500, immediate: true },
)

const picks = useStagePicks(
  () => ({ viewer: viewer.value, copies, underneath, canvas: canvas.value, dotStep: dots?.step ?? 1 }),
  held,
  motion,
  drag,
  lasso,
)
const { hovered } = useHovered(frame, () => ({ viewer: viewer.value, copies, canvas: canvas.value }))
const note = computed(() => drag.note.value ?? motion.note.value)
</script>

<template>
  <div
    ref="frame"
    class="frame"
    data-keys="stage"
    :data-resting="isResting"
    :data-worked="outcomes.milliseconds"
    :data-took="view.shown?.took"
    :data-drawn="view.shown && `${Math.round(view.shown.share * 100)} %`"
    :class="{ four: view.four && !bare, picking: picking.active, night: view.night, outlining: lasso.isOn.value }"
    tabindex="0"
    aria-label="Stage"
    role="application"
    @pointerdown.capture="picks.down"
    @pointerup="picks.up"
  >
    <canvas :key="anew.key.value" ref="canvas" />
    <StageHandles
      v-if="viewer && handles && !bare"
      :viewer="viewer"
      :handles="handles"
      :pinned="!held.grip.value && !underPins"
      :frames="frames"
      :picked="(selection.patternId && pickedRows.get(selection.patternId)) || NONE"
      :numbered="view.numbered"
      @grab="(event, pin) => handles && drag.pin(event, pin, handles)"
    />
    <StageHandles
      v-if="viewer && underPins && !bare && !picking.active"
      :viewer="viewer"
      :handles="underPins.handles"
      pinned
      :frames="frames"
      :picked="NONE"
      :numbered="false"
      @grab="(event, pin) => underPins && drag.underPin(event, pin, underPins.handles, underPins.under)"
    />
    <PickedPins
      v-if="viewer && !bare && !underPins && held.grip.value && !picking.active && !lasso.isOn.value"
      :viewer="viewer"
      :grip="held.grip.value"
      :mark="held.mark.value"
      :frames="frames"
      @grab="(event, pin) => held.grip.value && motion.pin(event, pin, held.grip.value)"
    />
    <NoPicture v-if="anew.fault.value" :words="anew.fault.value" @again="anew.again" />
    <MeasureLines v-if="viewer" :viewer="viewer" :frames="frames" />
    <ToolChips v-if="!bare && !underPins && held.grip.value && !picking.active && !lasso.isOn.value" />
    <MeasureCard />
    <StageNotes
      :note="note"
      :hovered="picking.active ? undefined : hovered"
      :outline="lasso.drawn.value"
      :viewer="viewer"
      :frames="frames"
    />
    <template v-if="!bare">
      <StageChips :lamps="lampsTold" :out="away.isOut.value" />
      <StageFoot :grid-step="gridStep" />
      <KeyHints :dragging="!!note" :held="!!held.grip.value" />
    </template>
  </div>
  <OtherViews v-if="viewer && view.four && !bare" :viewer="viewer" :resting="isResting" :box="framedBox" />
</template>

<style scoped>
.frame {
  position: absolute;
  inset: 0;
  overflow: hidden;
}
.frame.four {
  right: 34%;
}
.frame.night {
  background: #17161a;
}
.frame.outlining canvas {
  cursor: crosshair;
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
</style>
