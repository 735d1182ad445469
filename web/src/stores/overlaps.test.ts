import { emptyProject } from '@hilera/core/model/project'
import { createPinia, setActivePinia } from 'pinia'
import { shallowReactive } from 'vue'
import { afterEach, beforeEach, expect, it, vi } from 'vitest'
import type { CrowdUpdate, PatternUpdate } from '../worker/messages'
import { useOverlaps } from './overlaps'

type Take = (crowd: CrowdUpdate) => void
const asked: { ids: readonly string[]; take: Take; answer: () => void }[] = []
vi.mock('../worker/looking', () => ({
  lookedAt: () => [],
  stopLooking: () => undefined,
  lookWith: (_project: unknown, _meshes: unknown, question: (to: unknown) => unknown) =>
    new Promise<void>((resolve) => {
      const overlaps = (_all: unknown, ids: readonly string[], take: Take): void =>
        void asked.push({ ids, take, answer: resolve })
      question({ overlaps })
    }),
}))
const outcomes = shallowReactive({
  worked: emptyProject('One'),
  patterns: [] as PatternUpdate[],
  crowd: undefined as CrowdUpdate | undefined,
  settled: true,
})
vi.mock('./outcomes', () => ({ useOutcomes: () => outcomes }))
vi.mock('./document', () => ({ useDocument: () => ({ meshes: new Map() }) }))

const pattern = (id: string): PatternUpdate => ({ id, table: { count: 2 } }) as unknown as PatternUpdate
const none = (id: string): CrowdUpdate => ({ id, count: 0, overlaps: [] })
const rest = (milliseconds = 0) => new Promise((resolve) => setTimeout(resolve, milliseconds))

beforeEach(() => {
  setActivePinia(createPinia())
  asked.length = 0
  outcomes.patterns = [pattern('tins'), pattern('sugar'), pattern('cups')]
  outcomes.crowd = none('tins')
})

afterEach(() => useOverlaps().$dispose())

it.each(['before', 'after'])(
  'a pattern that was known because it was picked is looked at once it is left, what is found told %s the answer',
  async (when) => {
    const overlaps = useOverlaps()
    await vi.waitFor(() => expect(asked).toHaveLength(1))
    const [{ ids, take, answer }] = asked
    expect(ids).toEqual(['sugar', 'cups'])
    // Another one is picked meanwhile.
    outcomes.crowd = none('sugar')
    if (when === 'after') answer()
    await rest()
    for (const id of ids) take(none(id))
    answer()
    await vi.waitFor(() => expect(asked).toHaveLength(2))
    expect(asked[1].ids).toContain('tins')
    for (const id of asked[1].ids) asked[1].take(none(id))
    asked[1].answer()
    await rest(500)
    expect(overlaps.looking).toBe(false)
    expect(asked).toHaveLength(2)
  },
)
