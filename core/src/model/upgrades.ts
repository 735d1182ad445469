type Old = Record<string, unknown>

const patternsOf = (old: Old): Old[] => [old.patterns].flat() as Old[]
const isRecord = (value: unknown): value is Old => typeof value === 'object' && value !== null
const asDealt = (layout: unknown): unknown =>
  isRecord(layout) && ['line', 'grid', 'ring', 'path'].includes(String(layout.kind))
    ? { ...layout, outlines: 'dealt' }
    : layout
const byPivots = (layout: unknown): unknown =>
  isRecord(layout) && ['fill'].includes(String(layout.kind)) ? { ...layout, edge: 'pivots' } : layout
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
  // 5: a spacing goes by copies as they stand, where it is not said to go by them as they are dealt, as it did before.
  (old) => ({
    ...old,
    schema: 5,
    patterns: patternsOf(old).map((pattern) => ({
      ...pattern,
      layout: asDealt(pattern.layout),
      ...(isRecord(pattern.was) && { was: { ...pattern.was, layout: asDealt(pattern.was.layout) } }),
    })),
  }),
  // 6: an area is filled with whole copies, where it is not said to go by pivots, as it did before.
  (old) => ({
    ...old,
    schema: 6,
    patterns: patternsOf(old).map((pattern) => ({
      ...pattern,
      layout: byPivots(pattern.layout),
      ...(isRecord(pattern.was) && { was: { ...pattern.was, layout: byPivots(pattern.was.layout) } }),
    })),
  }),
  // 7: a grade may give one value to all.
  (old) => ({ ...old, schema: 7 }),
  // 8: patterns, groups and parts may be locked; patterns keep a baseline; there are kept distances and saved views.
  (old) => ({ ...old, schema: 8, measures: [], views: [] }),
  // 9: grounds, on which copies settle, and plans; views along the axes of what was picked.
  (old) => ({ ...old, schema: 9, grounds: [], plans: [] }),
  // 10: an area may be filled by the brightness of a picture.
  (old) => ({ ...old, schema: 10 }),
  // 11: copies move in time.
  (old) => ({ ...old, schema: 11, clock: { length: 5, rate: 24 } }),
  // 12: numbers of sentences change in time, the camera goes from view to view; findings are ignored.
  (old) => ({ ...old, schema: 12, camera: [], ignored: [] }),
  // 13: a part may be a piece of the mesh in its file.
  (old) => ({ ...old, schema: 13 }),
  // 14: an area may keep off the curves and outlines of others.
  (old) => ({ ...old, schema: 14 }),
  // 15: a curve along edges goes along with its part, and may be one edge, a chain or a loop of it; copies
  // arrive along their path and from a place, outward from one.
  (old) => ({
    ...old,
    schema: 15,
    patterns: patternsOf(old).map((pattern) => ({
      ...pattern,
      ...(Array.isArray(pattern.motion) && {
        motion: pattern.motion.map((movement) =>
          isRecord(movement) ? { near: [0, 0, 0], place: [0, 0, 0], ...movement } : movement,
        ),
      }),
    })),
  }),
  // 16: all that varies a pattern has one strength.
  (old) => ({ ...old, schema: 16 }),
  // 17: a movement may keep to a saved selection, and be one for all patterns of a group.
  (old) => ({ ...old, schema: 17 }),
  // 18: copies may be tinted as they arrive, and spots be ten times as many.
  (old) => ({ ...old, schema: 18 }),
]
