<script setup lang="ts">
import { sentenceText } from '@hilera/core/numbers/format'
import { lengthUnits, type LengthUnit } from '@hilera/core/numbers/units'
import type { Pattern } from '@hilera/core/model/pattern'
import { type SpotField, type Table, type TableWish, guessedColumns, placesOf } from '@hilera/core/readers/spotTable'
import { plural } from '@hilera/core/words'
import Button from 'primevue/button'
import Dialog from 'primevue/dialog'
import Select from 'primevue/select'
import SelectButton from 'primevue/selectbutton'
import { computed, ref, shallowRef } from 'vue'
import { useDocument } from '../stores/document'
import { useSpotEdits } from './spotEdits'
import { useTableFile } from '../worker/tableFile'

/** Places from a table: which column tells what is seen and can be said otherwise before anything is placed. */
const props = defineProps<{ pattern?: Pattern }>()
const document = useDocument()
const edits = useSpotEdits()
const table = shallowRef<Table>()
const fileName = ref('')
const wish = ref<TableWish>({ unit: 'mm', up: 'y', columns: {} })

const open = useTableFile((read, name) => {
  fileName.value = name
  wish.value = { unit: document.unit, up: 'y', columns: guessedColumns(read) }
  table.value = read
  return undefined
})
defineExpose({ open })

const shown = computed({
  get: () => table.value !== undefined,
  set: (to: boolean) => void (to || (table.value = undefined)),
})
const read = computed(() => table.value && placesOf(table.value, wish.value))
const told: readonly { field: SpotField; words: string }[] = [
  { field: 'across', words: 'Across' },
  { field: 'up', words: 'Up' },
  { field: 'deep', words: 'Deep' },
  { field: 'turnUp', words: 'Turn' },
  { field: 'size', words: 'Size' },
  { field: 'part', words: 'Part' },
  { field: 'name', words: 'Name' },
]
const columnOptions = computed(() => [
  { value: '', label: 'none' },
  ...(table.value?.columns ?? []).map((c) => ({ value: c, label: c })),
])
function tell(field: SpotField, column: string): void {
  const { [field]: _, ...rest } = wish.value.columns
  wish.value = { ...wish.value, columns: column ? { ...rest, [field]: column } : rest }
}
const skipped = computed(() => (read.value?.ok ? read.value.value.skipped : []))
const count = computed(() => (read.value?.ok ? read.value.value.places.length : 0))
function place(): void {
  if (!read.value?.ok) return
  edits.addPlaces(read.value.value.places, fileName.value.replace(/\.[^.]*$/, ''), props.pattern)
  table.value = undefined
}
</script>

<template>
  <Dialog v-model:visible="shown" modal :header="`Places from ${fileName}`" :style="{ width: '470px' }">
    <div class="grid">
      <template v-for="{ field, words } in told" :key="field">
        <span :id="`column-${field}`">{{ words }}</span>
        <Select
          :model-value="wish.columns[field] ?? ''"
          :options="columnOptions"
          option-label="label"
          option-value="value"
          :aria-labelledby="`column-${field}`"
          @update:model-value="(column: string) => tell(field, column)"
        />
      </template>
      <span id="table-unit">Lengths in</span>
      <Select
        :model-value="wish.unit"
        :options="[...lengthUnits]"
        aria-labelledby="table-unit"
        @update:model-value="(unit: LengthUnit) => (wish = { ...wish, unit })"
      />
      <span id="table-up">Up is</span>
      <SelectButton
        :model-value="wish.up"
        :options="[
          { v: 'y', l: 'its y' },
          { v: 'z', l: 'its z' },
        ]"
        option-label="l"
        option-value="v"
        :allow-empty="false"
        aria-labelledby="table-up"
        @update:model-value="(up: 'y' | 'z') => (wish = { ...wish, up })"
      />
    </div>
    <p v-if="read && !read.ok" class="note wrong" role="alert">{{ sentenceText(read.problem.says, document.unit) }}</p>
    <p v-else class="note">
      <span class="figure">{{ count }}</span> {{ plural(count, 'place', 'places')
      }}<template v-if="skipped.length"
        >; <span class="figure">{{ skipped.length }}</span> {{ plural(skipped.length, 'row cannot', 'rows cannot') }} be
        read and {{ plural(skipped.length, 'is', 'are') }} left out:</template
      >
    </p>
    <ul v-if="skipped.length" class="note wrong">
      <li v-for="s in skipped.slice(0, 5)" :key="s.row">{{ sentenceText(s.says, document.unit) }}</li>
    </ul>
    <template #footer>
      <Button label="Leave it" severity="secondary" variant="text" @click="table = undefined" />
      <Button :label="`Place ${count}`" :disabled="count === 0" @click="place" />
    </template>
  </Dialog>
</template>

<style scoped>
.grid {
  display: grid;
  grid-template-columns: 110px 1fr;
  gap: 6px 12px;
  align-items: center;
}
.wrong {
  color: var(--vermilion);
}
ul {
  margin: 0;
  padding-left: 18px;
}
</style>
