import { definitionOf } from '@hilera/core/layouts/index'
import { filesOfProject } from '@hilera/core/model/references'
import { stepDefinitionOf } from '@hilera/core/steps/index'
import { meshBytes } from '@hilera/core/writers/glb/size'
import { computed } from 'vue'
import { useDocument } from '../stores/document'
import { useOutcomes } from '../stores/outcomes'
import { useView } from '../stores/view'
import { guiseKey } from '@hilera/core/parts/guise'

export interface Took {
  readonly what: string
  readonly milliseconds: number
  /** What would make it less work. */
  readonly eases?: string | undefined
}

/** So many of the longest pieces of work are told one by one. */
const MOST = 6
/** Below this nothing is slow. */
const SLOW = 100

/** How much there is, what it takes up, and how long it takes from a change to the picture. */
export function useReadout() {
  const document = useDocument()
  const outcomes = useOutcomes()
  const view = useView()

  /** What is drawn, an assembly by its parts; the list counts it as one. */
  const copies = computed(() =>
    outcomes.patterns.reduce((n, p) => n + p.batches.reduce((m, b) => m + b.rows.length, 0), 0),
  )
  /** A light is seen as a sign, which is no mesh of the file. */
  const isMesh = ({ part }: { readonly part: number }): boolean => outcomes.worked.parts[part]?.shape.kind !== 'light'
  const meshes = computed(
    () => new Set(outcomes.patterns.flatMap((p) => p.batches.filter(isMesh).map((b) => guiseKey(b)))).size,
  )
  const share = computed(() => view.share * (view.shown?.share ?? 1))

  const bytes = computed(() => {
    const tables = new Set(outcomes.patterns.flatMap((p) => [p.table, p.copies, p.expanded]))
    // Of a project that was open before some are still there.
    const files = filesOfProject(outcomes.worked).map(({ file }) => file)
    const all = [...document.meshes].flatMap(([key, mesh]) => (files.some((file) => key.includes(file)) ? [mesh] : []))
    const pictures = all.flatMap((mesh) => mesh.pictures ?? []).reduce((n, p) => n + p.bytes.length, 0)
    return {
      tables:
        [...tables].reduce((n, table) => n + bytesOfTable(table), 0) +
        outcomes.patterns.reduce((n, p) => n + p.batches.reduce((m, b) => m + b.placed.byteLength, 0), 0),
      meshes: all.reduce((n, mesh) => n + meshBytes(mesh), 0) - pictures,
      pictures,
    }
  })

  /** The longest pieces of work first. */
  const took = computed((): Took[] => {
    const { packing, sending, times } = outcomes.took
    const steps = times.flatMap(({ pattern, step, milliseconds }): Took[] => {
      const of = outcomes.worked.patterns.find((p) => p.id === pattern)
      if (!of) return []
      const layout = definitionOf(of.layout)
      const found = of.steps.find((s) => s.id === step)
      const definition = found ? stepDefinitionOf(found) : layout
      return [{ what: `${of.name}: ${definition.words.toLowerCase()}`, milliseconds, eases: definition.eases }]
    })
    const all: Took[] = [
      ...steps,
      { what: 'Making it ready for the stage', milliseconds: packing },
      { what: 'From the worker to the page', milliseconds: sending },
      {
        what: 'Drawing',
        milliseconds: view.shown?.took ?? 0,
        eases: 'Draw Fast, or fewer copies, in the menu at the top right.',
      },
    ]
    return all.sort((a, b) => b.milliseconds - a.milliseconds).slice(0, MOST)
  })
  /** What takes longest, where that is felt. */
  const slow = computed(() => took.value.find(({ milliseconds }) => milliseconds >= SLOW))

  return { copies, meshes, share, bytes, took, slow }
}

const bytesOfTable = (table: object): number =>
  Object.values(table).reduce((n: number, array: unknown) => n + (ArrayBuffer.isView(array) ? array.byteLength : 0), 0)
