import { expect } from 'vitest'
import { Evaluator, type PatternOutcome } from '../../src/evaluate'
import { sourcesOf } from '../../src/evaluation/mirrorSources'
import { definitionOf } from '../../src/layouts/index'
import { bringIn, takenOut } from '../../src/links/acrossProjects'
import { type Project, emptyProject, readProject } from '../../src/model/project'

/** A pattern that is taken to another project stands there as it stands here, to the bit, and so does all that it rests on. */
export function expectBrought(doc: Project, outcomes: readonly PatternOutcome[]): void {
  const last = doc.patterns[doc.patterns.length - 1].id
  const out = takenOut(doc, [last])
  // A mirror that has moved some of it across stays behind.
  const comes = (id: string): boolean => out.patterns.some((p) => p.id === id)
  const isMoved = doc.patterns.some(
    (p) =>
      !comes(p.id) &&
      definitionOf(p.layout).images?.(p.layout)?.away &&
      sourcesOf(p, doc).some(({ pattern }) => comes(pattern.id)),
  )
  if (isMoved) return
  const to = emptyProject('Other')
  let made = 0
  const { patterns } = bringIn(to, out, (kind) => `${kind}-b${++made}`)
  expect(readProject(structuredClone(to))).toMatchObject({ ok: true })
  const came = new Evaluator().evaluate(to, new Map())
  for (const [i, { id }] of out.patterns.entries()) {
    const was = outcomes[doc.patterns.findIndex((p) => p.id === id)]
    const is = came[to.patterns.findIndex((p) => p.id === patterns[i])]
    expect([is.problem !== undefined, is.expanded.count]).toEqual([was.problem !== undefined, was.expanded.count])
    for (const key of ['position', 'quaternion', 'scale'] as const) {
      const width = key === 'quaternion' ? 4 : 3
      const of = ({ expanded }: PatternOutcome): number[] => [...expanded[key].subarray(0, width * expanded.count)]
      expect(of(is)).toEqual(of(was))
    }
  }
}
