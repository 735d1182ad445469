<script setup lang="ts">
import { inAxes } from '@hilera/core/evaluation/inAxes'
import { isLayout } from '@hilera/core/layouts/index'
import { MAX_SPOTS } from '@hilera/core/layouts/spots/schema'
import type { Pattern } from '@hilera/core/model/pattern'
import { partMesh } from '@hilera/core/parts/partMesh'
import { type PlaceKind, placesOn } from '@hilera/core/parts/placesOn'
import type { ReadPlaces } from '@hilera/core/readers/spotTable'
import { plural } from '@hilera/core/words'
import Button from 'primevue/button'
import Checkbox from 'primevue/checkbox'
import Dialog from 'primevue/dialog'
import Select from 'primevue/select'
import { computed, ref } from 'vue'
import { useDocument } from '../stores/document'
import { useOutcomes } from '../stores/outcomes'
import { useSpotEdits } from './spotEdits'

/** Spots where other things have places: on the copies of a pattern, on the corners, faces or edges of a part. */
const props = defineProps<{ pattern?: Pattern }>()
const document = useDocument()
const outcomes = useOutcomes()
const edits = useSpotEdits()
const shown = ref(false)
const from = ref<'copies' | PlaceKind>('copies')
const wanted = ref<string>()
const withTurns = ref(true)
const withSizes = ref(true)
const kinds = [
  { value: 'copies', words: 'the copies of a pattern' },
  { value: 'corners', words: 'the corners of a part' },
  { value: 'faces', words: 'the middles of the faces of a part' },
  { value: 'edges', words: 'the middles of the edges of a part' },
]
const others = computed(() => document.project.patterns.filter((p) => p.id !== props.pattern?.id))
const faced = computed(() => outcomes.source.parts.filter((p) => partMesh(p, outcomes.source)))
const choices = computed(() => (from.value === 'copies' ? others.value : faced.value))
const chosen = computed(() => choices.value.find(({ id }) => id === wanted.value) ?? choices.value[0])

const places = computed((): ReadPlaces['places'] => {
  if (!shown.value || !chosen.value) return []
  const { id } = chosen.value
  if (from.value !== 'copies') {
    const part = faced.value.find((p) => p.id === id)
    const mesh = part && partMesh(part, outcomes.source)
    return mesh
      ? placesOn(mesh, from.value).map(({ move, turn }) => ({ move, ...(withTurns.value && { turn: [...turn] }) }))
      : []
  }
  const host = others.value.find((p) => p.id === id)
  const outcome = outcomes.byId.get(id)
  if (!host || !outcome) return []
  const table = inAxes(outcome.table, host.place, props.pattern?.place)
  return Array.from({ length: table.count }, (_, k) => k)
    .filter((k) => table.isPresent(k))
    .map((k) => {
      const { move, turn, size } = table.placingOf(k)
      return { move, ...(withTurns.value && { turn: [...turn] }), ...(withSizes.value && { size }) }
    })
})
const standing = computed(() => {
  const layout = props.pattern?.layout
  return layout && isLayout('spots', layout) ? layout.spots.length : 0
})
const lack = computed(() => {
  if (!chosen.value) return from.value === 'copies' ? 'There is no other pattern.' : 'No part has faces.'
  if (places.value.length === 0)
    return from.value === 'copies' ? `No copy of ${chosen.value.name} stands.` : `${chosen.value.name} has none.`
  if (places.value.length + standing.value > MAX_SPOTS) return `A pattern takes up to ${MAX_SPOTS} spots.`
  return undefined
})
function open(): void {
  wanted.value = undefined
  shown.value = true
}
defineExpose({ open })
function place(): void {
  edits.addPlaces(places.value, `${chosen.value?.name ?? ''} spots`, props.pattern)
  shown.value = false
}
</script>

<template>
  <Dialog v-model:visible="shown" modal header="Spots from other things" :style="{ width: '440px' }">
    <div class="settings">
      <span id="spots-from">On</span>
      <Select v-model="from" :options="kinds" option-label="words" option-value="value" aria-labelledby="spots-from" />
      <span id="spots-of">Which</span>
      <Select
        :model-value="chosen?.id"
        :options="choices"
        option-label="name"
        option-value="id"
        :filter="choices.length > 12"
        aria-labelledby="spots-of"
        @update:model-value="(id: string) => (wanted = id)"
      />
    </div>
    <div class="ticks">
      <Checkbox v-model="withTurns" input-id="spots-turned" binary />
      <label for="spots-turned">{{ from === 'copies' ? 'turned as they are' : 'turned to look out of it' }}</label>
      <template v-if="from === 'copies'">
        <Checkbox v-model="withSizes" input-id="spots-sized" binary />
        <label for="spots-sized">sized as they are</label>
      </template>
    </div>
    <p v-if="lack" class="note" role="status">{{ lack }}</p>
    <p v-else class="note" role="status">
      <span class="figure">{{ places.length }}</span> {{ plural(places.length, 'place', 'places')
      }}{{
        from === 'copies'
          ? '; they stay where they are now, whatever becomes of it'
          : ', about the start of the pattern'
      }}
    </p>
    <template #footer>
      <Button label="Leave it" severity="secondary" variant="text" @click="shown = false" />
      <Button :label="`Place ${places.length}`" :disabled="lack !== undefined" @click="place" />
    </template>
  </Dialog>
</template>

<style scoped>
.settings {
  display: grid;
  grid-template-columns: 70px 1fr;
  gap: 6px 12px;
  align-items: center;
}
.ticks {
  display: flex;
  gap: 8px;
  align-items: center;
  margin: 12px 0 4px;
}
.ticks label + :deep(*) {
  margin-left: 12px;
}
</style>
