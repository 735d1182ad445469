import { definitionOf } from '@hilera/core/layouts/index'
import { isSolid, type MeshShape, type Part, type Shape } from '@hilera/core/model/part'
import { keepersOf } from '@hilera/core/model/references'
import type { Solid } from '@hilera/core/solids/schema'
import { freeName } from '@hilera/core/names'
import type { Problem } from '@hilera/core/words'
import { newId } from '../names'
import { useDocument } from '../stores/document'
import { type Recipe, removal } from '../stores/history'
import { useSelection } from '../stores/selection'
import { lookFor, type NewPartKind, newParts, roundIn } from '@hilera/core/parts/newParts'

/** Edits of parts, shared by the tray, the wall, the sentences and the commands. */
export function usePartEdits() {
  const document = useDocument()
  const selection = useSelection()

  function add(shape: Part['shape'], wanted: string, look?: Part['look']): string {
    const { parts } = document.project
    const name = freeName(
      wanted.trim().slice(0, 80) || 'Part',
      parts.map((p) => p.name),
    )
    const part: Part = { id: newId('part'), name, shape, look: look ?? lookFor(parts.length) }
    document.change(`add ${name}`, (project) => void project.parts.push(part))
    selection.pickPart(part.id)
    return part.id
  }

  const addNew = (kind: NewPartKind): string =>
    add(roundIn(newParts[kind].shape, document.unit), newParts[kind].words, newParts[kind].look)
  const addMesh = (shape: MeshShape): string => add(shape, shape.fileName.replace(/\.[^.]+$/, ''))
  /** The mirror image of a part, linked to it; the one that there is already where it has one. */
  function addTwin(part: Part): string {
    const known = document.project.parts.find((p) => p.shape.kind === 'twin' && p.shape.of === part.id)
    if (!known) return add({ kind: 'twin', of: part.id }, `${part.name.slice(0, 70)} twin`, part.look)
    selection.pickPart(known.id)
    return known.id
  }

  /** Why a part cannot be removed, or nothing. */
  function keptBy(partId: string): string | undefined {
    const users = keepersOf(document.project, partId)
    if (users.length === 0) return undefined
    return `${users[0].name}${users.length > 1 ? ` and ${users.length - 1} more` : ''} still ${users.length > 1 ? 'use' : 'uses'} it. Swap it there first.`
  }

  function remove(part: Part): void {
    if (keptBy(part.id)) return
    if (selection.partId === part.id) selection.pickPart(undefined)
    document.change(`remove ${part.name}`, removal(part.id))
  }

  /** Makes a part the only one that a pattern deals, also on places that had parts of their own. */
  function useIn(patternId: string, part: Part): void {
    const pattern = document.project.patterns.find((p) => p.id === patternId)
    if (!pattern) return
    document.change(`${part.name} in ${pattern.name}`, (project) => {
      const found = project.patterns.find((p) => p.id === patternId)
      if (!found) return
      found.deal = { kind: 'inTurn', parts: [part.id] }
      definitionOf(found.layout).dealAll?.(found.layout)
    })
  }

  const recipe =
    (partId: string, edit: (part: Part) => void): Recipe =>
    (project) => {
      const found = project.parts.find((p) => p.id === partId)
      if (found) edit(found)
    }
  const change = (part: Part, what: string, edit: (part: Part) => void): Promise<Problem | undefined> =>
    document.change(`${what} of ${part.name}`, recipe(part.id, edit))
  /** An edit of a solid's numbers; `edit` sees the solid as it is then. */
  const solidRecipe = (partId: string, edit: (solid: Solid) => void): Recipe =>
    recipe(partId, (part) => {
      if (isSolid(part.shape)) edit(part.shape)
    })
  /** An edit of a shape of a known kind. */
  const shapeRecipe = <K extends Shape['kind']>(
    partId: string,
    kind: K,
    edit: (shape: Extract<Shape, { kind: K }>) => void,
  ): Recipe =>
    recipe(partId, (part) => {
      if (part.shape.kind === kind) edit(part.shape as Extract<Shape, { kind: K }>)
    })

  return {
    add,
    addNew,
    addMesh,
    addTwin,
    keptBy,
    remove,
    useIn,
    recipe,
    change,
    solidRecipe,
    shapeRecipe,
  }
}
