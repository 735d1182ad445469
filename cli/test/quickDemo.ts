import type { Project } from '@hilera/core/model/project'
import { thingsUsed } from '@hilera/core/model/references'
import { casaNispero } from '@hilera/demo/casaNispero'

/** Of the demo what is worked out at once: three patterns, and the parts that they use. */
export function quickDemo(): Project {
  const demo = casaNispero()
  const patterns = demo.patterns.filter((p) => ['shelf-tins', 'turntable-cups', 'sampler-tray'].includes(p.id))
  const used = new Set(patterns.flatMap((pattern) => [...thingsUsed(pattern)]))
  return { ...demo, parts: demo.parts.filter(({ id }) => used.has(id)), patterns, groups: [], sets: [] }
}
