import type { SymmetryPlane } from '@hilera/core/shapes/symmetry'
import { defineStore } from 'pinia'
import { ref, shallowRef, watch } from 'vue'
import { useDocument } from '../stores/document'
import { useOutcomes } from '../stores/outcomes'

/** The planes in which the part that is looked at is its own mirror image, found away from the interface, and whether they are drawn. */
export const useSymmetries = defineStore('symmetries', () => {
  const document = useDocument()
  const outcomes = useOutcomes()
  const partId = ref<string>()
  const planes = shallowRef<readonly SymmetryPlane[]>()
  const drawn = ref(false)

  watch(
    [partId, () => document.source],
    async ([id]) => {
      const found = id === undefined ? undefined : await outcomes.symmetryOf(id)
      // Meanwhile another part may be looked at.
      if (id === partId.value) planes.value = found
    },
    { immediate: true },
  )
  return { partId, planes, drawn }
})
