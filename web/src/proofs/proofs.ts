import type { Pattern } from '@hilera/core/model/pattern'
import { produce } from 'immer'
import { defineStore } from 'pinia'
import { computed, ref, shallowRef } from 'vue'
import { useDocument } from '../stores/document'
import { useOutcomes } from '../stores/outcomes'
import { useSelection } from '../stores/selection'
import type { PatternUpdate, ProofUpdate } from '../worker/messages'
import { type Channel, channelsOf } from './channels'

/** One variant: what was changed to what, what came of it, and its picture once it is drawn. */
export interface Proof {
  readonly value: number
  readonly pattern: Pattern
  readonly updates: readonly PatternUpdate[]
  readonly figures: ProofUpdate['figures']
  readonly picture?: string
}

export const sheets = [9, 16, 25] as const
/** So many seeds are tried at once. */
const TRIED = 30

/** Variants of one pattern side by side, worked out one after another in the background. */
export const useProofs = defineStore('proofs', () => {
  const document = useDocument()
  const outcomes = useOutcomes()
  const selection = useSelection()
  const count = ref<number>(9)
  const channelKey = ref('')
  const from = ref(1)
  const by = ref(1)
  const to = ref(1)
  const order = ref<'overlaps' | 'given'>('overlaps')
  const proofs = shallowRef<readonly Proof[]>([])
  const running = ref(false)
  const chosen = ref<number>()
  let run = 0

  /** Patterns of which something can be varied. */
  const patterns = computed(() => document.project.patterns.filter((p) => channelsOf(p).length > 0))
  const patternId = ref<string>()
  const pattern = computed(
    () =>
      patterns.value.find((p) => p.id === patternId.value) ??
      patterns.value.find((p) => p.id === selection.patternId) ??
      patterns.value[0],
  )
  const channels = computed(() => (pattern.value ? channelsOf(pattern.value) : []))
  const channel = computed(() => channels.value.find((c) => c.key === channelKey.value) ?? channels.value[0])

  const values = computed(() => {
    const own = channel.value
    if (!own) return []
    return Array.from({ length: count.value }, (_, i) =>
      own.seed ? from.value + i * by.value : from.value + ((to.value - from.value) * i) / Math.max(count.value - 1, 1),
    )
  })
  const sorted = computed(() =>
    order.value === 'given'
      ? proofs.value
      : proofs.value.toSorted(
          (a, b) => a.figures.overlaps - b.figures.overlaps || b.figures.nearest - a.figures.nearest,
        ),
  )

  /** Starts from what the pattern has now. */
  function begin(): void {
    const own = channel.value
    if (!own || !pattern.value) return
    const now = own.read(pattern.value)
    from.value = now
    by.value = 1
    to.value = own.seed ? now : own.quantity === 'share' ? 1 : now > 0 ? now * 2 : own.quantity === 'length' ? 0.002 : 1
  }

  const varied = (own: Channel, value: number): Pattern =>
    produce(pattern.value!, (p: Pattern) => void own.write(p, value))

  /** Works out and draws all variants; a newer sheet ends this one. */
  async function draw(
    picture: (updates: readonly PatternUpdate[], pattern: Pattern) => string | undefined,
  ): Promise<void> {
    const mine = ++run
    proofs.value = []
    chosen.value = undefined
    const own = channel.value
    if (!own || !pattern.value) return
    running.value = true
    for (const value of values.value) {
      const next = varied(own, value)
      const { updates, figures } = await outcomes.proof(next)
      if (mine !== run) return
      const drawn = picture(updates, next)
      proofs.value = [...proofs.value, { value, pattern: next, updates, figures, ...(drawn && { picture: drawn }) }]
      // The page is let at its work between two pictures.
      await new Promise((resolve) => setTimeout(resolve))
      if (mine !== run) return
    }
    running.value = false
  }

  function stop(): void {
    run++
    running.value = false
  }

  /** Takes the variant: one step of undo. */
  function use(proof: Proof): void {
    const own = channel.value
    const at = pattern.value?.id
    if (!own || at === undefined) return
    document.change(`${own.words.replace(/^the /, '')} of ${pattern.value!.name}`, (project) => {
      const found = project.patterns.find((p) => p.id === at)
      if (found) own.write(found, proof.value)
    })
  }

  /** Looks through seeds after the present one for the fewest overlaps, and takes it unless none is better. */
  async function trySeeds(
    of: Pattern,
    own: Channel,
  ): Promise<{ value: number; before: number; after: number } | undefined> {
    const mine = ++run
    running.value = true
    const now = own.read(of)
    const present = (await outcomes.proof(of)).figures
    let best = { value: now, figures: present }
    for (let i = 1; i <= TRIED && best.figures.overlaps > 0; i++) {
      const value = now + i
      const { figures } = await outcomes.proof(produce(of, (p: Pattern) => void own.write(p, value)))
      if (mine !== run) return undefined
      if (figures.overlaps < best.figures.overlaps) best = { value, figures }
    }
    running.value = false
    if (best.value !== now)
      document.change(`seed of ${of.name}`, (project) => {
        const found = project.patterns.find((p) => p.id === of.id)
        if (found) own.write(found, best.value)
      })
    return { value: best.value, before: present.overlaps, after: best.figures.overlaps }
  }

  return {
    patterns,
    patternId,
    pattern,
    channels,
    channelKey,
    channel,
    count,
    from,
    by,
    to,
    order,
    values,
    proofs,
    sorted,
    running,
    chosen,
    begin,
    draw,
    stop,
    use,
    trySeeds,
  }
})
