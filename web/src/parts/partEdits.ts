import type { MeshShape, Part, Solid, SolidKind } from '@hilera/core/model/part'
import type { Project } from '@hilera/core/model/project'
import { freeName } from '@hilera/core/names'
import { newId } from '../names'
import { useDocument } from '../stores/document'
import type { Recipe } from '../stores/history'
import { useOutcomes } from '../stores/outcomes'
import { useSelection } from '../stores/selection'
import { lookFor, newSolids } from './newSolids'

/** The patterns that deal a part or that gave it to a copy by hand. */
export const patternsUsing = (project: Project, partId: string) =>
  project.patterns.filter(
    (p) => p.deal.parts.includes(partId) || Object.values(p.touchUps).some((t) => t.part === partId),
  )

/** Edits of parts, shared by the tray, the sentence and the commands. */
export function usePartEdits() {
  const document = useDocument()
  const outcomes = useOutcomes()
  const selection = useSelection()

  function add(shape: Part['shape'], wanted: string): string {
    const { parts } = document.project
    const name = freeName(
      wanted.trim().slice(0, 80) || 'Part',
      parts.map((p) => p.name),
    )
    const part: Part = { id: newId('part'), name, shape, look: lookFor(parts.length) }
    document.change(`add ${name}`, (project) => void project.parts.push(part))
    selection.pickPart(part.id)
    return part.id
  }

  const addSolid = (kind: SolidKind): string => add(newSolids[kind].solid, newSolids[kind].words)
  const addMesh = (shape: MeshShape): string => add(shape, shape.fileName.replace(/\.[^.]+$/, ''))

  /** Why a part cannot be removed, or nothing. */
  function keptBy(partId: string): string | undefined {
    const users = patternsUsing(document.project, partId)
    if (users.length === 0) return undefined
    return `${users[0].name}${users.length > 1 ? ` and ${users.length - 1} more` : ''} still ${users.length > 1 ? 'use' : 'uses'} it. Deal another part there first.`
  }

  function remove(part: Part): void {
    if (keptBy(part.id)) return
    if (selection.partId === part.id) selection.pickPart(undefined)
    document.change(
      `remove ${part.name}`,
      (project) => void (project.parts = project.parts.filter((p) => p.id !== part.id)),
    )
  }

  /** Makes a part the only one that a pattern deals. */
  function useIn(patternId: string, part: Part): void {
    const pattern = document.project.patterns.find((p) => p.id === patternId)
    if (!pattern) return
    document.change(`${part.name} in ${pattern.name}`, (project) => {
      const found = project.patterns.find((p) => p.id === patternId)
      if (found) found.deal = { kind: 'inTurn', parts: [part.id] }
    })
  }

  const recipe =
    (partId: string, edit: (part: Part) => void): Recipe =>
    (project) => {
      const found = project.parts.find((p) => p.id === partId)
      if (found) edit(found)
    }

  /** An edit of a solid's numbers; `edit` sees the solid as it is then. */
  const solidRecipe = (partId: string, edit: (solid: Solid) => void): Recipe =>
    recipe(partId, (part) => {
      if (part.shape.kind !== 'mesh') edit(part.shape)
    })

  /** How many copies of a part stand in the project, empty places not counted. */
  function copiesOf(partId: string): number {
    const index = document.project.parts.findIndex((p) => p.id === partId)
    return outcomes.patterns.reduce(
      (n, { batches }) => n + batches.filter((b) => b.part === index).reduce((m, b) => m + b.rows.length, 0),
      0,
    )
  }

  return { addSolid, addMesh, keptBy, remove, useIn, recipe, solidRecipe, copiesOf }
}
