import { expect } from 'vitest'
import { Evaluator, type PatternOutcome } from '../../src/evaluate'
import { bringIn, takenOut } from '../../src/links/acrossProjects'
import { recipeOf, rolesOf } from '../../src/links/recipe'
import { referencesOf } from '../../src/model/references'
import type { Reference } from '../../src/values/walk'
import { type Project, emptyProject, readProject } from '../../src/model/project'

/** A pattern that is taken to another project stands there as it stands here, to the bit, and so does all that it rests on. */
export function expectBrought(doc: Project, outcomes: readonly PatternOutcome[]): void {
  const out = takenOut(doc, [lastOf(doc)])
  const to = emptyProject('Other')
  let made = 0
  const { patterns } = bringIn(to, out, (kind) => `${kind}-b${++made}`)
  expectSame(doc, outcomes, out, to, patterns)
}

/** A pattern's recipe, used with the parts that it was made from, stands as the pattern does. */
export function expectRecipe(doc: Project, outcomes: readonly PatternOutcome[]): void {
  const recipe = recipeOf(doc, [lastOf(doc)], { parts: doc.parts, meshes: new Map() })
  expect(readProject(structuredClone(recipe))).toMatchObject({ ok: true })
  // What is said aside of a part inside an assembly goes with the assembly: a recipe knows of none.
  const known = new Set([...recipe.parts, ...recipe.patterns].map(({ id }) => id))
  const isAside = ({ to, id }: Reference): boolean => (to === 'part' || to === 'thing') && !known.has(id)
  if (doc.patterns.some((p) => known.has(p.id) && referencesOf(p).some(isAside))) return
  const to = structuredClone(doc) as Project
  let made = 0
  const given = new Map(rolesOf(recipe).map(({ id }) => [id, id]))
  const { patterns } = bringIn(to, recipe, (kind) => `${kind}-b${++made}`, given)
  expectSame(doc, outcomes, recipe, to, patterns)
}

const lastOf = (doc: Project): string => doc.patterns[doc.patterns.length - 1].id

function expectSame(
  doc: Project,
  outcomes: readonly PatternOutcome[],
  out: Project,
  to: Project,
  patterns: readonly string[],
): void {
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
