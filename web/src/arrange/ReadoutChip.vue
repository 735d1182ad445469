<script setup lang="ts">
import { formatNumber } from '@hilera/core/numbers/format'
import Popover from 'primevue/popover'
import SelectButton from 'primevue/selectbutton'
import { computed, useTemplateRef } from 'vue'
import { bytesText } from '../export/bytesText'
import { useStayOpen } from '../shell/stayOpen'
import { useOutcomes } from '../stores/outcomes'
import { useView } from '../stores/view'
import { useReadout } from './readout'

/** What is drawn of how many; pressed, how much there is and how long it takes. */
const outcomes = useOutcomes()
const view = useView()
const { copies, meshes, share, bytes, took, slow } = useReadout()
const popover = useTemplateRef<InstanceType<typeof Popover>>('popover')
const { open, shown, hidden } = useStayOpen(popover)

const count = (n: number): string => formatNumber(n, 0)
const time = (ms: number): string => `${formatNumber(ms, ms < 10 ? 1 : 0)} ms`
const percent = computed(() => (share.value < 0.01 ? 'under 1' : formatNumber(share.value * 100, 0)))
</script>

<template>
  <button type="button" class="chip" aria-haspopup="dialog" :aria-expanded="open" @click="popover?.toggle($event)">
    Drawn
    <template v-if="share < 1"
      ><span class="figure">{{ percent }} %</span> of </template
    ><span class="figure">{{ count(copies) }}</span> from <span class="figure">{{ meshes }}</span>
    {{ meshes === 1 ? 'mesh' : 'meshes' }} in <span class="figure">{{ time(outcomes.milliseconds) }}</span>
  </button>
  <Popover ref="popover" aria-label="Readout" @show="shown" @hide="hidden">
    <div class="readout">
      <table>
        <tbody>
          <tr>
            <th scope="row">Copies</th>
            <td class="figure">{{ count(copies) }}</td>
          </tr>
          <tr>
            <th scope="row">Triangles in the picture</th>
            <td class="figure">{{ count(view.shown?.triangles ?? 0) }}</td>
          </tr>
          <tr>
            <th scope="row">Draw calls</th>
            <td class="figure">{{ count(view.shown?.calls ?? 0) }}</td>
          </tr>
          <tr>
            <th scope="row">Memory of tables</th>
            <td class="figure">{{ bytesText(bytes.tables) }}</td>
          </tr>
          <tr>
            <th scope="row">of meshes</th>
            <td class="figure">{{ bytesText(bytes.meshes) }}</td>
          </tr>
          <tr>
            <th scope="row">of pictures</th>
            <td class="figure">{{ bytesText(bytes.pictures) }}</td>
          </tr>
        </tbody>
      </table>
      <table>
        <caption>
          The last change
        </caption>
        <tbody>
          <tr v-for="{ what, milliseconds } in took" :key="what" :class="{ slow: slow?.what === what }">
            <th scope="row">{{ what }}</th>
            <td class="figure">{{ time(milliseconds) }}</td>
          </tr>
        </tbody>
      </table>
      <p v-if="slow" class="slow">
        {{ `${slow.what} takes longest. ${slow.eases ?? ''}` }}
      </p>
      <div class="pace">
        <span id="pace">While something moves</span>
        <SelectButton
          v-model="view.whole"
          :options="[
            { v: false, l: 'As many as go' },
            { v: true, l: 'All' },
          ]"
          option-label="l"
          option-value="v"
          :allow-empty="false"
          aria-labelledby="pace"
        />
      </div>
    </div>
  </Popover>
</template>

<style scoped>
button.chip {
  cursor: pointer;
  pointer-events: auto;
}
.readout {
  width: 320px;
  display: grid;
  gap: 12px;
}
table {
  width: 100%;
  border-collapse: collapse;
}
caption {
  padding-bottom: 4px;
  text-align: left;
  font-weight: 600;
}
th {
  padding: 2px 8px 2px 0;
  text-align: left;
  font-weight: 400;
}
td {
  text-align: right;
  white-space: nowrap;
}
p {
  margin: 0;
}
.slow,
.slow .figure {
  color: var(--ochre);
}
.pace {
  display: grid;
  gap: 6px;
}
</style>
