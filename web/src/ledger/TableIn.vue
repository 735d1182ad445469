<script setup lang="ts">
import { formatLength, formatNumber, sentenceText } from '@hilera/core/numbers/format'
import { putPlaced } from '@hilera/core/placing/exactly'
import { type TableIn, tableIn } from '@hilera/core/readers/tableIn'
import { plural } from '@hilera/core/words'
import Button from 'primevue/button'
import Dialog from 'primevue/dialog'
import { computed, ref, shallowRef } from 'vue'
import { useDocument } from '../stores/document'
import { useOutcomes } from '../stores/outcomes'
import { useTableFile } from '../worker/tableFile'

/** A table of copies that comes in again: what it would change is told before anything moves. */
const document = useDocument()
const outcomes = useOutcomes()
const told = shallowRef<TableIn>()
const fileName = ref('')
const problem = ref('')
const busy = ref(false)
/** So many of the lines that are not taken are listed. */
const FEW = 5

const open = useTableFile((table, name) => {
  const made = tableIn(table, outcomes.worked, outcomes.patterns, document.unit)
  if (!made.ok) return sentenceText(made.problem.says, document.unit)
  fileName.value = name
  problem.value = ''
  told.value = made.value
  return undefined
})
defineExpose({ open })

const shown = computed({
  get: () => told.value !== undefined,
  set: (to: boolean) => void (to || (told.value = undefined)),
})
const figure = (n: number): string => formatNumber(n, 0)

async function take(): Promise<void> {
  const { targets } = told.value!
  busy.value = true
  const made = await outcomes.place(targets)
  const refused = made.ok
    ? await document.change(
        targets.length === 1 ? 'place of one copy by a table' : `places of ${figure(targets.length)} copies by a table`,
        (project) => putPlaced(project, made.value),
      )
    : made.problem
  busy.value = false
  if (refused) problem.value = sentenceText(refused.says, document.unit)
  else told.value = undefined
}
</script>

<template>
  <Dialog v-model:visible="shown" modal :header="`What ${fileName} changes`" :style="{ width: '470px' }">
    <template v-if="told">
      <p v-if="told.targets.length === 0" class="sentence">
        Nothing: <span class="figure">{{ figure(told.alike) }}</span>
        {{ plural(told.alike, 'copy stands as it says.', 'copies stand as it says.') }}
      </p>
      <p v-else class="sentence">
        <template v-if="told.moved > 0">
          <span class="figure">{{ figure(told.moved) }}</span> {{ plural(told.moved, 'copy is', 'copies are') }} moved,
          by up to <span class="figure">{{ formatLength(told.furthest, document.unit) }}</span>;
        </template>
        <template v-if="told.turned > 0">
          <span class="figure">{{ figure(told.turned) }}</span> {{ plural(told.turned, 'is', 'are') }} turned;
        </template>
        <template v-if="told.sized > 0">
          <span class="figure">{{ figure(told.sized) }}</span> {{ plural(told.sized, 'is', 'are') }} sized;
        </template>
        <span class="figure">{{ figure(told.alike) }}</span> {{ plural(told.alike, 'stays', 'stay') }} as
        {{ plural(told.alike, 'it is', 'they are') }}.
      </p>
      <template v-if="told.skipped.length > 0">
        <p class="note wrong">
          <span class="figure">{{ figure(told.skipped.length) }}</span>
          {{ plural(told.skipped.length, 'line is', 'lines are') }} not taken:
        </p>
        <ul class="note wrong">
          <li v-for="{ row, says } in told.skipped.slice(0, FEW)" :key="row">
            {{ sentenceText(says, document.unit) }}
          </li>
          <li v-if="told.skipped.length > FEW">…</li>
        </ul>
      </template>
      <p v-if="problem" class="note wrong" role="alert">{{ problem }}</p>
    </template>
    <template #footer>
      <Button label="Leave it" severity="secondary" variant="outlined" @click="shown = false" />
      <Button
        :label="told && told.targets.length > 0 ? 'Place them so' : 'Nothing to place'"
        :disabled="!told || told.targets.length === 0"
        :loading="busy"
        @click="take"
      />
    </template>
  </Dialog>
</template>

<style scoped>
.sentence {
  font: 19px/1.6 var(--serif);
  margin: 0 0 8px;
}
.wrong {
  color: var(--vermilion);
}
ul {
  margin: 4px 0 0;
  padding-left: 18px;
}
</style>
