import { type Fallen, type Split, splitPart } from '@hilera/core/links/splitPart'
import { partMesh, readMeshOf } from '@hilera/core/parts/partMesh'
import { faceAround, runsOf } from '@hilera/core/parts/pieces'
import { sentenceText } from '@hilera/core/numbers/format'
import { defineStore } from 'pinia'
import { computed, ref, shallowRef, watch } from 'vue'
import { newId } from '../names'
import { useDocument } from '../stores/document'
import { useOutcomes } from '../stores/outcomes'

/** The part that is being split, by what, and the faces picked on it. What it falls into is found away from the interface. */
export const useSplitting = defineStore('splitting', () => {
  const document = useDocument()
  const outcomes = useOutcomes()
  const partId = ref<string>()
  const by = ref<Split['by']>('pieces')
  const picked = shallowRef<ReadonlySet<number>>(new Set())
  const fallen = shallowRef<readonly Fallen[]>()
  /** Why it cannot be split so. */
  const refusal = ref<string>()

  const part = computed(() => document.project.parts.find((p) => p.id === partId.value))
  const how = computed((): Split =>
    by.value === 'faces' ? { by: 'faces', runs: runsOf(picked.value) } : { by: by.value },
  )
  const triangles = computed(() => {
    const { shape } = part.value ?? {}
    return (shape?.kind === 'mesh' && readMeshOf(shape, document.source)?.indices.length) || 0
  })

  watch(
    () => [part.value, how.value, document.source] as const,
    async ([of, asked]) => {
      fallen.value = refusal.value = undefined
      if (!of) return
      const found = await outcomes.fallsInto(of.id, asked)
      // Meanwhile something else may have been asked.
      if (asked !== how.value || of !== part.value) return
      if (found?.ok) fallen.value = found.value
      else refusal.value = found && sentenceText(found.problem.says, document.unit)
    },
  )
  watch([partId, by], () => (picked.value = new Set()))
  // Another state of the part has other triangles.
  watch(
    () => part.value?.shape,
    (shape) => {
      picked.value = new Set()
      if (shape?.kind !== 'mesh') partId.value = undefined
    },
  )

  function begin(id: string): void {
    partId.value = id
    by.value = 'pieces'
  }
  const leave = (): void => void (partId.value = undefined)

  /** Picks the face in which a triangle lies, or lets it go where it is picked. */
  function toggleFace(triangle: number): void {
    const mesh = part.value && partMesh(part.value, document.source)
    if (!mesh) return
    const face = faceAround(mesh, triangle)
    const now = new Set(picked.value)
    if (now.has(triangle)) for (const t of face) now.delete(t)
    else for (const t of face) now.add(t)
    picked.value = now
  }

  async function split(): Promise<void> {
    const [of, into] = [part.value, fallen.value]
    if (!of || !into) return
    partId.value = undefined
    await document.change(`split ${of.name}`, (project) => void splitPart(project, of.id, into, () => newId('part')))
  }

  return { partId, by, picked, fallen, refusal, triangles, begin, leave, toggleFace, split }
})
