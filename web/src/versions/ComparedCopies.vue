<script setup lang="ts">
import { type Change, type Compared, changes } from '@hilera/core/compare/copies'
import { formatAngle, formatLength, formatNumber } from '@hilera/core/numbers/format'
import Button from 'primevue/button'
import { useRouter } from 'vue-router'
import { useDocument } from '../stores/document'
import { useSelection } from '../stores/selection'

/** What became of the copies: how many of each, how much at the most, and a way to see them. */
const props = defineProps<{ compared: Compared; nameOf: (pattern: string) => string }>()
const document = useDocument()
const selection = useSelection()
const router = useRouter()

function words(change: Change): string {
  const { most, where } = props.compared.changed[change]
  const who = where ? `${props.nameOf(where.pattern)} ${formatNumber(where.number, 0)}` : ''
  if (most === undefined) return who
  if (change === 'moved') return `at most ${formatLength(most, document.unit)}, ${who}`
  if (change === 'turned') return `at most ${formatAngle(most)}, ${who}`
  return `to ${formatNumber(most * 100, 1)} %, ${who}`
}
/** Those that are there now are picked on the stage. */
async function show(change: Change): Promise<void> {
  const { slots } = props.compared.changed[change]
  selection.pickCopies(new Map([...slots].map(([id, keys]) => [id, new Set(keys)])))
  await router.push({ name: 'arrange', params: { id: document.id } })
}
</script>

<template>
  <table>
    <tbody>
      <tr v-for="change in changes" :key="change">
        <th scope="row">{{ change }}</th>
        <td class="figure n">{{ formatNumber(compared.changed[change].count, 0) }}</td>
        <td class="note">{{ words(change) }}</td>
        <td class="n">
          <Button
            v-if="change !== 'removed' && compared.changed[change].count > 0"
            label="Show"
            size="small"
            variant="text"
            :aria-label="`Show what was ${change}`"
            @click="show(change)"
          />
        </td>
      </tr>
      <tr>
        <th scope="row">unchanged</th>
        <td class="figure n">{{ formatNumber(compared.unchanged, 0) }}</td>
        <td colspan="2" />
      </tr>
    </tbody>
  </table>
</template>

<style scoped>
table {
  width: 100%;
  border-collapse: collapse;
}
tr {
  height: 34px;
  border-top: 1px solid var(--rule);
}
th {
  text-align: left;
  font-weight: 400;
}
.n {
  text-align: right;
}
td.note {
  padding-left: 14px;
}
</style>
