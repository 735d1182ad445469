import { casaNispero } from '@hilera/demo/casaNispero'
import type { Project } from '@hilera/core/model/project'
import { enablePatches } from 'immer'
import { createPinia, setActivePinia } from 'pinia'
import { vi } from 'vitest'
import { useDocument } from '../src/stores/document'
import { useOutcomes } from '../src/stores/outcomes'

/** The demo without what takes long to work out. */
export function quickDemo(): Project {
  const demo = casaNispero()
  const quick = ['shelf-tins', 'turntable-cups', 'sampler-tray', 'lanterns', 'bulbs']
  const patterns = demo.patterns.filter((p) => quick.includes(p.id))
  return { ...demo, patterns, groups: [], sets: [] }
}

/** A page with a document open, its stores over the worker's own code. */
export async function opened(project = quickDemo()) {
  enablePatches()
  vi.stubGlobal(
    'Worker',
    class {
      addEventListener(): void {}
      terminate(): void {}
    },
  )
  setActivePinia(createPinia())
  const outcomes = useOutcomes()
  const document = useDocument()
  document.open('one', project)
  const settled = (): Promise<unknown> =>
    vi.waitUntil(() => outcomes.settled && document.isAccepted(), { timeout: 30_000 })
  await settled()
  return { outcomes, document, settled }
}
