<script setup lang="ts">
import { fromTurns, inverse, rotate } from '@hilera/core/geometry/rotation'
import type { Fill } from '@hilera/core/layouts/fill/schema'
import type { Pattern } from '@hilera/core/model/pattern'
import { outlineOfRuns } from '@hilera/core/solids/outlineOfRuns'
import type { OutlineShape } from '@hilera/core/values/outline'
import type { Vec3 } from '@hilera/core/values/values'
import { useFileDialog } from '@vueuse/core'
import { computed, ref } from 'vue'
import { useRefusal } from '../../shell/refusal'
import { usePicking } from '../../stores/picking'
import { useLayoutEdits } from '../layoutEdits'
import LetteringDialog from './LetteringDialog.vue'
import OutlinePoints from './OutlinePoints.vue'
import { readAway } from '../../worker/reading'

/** What a fill's outline takes beside words: its points, holes drawn into it, an outline from a drawing. */
const props = defineProps<{ pattern: Pattern }>()
const picking = usePicking()
const edits = useLayoutEdits('fill', () => props.pattern)
const outline = computed(() => (props.pattern.layout as Fill).outline)
const more = computed(() => (outline.value.kind === 'polygon' ? (outline.value.more?.length ?? 0) : 0))

async function drawHole(): Promise<void> {
  const points = await picking.places('Click the points of the hole', 3)
  if (!points) return
  const { move, turn } = props.pattern.place
  const back = inverse(fromTurns(turn))
  const ring = points.map((p): [number, number] => {
    const [x, , z] = rotate(back, p.map((n, i) => n - move[i]) as Vec3)
    return [Math.round(x * 1e6) / 1e6, Math.round(z * 1e6) / 1e6]
  })
  void edits.change('hole', (f) => {
    if (f.outline.kind === 'polygon') f.outline.more = [...(f.outline.more ?? []), ring]
  })
}
const lettering = ref(false)
const dropHoles = (): void =>
  void edits.change('outlines', (f) => {
    if (f.outline.kind === 'polygon') delete f.outline.more
  })
const refuse = useRefusal()
/** Another outline; where nothing of the pattern fits into it the one before stays, and that is said. */
async function take(made: OutlineShape): Promise<void> {
  const refused = await edits.change('outline', (f) => void (f.outline = made))
  if (refused) refuse(refused.says)
}
const dialog = useFileDialog({ accept: '.svg', multiple: false, reset: true })
dialog.onChange(async (files) => {
  const file = files?.[0]
  if (!file) return
  const text = await file.text()
  const read = await readAway(file.name, (to) => to.svg(text, file.name))
  const made = read.ok ? outlineOfRuns(read.value, file.name) : read
  if (made.ok) await take(made.value)
  else refuse(made.problem.says)
})
</script>

<template>
  <button
    type="button"
    class="aside"
    :disabled="outline.kind !== 'polygon'"
    :title="outline.kind === 'polygon' ? undefined : 'Make it an outline of points first'"
    @click="drawHole()"
  >
    Draw a hole on the stage
  </button>
  {{ ' · ' }}
  <button type="button" class="aside" @click="dialog.open()">Outline from a drawing</button>
  {{ ' · ' }}
  <button type="button" class="aside" @click="lettering = true">Outline of letters</button>
  <template v-if="more > 0">
    {{ ' · ' }}
    <button type="button" class="aside" @click="dropHoles()">
      Take {{ more === 1 ? 'the other outline' : `the ${more} other outlines` }} away
    </button>
  </template>
  <OutlinePoints :pattern="pattern" />
  <LetteringDialog v-model:shown="lettering" @made="take" />
</template>
