<script setup lang="ts">
import type { ShapeAnswer } from '@hilera/core/model/mirror'
import type { Project } from '@hilera/core/model/project'
import { formatNumber } from '@hilera/core/numbers/format'
import { plural } from '@hilera/core/words'
import Button from 'primevue/button'
import Dialog from 'primevue/dialog'
import { computed, nextTick, onBeforeUnmount, shallowRef, watch } from 'vue'
import { Copies } from '../stage/copies'
import { Daylight } from '../stage/daylight'
import { stageColors } from '../stage/stageColors'
import { Viewer } from '../stage/viewer'
import { useDocument } from '../stores/document'
import { useOutcomes } from '../stores/outcomes'
import { useView } from '../stores/view'
import type { PatternUpdate } from '../worker/messages'
import { useReflectionEdits } from './mirrorEdits'
import { useMirrorOrTurn } from './mirrorOrTurn'

/** The same mirror twice with one camera: shapes mirrored, and kept and turned into place. Choosing one answers for all shapes. */
const document = useDocument()
const outcomes = useOutcomes()
const view = useView()
const dialog = useMirrorOrTurn()

const answers = ['mirrored', 'kept'] as const
const canvases: Partial<Record<ShapeAnswer, HTMLCanvasElement>> = {}
const told = shallowRef<Partial<Record<ShapeAnswer, { copies: number; twins: number }>>>({})
let stages: { viewer: Viewer; copies: Copies; answer: ShapeAnswer }[] = []

const pattern = computed(() => document.project.patterns.find((p) => p.id === dialog.patternId))
const reflect = computed(() => {
  const found = pattern.value?.steps.find((s) => s.id === dialog.stepId)
  return found?.kind === 'reflect' ? found : undefined
})
const edits = useReflectionEdits(
  () => pattern.value!,
  () => reflect.value,
)

/** The document with only the mirror and what it mirrors, every shape answered one way. */
function answered(answer: ShapeAnswer): Project {
  const { project } = document
  const own = dialog.patternId
  const shown = new Set([own, ...sources()])
  return {
    ...project,
    patterns: project.patterns.map((p) => {
      if (p.id !== own) return { ...p, hidden: p.hidden || !shown.has(p.id) }
      const all = { shapes: answer, answers: {} }
      if (reflect.value)
        return {
          ...p,
          hidden: false,
          steps: p.steps.map((s) => (s.id === reflect.value?.id ? { ...s, ...all } : s)) as typeof p.steps,
        }
      return p.layout.kind === 'mirror' ? { ...p, hidden: false, layout: { ...p.layout, ...all } } : p
    }),
  }
}
function sources(): string[] {
  const layout = pattern.value?.layout
  if (layout?.kind !== 'mirror') return []
  const { groups, sets, patterns } = document.project
  return layout.sources.flatMap(({ kind, id }) => {
    if (kind === 'pattern') return [id]
    if (kind === 'set') return Object.keys(sets.find((s) => s.id === id)?.copies ?? {})
    const under = new Set([id, ...groups.filter((g) => g.parent === id).map((g) => g.id)])
    return patterns.filter((p) => p.group !== undefined && under.has(p.group)).map((p) => p.id)
  })
}

watch(
  () => dialog.patternId,
  async (id) => {
    tearDown()
    if (id === undefined) return
    await nextTick()
    await nextTick()
    for (const answer of answers) await build(answer)
    follow()
  },
)
onBeforeUnmount(tearDown)

async function build(answer: ShapeAnswer): Promise<void> {
  const project = answered(answer)
  const updates: readonly PatternUpdate[] = await outcomes.asIf(project)
  const canvas = canvases[answer]
  if (!canvas || !pattern.value) return
  const fine = view.drawing === 'fine'
  const viewer = new Viewer(canvas, fine)
  const copies = new Copies(fine, stageColors().ink, () => viewer.invalidate())
  const light = new Daylight(fine)
  viewer.scene.add(light.root, copies.root)
  viewer.resize(canvas.parentElement!.clientWidth, canvas.parentElement!.clientHeight)
  copies.show(project, updates, document.source)
  const box = copies.box()
  light.cover(box)
  viewer.shadowsChanged()
  viewer.setView('perspective', box)
  const own = updates.filter((u) => u.id === dialog.patternId).flatMap((u) => u.batches.filter((b) => b.image))
  told.value = {
    ...told.value,
    [answer]: {
      copies: own.reduce((n, b) => n + b.rows.length, 0),
      twins: own.reduce((n, b) => n + (b.twin ? b.rows.length : 0), 0),
    },
  }
  stages.push({ viewer, copies, answer })
}

/** One camera for both: where one is moved, the other goes along. */
function follow(): void {
  const [a, b] = stages
  if (!a || !b) return
  let busy = false
  for (const [from, to] of [
    [a.viewer, b.viewer],
    [b.viewer, a.viewer],
  ]) {
    from.controls.addEventListener('update', () => {
      if (busy) return
      busy = true
      const [eye, target] = [
        from.controls.getPosition(from.camera.position.clone()),
        from.controls.getTarget(from.camera.position.clone()),
      ]
      void to.controls.setLookAt(eye.x, eye.y, eye.z, target.x, target.y, target.z, false)
      to.invalidate()
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
  told.value = {}
}

function use(answer: ShapeAnswer): void {
  edits.change('shapes', (r) => {
    r.shapes = answer
    r.answers = {}
  })
  dialog.close()
}
</script>

<template>
  <Dialog
    :visible="!!dialog.patternId"
    modal
    header="Mirror or turn?"
    :style="{ width: '1080px', maxWidth: '96vw' }"
    @update:visible="(shown: boolean) => !shown && dialog.close()"
  >
    <p class="note">
      The same copies both ways, with one camera. Mirrored, a shape changes its hand; kept, it is only turned into
      place.
    </p>
    <div class="sheet">
      <figure v-for="answer in answers" :key="answer">
        <div class="frame">
          <canvas :ref="(el) => void (canvases[answer] = el as HTMLCanvasElement)" :aria-label="`Shapes ${answer}`" />
        </div>
        <figcaption>
          <span
            ><b>{{ answer === 'mirrored' ? 'Mirrored' : 'Kept, turned into place' }}</b
            ><template v-if="told[answer]"
              >{{ ' ' }}<span class="figure">{{ formatNumber(told[answer]!.copies, 0) }}</span>
              {{ plural(told[answer]!.copies, 'image', 'images') }},
              <span class="figure">{{ formatNumber(told[answer]!.twins, 0) }}</span> in the other hand</template
            ></span
          >
          <Button
            :label="answer === 'mirrored' ? 'Use mirrored' : 'Use kept'"
            size="small"
            :severity="answer === 'mirrored' ? undefined : 'secondary'"
            @click="use(answer)"
          />
        </figcaption>
      </figure>
    </div>
  </Dialog>
</template>

<style scoped>
.note {
  margin: 0 0 10px;
}
.sheet {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 14px;
}
figure {
  margin: 0;
  border: 1px solid var(--rule);
  border-radius: 8px;
  overflow: hidden;
}
.frame {
  height: 400px;
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
b {
  color: var(--ink);
}
</style>
