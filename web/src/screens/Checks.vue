<script setup lang="ts">
import { findings } from '@hilera/core/findings/registry'
import { formatAngle, formatLength, formatNumber } from '@hilera/core/numbers/format'
import Button from 'primevue/button'
import { computed, defineAsyncComponent, onBeforeUnmount, onMounted } from 'vue'
import { useChecks } from '../checks/checks'
import { histogram } from '../checks/histogram'
import ChoiceValue from '../sentences/ChoiceValue.vue'
import Words from '../sentences/Words.vue'
import { useDocument } from '../stores/document'
import { useSelection } from '../stores/selection'

/** What is wrong or uneven, in figures, with a way to show and fix it; and how the copies of a pattern are spread. */
const StageView = defineAsyncComponent(() => import('../arrange/StageView.vue'))
const CheckChart = defineAsyncComponent(() => import('../checks/CheckChart.vue'))
const document = useDocument()
const selection = useSelection()
const checks = useChecks()
onMounted(() => {
  if (!selection.pattern) selection.pickPattern(document.project.patterns[0]?.id)
  checks.open = true
})
onBeforeUnmount(() => (checks.open = false))

const nameOf = (id: string): string => document.project.patterns.find((p) => p.id === id)?.name ?? ''
const patternOptions = computed(() => document.project.patterns.map((p) => ({ value: p.id, words: p.name })))
const charts = computed(() => {
  const made = checks.result?.spreads
  if (!made) return undefined
  const { now, before } = made
  return {
    gaps: histogram(now.gaps, before.gaps, (n) => formatLength(n, document.unit).replace(/[^\d.,−-]/g, '')),
    sizes: histogram(now.sizes, before.sizes, (n) => formatNumber(n * 100, 0)),
    turns: histogram(now.turns, before.turns, (n) => formatAngle(n).replace('°', '')),
    rounds: made.rounds,
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
  <div class="screen">
    <section class="findings" aria-label="Findings">
      <h1>Checks</h1>
      <p v-if="checks.looking && !checks.result" class="note" role="status">Looking through everything…</p>
      <template v-else-if="checks.result">
        <p v-if="checks.result.findings.length === 0" class="good">
          Nothing overlaps, and no copy stands on another one.
        </p>
        <ol>
          <li v-for="f in checks.result.findings" :key="`${f.what} ${f.pattern}`">
            <p class="sentence"><Words :sentence="findings[f.what].says(f, nameOf(f.pattern))" /></p>
            <div class="row">
              <Button label="Show" severity="secondary" variant="outlined" size="small" @click="checks.show(f)" />
              <Button
                v-for="fix in findings[f.what].fixes"
                :key="fix.words"
                :label="fix.words"
                size="small"
                :disabled="checks.isFixed(f, fix)"
                :title="checks.isFixed(f, fix) ? 'It is cleared already; its sentence says what is left' : ''"
                @click="checks.fix(f, fix)"
              />
            </div>
          </li>
        </ol>
        <p v-if="checks.result.skipped.length > 0" class="note">
          Not looked through, for they have too many copies: {{ checks.result.skipped.map(nameOf).join(', ') }}.
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
        is spread, in figures.
      </p>
      <div v-if="charts" class="sheet">
        <CheckChart
          as="bars"
          title="Nearest gap"
          :across="`gap, ${unitWords}`"
          up="copies"
          :labels="charts.gaps.labels"
          :series="pair(charts.gaps)"
        />
        <CheckChart
          as="bars"
          title="Turn"
          across="from upright and in front, °"
          up="copies"
          :labels="charts.turns.labels"
          :series="pair(charts.turns)"
        />
        <CheckChart
          as="bars"
          title="Size"
          across="of the part, %"
          up="copies"
          :labels="charts.sizes.labels"
          :series="pair(charts.sizes)"
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
  grid-template: minmax(0, 1fr) 250px / 300px minmax(0, 1fr);
  height: 100%;
}
.findings {
  grid-row: 1 / 3;
  overflow: auto;
  padding: 16px 18px;
  border-right: 1px solid var(--rule);
  background: var(--card);
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
