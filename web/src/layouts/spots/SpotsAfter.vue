<script setup lang="ts">
import type { Spots } from '@hilera/core/layouts/spots/schema'
import type { Pattern } from '@hilera/core/model/pattern'
import { useSeparateEdits } from '../../links/separateEdits'
import SpotsFromDialog from '../../patterns/SpotsFromDialog.vue'
import TableDialog from '../../patterns/TableDialog.vue'
import { useSpotEdits } from '../../patterns/spotEdits'
import { useSelection } from '../../stores/selection'
import { computed, useTemplateRef } from 'vue'

/** More spots are clicked on the stage; copies that were made separate can be the pattern again that they were. */
const props = defineProps<{ pattern: Pattern }>()
const spots = useSpotEdits()
const selection = useSelection()
const table = useTemplateRef<InstanceType<typeof TableDialog>>('table')
const other = useTemplateRef<InstanceType<typeof SpotsFromDialog>>('other')
const number = computed(() => spots.numberOfPicked(props.pattern))
const count = computed(() => (props.pattern.layout as Spots).spots.length)
const picked = computed(() => selection.picks.get(props.pattern.id)?.size ?? 0)
const separate = useSeparateEdits()
</script>

<template>
  <button type="button" class="aside" @click="spots.addSpots(pattern)">
    {{ number === undefined ? 'Click more spots on the stage' : `Click spots after number ${number}` }}
  </button>
  {{ ' · ' }}
  <button type="button" class="aside" @click="table?.open()">From a table</button>
  {{ ' · ' }}
  <button type="button" class="aside" @click="other?.open()">From other things</button>
  <template v-if="number !== undefined">
    {{ ' · ' }}
    <button
      type="button"
      class="aside"
      :disabled="number === 1"
      :title="number === 1 ? 'It is the first' : 'It is dealt and numbered one place earlier'"
      @click="spots.reorder(pattern, -1)"
    >
      One earlier
    </button>
    {{ ' · ' }}
    <button
      type="button"
      class="aside"
      :disabled="number === count"
      :title="number === count ? 'It is the last' : 'It is dealt and numbered one place later'"
      @click="spots.reorder(pattern, 1)"
    >
      One later
    </button>
  </template>
  <template v-if="picked > 0">
    {{ ' · ' }}
    <button type="button" class="aside" @click="spots.removePicked(pattern)">
      {{ picked === 1 ? 'Remove the picked spot' : `Remove the ${picked} picked spots` }}
    </button>
  </template>
  <TableDialog ref="table" :pattern="pattern" />
  <SpotsFromDialog ref="other" :pattern="pattern" />
  <template v-if="pattern.was">
    {{ ' · ' }}
    <button type="button" class="aside" @click="separate.backToPattern(pattern)">
      Make it the pattern that it was
    </button>
  </template>
</template>
