<script setup lang="ts">
import { formatNumber } from '@hilera/core/numbers/format'
import { plural } from '@hilera/core/words'
import { useClipboard } from '@vueuse/core'
import Button from 'primevue/button'
import Dialog from 'primevue/dialog'
import ChoiceValue from '../sentences/ChoiceValue.vue'
import { useDocument } from '../stores/document'
import { useSchedule } from './schedule'

/** The schedule: parts with their counts and sizes, and their sum. */
const schedule = useSchedule()
const document = useDocument()
const { copy, copied, isSupported } = useClipboard({ legacy: true })
const figure = (n: number): string => formatNumber(n, 0)
</script>

<template>
  <Dialog v-model:visible="schedule.isOpen" modal header="Schedule" :style="{ width: '620px' }">
    <p class="sentence">
      The parts of
      <ChoiceValue
        label="Schedule of"
        :value="schedule.of"
        :options="schedule.choices"
        @pick="(id: string) => (schedule.of = id)"
      />, counted as they stand.
    </p>
    <p v-if="schedule.rows.length === 0" class="note">No copy stands there.</p>
    <div v-else class="table">
      <table>
        <thead>
          <tr>
            <th>Part</th>
            <th class="n">Copies</th>
            <th class="n">Width, {{ document.unit }}</th>
            <th class="n">Height, {{ document.unit }}</th>
            <th class="n">Depth, {{ document.unit }}</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="row in schedule.rows" :key="row.name">
            <td>
              {{ row.name }}
              <span v-if="row.twins > 0" class="note"
                >(<span class="figure">{{ figure(row.twins) }}</span> {{ plural(row.twins, 'twin', 'twins') }})</span
              >
            </td>
            <td class="n figure">{{ figure(row.count) }}</td>
            <td v-for="(size, i) in row.size" :key="i" class="n figure">{{ size }}</td>
          </tr>
        </tbody>
        <tfoot>
          <tr>
            <td>Together</td>
            <td class="n figure">{{ figure(schedule.total) }}</td>
            <td colspan="3" />
          </tr>
        </tfoot>
      </table>
    </div>
    <p v-if="schedule.hidden > 0" class="note">
      <span class="figure">{{ figure(schedule.hidden) }}</span>
      {{ plural(schedule.hidden, 'pattern is hidden and not counted', 'patterns are hidden and not counted') }}.
    </p>
    <template #footer>
      <Button
        :label="copied ? 'Copied' : 'Copy as text'"
        severity="secondary"
        variant="outlined"
        :disabled="!isSupported || schedule.rows.length === 0"
        :title="schedule.rows.length === 0 ? 'There is nothing to copy' : 'A line a part, with tabs between'"
        @click="copy(schedule.text)"
      />
      <Button label="Close" @click="schedule.isOpen = false" />
    </template>
  </Dialog>
</template>

<style scoped>
.sentence {
  margin: 0 0 10px;
  font: 17px/1.6 var(--serif);
}
.table {
  max-height: 400px;
  overflow: auto;
}
table {
  width: 100%;
  border-collapse: collapse;
}
th {
  position: sticky;
  top: 0;
  padding: 4px 10px 4px 0;
  text-align: left;
  font-size: 11.5px;
  font-weight: 500;
  color: var(--soft);
  background: var(--card);
}
td {
  padding: 5px 10px 5px 0;
  border-top: 1px solid var(--rule);
}
tfoot td {
  position: sticky;
  bottom: 0;
  border-top: 1px solid var(--edge);
  background: var(--card);
  font-weight: 600;
}
.n {
  text-align: right;
  white-space: nowrap;
}
</style>
