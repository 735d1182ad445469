<script setup lang="ts">
import { rolesOf } from '@hilera/core/links/recipe'
import type { RecipeCard, StoredRecipe } from '@hilera/server/api'
import Button from 'primevue/button'
import Dialog from 'primevue/dialog'
import Select from 'primevue/select'
import { computed, ref, shallowRef, watch } from 'vue'
import { saidBy } from '../faults'
import { api } from '../api/client'
import NameField from '../shell/NameField.vue'
import { useDocument } from '../stores/document'
import { useRecipes } from './recipes'

/** Chooses a recipe, and a part of this project for each of its placeholders. */
const recipes = useRecipes()
const document = useDocument()
const cards = shallowRef<readonly RecipeCard[]>()
const chosen = shallowRef<StoredRecipe>()
/** By placeholder the part that takes its place; '' for none yet. */
const given = ref<Record<string, string>>({})
const problem = ref('')
const isRemoving = ref(false)

const roles = computed(() => (chosen.value ? rolesOf(chosen.value.document) : []))
const partOptions = computed(() => [
  { value: '', label: 'a placeholder of its size for now' },
  ...document.project.parts.map(({ id, name }) => ({ value: id, label: name })),
])

/** Does what asks the server, and says what it has against it. */
async function asked(ask: () => Promise<void>): Promise<void> {
  problem.value = ''
  try {
    await ask()
  } catch (fault) {
    problem.value = saidBy(fault)
  }
}
const choose = (id: string): Promise<void> =>
  asked(async () => {
    isRemoving.value = false
    const recipe = await api.readRecipe(id)
    chosen.value = recipe
    const here = new Map(document.project.parts.map(({ id, name }) => [name, id]))
    given.value = Object.fromEntries(rolesOf(recipe.document).map((role) => [role.id, here.get(role.name) ?? '']))
  })
const list = (): Promise<void> =>
  asked(async () => {
    cards.value = await api.listRecipes()
    chosen.value = undefined
    if (cards.value.length > 0) await choose(cards.value[0].id)
  })
watch(
  () => recipes.using,
  (using) => {
    cards.value = undefined
    if (using) void list()
  },
  { immediate: true },
)

async function place(): Promise<void> {
  if (!chosen.value) return
  const parts = new Map(Object.entries(given.value).filter(([, part]) => part !== ''))
  problem.value = await recipes.use(chosen.value, parts)
  if (problem.value === '') recipes.using = false
}
const rename = (name: string): Promise<void> =>
  asked(async () => {
    if (!chosen.value) return
    const { id } = await api.renameRecipe(chosen.value.id, name)
    cards.value = await api.listRecipes()
    await choose(id)
  })
/** For good, and so only when it is pressed a second time. */
function remove(): void {
  const recipe = chosen.value
  if (!recipe) return
  if (!isRemoving.value) isRemoving.value = true
  else
    void asked(async () => {
      await api.removeRecipe(recipe.id)
      await list()
    })
}
</script>

<template>
  <Dialog v-model:visible="recipes.using" modal header="Place by a recipe" :style="{ width: '560px' }">
    <p v-if="cards?.length === 0">
      No recipe is kept yet. Pick a pattern and choose “Keep as a recipe…” in its menu: what it says is kept without its
      parts.
    </p>
    <template v-else-if="cards && chosen">
      <div class="grid">
        <span id="recipe-chosen">Recipe</span>
        <Select
          :model-value="chosen.id"
          :options="[...cards]"
          option-label="name"
          option-value="id"
          aria-labelledby="recipe-chosen"
          @update:model-value="choose"
        />
        <span>Its name</span>
        <span class="name"><NameField :name="chosen.name" label="Name of the recipe" @rename="rename" /></span>
        <template v-for="role in roles" :key="role.id">
          <span :id="`role-${role.id}`">{{ role.name }}</span>
          <Select
            v-model="given[role.id]"
            :options="partOptions"
            option-label="label"
            option-value="value"
            :aria-labelledby="`role-${role.id}`"
          />
        </template>
      </div>
      <p class="says" tabindex="0" role="region" aria-label="What it says">{{ chosen.sentences }}</p>
    </template>
    <p v-if="problem" class="wrong" role="alert">{{ problem }}</p>
    <template #footer>
      <Button
        v-if="chosen"
        class="remove"
        :label="isRemoving ? 'Remove it for good' : 'Remove this recipe'"
        :severity="isRemoving ? 'danger' : 'secondary'"
        variant="text"
        @click="remove"
      />
      <Button label="Leave it" severity="secondary" variant="text" @click="recipes.using = false" />
      <Button label="Place it" :disabled="!chosen" @click="place" />
    </template>
  </Dialog>
</template>

<style scoped>
.grid {
  display: grid;
  grid-template-columns: minmax(110px, auto) 1fr;
  gap: 6px 12px;
  align-items: center;
}
.name {
  border-bottom: 1px dotted var(--faint);
  justify-self: start;
}
.says {
  margin: 12px 0 0;
  max-height: 200px;
  overflow: auto;
  white-space: pre-line;
  font: 15px/1.6 var(--serif);
}
.remove {
  margin-right: auto;
}
.wrong {
  color: var(--vermilion);
}
</style>
