<script setup lang="ts">
import { lengthThrough, placesAlong } from '@hilera/core/curves/alongLine'
import { inAxes } from '@hilera/core/evaluation/inAxes'
import { compose, fromTurns, inverse, rotate } from '@hilera/core/geometry/rotation'
import { type Vec3, minus, plus } from '@hilera/core/geometry/vec'
import { isLayout } from '@hilera/core/layouts/index'
import { MAX_SPOTS } from '@hilera/core/layouts/spots/schema'
import type { Pattern } from '@hilera/core/model/pattern'
import { type Tie, heightOf, ties } from '@hilera/core/spacing/ties'
import { partMesh } from '@hilera/core/parts/partMesh'
import { type PlaceKind, placesOn } from '@hilera/core/parts/placesOn'
import type { ReadPlaces } from '@hilera/core/readers/spotTable'
import { formatLength } from '@hilera/core/numbers/format'
import { boxOf } from '@hilera/core/spacing/support'
import { aSide } from '@hilera/core/sentences/checks'
import { plural } from '@hilera/core/words'
import Button from 'primevue/button'
import Checkbox from 'primevue/checkbox'
import Dialog from 'primevue/dialog'
import Select from 'primevue/select'
import { computed, ref } from 'vue'
import PlainNumber from '../sentences/PlainNumber.vue'
import { useDocument } from '../stores/document'
import { useOutcomes } from '../stores/outcomes'
import { usePicking } from '../stores/picking'
import { useSpotEdits } from './spotEdits'

/** Spots where other things have places: on the copies of a pattern, on a part, along a line that is drawn on the stage. */
const props = defineProps<{ pattern?: Pattern }>()
const document = useDocument()
const outcomes = useOutcomes()
const picking = usePicking()
const edits = useSpotEdits()
const shown = ref(false)
const from = ref<'copies' | 'line' | PlaceKind>('copies')
const wanted = ref<string>()
/** Where on each copy. */
const tie = ref<Tie>('pivot')
const tieWords = ties.map((value) => ({
  value,
  words: { pivot: 'their pivots', base: 'their bases', centre: 'their centres', top: 'their tops' }[value],
}))
const withTurns = ref(true)
const withSizes = ref(true)
const kinds = [
  { value: 'copies', words: 'the copies of a pattern' },
  { value: 'line', words: 'a line drawn on the stage' },
  { value: 'corners', words: 'the corners of a part' },
  { value: 'faces', words: 'the middles of the faces of a part' },
  { value: 'edges', words: 'the middles of the edges of a part' },
]
/** A line from point to point in the world, and how far apart spots stand on it. */
const line = ref<readonly Vec3[]>([])
const every = ref(0.2)
const turnWords: Partial<Record<typeof from.value, string>> = { copies: 'turned as they are', line: 'turned along it' }
const placeWords: Partial<Record<typeof from.value, string>> = {
  copies: '; they stay where they are now, whatever becomes of it',
  line: ', each a spot of its own from then on',
}
const others = computed(() => document.project.patterns.filter((p) => p.id !== props.pattern?.id))
const faced = computed(() => outcomes.source.parts.filter((p) => partMesh(p, outcomes.source)))
const choices = computed(() => (from.value === 'copies' ? others.value : from.value === 'line' ? [] : faced.value))
const chosen = computed(() => choices.value.find(({ id }) => id === wanted.value) ?? choices.value[0])

const places = computed((): ReadPlaces['places'] => {
  if (from.value === 'line') return onLine()
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
  const heights = new Map<number, number>()
  const heightAt = (thing: number): number => {
    const known = heights.get(thing) ?? heightOf(tie.value, boxOf(outcomes.supportOf(thing)))
    heights.set(thing, known)
    return known
  }
  return Array.from({ length: table.count }, (_, k) => k)
    .filter((k) => table.isPresent(k))
    .map((k) => {
      const { move: pivot, turn, size } = table.placingOf(k)
      const move = plus(pivot, rotate(turn, [0, size[1] * heightAt(table.thing[k]), 0]))
      return { move, ...(withTurns.value && { turn: [...turn] }), ...(withSizes.value && { size }) }
    })
})
/** In the pattern's axes. */
function onLine(): ReadPlaces['places'] {
  if (line.value.length === 0) return []
  const { move: start, turn } = props.pattern?.place ?? { move: [0, 0, 0] as Vec3, turn: [0, 0, 0] as Vec3 }
  const back = inverse(fromTurns(turn))
  // One more than it takes tells that there are too many.
  return placesAlong(line.value, every.value, MAX_SPOTS + 1).map(({ move, turn: along }) => ({
    move: rotate(back, minus(move, start)),
    ...(withTurns.value && { turn: [...compose(back, along)] }),
  }))
}
/** The line is clicked on the stage, which is seen meanwhile. */
async function draw(): Promise<void> {
  shown.value = false
  const points = await picking.places('Click the line from point to point', 2)
  if (points) line.value = points
  shown.value = true
}
const standing = computed(() => {
  const layout = props.pattern?.layout
  return layout && isLayout('spots', layout) ? layout.spots.length : 0
})
const tooMany = `A pattern takes up to ${MAX_SPOTS} spots.`
const lack = computed(() => {
  if (from.value === 'line' && line.value.length === 0) return 'Draw the line first.'
  if (from.value === 'line') return places.value.length + standing.value > MAX_SPOTS ? tooMany : undefined
  if (!chosen.value) return from.value === 'copies' ? 'There is no other pattern.' : 'No part has faces.'
  if (places.value.length === 0)
    return from.value === 'copies' ? `No copy of ${chosen.value.name} stands.` : `${chosen.value.name} has none.`
  if (places.value.length + standing.value > MAX_SPOTS) return tooMany
  return undefined
})
function open(): void {
  wanted.value = undefined
  line.value = []
  shown.value = true
}
defineExpose({ open })
function place(): void {
  edits.addPlaces(places.value, `${chosen.value?.name ?? 'Row of'} spots`, props.pattern)
  shown.value = false
}
</script>

<template>
  <Dialog v-model:visible="shown" modal header="Spots from other things" :style="{ width: '440px' }">
    <div class="settings">
      <span id="spots-from">On</span>
      <Select v-model="from" :options="kinds" option-label="words" option-value="value" aria-labelledby="spots-from" />
      <template v-if="from === 'line'">
        <span>Every</span>
        <span>
          <PlainNumber v-model="every" label="Distance along the line" quantity="length" :check="aSide()" />
          <button type="button" class="aside draw" @click="draw">
            {{ line.length > 0 ? 'Draw it anew' : 'Draw it on the stage' }}
          </button>
        </span>
      </template>
      <span v-if="from !== 'line'" id="spots-of">Which</span>
      <Select
        v-if="from !== 'line'"
        :model-value="chosen?.id"
        :options="choices"
        option-label="name"
        option-value="id"
        :filter="choices.length > 12"
        aria-labelledby="spots-of"
        @update:model-value="(id: string) => (wanted = id)"
      />
      <template v-if="from === 'copies'">
        <span id="spots-at">At</span>
        <Select
          v-model="tie"
          :options="tieWords"
          option-label="words"
          option-value="value"
          aria-labelledby="spots-at"
        />
      </template>
    </div>
    <div class="ticks">
      <Checkbox v-model="withTurns" input-id="spots-turned" binary />
      <label for="spots-turned">{{ turnWords[from] ?? 'turned to look out of it' }}</label>
      <template v-if="from === 'copies'">
        <Checkbox v-model="withSizes" input-id="spots-sized" binary />
        <label for="spots-sized">sized as they are</label>
      </template>
    </div>
    <p v-if="lack" class="note" role="status">{{ lack }}</p>
    <p v-else class="note" role="status">
      <span class="figure">{{ places.length }}</span> {{ plural(places.length, 'place', 'places')
      }}<template v-if="from === 'line'"
        >&#32;on <span class="figure">{{ formatLength(lengthThrough(line), document.unit) }}</span></template
      >{{ placeWords[from] ?? ', about the start of the pattern' }}
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
.draw {
  margin-left: 12px;
}
.ticks label + :deep(*) {
  margin-left: 12px;
}
</style>
