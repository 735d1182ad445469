<script setup lang="ts">
import SelectButton from 'primevue/selectbutton'
import { computed } from 'vue'
import ChoiceValue from '../sentences/ChoiceValue.vue'
import { usePicking } from '../stores/picking'
import { useSelection } from '../stores/selection'
import CatchChip from './CatchChip.vue'
import { usePicked } from './picked'
import { type Tool, tools as all, useTools } from './tools'

/** What the pins do, about what and along which axes: said in one fixed place, and never changed by itself. */
const tools = useTools()
const picked = usePicked()
const picking = usePicking()
const selection = useSelection()
const words: Readonly<Record<Tool, string>> = { move: 'Move', turn: 'Turn', size: 'Size' }
const toolOptions = all.map((value) => ({ value, label: words[value] }))
const isOne = computed(() => picked.things.length === 1)
const aboutOptions = computed(() => [
  { value: 'own' as const, words: isOne.value ? 'its own pivot' : 'each its own pivot' },
  { value: 'middle' as const, words: isOne.value ? 'its middle' : 'their middle' },
  { value: 'marked' as const, words: 'the marked one' },
  { value: 'origin' as const, words: 'the origin' },
  { value: 'place' as const, words: 'a place', note: 'click it on the stage' },
])
const axesOptions = computed(() => [
  { value: 'world' as const, words: 'of the world' },
  { value: 'own' as const, words: isOne.value ? 'its own' : 'their own' },
])
const fromOptions = [
  { value: 'base' as const, words: 'base' },
  { value: 'centre' as const, words: 'centre' },
  { value: 'top' as const, words: 'top' },
  { value: 'pivot' as const, words: 'pivot' },
]
async function setAbout(about: (typeof aboutOptions.value)[number]['value']): Promise<void> {
  if (about !== 'place') return tools.set({ about })
  const at = await picking.place('Click the place to go about')
  if (at) tools.set({ about, at: [...at.point] })
}
</script>

<template>
  <div class="tools">
    <SelectButton
      v-model="tools.tool"
      :options="toolOptions"
      option-label="label"
      option-value="value"
      :allow-empty="false"
      aria-label="What the pins do"
    />
    <span class="chip"
      >About <ChoiceValue label="About" :value="tools.motion.about" :options="aboutOptions" @pick="setAbout"
    /></span>
    <span class="chip"
      >Axes
      <ChoiceValue
        label="Axes"
        :value="tools.motion.axes"
        :options="axesOptions"
        @pick="(axes: 'world' | 'own') => tools.set({ axes })"
    /></span>
    <CatchChip />
    <span v-if="tools.tool === 'size'" class="chip"
      >Stays
      <ChoiceValue
        label="What stays while it is sized"
        :value="tools.motion.from"
        :options="fromOptions"
        @pick="(from: (typeof fromOptions)[number]['value']) => tools.set({ from })"
    /></span>
    <button v-if="selection.asWhole" type="button" class="chip" @click="selection.asWhole = false">
      Pins of its layout
    </button>
  </div>
</template>

<style scoped>
.tools {
  position: absolute;
  top: 46px;
  left: 12px;
  right: 12px;
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  align-items: center;
  pointer-events: none;
}
.tools > * {
  pointer-events: auto;
}
</style>
