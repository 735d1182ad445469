<script setup lang="ts">
import { sourcePatterns } from '@hilera/core/evaluation/mirrorSources'
import { definitionOf } from '@hilera/core/layouts/index'
import type { ShapeAnswer } from '@hilera/core/values/reflection'
import type { Project } from '@hilera/core/model/project'
import { formatNumber } from '@hilera/core/numbers/format'
import { plural } from '@hilera/core/words'
import { produce } from 'immer'
import Button from 'primevue/button'
import Dialog from 'primevue/dialog'
import { computed, shallowRef, watch } from 'vue'
import SideBySide, { type ComparedSide } from '../stage/SideBySide.vue'
import { useDocument } from '../stores/document'
import { useOutcomes } from '../stores/outcomes'
import { reflectionOf, useReflectionEdits } from './mirrorEdits'
import { useMirrorOrTurn } from './mirrorOrTurn'

/** The same mirror twice with one camera: shapes mirrored, and kept and turned into place. Choosing one answers for all shapes. */
const document = useDocument()
const outcomes = useOutcomes()
const dialog = useMirrorOrTurn()
const answers = ['mirrored', 'kept'] as const
const sides = shallowRef<readonly ComparedSide[]>([])

const pattern = computed(() => document.project.patterns.find((p) => p.id === dialog.patternId))
const edits = useReflectionEdits(
  () => pattern.value!,
  () => dialog.stepId,
)

/** The document with only the mirror and what it mirrors, every shape answered one way. */
function answered(answer: ShapeAnswer): Project {
  const { project } = document
  const own = pattern.value!
  const imaged = definitionOf(own.layout).images?.(own.layout)?.sources ?? []
  const sources = sourcePatterns(imaged, project, own.id)
  const shown = new Set([own.id, ...sources.map((s) => s.pattern.id)])
  return produce(project, ({ patterns }) => {
    for (const p of patterns) p.hidden = p.id !== own.id && (p.hidden || !shown.has(p.id))
    const reflection = reflectionOf(
      patterns.find((p) => p.id === own.id)!,
      dialog.stepId,
    )
    if (reflection) Object.assign(reflection, { shapes: answer, answers: {} })
  })
}

watch(
  () => dialog.patternId,
  async (id) => {
    sides.value = []
    if (id === undefined) return
    const made: ComparedSide[] = []
    for (const answer of answers) {
      const project = answered(answer)
      made.push({ key: answer, label: `Shapes ${answer}`, project, updates: await outcomes.asIf(project) })
    }
    if (dialog.patternId === id) sides.value = made
  },
  { immediate: true },
)
/** How many images there are, and how many of them in the other hand. */
function told({ updates }: ComparedSide): { copies: number; twins: number } {
  const images = updates.filter((u) => u.id === dialog.patternId).flatMap((u) => u.batches.filter((b) => b.image))
  const count = (list: typeof images): number => list.reduce((n, b) => n + b.rows.length, 0)
  return { copies: count(images), twins: count(images.filter((b) => b.twin)) }
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
    <SideBySide v-if="sides.length > 0" :sides="sides">
      <template v-for="side in sides" :key="side.key" #[side.key]>
        <span
          ><b>{{ side.key === 'mirrored' ? 'Mirrored' : 'Kept, turned into place' }}</b
          >{{ ' ' }}<span class="figure">{{ formatNumber(told(side).copies, 0) }}</span>
          {{ plural(told(side).copies, 'image', 'images') }},
          <span class="figure">{{ formatNumber(told(side).twins, 0) }}</span> in the other hand</span
        >
        <Button
          :label="side.key === 'mirrored' ? 'Use mirrored' : 'Use kept'"
          size="small"
          :severity="side.key === 'mirrored' ? undefined : 'secondary'"
          @click="use(side.key as ShapeAnswer)"
        />
      </template>
    </SideBySide>
    <p v-else class="note">Working it out both ways…</p>
  </Dialog>
</template>

<style scoped>
.note {
  margin: 0 0 10px;
}
</style>
