<script setup lang="ts">
import { aSide } from '@hilera/core/sentences/checks'
import { outlineOfRuns } from '@hilera/core/solids/outlineOfRuns'
import type { OutlineShape } from '@hilera/core/values/outline'
import type { Sentence } from '@hilera/core/words'
import Button from 'primevue/button'
import Dialog from 'primevue/dialog'
import { ref } from 'vue'
import { fontNames, outlinesOf } from '../../patterns/fonts'
import ChoiceValue from '../../sentences/ChoiceValue.vue'
import PlainNumber from '../../sentences/PlainNumber.vue'
import TextValue from '../../sentences/TextValue.vue'
import Words from '../../sentences/Words.vue'

/** Letters as the outline of a fill: which, in which font, how large. */
const emit = defineEmits<{ made: [outline: OutlineShape] }>()
const shown = defineModel<boolean>('shown', { required: true })
const text = ref('TEA')
const font = ref(fontNames()[0])
const size = ref(0.4)
const problem = ref<Sentence>()
const busy = ref(false)

async function make(): Promise<void> {
  busy.value = true
  const runs = await outlinesOf(text.value, font.value, size.value)
  const made = runs.ok ? outlineOfRuns(runs.value, `“${text.value}”`) : runs
  busy.value = false
  problem.value = made.ok ? undefined : made.problem.says
  if (!made.ok) return
  emit('made', made.value)
  shown.value = false
}
</script>

<template>
  <Dialog v-model:visible="shown" modal header="Fill letters" :style="{ width: '420px' }">
    <p class="sentence">
      Fill <TextValue :text="text" label="Letters" @change="(to: string) => (text = to)" /> in
      <ChoiceValue
        label="Font"
        :value="font"
        :options="fontNames().map((value) => ({ value, words: value }))"
        @pick="(to: string) => (font = to)"
      />, with an em of <PlainNumber v-model="size" label="Size of the letters" quantity="length" :check="aSide()" />.
    </p>
    <p v-if="problem" class="note wrong" role="alert"><Words :sentence="problem" /></p>
    <template #footer>
      <Button label="Leave it" severity="secondary" variant="text" @click="shown = false" />
      <Button label="Take it as outline" :disabled="busy" @click="make" />
    </template>
  </Dialog>
</template>

<style scoped>
.sentence {
  margin: 0;
  font: 17px/1.8 var(--serif);
}
.wrong {
  color: var(--vermilion);
}
</style>
