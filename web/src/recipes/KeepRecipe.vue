<script setup lang="ts">
import { formatNumber } from '@hilera/core/numbers/format'
import { plural } from '@hilera/core/words'
import Button from 'primevue/button'
import Dialog from 'primevue/dialog'
import InputText from 'primevue/inputtext'
import { useToast } from 'primevue/usetoast'
import { computed, ref, watch } from 'vue'
import { saidBy } from '../faults'
import { useDocument } from '../stores/document'
import { useRecipes } from './recipes'

/** Keeps patterns without their parts under a name. */
const recipes = useRecipes()
const document = useDocument()
const toast = useToast()
const name = ref('')
const problem = ref('')
const isBusy = ref(false)

const patterns = computed(() => document.project.patterns.filter(({ id }) => recipes.keeping?.includes(id)))
watch(
  () => recipes.keeping,
  () => {
    name.value = patterns.value[0]?.name ?? ''
    problem.value = ''
  },
  { immediate: true },
)

async function keep(): Promise<void> {
  const ids = recipes.keeping
  if (!ids || name.value.trim() === '' || isBusy.value) return
  isBusy.value = true
  try {
    const kept = await recipes.keep(ids, name.value)
    recipes.keeping = undefined
    toast.add({
      severity: 'success',
      summary: `Kept as the recipe “${kept.name}”`,
      detail: 'Place by it in any project: “By a recipe…” among the patterns to add.',
      life: 6000,
    })
  } catch (fault) {
    problem.value = saidBy(fault)
  } finally {
    isBusy.value = false
  }
}
</script>

<template>
  <Dialog
    :visible="!!recipes.keeping"
    modal
    header="Keep as a recipe"
    :style="{ width: '420px' }"
    @update:visible="(shown: boolean) => !shown && (recipes.keeping = undefined)"
  >
    <p>
      What
      <template v-if="patterns.length === 1">{{ patterns[0].name }} says</template>
      <template v-else
        ><span class="figure">{{ formatNumber(patterns.length, 0) }}</span>
        {{ plural(patterns.length, 'pattern says', 'patterns say') }}</template
      >
      is kept without the parts, to be used with others in this or any other project.
    </p>
    <label>
      <span>Name</span>
      <InputText v-model="name" autofocus fluid maxlength="80" @keydown.enter="keep" />
    </label>
    <p v-if="problem" class="wrong" role="alert">{{ problem }}</p>
    <template #footer>
      <Button label="Leave it" severity="secondary" variant="text" @click="recipes.keeping = undefined" />
      <Button label="Keep it" :disabled="name.trim() === '' || isBusy" @click="keep" />
    </template>
  </Dialog>
</template>

<style scoped>
p {
  margin: 0 0 12px;
}
label {
  display: grid;
  grid-template-columns: 60px 1fr;
  align-items: center;
}
.wrong {
  margin: 12px 0 0;
  color: var(--vermilion);
}
</style>
