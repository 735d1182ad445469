<script setup lang="ts">
import { namesIn } from '@hilera/core/findings/names'
import { findings } from '@hilera/core/findings/registry'
import { formatAngle, formatLength, formatNumber } from '@hilera/core/numbers/format'
import { plural } from '@hilera/core/words'
import Button from 'primevue/button'
import { computed, defineAsyncComponent, onBeforeUnmount, onMounted } from 'vue'
import { useChecks } from '../checks/checks'
import { histogram } from '../checks/histogram'
import ChoiceValue from '../sentences/ChoiceValue.vue'
import Words from '../sentences/Words.vue'
import { useDocument } from '../stores/document'
import { useFindings } from '../stores/findings'
import { useOutcomes } from '../stores/outcomes'
import { useSelection } from '../stores/selection'

/** What is wrong or uneven, in figures, with a way to show and fix it; and how the copies of a pattern are spread. */
const StageView = defineAsyncComponent(() => import('../arrange/StageView.vue'))
const CheckChart = defineAsyncComponent(() => import('../checks/CheckChart.vue'))
const document = useDocument()
const outcomes = useOutcomes()
const selection = useSelection()
const checks = useChecks()
onMounted(() => {
  if (!selection.pattern) selection.pickPattern(document.project.patterns[0]?.id)
  checks.open = true
})
onBeforeUnmount(() => (checks.open = false))

const found = useFindings()
const nameOf = computed(() => namesIn(document.project))
/** What is not looked at, or not there, so that nobody wonders. */
const absent = computed(() => {
  const hidden = document.project.patterns.filter((p) => p.hidden).length
  const empty = outcomes.patterns.reduce((n, p) => n + p.places - p.present, 0)
  return { hidden, empty }
})
const patternOptions = computed(() => document.project.patterns.map((p) => ({ value: p.id, words: p.name })))
const shares = (values: readonly number[]): number[] => values.map((n) => n * 100)
const degrees = (values: readonly number[]): number[] => values.map((n) => (n * 180) / Math.PI)
const lengths = (values: readonly number[]): number[] => values.map((n) => n * perUnit.value)
/** Each spread as a chart; what is the same throughout is a sentence. */
const charts = computed(() => {
  const made = checks.spreads
  if (!made) return undefined
  const { now, before, rounds } = made
  const { unit } = document
  const per = perUnit.value
  const all = [
    {
      title: 'Nearest gap',
      across: `gap, ${unitWords.value}`,
      spread: histogram(lengths(now.gaps), lengths(before.gaps)),
      says: (n: number) => `Every copy has ${formatLength(n / per, unit)} to its nearest neighbour`,
      laid: (n: number) => formatLength(n / per, unit),
      none: 'No copy has another one near it.',
    },
    {
      title: 'Turn',
      across: 'from upright and in front, °',
      spread: histogram(degrees(now.turns), degrees(before.turns)),
      says: (n: number) => (n === 0 ? 'None is turned' : `All are turned by ${formatAngle((n * Math.PI) / 180)}`),
      laid: (n: number) => (n === 0 ? 'not at all' : formatAngle((n * Math.PI) / 180)),
      none: '',
    },
    {
      title: 'Size',
      across: 'of the part, %',
      spread: histogram(shares(now.sizes), shares(before.sizes)),
      says: (n: number) =>
        n === 100 ? 'All are as large as their part' : `All are ${formatNumber(n, 2)} % of their part`,
      laid: (n: number) => `${formatNumber(n, 2)} %`,
      none: '',
    },
  ]
  const shown = all.map(({ title, across, spread, says, laid, none }) => {
    if (spread.as === 'bars') return { title, across, bars: spread }
    if (spread.as === 'none') return { title, across, words: none }
    const differs = Math.abs(spread.before - spread.now) > 1e-9 * Math.max(1, Math.abs(spread.now))
    return { title, across, words: `${says(spread.now)}${differs ? `; ${laid(spread.before)} as laid out` : ''}.` }
  })
  return {
    shown: shown.flatMap(({ title, across, bars }) => (bars ? [{ title, across, bars }] : [])),
    words: shown.flatMap(({ words }) => (words ? [words] : [])),
    rounds,
  }
})
const unitWords = computed(() => (document.unit === 'ftin' ? 'in' : document.unit))
const perUnit = computed(() => ({ mm: 1000, cm: 100, m: 1, in: 1 / 0.0254, ftin: 1 / 0.0254 })[document.unit])
const pair = (bars: { now: number[]; before: number[] }) => [
  { words: 'as laid out', values: bars.before, tone: 'before' as const },
  { words: 'now', values: bars.now, tone: 'now' as const },
]
</script>

<template>
  <div class="screen" :class="{ charted: charts && charts.shown.length + charts.rounds.length > 0 }">
    <section class="findings" aria-label="Findings">
      <h1>Checks</h1>
      <p v-if="!found.findings" class="note" role="status">Looking through everything…</p>
      <template v-else>
        <p v-if="found.findings.length === 0" class="good">Nothing is wrong here that can be told in figures.</p>
        <ol>
          <li v-for="f in found.findings" :key="`${f.what} ${f.pattern} ${f.part} ${f.other?.pattern}`">
            <p class="sentence"><Words :sentence="findings[f.what].says(f, nameOf)" /></p>
            <div class="row">
              <Button
                v-if="checks.canShow(f)"
                label="Show"
                severity="secondary"
                variant="outlined"
                size="small"
                @click="checks.show(f)"
              />
              <Button
                v-for="fix in findings[f.what].fixes"
                :key="fix.words"
                :label="fix.words"
                size="small"
                :disabled="checks.isFixed(f, fix)"
                :title="checks.isFixed(f, fix) ? 'It is cleared already; its sentence says what is left' : ''"
                @click="checks.fix(f, fix)"
              />
              <Button
                label="Ignore"
                title="It is told again when there is more of it"
                severity="secondary"
                variant="text"
                size="small"
                @click="checks.ignore(f)"
              />
            </div>
          </li>
        </ol>
        <p v-if="found.looking" class="note" role="status">Looking again…</p>
        <p v-if="found.ignored > 0" class="note ignored">
          <span class="figure">{{ found.ignored }}</span> {{ plural(found.ignored, 'is', 'are') }} ignored.
          <button type="button" class="link" @click="checks.tellAgain()">
            Tell {{ plural(found.ignored, 'it', 'them') }} again
          </button>
        </p>
        <p v-if="absent.hidden + absent.empty > 0" class="note">
          <template v-if="absent.hidden > 0">
            <span class="figure">{{ absent.hidden }}</span>
            {{ plural(absent.hidden, 'pattern is', 'patterns are') }} hidden and not looked through.
          </template>
          <template v-if="absent.empty > 0">
            <span class="figure">{{ formatNumber(absent.empty, 0) }}</span>
            {{ plural(absent.empty, 'place is', 'places are') }} empty or left out.
          </template>
        </p>
      </template>
    </section>
    <section class="stage"><StageView /></section>
    <section class="charts" aria-label="Spreads">
      <p class="sentence">
        How
        <ChoiceValue
          label="Pattern"
          :value="selection.patternId ?? ''"
          :options="patternOptions"
          @pick="(id: string) => selection.pickPattern(id)"
        />
        is spread, in figures. {{ charts?.words.join(' ') }}
      </p>
      <div v-if="charts" class="sheet">
        <CheckChart
          v-for="chart in charts.shown"
          :key="chart.title"
          as="bars"
          :title="chart.title"
          :across="chart.across"
          up="copies"
          :labels="chart.bars.labels"
          :series="pair(chart.bars)"
        />
        <CheckChart
          v-if="charts.rounds.length > 0"
          as="curve"
          title="Clearing, round by round"
          across="round"
          :up="`worst miss, ${unitWords}`"
          :labels="charts.rounds.map((_, i) => String(i + 1))"
          :series="[{ words: 'worst miss', values: charts.rounds.map((n) => n * perUnit), tone: 'now' }]"
        />
      </div>
    </section>
  </div>
</template>

<style scoped>
.screen {
  display: grid;
  grid-template: minmax(0, 1fr) auto / 300px minmax(0, 1fr);
  height: 100%;
}
.charted {
  grid-template-rows: minmax(0, 1fr) 250px;
}
.findings {
  grid-row: 1 / 3;
  overflow: auto;
  padding: 16px 18px;
  border-right: 1px solid var(--rule);
  background: var(--card);
}
.link {
  padding: 0;
  border: 0;
  background: none;
  color: var(--madder);
  text-decoration: underline dotted;
  text-underline-offset: 3px;
  cursor: pointer;
}
h1 {
  font-size: 26px;
}
ol {
  list-style: none;
  margin: 8px 0;
  padding: 0;
}
li {
  padding: 10px 0 12px;
  border-top: 1px solid var(--rule);
}
.sentence {
  margin: 0 0 6px;
  font: 16px/1.6 var(--serif);
}
.good {
  margin: 14px 0;
  font: 17px/1.6 var(--serif);
  color: var(--verdigris);
}
.wrong {
  color: var(--vermilion);
  font-weight: 600;
}
.row {
  display: flex;
  gap: 6px;
}
.stage {
  position: relative;
  background: var(--stage);
}
.charts {
  display: flex;
  flex-direction: column;
  min-height: 0;
  padding: 8px 16px 12px;
  border-top: 1px solid var(--rule);
  background: var(--card);
}
.sheet {
  flex: 1;
  min-height: 0;
  display: grid;
  grid-auto-flow: column;
  grid-auto-columns: minmax(0, 1fr);
  gap: 18px;
}
</style>
