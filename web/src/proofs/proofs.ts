import { spreadShared } from '@hilera/core/links/shared'
import type { Pattern } from '@hilera/core/model/pattern'
import { produce } from 'immer'
import { defineStore } from 'pinia'
import { computed, ref, shallowRef } from 'vue'
import { useDocument } from '../stores/document'
import { useOutcomes } from '../stores/outcomes'
import { useSelection } from '../stores/selection'
import type { PatternUpdate, ProofUpdate } from '../worker/messages'
import { type Channel, channelsOf } from './channels'
import type { ProofWish, Varied } from './sentence'

/** One variant: what was changed to what, what came of it, and its picture once it is drawn. */
export interface Proof {
  /** Tells it from the others of its sheet. */
  readonly key: string
  /** What the first and, where two are varied, the second number is. */
  readonly values: readonly number[]
  readonly pattern: Pattern
  readonly updates: readonly PatternUpdate[]
  readonly figures: ProofUpdate['figures']
  readonly picture?: string
}

/** So many seeds are tried at once. */
const TRIED = 30

/** Variants of one pattern side by side, worked out one after another in the background. */
export const useProofs = defineStore('proofs', () => {
  const document = useDocument()
  const outcomes = useOutcomes()
  const selection = useSelection()
  const wish = shallowRef<ProofWish>({
    count: 9,
    patternId: undefined,
    first: { key: '', from: 1, by: 1, to: 1 },
    second: undefined,
    order: 'overlaps',
  })
  const proofs = shallowRef<readonly Proof[]>([])
  const running = ref(false)
  const chosen = ref<string>()
  let run = 0

  const patterns = computed(() => document.project.patterns)
  const pattern = computed(
    () =>
      patterns.value.find((p) => p.id === wish.value.patternId) ??
      patterns.value.find((p) => p.id === selection.patternId) ??
      patterns.value[0],
  )
  const channels = computed(() => (pattern.value ? channelsOf(pattern.value, document.project) : []))
  const channel = computed(() => channels.value.find((c) => c.key === wish.value.first.key) ?? channels.value[0])
  const across = computed(() => channels.value.find((c) => c.key === wish.value.second?.key))

  function series(own: Channel, { from, by, to }: Varied, n: number): number[] {
    const all = Array.from({ length: n }, (_, i) =>
      own.seed ? from + i * by : from + ((to - from) * i) / Math.max(n - 1, 1),
    )
    return all.filter((value) => own.check?.(value) === undefined)
  }
  /** What each variant changes its numbers to, row by row where there are two. */
  const values = computed((): readonly (readonly number[])[] => {
    const own = channel.value
    if (!own) return []
    const other = across.value
    const { first, second, count } = wish.value
    if (!other || !second) return series(own, first, count).map((value) => [value])
    const side = Math.round(Math.sqrt(count))
    const columns = series(own, first, side)
    return series(other, second, side).flatMap((row) => columns.map((column) => [column, row]))
  })
  const sorted = computed(() =>
    wish.value.order === 'given' || across.value
      ? proofs.value
      : proofs.value.toSorted(
          (a, b) => a.figures.overlaps - b.figures.overlaps || b.figures.nearest - a.figures.nearest,
        ),
  )

  /** Around what the pattern has now: seeds from there on, other numbers up to twice as much. */
  function startOf(own: Channel): Varied {
    const now = own.read(pattern.value!)
    const more = own.quantity === 'length' ? 0.002 : own.quantity === 'angle' ? Math.PI / 4 : 1
    const to = own.seed ? now : own.quantity === 'share' && now < 1 ? 1 : now > 0 ? now * 2 : now + more
    return { key: own.key, from: now, by: 1, to }
  }
  /** Starts from what the pattern has now. */
  function begin(): void {
    if (!channel.value || !pattern.value) return
    wish.value = {
      ...wish.value,
      first: startOf(channel.value),
      second: across.value && startOf(across.value),
    }
  }
  /** Varies a second number too, or no longer. */
  function setSecond(to: ProofWish, key: string | undefined): void {
    const own = channels.value.find((c) => c.key === key)
    to.second = own && startOf(own)
  }

  const varied = (numbers: readonly number[]): Pattern => produce(pattern.value!, (p: Pattern) => write(p, numbers))
  function write(p: Pattern, [one, other]: readonly number[]): void {
    channel.value?.write(p, one)
    if (other !== undefined) across.value?.write(p, other)
  }

  /** Works out and draws all variants; a newer sheet ends this one. */
  async function draw(
    picture: (updates: readonly PatternUpdate[], pattern: Pattern) => string | undefined,
  ): Promise<void> {
    const mine = ++run
    proofs.value = []
    chosen.value = undefined
    if (!channel.value || !pattern.value) return
    running.value = true
    for (const numbers of values.value) {
      const next = varied(numbers)
      const { updates, figures } = await outcomes.proof(next)
      if (mine !== run) return
      const drawn = picture(updates, next)
      const proof = { key: numbers.join(' '), values: numbers, pattern: next, updates, figures }
      proofs.value = [...proofs.value, { ...proof, ...(drawn && { picture: drawn }) }]
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
    const what = [own, ...(across.value ? [across.value] : [])].map((c) => c.words.replace(/^the /, '')).join(' and ')
    document.change(`${what} of ${pattern.value!.name}`, (project) => {
      const found = project.patterns.find((p) => p.id === at)
      if (found) write(found, proof.values)
      spreadShared(project, at)
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
        spreadShared(project, of.id)
      })
    return { value: best.value, before: present.overlaps, after: best.figures.overlaps }
  }

  return {
    patterns,
    pattern,
    channels,
    channel,
    across,
    wish,
    values,
    proofs,
    sorted,
    running,
    chosen,
    begin,
    setSecond,
    draw,
    stop,
    use,
    trySeeds,
  }
})
