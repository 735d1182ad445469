<script setup lang="ts">
import { formatLength, formatNumber } from '@hilera/core/numbers/format'
import { foldSentence } from '@hilera/core/folding/sentence'
import { foldDefaults, type FoldOptions } from '@hilera/core/shapes/fold'
import type { FoldReport, ProjectFold } from '@hilera/core/folding/foldProject'
import { plural } from '@hilera/core/words'
import Button from 'primevue/button'
import Dialog from 'primevue/dialog'
import ProgressBar from 'primevue/progressbar'
import { computed, ref, shallowRef, watch } from 'vue'
import { saidBy } from '../faults'
import { bytesText } from '../export/bytesText'
import SentenceItems from '../sentences/SentenceItems.vue'
import { useOwnSentence } from '../sentences/ownSentence'
import { useDocument } from '../stores/document'
import { useVersions } from '../versions/versions'
import { useSelection } from '../stores/selection'
import type { Job } from '../worker/job'
import { startFold } from './run'

/** Fold: first a dry run with what was found, then, if so wished, the change itself as one step of undo. */
const shown = defineModel<boolean>('shown', { required: true })
const document = useDocument()
const selection = useSelection()

const options = shallowRef<FoldOptions>(foldDefaults)
const sentence = useOwnSentence(() => foldSentence, options)
const share = ref<number>()
const found = shallowRef<ProjectFold>()
const problem = ref<string>()
let run: Job<ProjectFold> | undefined

const reasons: Record<FoldReport['nearMisses'][number]['fault'], string> = {
  points: 'a vertex is off by more',
  triangles: 'the same points, joined otherwise',
  shading: 'shaded otherwise',
  picture: 'its picture lies otherwise',
  look: 'another look',
  place: 'used where its places cannot take the move up',
}

async function look(): Promise<void> {
  run?.cancel()
  found.value = undefined
  problem.value = undefined
  share.value = 0
  const mine = startFold(document.project, document.meshes, options.value, (done) => (share.value = done))
  run = mine
  try {
    const result = await mine.result
    if (run !== mine) return
    found.value = result
  } catch (fault) {
    problem.value = saidBy(fault)
  }
  if (run === mine) share.value = undefined
}
watch(
  shown,
  (open) => {
    if (open) void look()
    else run?.cancel()
  },
  { immediate: true },
)
watch(options, () => shown.value && void look())

const versions = useVersions()
const report = computed(() => found.value?.report)
const nothing = computed(() => report.value && report.value.partsAfter === report.value.partsBefore)
const figure = (n: number): string => formatNumber(n, 0)
/** What is far below the usual figures, in millimetres with as many as tell it. */
const small = (metres: number): string =>
  metres >= 1e-4 || metres === 0 ? formatLength(metres, document.unit) : `${formatNumber(metres * 1000, 6)} mm`

async function apply(): Promise<void> {
  const made = found.value
  if (!made) return
  shown.value = false
  // What it was before is kept where the server can be reached; undo brings it back in any case.
  await versions.keep('before folding', true)
  document.change('fold parts of one shape', (project) => {
    project.parts = made.parts
    project.patterns = made.patterns
    project.ignored = made.ignored
  })
  selection.pickPart(undefined)
}
</script>

<template>
  <Dialog v-model:visible="shown" modal header="Fold" :style="{ width: '760px' }">
    <p class="sentence">
      <SentenceItems :items="sentence.items.value" :edits="sentence.edits" />
    </p>
    <div v-if="share !== undefined" class="progress" role="status">
      <ProgressBar :value="Math.round(share * 100)" :show-value="false" aria-label="Comparing" />
      <span class="note"
        >Comparing, <span class="figure">{{ Math.round(share * 100) }} %</span></span
      >
      <Button label="Stop" size="small" severity="secondary" variant="outlined" @click="run?.cancel()" />
    </div>
    <p v-if="problem" class="wrong" role="alert">{{ problem }}</p>
    <template v-if="report">
      <dl class="plan">
        <div>
          <dt>parts</dt>
          <dd class="figure">{{ figure(report.partsBefore) }} → {{ figure(report.partsAfter) }}</dd>
        </div>
        <div>
          <dt>of these twins</dt>
          <dd class="figure">{{ figure(report.twins) }}</dd>
        </div>
        <div>
          <dt>triangles kept</dt>
          <dd class="figure">{{ figure(report.trianglesBefore) }} → {{ figure(report.trianglesAfter) }}</dd>
        </div>
        <div>
          <dt>file, about</dt>
          <dd class="figure">{{ bytesText(report.bytesBefore) }} → {{ bytesText(report.bytesAfter) }}</dd>
        </div>
        <div>
          <dt>worst vertex off by</dt>
          <dd class="figure">{{ small(report.worstDeviation) }}</dd>
        </div>
      </dl>
      <p v-if="nothing" class="note">No two parts are one shape within this tolerance.</p>
      <div v-else class="table">
        <table>
          <thead>
            <tr>
              <th>Part that stays</th>
              <th class="n">Copies</th>
              <th class="n">Of its twin</th>
              <th class="n">Joined</th>
              <th>Found</th>
              <th class="n">Off by</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="p in report.parts" :key="p.name">
              <td>{{ p.name }}</td>
              <td class="n figure">{{ figure(p.copies) }}</td>
              <td class="n figure">{{ figure(p.twinCopies) }}</td>
              <td class="n figure">{{ figure(p.joined) }}</td>
              <td>{{ p.by === 'name' ? 'names agree' : 'by geometry' }}</td>
              <td class="n figure">{{ small(p.deviation) }}</td>
            </tr>
          </tbody>
        </table>
      </div>
      <details v-if="report.nearMisses.length">
        <summary>
          <span class="figure">{{ figure(report.nearMisses.length) }}</span>
          {{ plural(report.nearMisses.length, 'part is', 'parts are') }} nearly like another
        </summary>
        <ul>
          <li v-for="m in report.nearMisses" :key="m.name">
            {{ m.name }} is like {{ m.like }}: {{ reasons[m.fault]
            }}<template v-if="m.fault === 'points'"
              >, <span class="figure">{{ small(m.deviation) }}</span></template
            >
          </li>
        </ul>
      </details>
    </template>
    <template #footer>
      <Button label="Leave it" severity="secondary" variant="outlined" @click="shown = false" />
      <Button label="Fold" :disabled="!report || !!nothing" @click="apply" />
    </template>
  </Dialog>
</template>

<style scoped>
.sentence {
  margin: 0 0 8px;
  font: 17px/1.9 var(--serif);
}
.tolerance {
  font: 600 13px var(--mono);
  width: 96px;
  padding: 3px 6px;
}
.plan {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 28px;
  margin: 12px 0;
}
.plan div {
  display: flex;
  flex-direction: column-reverse;
}
dt {
  font-size: 11.5px;
  color: var(--soft);
}
dd {
  margin: 0;
  font-size: 17px;
}
.progress {
  display: grid;
  grid-template-columns: 1fr auto auto;
  align-items: center;
  gap: 12px;
  margin: 12px 0;
}
.table {
  max-height: 260px;
  overflow: auto;
}
table {
  width: 100%;
  border-collapse: collapse;
}
th {
  text-align: left;
  font-size: 11.5px;
  font-weight: 500;
  color: var(--soft);
}
th,
td {
  padding: 5px 12px 5px 0;
  border-bottom: 1px solid var(--rule);
}
.n {
  text-align: right;
}
.wrong {
  color: var(--vermilion);
}
summary {
  cursor: pointer;
  min-height: 26px;
  margin-top: 8px;
}
ul {
  max-height: 120px;
  overflow: auto;
  margin: 0;
  padding-left: 18px;
  font-size: 12px;
}
</style>
