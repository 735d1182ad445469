<script setup lang="ts">
import {
  BarController,
  BarElement,
  CategoryScale,
  Chart,
  LinearScale,
  LineController,
  LineElement,
  PointElement,
  Tooltip,
} from 'chart.js'
import { computed } from 'vue'
import { Bar, Line } from 'vue-chartjs'
import { useTheme } from '../theme/theme'

Chart.register(
  BarController,
  BarElement,
  CategoryScale,
  LinearScale,
  LineController,
  LineElement,
  PointElement,
  Tooltip,
)

export interface Series {
  readonly words: string
  readonly values: readonly number[]
  /** What was before stands behind what is now. */
  readonly tone: 'now' | 'before'
}

/** Figures as bars or as a line, in the colours and types of the page. */
const props = defineProps<{
  as: 'bars' | 'curve'
  title: string
  labels: readonly string[]
  across: string
  up: string
  series: readonly Series[]
}>()
const { shown: theme } = useTheme()

const colors = computed(() => {
  void theme.value
  const style = getComputedStyle(document.documentElement)
  const read = (name: string): string => style.getPropertyValue(name).trim()
  return {
    ink: read('--ink'),
    soft: read('--soft'),
    rule: read('--rule'),
    now: read('--verdigris'),
    before: read('--edge'),
  }
})
const data = computed(() => ({
  labels: [...props.labels],
  datasets: props.series.map(({ words, values, tone }) => ({
    label: words,
    data: [...values],
    backgroundColor: tone === 'now' ? colors.value.now : `${colors.value.before}66`,
    borderColor: tone === 'now' ? colors.value.now : colors.value.before,
    borderWidth: props.as === 'curve' ? 2 : 0,
    pointRadius: 2.5,
    barPercentage: 0.92,
    categoryPercentage: 0.9,
  })),
}))
const options = computed(() => {
  const figures = { color: colors.value.soft, font: { family: 'JetBrains Mono', size: 10 } }
  const axis = (text: string) => ({
    title: { display: true, text, color: colors.value.soft, font: { family: 'Instrument Sans Variable', size: 11 } },
    ticks: { ...figures, maxTicksLimit: 6, maxRotation: 0 },
    grid: { color: colors.value.rule },
    border: { color: colors.value.rule },
  })
  return {
    responsive: true,
    maintainAspectRatio: false,
    animation: false as const,
    scales: {
      x: axis(props.across),
      y: {
        ...axis(props.up),
        beginAtZero: true,
        // Copies are counted in whole ones.
        ...(props.as === 'bars' && { ticks: { ...axis(props.up).ticks, precision: 0 } }),
      },
    },
  }
})
const summary = computed(
  () => `${props.title}: ${props.series.map((s) => `${s.words} ${s.values.join(', ')}`).join('; ')}`,
)
</script>

<template>
  <figure>
    <figcaption>
      {{ title }}
      <span v-for="s in series.length > 1 ? series : []" :key="s.words" class="key" :class="s.tone">{{ s.words }}</span>
    </figcaption>
    <div class="plot">
      <component :is="as === 'bars' ? Bar : Line" :data="data" :options="options" role="img" :aria-label="summary" />
    </div>
  </figure>
</template>

<style scoped>
figure {
  margin: 0;
  min-width: 0;
  display: flex;
  flex-direction: column;
}
figcaption {
  font-weight: 600;
  font-size: 12px;
}
.key {
  margin-left: 10px;
  font-weight: 400;
  color: var(--soft);
}
.key::before {
  content: '';
  display: inline-block;
  width: 9px;
  height: 9px;
  margin-right: 4px;
  border-radius: 2px;
  background: var(--verdigris);
}
.key.before::before {
  background: var(--edge);
  opacity: 0.5;
}
.plot {
  position: relative;
  flex: 1;
  min-height: 0;
}
</style>
