import { expect } from 'vitest'
import type { PatternOutcome } from '../../src/evaluate'
import { lookThrough } from '../../src/findings/lookThrough'
import { namesIn } from '../../src/findings/names'
import { findings } from '../../src/findings/registry'
import type { Project } from '../../src/model/project'
import { removed } from '../../src/model/references'
import { sentenceText } from '../../src/numbers/format'
import { worked } from './laws'
import { worldPlaces } from './places'

/** What is wrong is told of copies that are there, in figures; the parts that nothing uses can go, and nothing that stands changes. */
export function expectFound(doc: Project, outcomes: readonly PatternOutcome[]): void {
  const nameOf = namesIn(doc)
  for (const finding of lookThrough(doc, new Map(), outcomes)) {
    const says = sentenceText(findings[finding.what].says(finding, nameOf), doc.unit)
    expect(says).not.toMatch(/NaN|undefined|Infinity/)
    expect(finding.count).toBeGreaterThan(0)
    // A name is told of the things, wherever they are.
    if (finding.things) continue
    for (const { pattern, rows } of [finding, ...(finding.other ? [finding.other] : [])]) {
      if (pattern === undefined) continue
      const at = doc.patterns.findIndex(({ id }) => id === pattern)
      expect(doc.patterns[at].hidden).toBe(false)
      const { table } = outcomes[at]
      expect(rows.length).toBeGreaterThan(0)
      expect(rows.filter((row) => row >= table.count || !table.isMirrored(row))).toEqual([])
    }
    if (!findings[finding.what].fixes.some(({ by }) => by === 'remove parts')) continue
    const without = removed(doc, new Set(finding.parts!))
    expect(without.parts.length).toBe(doc.parts.length - finding.count)
    expect(worldPlaces(without.patterns, worked(without))).toEqual(worldPlaces(doc.patterns, outcomes))
  }
}
