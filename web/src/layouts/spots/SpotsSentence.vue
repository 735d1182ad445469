<script setup lang="ts">
import type { Pattern } from '@hilera/core/model/pattern'
import { formatNumber } from '@hilera/core/numbers/format'
import { plural } from '@hilera/core/words'
import { computed } from 'vue'
import { useSeparateEdits } from '../../links/separateEdits'
import { useDrawEdits } from '../../patterns/drawEdits'
import { useDocument } from '../../stores/document'
import type { PatternUpdate } from '../../worker/messages'
import LayoutFacts from '../../sentences/LayoutFacts.vue'
import Step from '../../sentences/Step.vue'

/** Copies on places of their own: clicked, brought in with a scene, or made separate from a pattern. */
const props = defineProps<{ pattern: Pattern; outcome: PatternUpdate | undefined; number: number }>()
const draw = useDrawEdits()
const separate = useSeparateEdits()
/** The parts that have places of their own, the most used first. */
const own = computed(() => {
  const found = new Map<string, number>()
  if (props.pattern.layout.kind === 'spots')
    for (const { part } of props.pattern.layout.spots) if (part) found.set(part, (found.get(part) ?? 0) + 1)
  return [...found]
    .sort((a, b) => b[1] - a[1])
    .map(([id, n]) => ({ name: document.project.parts.find((p) => p.id === id)?.name ?? '?', n }))
})
const document = useDocument()
const count = computed(() => (props.pattern.layout.kind === 'spots' ? props.pattern.layout.spots.length : 0))
</script>

<template>
  <Step :number="number">
    Place one on each of <span class="figure">{{ formatNumber(count, 0) }}</span>
    {{ plural(count, 'place of its own', 'places of their own') }}.
    <template v-if="outcome" #facts
      ><LayoutFacts v-if="outcome.problem || own.length === 0" :outcome="outcome" /><template v-else
        ><template v-for="({ name, n }, i) in own.slice(0, 6)" :key="name"
          >{{ i > 0 ? ' · ' : '' }}{{ name }} <span class="figure">{{ formatNumber(n, 0) }}</span></template
        ><template v-if="own.length > 6">
          · and <span class="figure">{{ formatNumber(own.length - 6, 0) }}</span> more parts</template
        ></template
      ></template
    >
    <template #after>
      <button type="button" class="aside" @click="draw.addSpots(pattern)">Click more spots on the stage</button>
      <template v-if="pattern.was">
        {{ ' · ' }}
        <button type="button" class="aside" @click="separate.backToPattern(pattern)">
          Make it the pattern that it was
        </button>
      </template>
    </template>
  </Step>
</template>
