import type { InstanceTable } from '@hilera/core/instances'
import { duplicatePattern } from '@hilera/core/links/duplicate'
import { inLookOf, renameSwapped, swapCopies, swapEverywhere, swapInPattern } from '@hilera/core/links/swap'
import type { SwapWish } from '@hilera/core/links/sentence'
import { relinkCopies, unlink } from '@hilera/core/links/unlink'
import type { Pattern } from '@hilera/core/model/pattern'
import type { Project } from '@hilera/core/model/project'
import { freeName } from '@hilera/core/names'
import { partMesh } from '@hilera/core/parts/partMesh'
import { cloudOf } from '@hilera/core/shapes/cloud'
import { ComparedShape } from '@hilera/core/shapes/match'
import { boxOf } from '@hilera/core/spacing/support'
import type { Vec3 } from '@hilera/core/values/values'
import { newId } from '../names'
import { useDocument } from '../stores/document'
import type { Recipe } from '../stores/history'
import { useOutcomes } from '../stores/outcomes'
import { type Picks, useSelection } from '../stores/selection'

export interface SwapGround {
  readonly all: readonly { readonly id: string; readonly name: string }[]
  readonly byId: ReadonlyMap<string, InstanceTable>
  readonly boxOfThing: (id: string) => { low: Vec3; high: Vec3 }
  readonly picks: Picks
  readonly patternId: string | undefined
}

/** Edits of what copies are linked to. */
export function useLinkEdits() {
  const document = useDocument()
  const outcomes = useOutcomes()
  const selection = useSelection()

  const tables = (): ReadonlyMap<string, InstanceTable> => new Map(outcomes.patterns.map((p) => [p.id, p.table]))
  const things = (): readonly { readonly id: string; readonly name: string }[] => outcomes.things
  function boxes(): (id: string) => { low: Vec3; high: Vec3 } {
    const { supportOf, numberOf } = outcomes
    return (id) => boxOf(supportOf(numberOf(id)))
  }

  /** The parts that the picked copies have, by their ids. */
  function partsOfPicks(picks: Picks = selection.picks): string[] {
    const all = things()
    const found = new Set<string>()
    const byId = tables()
    for (const [id, keys] of picks) {
      const table = byId.get(id)
      for (const key of keys) {
        const row = table ? table.rowOf(key) : -1
        if (row >= 0) found.add(all[table!.thing[row]].id)
      }
    }
    return [...found]
  }

  /** Everything by which a swap is worked out, as it is now: a preview changes what is seen afterwards. */
  const ground = (): SwapGround => ({
    all: things(),
    byId: tables(),
    boxOfThing: boxes(),
    picks: selection.picks,
    patternId: selection.patternId,
  })

  /** A recipe that gives the picked copies, a pattern, or all that use a part another one. */
  function swapRecipe(
    wish: Omit<SwapWish, 'picked'>,
    lookId: string,
    { all, byId, boxOfThing, picks, patternId }: SwapGround,
  ): Recipe {
    return (project) => {
      let { to } = wish
      let boxOfAny = boxOfThing
      if (wish.carry !== 'nothing') {
        const [shape, look] = [wish.to, wish.from].map((id) => project.parts.find((p) => p.id === id))
        if (shape && look) {
          const name = freeName(
            `${shape.name} in the ${wish.carry} of ${look.name}`.slice(0, 80),
            project.parts.map((p) => p.name),
          )
          project.parts.push(inLookOf(shape, look, wish.carry, lookId, name))
          to = lookId
          boxOfAny = (id) => boxOfThing(id === lookId ? wish.to : id)
        }
      }
      const patternOf = (id: string): Pattern | undefined => project.patterns.find((p) => p.id === id)
      if (!wish.keepNames)
        for (const pattern of project.patterns) {
          if (wish.reach === 'pattern' && pattern.id !== patternId) continue
          const keys = picks.get(pattern.id)
          renameSwapped(pattern, (key, part) => (wish.reach === 'copies' ? !!keys?.has(key) : part === wish.from))
        }
      if (wish.reach === 'everywhere') return swapEverywhere(project, wish.from, to, wish, boxOfAny)
      if (wish.reach === 'pattern') {
        const pattern = patternId === undefined ? undefined : patternOf(patternId)
        if (pattern) swapInPattern(pattern, wish.from, to, wish, boxOfAny)
        return
      }
      for (const [id, keys] of picks) {
        const [pattern, table] = [patternOf(id), byId.get(id)]
        if (pattern && table) swapCopies(pattern, table, keys, to, wish, (thing) => all[thing].id, boxOfAny)
      }
    }
  }

  /** Gives the picked copies a part of their own; the new part is picked. */
  function unlinkPicks(): void {
    const made = newId('part')
    let count = 0
    const recipe = (project: Project): void => {
      count = 0
      unlink(project, tables(), selection.picks, () => (count++ === 0 ? made : newId('part')))
    }
    document.change('unlink copies', recipe)
    if (document.project.parts.some((p) => p.id === made)) selection.pickPart(made)
  }

  /**
   * Links the picked copies to another part of the same shape so that nothing moves; says so where the shapes differ.
   *
   * @returns how far apart the shapes are where they are not the same; nothing when it was done
   */
  function relinkPicks(to: string): { readonly deviation?: number } | undefined {
    const target = document.project.parts.find((p) => p.id === to)
    const shape = target && partMesh(target, document.source)
    if (!shape) return {}
    const reference = new ComparedShape(cloudOf(shape))
    const found = new Map<string, NonNullable<ReturnType<typeof similarityOf>>>()
    const similarityOf = (id: string) => {
      const part = document.project.parts.find((p) => p.id === id)
      const mesh = part && partMesh(part, document.source)
      const match = mesh && reference.match(cloudOf(mesh), RELINK_TOLERANCE)
      return match?.kind === 'same' && !match.similarity.mirrored ? match.similarity : undefined
    }
    for (const id of partsOfPicks()) {
      const similarity = similarityOf(id)
      if (!similarity) return {}
      found.set(id, similarity)
    }
    const all = things()
    const byId = tables()
    const { picks } = selection
    document.change(`link copies to ${target.name}`, (project) => {
      for (const [id, keys] of picks) {
        const pattern = project.patterns.find((p) => p.id === id)
        const table = byId.get(id)
        if (!pattern || !table) continue
        for (const [from, similarity] of found) {
          const own = [...keys].filter((key) => {
            const row = table.rowOf(key)
            return row >= 0 && all[table.thing[row]].id === from
          })
          relinkCopies(pattern, table, own, from, to, similarity)
        }
      }
    })
    return undefined
  }

  /** A copy of a pattern, linked to the same parts or with parts of its own. */
  function duplicate(pattern: Pattern, own: boolean): void {
    const id = newId('pattern')
    void document.change(`duplicate ${pattern.name}${own ? ' with parts of its own' : ''}`, (project) => {
      const [across, up, deep] = pattern.place.move
      duplicatePattern(project, pattern, {
        id,
        name: freeName(
          pattern.name,
          project.patterns.map((p) => p.name),
        ),
        place: { ...pattern.place, move: [across, up, deep + 0.2] },
        own,
        newId,
      })
    })
    selection.pickPattern(id)
  }

  return { tables, things, partsOfPicks, ground, swapRecipe, unlinkPicks, relinkPicks, duplicate }
}

/** The largest distance by which a vertex may move when a copy is linked to another part, in metres. */
const RELINK_TOLERANCE = 0.0001
