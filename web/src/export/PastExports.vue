<script setup lang="ts">
import { formatNumber } from '@hilera/core/numbers/format'
import { plural } from '@hilera/core/words'
import { bytesText } from './bytesText'
import type { PastExport } from './pastExports'

/** What has been written from the project in this browser. */
defineProps<{ past: readonly PastExport[] }>()
const day = new Intl.DateTimeFormat('en-GB', { dateStyle: 'medium', timeStyle: 'short' })
</script>

<template>
  <section class="past">
    <h2>Recent exports</h2>
    <p v-if="past.length === 0" class="note">Nothing has been written from this project in this browser yet.</p>
    <table v-else>
      <thead>
        <tr>
          <th>File</th>
          <th class="n">Copies</th>
          <th class="n">Size</th>
          <th>Verdict</th>
          <th>When</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="p in past" :key="p.at">
          <td>{{ p.file }}</td>
          <td class="n figure">{{ formatNumber(p.copies, 0) }}</td>
          <td class="n figure">{{ bytesText(p.bytes) }}</td>
          <td>
            <span class="figure">{{ p.errors }}</span> {{ plural(p.errors, 'error', 'errors') }},
            <span class="figure">{{ p.warnings }}</span> {{ plural(p.warnings, 'warning', 'warnings') }}
          </td>
          <td class="figure">{{ day.format(new Date(p.at)) }}</td>
        </tr>
      </tbody>
    </table>
  </section>
</template>

<style scoped>
h2 {
  font-size: 18px;
}
.past {
  grid-column: 1 / -1;
}
table {
  width: 100%;
  border-collapse: collapse;
  margin-top: 8px;
}
th {
  text-align: left;
  font-size: 11.5px;
  font-weight: 500;
  color: var(--soft);
}
th,
td {
  padding: 6px 12px 6px 0;
  border-bottom: 1px solid var(--rule);
}
.n {
  text-align: right;
  padding-right: 24px;
}
</style>
