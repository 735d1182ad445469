<script setup lang="ts">
import type { Part } from '@hilera/core/model/part'
import type { Vec3 } from '@hilera/core/values/values'
import { grainOf } from '@hilera/core/parts/guise'
import { partMesh } from '@hilera/core/parts/partMesh'
import { unframed } from '@hilera/core/parts/surface'
import { formatLength } from '@hilera/core/numbers/format'
import { boundsOfPart } from '@hilera/core/parts/support'
import { usePreferredReducedMotion, useResizeObserver } from '@vueuse/core'
import * as THREE from 'three'
import { computed, onBeforeUnmount, onMounted, shallowRef, useTemplateRef, watch } from 'vue'
import { useRefusal } from '../shell/refusal'
import { Daylight } from '../stage/daylight'
import { drawingOf, type PartDrawing } from '../stage/copies/drawing'
import { useCanvasAnew } from '../stage/canvasAnew'
import NoPicture from '../shell/NoPicture.vue'
import { stageColors } from '../stage/stageColors'
import { pickedFaces } from '../stage/pickedFaces'
import { letGoOfAll } from '../stage/letGo'
import { surfaceOf } from '../stage/copies/surfaces'
import { type ScreenPoint, Viewer } from '../stage/viewer'
import { useDocument } from '../stores/document'
import { useView } from '../stores/view'
import { useTheme } from '../theme/theme'
import { usePartEdits } from './partEdits'
import { usePivotEdits } from './pivotEdits'
import { useSplitting } from './splitting'
import { useSymmetries } from './symmetries'

const PLAIN = { part: 0, twin: false, surface: 0 }

/** A part by itself, turning slowly, with its size on it: width, height and depth, its pivot, top and front, and its named points. */
const props = defineProps<{ part: Part; picking: boolean }>()
const emit = defineEmits<{ picked: [] }>()
const document = useDocument()
const view = useView()
const edits = usePartEdits()
const refuse = useRefusal('Not moved')
const pivotEdits = usePivotEdits(() => props.part)
const symmetries = useSymmetries()
const splitting = useSplitting()
const pickingFaces = computed(() => splitting.partId === props.part.id && splitting.by === 'faces')
const motion = usePreferredReducedMotion()
const { shown: theme } = useTheme()

const canvas = useTemplateRef<HTMLCanvasElement>('canvas')
const frame = useTemplateRef<HTMLElement>('frame')
const viewer = shallowRef<Viewer>()
const frames = shallowRef(0)
const mesh = computed(() => partMesh(props.part, document.source))
const box = computed(() => boundsOfPart(props.part, document.source))
let light: Daylight | undefined
let shown: PartDrawing | undefined
const root = new THREE.Group()
let turning = 0
let framed = ''

function build(): void {
  if (!canvas.value || !frame.value) return
  const fine = view.drawing === 'fine'
  const element = canvas.value
  const made = anew.begin(() => new Viewer(element, fine))
  if (!made) return
  light = new Daylight(fine)
  made.scene.add(light.root, root)
  made.onFrame = () => void frames.value++
  viewer.value = made
  made.resize(frame.value.clientWidth, frame.value.clientHeight)
  show()
  turn()
}
function tearDown(): void {
  cancelAnimationFrame(turning)
  viewer.value?.dispose()
  viewer.value = undefined
  framed = ''
}
const anew = useCanvasAnew(build, tearDown)

function show(): void {
  const at = viewer.value
  if (!at) return
  letGoOfAll(root)
  shown = undefined
  const own = mesh.value
  if (own && own.indices.length > 0) {
    const drawing = drawingOf(props.part, own)
    const surface = surfaceOf(
      props.part,
      own,
      { fine: view.drawing === 'fine', grain: grainOf(props.part, PLAIN) },
      () => at.invalidate(),
    )
    const body = new THREE.Mesh(drawing.surface, surface)
    body.castShadow = body.receiveShadow = view.drawing === 'fine'
    root.add(body)
    if (drawing.ink) {
      const edges = new THREE.BufferGeometry().setAttribute('position', new THREE.BufferAttribute(drawing.ink, 3))
      root.add(
        new THREE.LineSegments(
          edges,
          new THREE.LineBasicMaterial({ color: stageColors().ink, transparent: true, opacity: 0.4 }),
        ),
      )
    }
    if (pickingFaces.value && splitting.picked.size > 0)
      root.add(pickedFaces(own, splitting.picked, stageColors().madder))
    shown = drawing
  }
  const bounds = new THREE.Box3(new THREE.Vector3(...box.value.low), new THREE.Vector3(...box.value.high))
  light?.cover(bounds)
  at.shadowsChanged()
  if (framed !== props.part.id) {
    framed = props.part.id
    at.frame(bounds.expandByScalar(0.12 * bounds.getSize(new THREE.Vector3()).length()))
  }
}

/** Turns slowly while nobody has taken hold of it; not where motion is not wanted, nor in the fast drawing. */
function turn(): void {
  cancelAnimationFrame(turning)
  if (motion.value === 'reduce' || view.drawing !== 'fine') return
  let before = performance.now()
  const step = (now: number): void => {
    const at = viewer.value
    if (!at) return
    void at.controls.rotate((0.12 * (now - before)) / 1000, 0, false)
    before = now
    at.invalidate()
    turning = requestAnimationFrame(step)
  }
  turning = requestAnimationFrame(step)
}
watch([mesh, () => props.part, theme, () => splitting.picked], show)
watch(() => view.drawing, anew.again)
useResizeObserver(frame, ([{ contentRect }]) => viewer.value?.resize(contentRect.width, contentRect.height))
onMounted(build)
onBeforeUnmount(tearDown)

let pressed: { readonly x: number; readonly y: number } | undefined
function down({ clientX, clientY }: PointerEvent): void {
  cancelAnimationFrame(turning)
  pressed = { x: clientX, y: clientY }
}
/** A press that turned the part is no click. */
function up(event: PointerEvent): void {
  const still = pressed && Math.hypot(event.clientX - pressed.x, event.clientY - pressed.y) < 4
  pressed = undefined
  if (still && event.button === 0) click(event)
}

/** A click on the surface picks the face to split off, or gives the pivot; the point is brought back into the axes in which the shape was made. */
async function click(event: PointerEvent): Promise<void> {
  if (!viewer.value || !shown || (!props.picking && !pickingFaces.value)) return
  const hit = shown.bvh.raycastFirst(viewer.value.ray(event.clientX, event.clientY), THREE.FrontSide)
  if (!hit) return
  if (pickingFaces.value) return void splitting.toggleFace(hit.faceIndex!)
  const old = props.part.frame
  const own = unframed(hit.point.toArray(), old)
  const pivot = own.map((n) => Math.round(n * 1e5) / 1e5) as Vec3
  emit('picked')
  const problem = await pivotEdits.changing.change(
    `pivot of ${props.part.name}`,
    edits.recipe(props.part.id, (p) => {
      p.frame = { up: old?.up ?? 'top', front: old?.front ?? 'front', pivot }
    }),
  )
  refuse(problem?.says)
}

interface Mark {
  readonly key: string
  readonly a: ScreenPoint
  readonly b: ScreenPoint
  readonly text: string
}
/** The planes in which the part is its own mirror image, as rectangles about it. */
function planeLines(): Vec3[][] {
  if (!symmetries.drawn || symmetries.partId !== props.part.id) return []
  const { low, high } = box.value
  const reach = 0.6 * Math.hypot(...high.map((h, i) => h - low[i]))
  const middle = new THREE.Vector3(...low.map((n, i) => (n + high[i]) / 2))
  // A round part has as many as it has facets: the first ones tell it.
  return (symmetries.planes ?? []).slice(0, 6).map(({ normal, distance }) => {
    const n = new THREE.Vector3(...normal)
    const v = Math.abs(n.y) < 0.9 ? new THREE.Vector3(0, 1, 0) : new THREE.Vector3(0, 0, 1)
    v.addScaledVector(n, -v.dot(n)).normalize()
    const u = new THREE.Vector3().crossVectors(v, n)
    const foot = middle.clone().addScaledVector(n, distance - middle.dot(n))
    const corner = (x: number, y: number): Vec3 =>
      foot
        .clone()
        .addScaledVector(u, x * reach)
        .addScaledVector(v, y * reach)
        .toArray()
    return [corner(-1, -1), corner(1, -1), corner(1, 1), corner(-1, 1)]
  })
}

const over = computed(() => {
  void frames.value
  const at = viewer.value
  if (!at) return undefined
  const { low, high } = box.value
  const reach = Math.hypot(...high.map((h, i) => h - low[i]))
  const off = 0.09 * reach
  const screen = (x: number, y: number, z: number): ScreenPoint => at.toScreen(new THREE.Vector3(x, y, z))
  const marks: Mark[] = []
  const add = (key: string, from: Vec3, to: Vec3): void => {
    const metres = Math.hypot(...from.map((n, i) => n - to[i]))
    const [a, b] = [screen(...from), screen(...to)]
    if (metres > 1e-9 && Math.hypot(a.x - b.x, a.y - b.y) > 12)
      marks.push({ key, a, b, text: formatLength(metres, document.unit) })
  }
  // On the sides that the camera sees.
  const eye = at.controls.getPosition(new THREE.Vector3())
  const front = eye.z >= (low[2] + high[2]) / 2 ? high[2] + off : low[2] - off
  const side = eye.x >= (low[0] + high[0]) / 2 ? high[0] + off : low[0] - off
  const nearX = eye.x >= (low[0] + high[0]) / 2 ? low[0] - off : high[0] + off
  add('width', [low[0], low[1], front], [high[0], low[1], front])
  add('depth', [side, low[1], low[2]], [side, low[1], high[2]])
  add('height', [nearX, low[1], front], [nearX, high[1], front])
  const arm = 0.22 * reach
  return {
    marks,
    pivot: screen(0, 0, 0),
    up: screen(0, arm, 0),
    front: screen(0, 0, arm),
    planes: planeLines().map((line) => line.map((p) => screen(...p))),
    points: (props.part.points ?? []).map((p) => ({ name: p.name, at: screen(...p.at) })),
  }
})
</script>

<template>
  <div ref="frame" class="frame" :class="{ picking: picking || pickingFaces }" @pointerdown="down" @pointerup="up">
    <canvas :key="anew.key.value" ref="canvas" />
    <NoPicture v-if="anew.fault.value" :words="anew.fault.value" @again="anew.again" />
    <svg v-if="over" class="over" aria-hidden="true">
      <polygon
        v-for="(plane, i) in over.planes"
        :key="`p${i}`"
        class="plane"
        :points="plane.map((p) => `${p.x},${p.y}`).join(' ')"
      />
      <g v-for="m in over.marks" :key="m.key" class="dimension">
        <path :d="`M${m.a.x} ${m.a.y}L${m.b.x} ${m.b.y}`" />
        <path :d="`M${m.a.x - 4} ${m.a.y + 4}l8 -8M${m.b.x - 4} ${m.b.y + 4}l8 -8`" />
        <text :x="(m.a.x + m.b.x) / 2" :y="(m.a.y + m.b.y) / 2 + (m.key === 'height' ? -6 : 18)">{{ m.text }}</text>
      </g>
      <g class="axes">
        <path :d="`M${over.pivot.x} ${over.pivot.y}L${over.up.x} ${over.up.y}`" />
        <text :x="over.up.x" :y="over.up.y - 6">top</text>
        <path :d="`M${over.pivot.x} ${over.pivot.y}L${over.front.x} ${over.front.y}`" />
        <text :x="over.front.x" :y="over.front.y - 4" class="start">front</text>
        <circle :cx="over.pivot.x" :cy="over.pivot.y" r="5" />
        <text :x="over.pivot.x + 10" :y="over.pivot.y + 4" class="start">pivot</text>
        <g v-for="p in over.points" :key="p.name">
          <circle :cx="p.at.x" :cy="p.at.y" r="3" class="point" />
          <text :x="p.at.x + 8" :y="p.at.y - 5" class="start">{{ p.name }}</text>
        </g>
      </g>
    </svg>
  </div>
</template>

<style scoped>
.frame {
  position: absolute;
  inset: 0;
  overflow: hidden;
}
.picking {
  cursor: crosshair;
}
canvas {
  display: block;
  width: 100%;
  height: 100%;
  touch-action: none;
}
.over {
  position: absolute;
  inset: 0;
  width: 100%;
  height: 100%;
  pointer-events: none;
}
.plane {
  fill: var(--madder);
  fill-opacity: 0.06;
  stroke: var(--madder);
  stroke-dasharray: 4 3;
}
.dimension path {
  stroke: var(--ink);
  stroke-width: 1;
}
.dimension text {
  font: 600 12px var(--mono);
  fill: var(--ink);
  text-anchor: middle;
  paint-order: stroke;
  stroke: var(--stage);
  stroke-width: 5px;
}
.axes path {
  stroke: var(--madder);
  stroke-width: 1.4;
}
.axes circle {
  fill: var(--card);
  stroke: var(--madder);
  stroke-width: 2;
}
.axes .point {
  fill: var(--madder);
}
.axes text {
  font: 600 11px var(--sans);
  fill: var(--madder);
  text-anchor: middle;
  paint-order: stroke;
  stroke: var(--stage);
  stroke-width: 4px;
}
.axes .start {
  text-anchor: start;
}
</style>
