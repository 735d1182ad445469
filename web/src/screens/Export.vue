<script setup lang="ts">
import { type CopyStyle } from '@hilera/core/writers/glb/size'
import { forecastGlb, MANY_COPIES, styleFor } from '@hilera/core/writers/glb/forecast'
import { formatNumber, sentenceText } from '@hilera/core/numbers/format'
import { plural } from '@hilera/core/words'
import Button from 'primevue/button'
import ProgressBar from 'primevue/progressbar'
import { computed, onBeforeUnmount, ref } from 'vue'
import { download } from '../api/download'
import { fileNameOf, saveProjectFile } from '../api/projectFile'
import { type ExportRun, startExport } from '../export/run'
import { glbBytes } from '@hilera/core/writers/glb/size'
import { framesIn } from '@hilera/core/evaluate'
import type { Guise } from '@hilera/core/parts/guise'
import { writtenMesh } from '@hilera/core/parts/written'
import type { Mesh } from '@hilera/core/geometry/mesh'
import { bytesText } from '../export/bytesText'
import Figures from '../export/Figures.vue'
import { leftOut } from '../export/leftOut'
import PastExports from '../export/PastExports.vue'
import { usePastExports } from '../export/pastExports'
import Verdict from '../export/Verdict.vue'
import ChoiceValue from '../sentences/ChoiceValue.vue'
import Words from '../sentences/Words.vue'
import { useDocument } from '../stores/document'
import { useOutcomes } from '../stores/outcomes'
import type { Exported } from '../worker/export.worker'

const document = useDocument()
const outcomes = useOutcomes()
const chosenStyle = ref<CopyStyle>()
const guides = ref(false)
const guideOptions = [
  { value: 'no', words: 'left out' },
  { value: 'yes', words: 'written as lines' },
]
const seams = ref(false)
const seamOptions = [
  { value: 'no', words: 'left as they are' },
  { value: 'yes', words: 'joined into one mesh', note: 'without the faces between them, their points welded' },
]
const hasMirror = computed(() => outcomes.patterns.some((p) => p.mirrors))
const hasPath = computed(() => document.project.patterns.some((p) => p.layout.kind === 'path'))
const progress = ref<{ share: number; doing: string }>()
const result = ref<Exported>()
const problem = ref<string>()
const { past, add } = usePastExports()
let run: ExportRun | undefined

const style = computed<CopyStyle>(() => chosenStyle.value ?? styleFor(outcomes.copies))
const styleOptions = [
  {
    value: 'linked' as const,
    words: 'linked',
    note: 'a node for every copy, all sharing one mesh: every reader understands it, exact to the double',
  },
  {
    value: 'instanced' as const,
    words: 'as instances',
    note: 'EXT_mesh_gpu_instancing: far smaller; some readers show one copy or refuse the file; 32-bit positions',
  },
]
/** The triangles of a guise, as they would be written. */
function meshOf(guise: Guise): Mesh | undefined {
  const part = document.project.parts[guise.part]
  return part && writtenMesh(part, document.source, guise, framesIn(outcomes.patterns))
}
const ready = computed(() => outcomes.patterns.length === document.project.patterns.length)
const plan = computed(() =>
  ready.value ? forecastGlb(document.project, outcomes.patterns, meshOf, style.value) : undefined,
)
/** What the file will take, about: vertices and indices of each mesh once, and the copies. */
const size = computed(() => {
  if (!plan.value?.ok) return 0
  const used = new Map<string, Guise>()
  for (const [i, { batches }] of outcomes.patterns.entries())
    if (!document.project.patterns[i]?.hidden)
      for (const guise of batches) used.set(`${guise.part} ${guise.twin} ${guise.surface}`, guise)
  const meshes = [...used.values()].flatMap((guise) => meshOf(guise) ?? [])
  return glbBytes(meshes, plan.value.value.copies, style.value)
})
const mine = computed(() => past.value.filter((p) => p.project === document.id))

async function go(): Promise<void> {
  result.value = undefined
  problem.value = undefined
  progress.value = { share: 0, doing: 'Beginning' }
  const file = `${fileNameOf(document.project.name)}.glb`
  run = startExport(
    document.project,
    document.meshes,
    { style: style.value, guides: guides.value, seams: seams.value },
    (share, doing) => (progress.value = { share, doing }),
  )
  try {
    const made = await run.result
    if (!made) return
    if (!made.ok) return void (problem.value = sentenceText(made.problem.says, document.unit))
    const { bytes, report, verdict } = made.value
    result.value = made.value
    download(bytes, file, 'model/gltf-binary')
    add({
      project: document.id,
      file,
      bytes: bytes.length,
      copies: report.copies,
      errors: verdict.numErrors,
      warnings: verdict.numWarnings,
      at: new Date().toISOString(),
    })
  } catch (fault) {
    problem.value = fault instanceof Error ? fault.message : String(fault)
  } finally {
    progress.value = undefined
    run = undefined
  }
}
async function save(): Promise<void> {
  try {
    await saveProjectFile(document.project)
  } catch (fault) {
    problem.value = fault instanceof Error ? fault.message : String(fault)
  }
}
onBeforeUnmount(() => run?.cancel())
const figures = computed(() => {
  if (!plan.value?.ok) return []
  const { copies, meshes, twins, triangles } = plan.value.value
  return [
    { words: 'copies', figure: formatNumber(copies, 0) },
    { words: plural(meshes, 'mesh', 'meshes'), figure: formatNumber(meshes, 0) },
    ...(twins ? [{ words: 'in the other hand (L)', figure: formatNumber(twins, 0) }] : []),
    { words: 'triangles drawn', figure: formatNumber(triangles, 0) },
    { words: 'file, about', figure: bytesText(size.value) },
  ]
})
</script>

<template>
  <div class="screen">
    <div class="column">
      <h1>Export</h1>
      <p class="sentence">
        Write <b>{{ document.project.name }}</b> as <b>binary glTF 2.0</b>, its copies
        <ChoiceValue
          label="Copies are written"
          :value="style"
          :options="styleOptions"
          @pick="(s: CopyStyle) => (chosenStyle = s)"
        /><template v-if="hasPath"
          >; curves are
          <ChoiceValue
            label="Curves are"
            :value="guides ? 'yes' : 'no'"
            :options="guideOptions"
            @pick="(g: string) => (guides = g === 'yes')" /></template
        ><template v-if="hasMirror"
          >; copies that touch on a mirror plane are
          <ChoiceValue
            label="Seams are"
            :value="seams ? 'yes' : 'no'"
            :options="seamOptions"
            @pick="(s: string) => (seams = s === 'yes')" /></template
        >.
      </p>
      <p v-if="!chosenStyle && style === 'instanced'" class="note">
        More than <span class="figure">{{ formatNumber(MANY_COPIES, 0) }}</span> copies: instances are offered, since a
        file with a node for each would be large and slow to open.
      </p>
      <Figures v-if="plan?.ok" :figures="figures" />
      <p v-if="plan?.ok && leftOut(plan.value).length" class="note">Left out: {{ leftOut(plan.value).join(', ') }}.</p>
      <p v-if="plan && !plan.ok" class="wrong" role="alert"><Words :sentence="plan.problem.says" /></p>
      <div class="actions">
        <Button label="Write the file" :disabled="!plan?.ok || !!progress || !outcomes.settled" @click="go" />
        <Button v-if="progress" label="Stop" severity="secondary" variant="outlined" @click="run?.cancel()" />
        <Button label="Download the project (.hilera)" severity="secondary" variant="outlined" @click="save" />
      </div>
      <div v-if="progress" class="progress" role="status">
        <ProgressBar :value="Math.round(progress.share * 100)" :show-value="false" />
        <span class="note"
          >{{ progress.doing }}, <span class="figure">{{ Math.round(progress.share * 100) }} %</span></span
        >
      </div>
      <p v-if="problem" class="wrong" role="alert">{{ problem }}</p>
    </div>
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
.sentence b {
  font-weight: 600;
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
