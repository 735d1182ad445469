<script setup lang="ts">
import Button from 'primevue/button'
import Checkbox from 'primevue/checkbox'
import Dialog from 'primevue/dialog'
import Select from 'primevue/select'
import { computed, ref, watch } from 'vue'
import { useDocument } from '../stores/document'
import { useSetUpAgain } from './setUpAgain'

/** Asks which parts stand in a set-up that is made again. */
const store = useSetUpAgain()
const document = useDocument()
/** By part the one that takes its place; itself where it stays. */
const given = ref<Record<string, string>>({})
const sameChances = ref(true)

const options = computed(() => document.project.parts.map(({ id, name }) => ({ value: id, label: name })))
const besides = computed(() => store.ids.slice(1).map(store.nameOf))
watch(
  () => store.of,
  () => (given.value = Object.fromEntries(store.parts.map((id) => [id, id]))),
  { immediate: true },
)
const make = (): Promise<void> =>
  store.make(new Map(Object.entries(given.value).filter(([from, to]) => from !== to)), sameChances.value)
</script>

<template>
  <Dialog
    :visible="store.of !== undefined"
    modal
    header="The same with other parts"
    :style="{ width: '480px' }"
    @update:visible="(shown: boolean) => !shown && (store.of = undefined)"
  >
    <p>
      {{ store.nameOf(store.of ?? '') }} once more beside itself, with everything that it says<template
        v-if="besides.length > 0"
      >
        and what belongs to it: {{ besides.join(', ') }}</template
      >.
    </p>
    <div class="grid">
      <template v-for="id in store.parts" :key="id">
        <span :id="`again-${id}`">{{ store.nameOf(id) }}</span>
        <Select
          v-model="given[id]"
          :options="options"
          option-label="label"
          option-value="value"
          :aria-labelledby="`again-${id}`"
        />
      </template>
    </div>
    <label class="chances"
      ><Checkbox v-model="sameChances" binary size="small" input-id="same-chances" /> What is left to chance falls as it
      does there</label
    >
    <template #footer>
      <Button label="Leave it" severity="secondary" variant="text" @click="store.of = undefined" />
      <Button label="Place it" @click="make" />
    </template>
  </Dialog>
</template>

<style scoped>
p {
  margin: 0 0 12px;
}
.grid {
  display: grid;
  grid-template-columns: minmax(110px, auto) 1fr;
  gap: 6px 12px;
  align-items: center;
}
.chances {
  display: flex;
  gap: 8px;
  align-items: center;
  margin-top: 14px;
}
</style>
