import { type GroundKind, type GroundShape, groundDefinitionOf } from '@hilera/core/grounds/index'
import type { Ground } from '@hilera/core/model/ground'
import type { Project } from '@hilera/core/model/project'
import { groundsNamed, keepersOf, removed } from '@hilera/core/model/references'
import { freeName } from '@hilera/core/names'
import type { Plan } from '@hilera/core/plans/plan'
import { newId } from '../names'
import type { SentenceEdits } from '../sentences/edits'
import { useDocument } from '../stores/document'
import type { Recipe } from '../stores/history'
import { useSelection } from '../stores/selection'

/** What lies under the arrangement: a ground or a plan. */
export type Under = Ground | Plan

const listed = ({ grounds, plans }: Project): Under[] => [...grounds, ...plans]
export const underOf = (project: Project, id: string | undefined): Under | undefined =>
  listed(project).find((u) => u.id === id)
export const isPlan = (under: Under): under is Plan => 'pixels' in under

/** Grounds and plans: added, named, hidden, locked, removed. */
export function useUnderEdits() {
  const document = useDocument()
  const selection = useSelection()

  const named = (wanted: string): string =>
    freeName(
      wanted.trim().slice(0, 80) || 'Under it',
      listed(document.project).map((u) => u.name),
    )
  const edit =
    (id: string, change: (under: Under) => void): Recipe =>
    (project) => {
      const found = underOf(project, id)
      if (found) change(found)
    }

  function addShape(shape: GroundShape, wanted: string): void {
    const ground: Ground = { id: newId('ground'), name: named(wanted), shape, move: [0, 0, 0], turn: 0, hidden: false }
    document.change(`add ${ground.name}`, (project) => void project.grounds.push(ground))
    selection.pickUnder(ground.id)
  }
  /** A ground as its kind begins. */
  function addGround(kind: GroundKind): void {
    const definition = groundDefinitionOf({ kind })
    const shape = definition.begin?.()
    if (shape) addShape(shape, definition.words)
  }
  function addPlan(plan: Omit<Plan, 'id' | 'name'>): void {
    const made: Plan = { ...plan, id: newId('plan'), name: named(plan.fileName.replace(/\.[^.]*$/, '')) }
    document.change(`add ${made.name}`, (project) => void project.plans.push(made))
    selection.pickUnder(made.id)
  }
  const rename = (under: Under, name: string): void =>
    void document.change(
      `name of ${under.name}`,
      edit(under.id, (u) => void (u.name = name)),
    )
  const setHidden = (under: Under, hidden: boolean): void =>
    void document.change(
      `${hidden ? 'hide' : 'show'} ${under.name}`,
      edit(under.id, (u) => void (u.hidden = hidden)),
    )
  const setLocked = (under: Under, locked: boolean): void =>
    void document.change(
      `${locked ? 'lock' : 'unlock'} ${under.name}`,
      edit(under.id, (u) => {
        if (locked) u.locked = true
        else delete u.locked
      }),
    )
  /** The patterns that settle on a ground. */
  const settledOn = ({ id }: Under): string[] =>
    document.project.patterns.filter((p) => groundsNamed(p).has(id)).map((p) => p.name)
  /** Why it cannot be taken out: what is spread over it would have no place. */
  const keptBy = ({ id }: Under): string | undefined => {
    const names = keepersOf(document.project, id).map((k) => k.name)
    return names.length > 0 ? `${names.join(', ')} is spread over it. Change or remove that first.` : undefined
  }
  /** Takes it out from under them; what settled on it settles on what else it names. */
  function remove(under: Under): void {
    document.change(`remove ${under.name}`, (project) => {
      const next = removed(project as Project, new Set([under.id]))
      project.patterns = next.patterns
      project.grounds = next.grounds
      project.plans = project.plans.filter((p) => p.id !== under.id)
    })
    selection.pickUnder(undefined)
  }
  const sentence = (under: () => Under): SentenceEdits<Under> => {
    // What is locked stays as it is, whichever of its values is typed or scrubbed.
    const recipe = (change: (root: Under) => void): Recipe =>
      edit(under().id, (found) => void (found.locked || change(found)))
    const name = (undo: string | undefined): string => `${undo ?? 'form'} of ${under().name}`
    return {
      recipe,
      name,
      change: (undo, change) =>
        under().locked
          ? Promise.resolve({ says: [`${under().name} is locked. Unlock it first.`] })
          : document.change(name(undo), recipe(change)),
    }
  }

  return { addShape, addGround, addPlan, rename, setHidden, setLocked, settledOn, keptBy, remove, sentence, edit }
}
