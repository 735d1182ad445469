<script setup lang="ts">
import { type SwapChoices, swapChoices, swapSentence, type SwapWish } from '@hilera/core/links/sentence'
import { swapTouches } from '@hilera/core/links/swap'
import type { Project } from '@hilera/core/model/project'
import { formatNumber } from '@hilera/core/numbers/format'
import { plural } from '@hilera/core/words'
import Button from 'primevue/button'
import Dialog from 'primevue/dialog'
import { useLocalStorage } from '@vueuse/core'
import { computed, ref, shallowRef, watch } from 'vue'
import Words from '../sentences/Words.vue'
import type { Sentence } from '@hilera/core/words'
import SentenceItems from '../sentences/SentenceItems.vue'
import { useOwnSentence } from '../sentences/ownSentence'
import { newId } from '../names'
import { type Gesture, useDocument } from '../stores/document'
import { useSelection } from '../stores/selection'
import { type SwapGround, useLinkEdits } from './linkEdits'
import { useSwapDialog } from './swapDialog'
import { keepBefore } from '../versions/keepBefore'

/** Gives copies another part, shown live on the stage as the choices are made. Leaving it takes everything back. */
const document = useDocument()
const selection = useSelection()
const links = useLinkEdits()
const dialog = useSwapDialog()

/** As the last swap was made. */
const last = useLocalStorage<SwapChoices>('hilera.swap', swapChoices, { mergeDefaults: true })
const wish = shallowRef<SwapWish>({ reach: 'copies', from: '', to: '', ...swapChoices, picked: 0 })
const problem = ref<Sentence>()
const lookId = ref('')
let gesture: Gesture | undefined
let ground: SwapGround | undefined
/** What is there before anything is swapped: the preview changes it. */
const before = ref<{
  project: Project
  touches: { pattern: string; copies: number }[]
}>()

const sentence = useOwnSentence(
  () => swapSentence,
  wish,
  () => ({ pattern: selection.pattern, ...(before.value && { project: before.value.project }) }),
)

watch(
  () => dialog.reach,
  (wanted) => {
    gesture?.cancel()
    gesture = undefined
    problem.value = undefined
    if (!wanted) return
    const { project } = document
    const picked = links.partsOfPicks()
    const dealt = selection.pattern?.deal.parts ?? []
    const from = dialog.from ?? (wanted === 'copies' ? picked[0] : dealt[0]) ?? project.parts[0]?.id ?? ''
    before.value = { project, touches: swapTouches(project, links.tables(), from) }
    wish.value = {
      ...wish.value,
      reach: wanted,
      from,
      to: project.parts.find((p) => p.id !== from && !picked.includes(p.id))?.id ?? '',
      ...last.value,
      picked: selection.count,
    }
    lookId.value = newId('part')
    ground = links.ground()
    show()
  },
)
watch(
  () => wish.value.from,
  (from) => {
    // Of the document as it was before the preview.
    gesture?.cancel()
    if (before.value && ground) before.value.touches = swapTouches(document.project, ground.byId, from)
  },
)
watch(wish, () => show())

/** The document before the preview. */
let unswapped: Project | undefined
/** Shows the swap as it is chosen now, worked out from what was there when the dialog opened. */
function show(): void {
  if (!dialog.reach || !wish.value.to || !ground) return
  gesture?.cancel()
  unswapped = document.project
  gesture = document.begin('swap a part')
  void gesture
    .update(links.swapRecipe(wish.value, lookId.value, ground))
    .then((refused) => (problem.value = refused?.says))
}

/** The picked copies that have another part now. */
const changing = computed(() => {
  // What it starts from is set together with this.
  void before.value
  let n = 0
  for (const [id, keys] of ground?.picks ?? []) {
    const table = ground?.byId.get(id)
    for (const key of keys) {
      const row = table ? table.rowOf(key) : -1
      if (row >= 0 && ground?.all[table!.thing[row]].id !== wish.value.to) n++
    }
  }
  return n
})
const count = computed(() =>
  wish.value.reach === 'copies'
    ? changing.value
    : (before.value?.touches ?? [])
        .filter((t) => wish.value.reach === 'everywhere' || t.pattern === selection.pattern?.name)
        .reduce((n, t) => n + t.copies, 0),
)
function accept(): void {
  if (wish.value.reach === 'everywhere' && unswapped) keepBefore('before swapping everywhere', document.id, unswapped)
  gesture?.commit()
  gesture = undefined
  const { keep, size, carry, keepNames } = wish.value
  last.value = { keep, size, carry, keepNames }
  dialog.close()
}
const isAsItBegins = computed(() =>
  Object.entries(swapChoices).every(([key, value]) => wish.value[key as keyof SwapChoices] === value),
)
const reset = (): void => void (wish.value = { ...wish.value, ...swapChoices })
function leave(): void {
  gesture?.cancel()
  gesture = undefined
  dialog.close()
}
</script>

<template>
  <Dialog
    :visible="!!dialog.reach"
    position="right"
    header="Swap"
    :modal="false"
    :style="{ width: '400px' }"
    @update:visible="(shown: boolean) => !shown && leave()"
  >
    <p class="sentence">
      <SentenceItems :items="sentence.items.value" :edits="sentence.edits" />
    </p>
    <p class="note">
      <span class="figure">{{ formatNumber(count, 0) }}</span> {{ plural(count, 'copy changes', 'copies change') }};
      places and groups stay, and so does the part that is replaced.
    </p>
    <button v-if="!isAsItBegins" type="button" class="aside" @click="reset">Back to how a swap begins</button>
    <ul v-if="wish.reach !== 'copies' && before" class="note">
      <li
        v-for="t in before.touches.filter((x) => wish.reach === 'everywhere' || x.pattern === selection.pattern?.name)"
        :key="t.pattern"
      >
        {{ t.pattern }}: <span class="figure">{{ formatNumber(t.copies, 0) }}</span>
      </li>
    </ul>
    <p v-if="problem" class="wrong" role="alert"><Words :sentence="problem" /></p>
    <template #footer>
      <Button label="Leave it" severity="secondary" variant="outlined" @click="leave" />
      <Button label="Swap" :disabled="!wish.to || !!problem" @click="accept" />
    </template>
  </Dialog>
</template>

<style scoped>
.sentence {
  margin: 0 0 8px;
  font: 16.5px/1.9 var(--serif);
}
.wrong {
  color: var(--vermilion);
}
ul {
  padding-left: 18px;
  max-height: 140px;
  overflow: auto;
}
</style>
