<script setup lang="ts">
import { type SwapOptions, swapTouches } from '@hilera/core/links/swap'
import { formatNumber } from '@hilera/core/numbers/format'
import { plural } from '@hilera/core/words'
import Button from 'primevue/button'
import Dialog from 'primevue/dialog'
import { computed, ref, watch } from 'vue'
import Words from '../sentences/Words.vue'
import type { Sentence } from '@hilera/core/words'
import ChoiceValue from '../sentences/ChoiceValue.vue'
import { newId } from '../names'
import { type Gesture, useDocument } from '../stores/document'
import { useSelection } from '../stores/selection'
import { type SwapGround, type SwapReach, type SwapWish, useLinkEdits } from './linkEdits'
import { useSwapDialog } from './swapDialog'

/** Gives copies another part, shown live on the stage as the choices are made. Leaving it takes everything back. */
const document = useDocument()
const selection = useSelection()
const links = useLinkEdits()
const dialog = useSwapDialog()

const reach = ref<SwapReach>('copies')
const from = ref('')
const to = ref('')
const keep = ref<SwapOptions['keep']>('pivot')
const size = ref<SwapOptions['size']>('part')
const carry = ref<SwapWish['carry']>('nothing')
const keepNames = ref(true)
const problem = ref<Sentence>()
const lookId = ref('')
let gesture: Gesture | undefined
let ground: SwapGround | undefined
/** What is there before anything is swapped: the preview changes it. */
const before = ref<{
  parts: { id: string; name: string }[]
  dealt: string[]
  touches: { pattern: string; copies: number }[]
}>()

const partOptions = computed(() =>
  document.project.parts.filter((p) => p.id !== lookId.value).map((p) => ({ value: p.id, words: p.name })),
)
const fromOptions = computed(() => (before.value?.parts ?? []).map((p) => ({ value: p.id, words: p.name })))
const reachOptions = computed(() => [
  {
    value: 'copies' as const,
    words: `the ${formatNumber(selection.count, 0)} picked ${plural(selection.count, 'copy', 'copies')}`,
  },
  { value: 'pattern' as const, words: `all of it in ${selection.pattern?.name ?? 'the pattern'}` },
  { value: 'everywhere' as const, words: 'all of it, everywhere' },
])
const keepOptions = [
  { value: 'pivot' as const, words: 'its pivot' },
  { value: 'base' as const, words: 'the middle of its base' },
  { value: 'centre' as const, words: 'its centre' },
]
const sizeOptions = [
  { value: 'part' as const, words: 'the new part’s own size' },
  { value: 'fit' as const, words: 'fitted inside the place', note: 'one factor' },
  { value: 'stretch' as const, words: 'stretched to the place', note: 'a factor along each axis' },
]
const carryOptions = [
  { value: 'nothing' as const, words: 'the new part’s look' },
  { value: 'look' as const, words: 'the look of what was there', note: 'as a part of its own' },
  { value: 'shading' as const, words: 'its look, smooth or faceted as what was there', note: 'as a part of its own' },
]
const nameOptions = [
  { value: 'yes', words: 'keep theirs' },
  { value: 'no', words: 'take the new part’s, numbered' },
]

watch(
  () => dialog.reach,
  (wanted) => {
    gesture?.cancel()
    gesture = undefined
    problem.value = undefined
    if (!wanted) return
    reach.value = wanted
    const { parts } = document.project
    const picked = links.partsOfPicks()
    const dealt = selection.pattern?.deal.parts ?? []
    from.value = dialog.from ?? (wanted === 'copies' ? picked[0] : dealt[0]) ?? parts[0]?.id ?? ''
    before.value = {
      parts: parts.map(({ id, name }) => ({ id, name })),
      dealt,
      touches: swapTouches(document.project, links.tables(), from.value),
    }
    to.value = parts.find((p) => p.id !== from.value && !picked.includes(p.id))?.id ?? ''
    carry.value = 'nothing'
    keepNames.value = true
    lookId.value = newId('part')
    ground = links.ground()
    show()
  },
)
watch(from, () => {
  // Of the document as it was before the preview.
  gesture?.cancel()
  if (before.value && ground) before.value.touches = swapTouches(document.project, ground.byId, from.value)
})
watch([from, to, keep, size, carry, keepNames, reach], () => show())

/** Shows the swap as it is chosen now, worked out from what was there when the dialog opened. */
function show(): void {
  if (!dialog.reach || !to.value || !ground) return
  gesture?.cancel()
  const wish = {
    reach: reach.value,
    from: from.value,
    to: to.value,
    keep: keep.value,
    size: size.value,
    carry: carry.value,
    keepNames: keepNames.value,
  }
  gesture = document.begin('swap a part')
  void gesture.update(links.swapRecipe(wish, lookId.value, ground)).then((refused) => (problem.value = refused?.says))
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
      if (row >= 0 && ground?.all[table!.thing[row]].id !== to.value) n++
    }
  }
  return n
})
const count = computed(() =>
  reach.value === 'copies'
    ? changing.value
    : (before.value?.touches ?? [])
        .filter((t) => reach.value === 'everywhere' || t.pattern === selection.pattern?.name)
        .reduce((n, t) => n + t.copies, 0),
)
function accept(): void {
  gesture?.commit()
  gesture = undefined
  dialog.close()
}
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
      Swap
      <ChoiceValue
        label="What is swapped"
        :value="reach"
        :options="reachOptions"
        @pick="(r: SwapReach) => (reach = r)"
      /><template v-if="reach !== 'copies'"
        >, where it is
        <ChoiceValue
          label="Part that is replaced"
          :value="from"
          :options="fromOptions"
          @pick="(id: string) => (from = id)" /></template
      >, for
      <ChoiceValue label="Part that comes in" :value="to" :options="partOptions" @pick="(id: string) => (to = id)" />.
      Keep
      <ChoiceValue label="What is kept" :value="keep" :options="keepOptions" @pick="(k: typeof keep) => (keep = k)" />
      in place, with
      <ChoiceValue label="Size" :value="size" :options="sizeOptions" @pick="(s: typeof size) => (size = s)" /> and
      <ChoiceValue label="Look" :value="carry" :options="carryOptions" @pick="(c: typeof carry) => (carry = c)" />;
      copies with names of their own
      <ChoiceValue
        label="Names"
        :value="keepNames ? 'yes' : 'no'"
        :options="nameOptions"
        @pick="(n: string) => (keepNames = n === 'yes')"
      />.
    </p>
    <p class="note">
      <span class="figure">{{ formatNumber(count, 0) }}</span> {{ plural(count, 'copy changes', 'copies change') }};
      places and groups stay, and so does the part that is replaced.
    </p>
    <ul v-if="reach !== 'copies' && before" class="note">
      <li
        v-for="t in before.touches.filter((x) => reach === 'everywhere' || x.pattern === selection.pattern?.name)"
        :key="t.pattern"
      >
        {{ t.pattern }}: <span class="figure">{{ formatNumber(t.copies, 0) }}</span>
      </li>
    </ul>
    <p v-if="problem" class="wrong" role="alert"><Words :sentence="problem" /></p>
    <template #footer>
      <Button label="Leave it" severity="secondary" variant="outlined" @click="leave" />
      <Button label="Swap" :disabled="!to || !!problem" @click="accept" />
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
