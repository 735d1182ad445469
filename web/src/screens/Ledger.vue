<script setup lang="ts">
import { ledgerColumns } from '@hilera/core/ledger/columns'
import type { LedgerCopy } from '@hilera/core/ledger/ledger'
import { formatNumber, sentenceText } from '@hilera/core/numbers/format'
import { plural } from '@hilera/core/words'
import Button from 'primevue/button'
import Column from 'primevue/column'
import DataTable, { type DataTableRowClickEvent } from 'primevue/datatable'
import InputText from 'primevue/inputtext'
import MultiSelect from 'primevue/multiselect'
import { computed, defineAsyncComponent, onBeforeUnmount, ref, useTemplateRef, watch } from 'vue'
import { saidBy } from '../faults'
import { download } from '../api/download'
import { fileNameOf } from '../api/projectFile'
import { startExport } from '../export/run'
import LedgerCell from '../ledger/LedgerCell.vue'
import { type Line, unitText, useLedger } from '../ledger/ledger'
import TableIn from '../ledger/TableIn.vue'
import WhyThere from '../ledger/WhyThere.vue'
import PickSentence from '../picking/PickSentence.vue'
import { useDocument } from '../stores/document'
import { useOutcomes } from '../stores/outcomes'
import { useSelection } from '../stores/selection'
import { useView } from '../stores/view'

/** Every copy with its exact figures; picked here as on the stage, and typed into. */
const StageView = defineAsyncComponent(() => import('../arrange/StageView.vue'))
const document = useDocument()
const outcomes = useOutcomes()
const selection = useSelection()
const view = useView()
const { ledger, chosen, columns, filter, pickedOnly, order, lines, isPicked, sortBy, put } = useLedger()

const LINE = 32
/** From where a range of lines is picked with Shift. */
let anchor: number | undefined
const copyOf = ({ line }: Line): LedgerCopy => ledger.value.copy(line)
const rowClass = (line: Line): string | undefined => (isPicked(copyOf(line)) ? 'picked' : undefined)

function pick({ originalEvent, data, index }: DataTableRowClickEvent): void {
  const event = originalEvent as MouseEvent
  const { pattern, slot } = copyOf(data as Line)
  if (event.shiftKey && anchor !== undefined) {
    const [from, to] = [Math.min(anchor, index), Math.max(anchor, index)]
    const picks = new Map<string, Set<string>>()
    for (const line of lines.value.slice(from, to + 1)) {
      const copy = copyOf(line)
      picks.set(copy.pattern.id, (picks.get(copy.pattern.id) ?? new Set()).add(copy.slot))
    }
    return selection.pickCopies(picks)
  }
  // A value of a picked line may be about to be typed into all of them.
  const onValue = event.target instanceof HTMLElement && event.target.closest('.value') !== null
  if (onValue && isPicked(copyOf(data as Line))) return
  anchor = index
  if (event.ctrlKey || event.metaKey) selection.toggleCopy(pattern.id, slot)
  else selection.pickCopy(pattern.id, slot)
}
watch(
  () => selection.picks,
  () => selection.count > 0 && view.frame('selection'),
)

const tableIn = useTemplateRef<InstanceType<typeof TableIn>>('tableIn')
const problem = ref('')
const writing = ref(false)
let run: ReturnType<typeof startExport> | undefined
async function tableOut(): Promise<void> {
  const file = `${fileNameOf(document.project.name)}.csv`
  problem.value = ''
  writing.value = true
  run = startExport(file, document.project, document.meshes, {}, () => {})
  try {
    const made = await run.result
    if (!made) return
    if (!made.ok) return void (problem.value = sentenceText(made.problem.says, document.unit))
    download(made.value.bytes, file, 'text/csv')
  } catch (fault) {
    problem.value = saidBy(fault)
  } finally {
    writing.value = false
  }
}
onBeforeUnmount(() => run?.cancel())
const hidden = computed(() => document.project.patterns.filter((p) => p.hidden).length)
const figure = (n: number): string => formatNumber(n, 0)
</script>

<template>
  <div class="screen">
    <header>
      <PickSentence />
      <div class="tools">
        <InputText v-model="filter" size="small" placeholder="Only names with…" aria-label="Only names with" />
        <MultiSelect
          v-model="chosen"
          :options="[...ledgerColumns]"
          option-label="words"
          option-value="key"
          size="small"
          aria-label="Columns"
          :max-selected-labels="0"
          selected-items-label="{0} columns"
        />
        <button type="button" class="chip toggle" :aria-pressed="pickedOnly" @click="pickedOnly = !pickedOnly">
          Picked only
        </button>
        <Button
          label="Table out (CSV)"
          size="small"
          severity="secondary"
          variant="outlined"
          :loading="writing"
          @click="tableOut"
        />
        <Button
          label="Table in …"
          title="A table that went out comes in again: what it changes is told first"
          size="small"
          severity="secondary"
          variant="outlined"
          @click="tableIn?.open()"
        />
        <TableIn ref="tableIn" />
      </div>
      <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
    </header>
    <div class="table" data-keys="ledger">
      <DataTable
        :value="lines"
        data-key="line"
        scrollable
        scroll-height="flex"
        :virtual-scroller-options="{ itemSize: LINE }"
        :row-class="rowClass"
        size="small"
        @row-click="pick"
      >
        <template #empty>
          {{ ledger.count === 0 ? 'No copy stands there yet: add a pattern in Arrange.' : 'No line has that in it.' }}
        </template>
        <Column v-for="column in columns" :key="column.key" :class="{ n: column.quantity }">
          <template #header>
            <button
              type="button"
              class="head"
              :aria-label="`Sort by ${column.words}`"
              :aria-pressed="order?.key === column.key"
              @click="sortBy(column.key)"
            >
              {{ column.words }} <span class="unit">{{ unitText(column, document.unit) }}</span><template
                v-if="order?.key === column.key"
              >
                {{ order.down ? '▴' : '▾' }}</template
              >
            </button>
          </template>
          <template #body="{ data }">
            <LedgerCell
              :copy="copyOf(data as Line)"
              :column="column"
              :put="(to: number) => put((data as Line).line, column, to)"
            />
          </template>
        </Column>
      </DataTable>
      <footer>
        <span
          ><span class="figure">{{ figure(lines.length) }}</span> {{ plural(lines.length, 'row', 'rows') }}</span
        >
        <span
          ><span class="figure">{{ figure(selection.count) }}</span> picked</span
        >
        <span v-if="hidden > 0"
          ><span class="figure">{{ hidden }}</span> {{ plural(hidden, 'pattern', 'patterns') }} hidden</span
        >
        <span class="note">Double-click a value to type another; a copy that is changed becomes a touch-up.</span>
      </footer>
    </div>
    <aside>
      <div class="stage"><StageView bare /></div>
      <WhyThere />
    </aside>
    <p v-if="outcomes.working" class="chip working" role="status">Working it out…</p>
  </div>
</template>

<style scoped>
.screen {
  position: relative;
  display: grid;
  grid-template: auto minmax(0, 1fr) / minmax(0, 1fr) 320px;
  height: 100%;
  background: var(--card);
}
header {
  grid-column: 1 / -1;
  display: flex;
  flex-wrap: wrap;
  align-items: end;
  justify-content: space-between;
  gap: 8px 24px;
  padding: 8px 16px 10px;
  border-bottom: 1px solid var(--rule);
}
.tools {
  display: flex;
  align-items: center;
  gap: 8px;
}
.toggle {
  cursor: pointer;
}
.toggle[aria-pressed='true'] {
  color: var(--madder);
  background: var(--madder-wash);
}
.problem {
  flex-basis: 100%;
  margin: 0;
  color: var(--vermilion);
}
.table {
  display: flex;
  flex-direction: column;
  min-width: 0;
  min-height: 0;
}
.table :deep(.p-datatable) {
  flex: 1;
  min-height: 0;
}
.table :deep(td) {
  height: 32px;
  padding: 0 10px;
  white-space: nowrap;
}
.table :deep(th) {
  padding: 0 10px;
  background: var(--paper);
}
.table :deep(.n) {
  text-align: right;
}
.table :deep(th.n .p-datatable-column-header-content) {
  justify-content: end;
}
.table :deep(tr.picked) {
  background: var(--madder-wash);
}
.head {
  height: 32px;
  border: 0;
  padding: 0;
  background: none;
  color: var(--soft);
  font: 600 12px var(--sans);
  white-space: nowrap;
  cursor: pointer;
}
.unit {
  font-family: var(--mono);
  font-weight: 400;
}
footer {
  display: flex;
  gap: 16px;
  padding: 8px 16px;
  border-top: 1px solid var(--rule);
}
footer .note {
  margin-left: auto;
}
aside {
  min-height: 0;
  overflow: auto;
  border-left: 1px solid var(--rule);
}
.stage {
  position: relative;
  height: 250px;
  background: var(--stage);
  border-bottom: 1px solid var(--rule);
}
.working {
  position: absolute;
  right: 332px;
  bottom: 44px;
  margin: 0;
}
</style>
