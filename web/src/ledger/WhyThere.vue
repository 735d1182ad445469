<script setup lang="ts">
import type { Cause, Explained } from '@hilera/core/ledger/explain'
import { formatAngle, formatLengthBare, formatNumber } from '@hilera/core/numbers/format'
import { toTurns } from '@hilera/core/geometry/rotation'
import { axes } from '@hilera/core/values/values'
import { shallowRef, watch } from 'vue'
import { useDocument } from '../stores/document'
import { useOutcomes } from '../stores/outcomes'
import { useSelection } from '../stores/selection'

/** Why the picked copy stands where it stands: what its layout and each step that followed did to it, in the world's axes. */
const document = useDocument()
const outcomes = useOutcomes()
const selection = useSelection()
const found = shallowRef<Explained & { readonly name: string }>()
let asked = 0

watch(
  () => [selection.slot, selection.pattern, outcomes.settled] as const,
  async ([slot, pattern, settled]) => {
    const own = ++asked
    if (slot === undefined || !pattern) return void (found.value = undefined)
    if (!settled) return
    const made = await outcomes.explain(pattern.id, slot)
    if (own !== asked) return
    const row = outcomes.byId.get(pattern.id)?.table.rowOf(slot) ?? -1
    found.value = made && { ...made, name: `${pattern.name} ${row + 1}` }
  },
  { immediate: true },
)
const length = (n: number): string => formatLengthBare(Math.abs(n) < 5e-10 ? 0 : n, document.unit)
const isTurned = ({ turns }: Pick<Cause, 'turns'>): boolean => turns.some((n) => Math.abs(n) > 1e-9)
const isSized = ({ size }: Pick<Cause, 'size'>): boolean => size.some((n) => Math.abs(n - 1) > 1e-9)
const isMoved = ({ move }: Cause): boolean => move.some((n) => Math.abs(n) > 5e-10)
const sizes = (size: readonly number[]): string =>
  size.every((n) => Math.abs(n - size[0]) < 1e-9)
    ? `${formatNumber(size[0] * 100, 1)} %`
    : size.map((n) => `${formatNumber(n * 100, 1)} %`).join(' × ')
const turned = (turns: readonly number[]): string =>
  turns
    .map((n, i) => (Math.abs(n) > 1e-9 ? `${formatAngle(n)} about ${axes[i]}` : ''))
    .filter((words) => words !== '')
    .join(', ')
</script>

<template>
  <section class="why" aria-label="Why it stands there">
    <template v-if="found">
      <h2>{{ found.name }}</h2>
      <p class="note">
        why it stands where it stands; across, up and deep in {{ document.unit === 'ftin' ? 'in' : document.unit }}
      </p>
      <table>
        <tbody>
          <template v-for="(cause, i) in found.causes" :key="i">
            <tr>
              <th scope="row">{{ cause.words }}</th>
              <td v-for="(n, a) in cause.move" :key="a" class="figure">
                {{ i === 0 || isMoved(cause) ? (i > 0 && n > 0 ? '+' : '') + length(n) : '' }}
              </td>
            </tr>
            <tr v-if="isTurned(cause) || isSized(cause)" class="more">
              <td colspan="4" class="figure">
                {{
                  [turned(cause.turns), isSized(cause) ? `sized ${sizes(cause.size)}` : ''].filter((w) => w).join(' · ')
                }}
              </td>
            </tr>
          </template>
        </tbody>
        <tfoot>
          <tr>
            <th scope="row">Stands at</th>
            <td v-for="(n, a) in found.stands.move" :key="a" class="figure">{{ length(n) }}</td>
          </tr>
          <tr class="more">
            <td colspan="4" class="figure">
              {{ [turned(toTurns(found.stands.turn)) || 'not turned', sizes(found.stands.size)].join(' · ') }}
            </td>
          </tr>
        </tfoot>
      </table>
    </template>
    <p v-else class="note">Pick one copy: here it is told why it stands where it stands.</p>
  </section>
</template>

<style scoped>
.why {
  padding: 12px 16px;
}
h2 {
  margin: 0;
  font: 600 17px/1.3 var(--serif);
}
p {
  margin: 2px 0 8px;
}
table {
  width: 100%;
  border-collapse: collapse;
}
th {
  padding: 6px 6px 6px 0;
  text-align: left;
  font-weight: 400;
  white-space: nowrap;
}
td {
  padding: 6px 0 6px 6px;
  text-align: right;
  font-size: 12px;
  color: var(--verdigris);
}
tbody tr:not(.more) {
  border-top: 1px solid var(--rule);
}
.more td {
  padding-top: 0;
}
tfoot {
  border-top: 1.5px solid var(--ink);
}
tfoot td {
  color: var(--ink);
}
</style>
