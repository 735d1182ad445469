type Old = Record<string, unknown>

const patternsOf = (old: Old): Old[] => [old.patterns].flat() as Old[]
const list = (value: unknown): unknown[] => (Array.isArray(value) ? value : [])

/** One function per schema version that brings a document to the next; index 0 leads from version 1 to 2. */
export const upgrades: readonly ((old: Old) => Old)[] = [
  // 2: patterns have shaping steps.
  (old) => ({ ...old, schema: 2, patterns: patternsOf(old).map((pattern) => ({ steps: [], ...pattern })) }),
  // 3: groups of patterns and saved selections.
  (old) => ({ ...old, schema: 3, groups: [], sets: [] }),
  // 4: what clears copies is a step in the one list. What was named and is not there any more is let go.
  (old) => ({
    ...old,
    schema: 4,
    patterns: patternsOf(old).map(({ clears, ...pattern }) => ({
      ...pattern,
      steps: [...list(pattern.steps), ...list(clears)],
    })),
  }),
  // 5: chances may be drawn under another's id.
  (old) => ({ ...old, schema: 5 }),
]
