import type { Pattern } from '@hilera/core/model/pattern'
import type { Line } from '@hilera/core/model/layout'
import { boundsOf } from '@hilera/core/solids/outline'
import { freeName, newId } from '../names'
import { useDocument } from '../stores/document'
import type { Recipe } from '../stores/history'
import { useSelection } from '../stores/selection'
import { newSolids, lookFor } from '../parts/newSolids'

/** Edits of whole patterns, shared by the list, the sentences and the commands. */
export function usePatternEdits() {
  const document = useDocument()
  const selection = useSelection()

  const recipe =
    (patternId: string, edit: (pattern: Pattern) => void): Recipe =>
    (project) => {
      const found = project.patterns.find((p) => p.id === patternId)
      if (found) edit(found)
    }

  const change = (pattern: Pattern, what: string, edit: (pattern: Pattern) => void) =>
    document.change(`${what} of ${pattern.name}`, recipe(pattern.id, edit))

  /** A new line of the chosen part, or of a box when there is none, standing in front of what is there. */
  function addLine(): void {
    const { parts, patterns } = document.project
    const part = selection.part ??
      parts[0] ?? { id: newId('part'), name: 'Box', shape: newSolids.box.solid, look: lookFor(0) }
    const { low, high } = boundsOf(part.shape)
    const width = Math.max(high[0] - low[0], 0.001)
    const layout: Line = {
      kind: 'line',
      direction: { kind: 'axis', axis: 'across', sign: 1 },
      hold: ['spacing', 'count'],
      count: 5,
      spacing: Math.max(Math.round(width * 100) / 500, 0.002),
      measure: 'gap',
      room: 1,
      edges: 'outsides',
      ends: 'both',
      leftover: 'end',
    }
    const name = freeName(
      `${part.name} line`.slice(0, 80),
      patterns.map((p) => p.name),
    )
    const deep = patterns.length === 0 ? 0 : 0.4 + 0.2 * (patterns.length % 5)
    const pattern: Pattern = {
      id: newId('pattern'),
      name,
      place: { move: [0, 0, deep], turn: [0, 0, 0] },
      deal: { kind: 'inTurn', parts: [part.id] },
      layout,
      touchUps: {},
      hidden: false,
    }
    document.change(`add ${name}`, (project) => {
      if (!project.parts.some((p) => p.id === part.id)) project.parts.push(part)
      project.patterns.push(pattern)
    })
    selection.pickPattern(pattern.id)
  }

  function duplicate(pattern: Pattern): void {
    const name = freeName(
      pattern.name,
      document.project.patterns.map((p) => p.name),
    )
    const move = [...pattern.place.move] as Pattern['place']['move']
    move[2] += 0.2
    const copy: Pattern = { ...pattern, id: newId('pattern'), name, place: { ...pattern.place, move } }
    document.change(`duplicate ${pattern.name}`, (project) => {
      const at = project.patterns.findIndex((p) => p.id === pattern.id)
      project.patterns.splice(at + 1, 0, copy)
    })
    selection.pickPattern(copy.id)
  }

  function remove(pattern: Pattern): void {
    selection.pickPattern(undefined)
    document.change(
      `remove ${pattern.name}`,
      (project) => void (project.patterns = project.patterns.filter((p) => p.id !== pattern.id)),
    )
  }

  const setHidden = (pattern: Pattern, hidden: boolean): void =>
    void document.change(
      `${hidden ? 'hide' : 'show'} ${pattern.name}`,
      recipe(pattern.id, (p) => void (p.hidden = hidden)),
    )

  function showOnly(pattern: Pattern): void {
    document.change(`show only ${pattern.name}`, (project) => {
      for (const p of project.patterns) p.hidden = p.id !== pattern.id
    })
  }

  function showAll(): void {
    document.change('show everything', (project) => {
      for (const p of project.patterns) p.hidden = false
    })
  }

  return { recipe, change, addLine, duplicate, remove, setHidden, showOnly, showAll }
}
