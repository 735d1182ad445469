<script setup lang="ts">
import type { Pattern } from '@hilera/core/model/pattern'
import { useSeparateEdits } from '../../links/separateEdits'
import TableDialog from '../../patterns/TableDialog.vue'
import { useSpotEdits } from '../../patterns/spotEdits'
import { useSelection } from '../../stores/selection'
import { computed, useTemplateRef } from 'vue'

/** More spots are clicked on the stage; copies that were made separate can be the pattern again that they were. */
const props = defineProps<{ pattern: Pattern }>()
const spots = useSpotEdits()
const selection = useSelection()
const table = useTemplateRef<InstanceType<typeof TableDialog>>('table')
const picked = computed(() => selection.picks.get(props.pattern.id)?.size ?? 0)
const separate = useSeparateEdits()
</script>

<template>
  <button type="button" class="aside" @click="spots.addSpots(pattern)">Click more spots on the stage</button>
  {{ ' · ' }}
  <button type="button" class="aside" @click="table?.open()">From a table</button>
  <template v-if="picked > 0">
    {{ ' · ' }}
    <button type="button" class="aside" @click="spots.removePicked(pattern)">
      {{ picked === 1 ? 'Remove the picked spot' : `Remove the ${picked} picked spots` }}
    </button>
  </template>
  <TableDialog ref="table" :pattern="pattern" />
  <template v-if="pattern.was">
    {{ ' · ' }}
    <button type="button" class="aside" @click="separate.backToPattern(pattern)">
      Make it the pattern that it was
    </button>
  </template>
</template>
