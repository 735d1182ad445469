import { definitionOf } from '@hilera/core/layouts/index'
import { formatLength } from '@hilera/core/numbers/format'
import type { Problem } from '@hilera/core/words'
import { computed } from 'vue'
import { usePatternEdits } from '../patterns/patternEdits'
import { channelsOf } from '../proofs/channels'
import { nudgeStep } from '../sentences/steps'
import { useDocument } from '../stores/document'
import { useOutcomes } from '../stores/outcomes'
import { useSelection } from '../stores/selection'
import type { Command } from './commands'

/**
 * Commands that take the picked pattern one step on: in count, spacing, seed and place.
 *
 * @param needPattern why there is none to take on
 * @param refuse tells why a step could not be taken
 */
export function useNudges(
  needPattern: () => string | undefined,
  refuse: (problem: Problem) => void,
): { countsAndSeeds(): Command[]; places(): Command[] } {
  const document = useDocument()
  const selection = useSelection()
  const outcomes = useOutcomes()
  const patterns = usePatternEdits()

  /** Which way the picked pattern goes on in count or spacing, by its layout; nothing where it has none. */
  const nudging = computed(() => {
    const { pattern } = selection
    const laid = pattern && outcomes.byId.get(pattern.id)?.laid
    return pattern && laid && laid.kind === pattern.layout.kind
      ? { pattern, laid, definition: definitionOf(pattern.layout) }
      : undefined
  })
  const needMore = computed(() => needNudge('more', 'count'))
  const needWider = computed(() => needNudge('wider', 'spacing'))
  function needNudge(what: 'more' | 'wider', value: string): string | undefined {
    if (needPattern()) return needPattern()
    const now = nudging.value
    if (!now) return 'Nothing is placed yet.'
    if (!now.definition[what]?.(now.pattern.layout, now.laid, 0))
      return `A ${now.definition.words.toLowerCase()} has no ${value} of its own to change by key.`
    return undefined
  }
  /** One edit of the picked pattern's layout from a key. */
  function nudgeLayout(what: 'more' | 'wider', label: string, by: number): void {
    const now = nudging.value
    const edit = now?.definition[what]?.(now.pattern.layout, now.laid, by)
    if (!now || !edit) return
    void document
      .change(
        `${label} of ${now.pattern.name}`,
        patterns.recipe(now.pattern.id, (p) => edit(p.layout)),
      )
      .then((problem) => problem && refuse(problem))
  }
  const moreCopies = (by: number): void => nudgeLayout('more', 'count', by)
  const moreSpacing = (by: number): void => nudgeLayout('wider', 'spacing', by * nudgeStep('length', document.unit))

  function nudge(across: number, up: number, deep: number): void {
    const { pattern } = selection
    if (!pattern) return
    const step = document.unit === 'in' || document.unit === 'ftin' ? 0.0254 : 0.01
    const offset = [across * step, up * step, deep * step]
    patterns.change(pattern, 'place', (p) =>
      offset.forEach((n, i) => (p.place.move[i] = Math.round((p.place.move[i] + n) * 1e9) / 1e9)),
    )
  }

  /** The seed that chance in the picked pattern starts from; all of them where there are several. */
  const seeds = computed(() =>
    selection.pattern ? channelsOf(selection.pattern, document.project).find((c) => c.seed) : undefined,
  )
  const needSeed = computed(
    () => needPattern() ?? (seeds.value ? undefined : 'Nothing in this pattern is left to chance.'),
  )
  function nextSeed(by: 1 | -1): void {
    const { pattern } = selection
    const channel = seeds.value
    if (!pattern || !channel) return
    const next = Math.max(0, channel.read(pattern) + by)
    document.change(
      `seed of ${pattern.name}`,
      patterns.recipe(pattern.id, (p) => channel.write(p, next)),
    )
  }

  const countsAndSeeds = (): Command[] => [
    { id: 'more', words: 'One copy more', keys: 'Page Up', unavailable: needMore.value, run: () => moreCopies(1) },
    {
      id: 'fewer',
      words: 'One copy fewer',
      keys: 'Page Down',
      unavailable: needMore.value,
      run: () => moreCopies(-1),
    },
    {
      id: 'closer',
      words: `Spacing down by ${formatLength(nudgeStep('length', document.unit), document.unit)}`,
      keys: '[',
      unavailable: needWider.value,
      run: () => moreSpacing(-1),
    },
    {
      id: 'wider',
      words: `Spacing up by ${formatLength(nudgeStep('length', document.unit), document.unit)}`,
      keys: ']',
      unavailable: needWider.value,
      run: () => moreSpacing(1),
    },
    {
      id: 'next-seed',
      words: 'Next seed',
      keys: 'N',
      unavailable: needSeed.value,
      run: () => nextSeed(1),
    },
    {
      id: 'previous-seed',
      words: 'Previous seed',
      keys: 'Shift N',
      unavailable: needSeed.value,
      run: () => nextSeed(-1),
    },
  ]
  const places = (): Command[] =>
    (
      [
        ['left', 'Left', [-1, 0, 0]],
        ['right', 'Right', [1, 0, 0]],
        ['back', 'Up', [0, 0, -1]],
        ['near', 'Down', [0, 0, 1]],
      ] as const
    ).map(([id, key, [x, y, z]]) => ({
      id: `nudge-${id}`,
      words: `Nudge the pattern ${id === 'back' ? 'away from you' : id === 'near' ? 'towards you' : `to the ${id}`}`,
      keys: key,
      unavailable: needPattern(),
      run: (steps = 1) => nudge(x * steps, y * steps, z * steps),
    }))

  return { countsAndSeeds, places }
}
