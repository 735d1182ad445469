import { defineStore } from 'pinia'
import { computed, ref } from 'vue'
import { useDocument } from './document'
import { useOutcomes } from './outcomes'

/** What is picked: a pattern, perhaps a copy of it by its slot, or a part. Ids, so that it survives undo. */
export const useSelection = defineStore('selection', () => {
  const document = useDocument()
  const outcomes = useOutcomes()
  const patternId = ref<string>()
  const slot = ref<string>()
  const partId = ref<string>()

  const pattern = computed(() => document.project.patterns.find((p) => p.id === patternId.value))
  const part = computed(() => document.project.parts.find((p) => p.id === partId.value))
  const outcome = computed(() => (patternId.value ? outcomes.byId.get(patternId.value) : undefined))

  function pickPattern(id: string | undefined): void {
    patternId.value = id
    slot.value = undefined
    partId.value = undefined
    void outcomes.watchStrip(id)
  }

  function pickCopy(id: string, key: string): void {
    pickPattern(id)
    slot.value = key
  }

  function pickPart(id: string | undefined): void {
    partId.value = id
  }

  return { patternId, slot, partId, pattern, part, outcome, pickPattern, pickCopy, pickPart }
})
