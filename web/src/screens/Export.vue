<script setup lang="ts">
import { formatNumber, sentenceText } from '@hilera/core/numbers/format'
import { plural } from '@hilera/core/words'
import type { Result } from '@hilera/core/words'
import { writers } from '@hilera/core/writers/registry'
import { exportSentence, type ExportWish } from '@hilera/core/writers/sentence'
import Button from 'primevue/button'
import ProgressBar from 'primevue/progressbar'
import { computed, onBeforeUnmount, ref, shallowRef, watch } from 'vue'
import { saidBy } from '../faults'
import { download } from '../api/download'
import { fileNameOf, saveProjectFile } from '../api/projectFile'
import { bytesText } from '../export/bytesText'
import Figures from '../export/Figures.vue'
import { leftOut } from '../export/leftOut'
import PastExports from '../export/PastExports.vue'
import { usePastExports } from '../export/pastExports'
import { startExport } from '../export/run'
import type { Job } from '../worker/job'
import PictureExport from '../drawing/PictureExport.vue'
import Verdict from '../export/Verdict.vue'
import SentenceItems from '../sentences/SentenceItems.vue'
import { useOwnSentence } from '../sentences/ownSentence'
import Words from '../sentences/Words.vue'
import { useDocument } from '../stores/document'
import { useOutcomes } from '../stores/outcomes'
import type { Exported } from '../worker/export.worker'
import type { ForecastUpdate } from '../worker/messages'

const document = useDocument()
const outcomes = useOutcomes()
const wish = shallowRef<Omit<ExportWish, 'options'>>({ ending: Object.keys(writers)[0], chosen: {} })
const ending = computed(() => wish.value.ending)
const chosen = computed(() => wish.value.chosen)
const writer = computed(() => writers[ending.value])
const progress = ref<{ share: number; doing: string }>()
const result = shallowRef<Exported>()
const problem = ref<string>()
const { past, add } = usePastExports()
let run: Job<Result<Exported>> | undefined

/** What the file would hold, worked out beside the page. */
const plan = shallowRef<ForecastUpdate>()
watch(
  () => [outcomes.settled, outcomes.patterns, document.meshes, ending.value, chosen.value] as const,
  async ([settled]) => {
    if (!settled) return
    const asked = chosen.value
    const made = await outcomes.forecast(ending.value, asked)
    if (asked === chosen.value) plan.value = made
  },
  { immediate: true },
)
const forecast = computed(() => (plan.value?.forecast.ok ? plan.value.forecast.value : undefined))
const sentence = useOwnSentence<ExportWish>(
  () => exportSentence(ending.value, plan.value?.choices ?? []),
  computed({
    get: () => ({ ...wish.value, options: plan.value?.options ?? {} }),
    set: ({ ending, chosen }) => void (wish.value = { ending, chosen }),
  }),
)
const mine = computed(() => past.value.filter((p) => p.project === document.id))

async function go(): Promise<void> {
  result.value = undefined
  problem.value = undefined
  progress.value = { share: 0, doing: 'Beginning' }
  const file = `${fileNameOf(document.project.name)}.${ending.value}`
  run = startExport(
    file,
    document.project,
    document.meshes,
    plan.value?.options ?? {},
    (share, doing) => (progress.value = { share, doing }),
  )
  try {
    const made = await run.result
    if (!made) return
    if (!made.ok) return void (problem.value = sentenceText(made.problem.says, document.unit))
    const { bytes, report, verdict } = made.value
    result.value = made.value
    download(bytes, file, writer.value.mime)
    add({
      project: document.id,
      file,
      bytes: bytes.length,
      copies: report.copies,
      errors: verdict?.errors ?? 0,
      warnings: verdict?.warnings ?? 0,
      at: new Date().toISOString(),
    })
  } catch (fault) {
    problem.value = saidBy(fault)
  } finally {
    progress.value = undefined
    run = undefined
  }
}
async function save(): Promise<void> {
  try {
    await saveProjectFile(document.project)
  } catch (fault) {
    problem.value = saidBy(fault)
  }
}
onBeforeUnmount(() => run?.cancel())
const figures = computed(() => {
  if (!forecast.value) return []
  const { copies, meshes, twins, triangles, bytes } = forecast.value
  return [
    { words: plural(copies, 'copy', 'copies'), figure: formatNumber(copies, 0) },
    { words: plural(meshes, 'mesh', 'meshes'), figure: formatNumber(meshes, 0) },
    ...(twins ? [{ words: 'in the other hand (L)', figure: formatNumber(twins, 0) }] : []),
    { words: 'triangles drawn', figure: formatNumber(triangles, 0) },
    { words: 'file, about', figure: bytesText(bytes) },
  ]
})
</script>

<template>
  <div class="screen">
    <div class="column">
      <h1>Export</h1>
      <p class="sentence">
        <SentenceItems :items="sentence.items.value" :edits="sentence.edits" />
      </p>
      <p v-if="plan?.advice && Object.keys(chosen).length === 0" class="note"><Words :sentence="plan.advice" /></p>
      <Figures v-if="forecast" :figures="figures" />
      <p v-if="forecast && forecast.copies > outcomes.shown" class="note">
        An assembly counts by the parts in it here, and as one in the list.
      </p>
      <p v-if="forecast && leftOut(forecast).length" class="note">Left out: {{ leftOut(forecast).join(', ') }}.</p>
      <p v-if="plan?.cannotHold.length" class="note">It cannot hold {{ plan.cannotHold.join('; ') }}.</p>
      <p v-if="plan && !plan.forecast.ok" class="wrong" role="alert">
        <Words :sentence="plan.forecast.problem.says" />
      </p>
      <div class="actions">
        <Button label="Write the file" :disabled="!forecast || !!progress || !outcomes.settled" @click="go" />
        <Button v-if="progress" label="Stop" severity="secondary" variant="outlined" @click="run?.cancel()" />
        <Button label="Download the project (.hilera)" severity="secondary" variant="outlined" @click="save" />
      </div>
      <div v-if="progress" class="progress" role="status">
        <ProgressBar :value="Math.round(progress.share * 100)" :show-value="false" :aria-label="progress.doing" />
        <span class="note"
          >{{ progress.doing }}, <span class="figure">{{ Math.round(progress.share * 100) }} %</span></span
        >
      </div>
      <p v-if="problem" class="wrong" role="alert">{{ problem }}</p>
    </div>
    <PictureExport />
    <Verdict v-if="result" :result="result" />
    <PastExports :past="mine" />
  </div>
</template>

<style scoped>
.screen {
  height: 100%;
  overflow: auto;
  padding: 26px 40px 60px;
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
  gap: 24px 40px;
  align-content: start;
  max-width: 1220px;
}
h1 {
  font-size: 28px;
}
.sentence {
  font: 19px/1.7 var(--serif);
  margin: 6px 0 4px;
}
.actions {
  display: flex;
  gap: 8px;
  margin-top: 12px;
}
.progress {
  margin-top: 14px;
  display: grid;
  gap: 5px;
}
.wrong {
  color: var(--vermilion);
}
@media (max-width: 1000px) {
  .screen {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
