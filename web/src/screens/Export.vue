<script setup lang="ts">
import { type CopyStyle, type ExportReport, forecastGlb, MANY_COPIES, styleFor } from '@hilera/core/formats/glbForecast'
import { formatNumber, sentenceText } from '@hilera/core/numbers/format'
import { plural } from '@hilera/core/words'
import { useLocalStorage } from '@vueuse/core'
import Button from 'primevue/button'
import ProgressBar from 'primevue/progressbar'
import { computed, onBeforeUnmount, ref } from 'vue'
import { download } from '../api/download'
import { fileNameOf, saveProjectFile } from '../api/projectFile'
import { type ExportRun, startExport } from '../export/run'
import { glbBytes } from '@hilera/core/formats/glbSize'
import { framesIn } from '@hilera/core/evaluate'
import type { Guise } from '@hilera/core/parts/guise'
import { writtenMesh } from '@hilera/core/parts/written'
import type { Mesh } from '@hilera/core/solids/mesh'
import { bytesText } from '../export/bytesText'
import ChoiceValue from '../sentences/ChoiceValue.vue'
import Words from '../sentences/Words.vue'
import { useDocument } from '../stores/document'
import { useOutcomes } from '../stores/outcomes'
import type { Exported } from '../worker/export.worker'

interface Past {
  readonly project: string
  readonly file: string
  readonly bytes: number
  readonly copies: number
  readonly errors: number
  readonly warnings: number
  readonly at: string
}

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
const past = useLocalStorage<Past[]>('hilera.exports', [])
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
const day = new Intl.DateTimeFormat('en-GB', { dateStyle: 'medium', timeStyle: 'short' })

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
    past.value = [
      {
        project: document.id,
        file,
        bytes: bytes.length,
        copies: report.copies,
        errors: verdict.numErrors,
        warnings: verdict.numWarnings,
        at: new Date().toISOString(),
      },
      ...past.value,
    ].slice(0, 40)
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
const leftOut = (report: ExportReport): string[] => [
  ...(report.emptyPlaces
    ? [`${formatNumber(report.emptyPlaces, 0)} ${plural(report.emptyPlaces, 'place', 'places')} left empty`]
    : []),
  ...(report.leftOut ? [`${formatNumber(report.leftOut, 0)} that would overlap`] : []),
  ...(report.movedAcross
    ? [
        `${formatNumber(report.movedAcross, 0)} that ${plural(report.movedAcross, 'stands', 'stand')} across a mirror instead`,
      ]
    : []),
  ...(report.placeholders
    ? [`${formatNumber(report.placeholders, 0)} ${plural(report.placeholders, 'placeholder', 'placeholders')}`]
    : []),
  ...(report.hiddenPatterns
    ? [
        `${formatNumber(report.hiddenPatterns, 0)} hidden ${plural(report.hiddenPatterns, 'pattern', 'patterns')} with ${formatNumber(report.hiddenCopies, 0)} copies`,
      ]
    : []),
]
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
      <dl v-if="plan?.ok" class="plan">
        <div>
          <dt>copies</dt>
          <dd class="figure">{{ formatNumber(plan.value.copies, 0) }}</dd>
        </div>
        <div>
          <dt>{{ plural(plan.value.meshes, 'mesh', 'meshes') }}</dt>
          <dd class="figure">{{ formatNumber(plan.value.meshes, 0) }}</dd>
        </div>
        <div v-if="plan.value.twins">
          <dt>in the other hand (L)</dt>
          <dd class="figure">{{ formatNumber(plan.value.twins, 0) }}</dd>
        </div>
        <div>
          <dt>triangles drawn</dt>
          <dd class="figure">{{ formatNumber(plan.value.triangles, 0) }}</dd>
        </div>
        <div>
          <dt>file, about</dt>
          <dd class="figure">{{ bytesText(size) }}</dd>
        </div>
      </dl>
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
    <section v-if="result" class="verdict" :class="{ bad: result.verdict.numErrors > 0 }" aria-live="polite">
      <h2>{{ result.verdict.numErrors > 0 ? 'The validator found errors' : 'The validator found no error' }}</h2>
      <dl class="plan">
        <div>
          <dt>errors</dt>
          <dd class="figure">{{ result.verdict.numErrors }}</dd>
        </div>
        <div>
          <dt>warnings</dt>
          <dd class="figure">{{ result.verdict.numWarnings }}</dd>
        </div>
        <div>
          <dt>copies written</dt>
          <dd class="figure">{{ formatNumber(result.report.copies, 0) }}</dd>
        </div>
        <div>
          <dt>written</dt>
          <dd class="figure">{{ bytesText(result.bytes.length) }}</dd>
        </div>
      </dl>
      <p class="note">
        <template v-if="result.report.style === 'linked'">Positions are exact to the double.</template>
        <template v-else
          >Positions are rounded to 32 bits, by
          <span class="figure">{{ formatNumber(result.report.rounding * 1000, 6) }} mm</span> at the most.</template
        >
        <template v-if="result.report.joinedMeshes"
          ><span class="figure">{{ formatNumber(result.report.joinedCopies, 0) }}</span> copies are joined into
          <span class="figure">{{ formatNumber(result.report.joinedMeshes, 0) }}</span>
          {{ plural(result.report.joinedMeshes, 'mesh', 'meshes') }} on their mirror planes.</template
        >
        Khronos glTF validator <span class="figure">{{ result.validatorVersion }}</span>.
        <template v-if="result.report.style === 'instanced'"
          >It does not look into instancing; equal counts and unit turns are checked here.</template
        >
      </p>
      <ul v-if="result.verdict.messages.length" class="messages">
        <li v-for="(m, i) in result.verdict.messages.slice(0, 20)" :key="i">
          <span class="figure">{{ m.code }}</span> {{ m.message }}
        </li>
      </ul>
    </section>
    <section class="past">
      <h2>Recent exports</h2>
      <p v-if="mine.length === 0" class="note">Nothing has been written from this project in this browser yet.</p>
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
          <tr v-for="p in mine" :key="p.at">
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
h2 {
  font-size: 18px;
}
.sentence {
  font: 19px/1.7 var(--serif);
  margin: 6px 0 4px;
}
.sentence b {
  font-weight: 600;
}
.plan {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 26px;
  margin: 14px 0;
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
  font-size: 19px;
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
.verdict {
  padding: 16px 20px;
  border: 1px solid var(--verdigris);
  border-radius: 8px;
  background: var(--verdigris-wash);
  align-self: start;
}
.verdict.bad {
  border-color: var(--vermilion);
  background: var(--vermilion-wash);
}
.messages {
  padding-left: 18px;
  font-size: 12px;
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
@media (max-width: 1000px) {
  .screen {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
