import { splitOff } from '@hilera/core/placing/splitOff'
import { definitionOf } from '@hilera/core/layouts/index'
import { lockOf, makeGroup, patternsIn, takeApart } from '@hilera/core/model/grouping'
import type { Group } from '@hilera/core/model/project'
import { freeName } from '@hilera/core/names'
import { twinIn } from '../links/separateEdits'
import { newId } from '../names'
import { useDocument } from '../stores/document'
import { useOutcomes } from '../stores/outcomes'
import { useSelection } from '../stores/selection'

/** Groups of patterns: made, taken apart, named, locked, hidden. */
export function useGroupEdits() {
  const document = useDocument()
  const outcomes = useOutcomes()
  const selection = useSelection()

  /** Why what is picked cannot be grouped. */
  function cannotGroup(): string | undefined {
    if (selection.count > 0) return undefined
    return selection.wholes.length > 1
      ? undefined
      : 'Pick copies, or several patterns in the list with Shift, to group them.'
  }
  /**
   * Groups what is picked: whole patterns and groups, or copies, which get places of their own for it.
   *
   * @returns what no longer goes with them, or why they cannot be grouped
   */
  function group(): string | undefined {
    const cannot = cannotGroup()
    if (cannot) return cannot
    const id = newId('group')
    const { wholes } = selection
    const left = selection.count > 0 ? groupCopies(id) : undefined
    if (selection.count === 0)
      document.change('group what is picked', (project) => makeGroup(project, wholes, id, 'Group'))
    selection.pickGroup(id)
    return left
  }
  function groupCopies(id: string): string | undefined {
    const { picks } = selection
    const { things } = outcomes
    const stood = new Map(outcomes.patterns.map((p) => [p.id, p]))
    const patternId = newId('pattern')
    const { patterns } = document.project
    const [first] = picks.keys()
    const from = patterns.find((p) => p.id === first)
    const name = freeName(
      `Some of ${from?.name ?? 'them'}`.slice(0, 80),
      patterns.map((p) => p.name),
    )
    const left = patterns.filter((p) => picks.has(definitionOf(p.layout).host?.(p.layout) ?? ''))
    document.change('group the picked copies', (project) => {
      splitOff(project, picks, stood, {
        id: patternId,
        name,
        idOf: (thing) => things[thing].id,
        nameOf: (thing) => things[thing].name,
        twinOf: (thing) => twinIn(project, things[thing].id),
      })
      const own = project.patterns.find((p) => p.id === patternId)
      if (own && from?.group) own.group = from.group
      makeGroup(project, [patternId], id, 'Group')
    })
    const [goes, it] = left.length === 1 ? ['goes', 'it'] : ['go', 'them']
    return left.length > 0
      ? `${left.map((p) => p.name).join(', ')} no longer ${goes} with them: place ${it} with ${name} as well.`
      : undefined
  }
  function ungroup(id: string): void {
    const inside = patternsIn(document.project, id)
    const name = document.project.groups.find((g) => g.id === id)?.name ?? ''
    document.change(`take ${name} apart`, (project) => takeApart(project, id))
    selection.pickPattern(inside[0])
    for (const other of inside.slice(1)) selection.toggleWhole(other)
  }
  const rename = (group: Group, name: string): void =>
    void document.change(`name of ${group.name}`, (project) => {
      const found = project.groups.find((g) => g.id === group.id)
      if (found) found.name = name
    })
  /** Locks a pattern or a group, or lets it go. */
  function setLocked(id: string, locked: boolean): void {
    const { patterns, groups } = document.project
    const name = [...patterns, ...groups].find((own) => own.id === id)?.name ?? ''
    document.change(`${locked ? 'lock' : 'unlock'} ${name}`, (project) => {
      const found = [...project.patterns, ...project.groups].find((own) => own.id === id)
      if (!found) return
      if (locked) found.locked = true
      else delete found.locked
    })
  }
  function setHidden(group: Group, hidden: boolean): void {
    const inside = patternsIn(document.project, group.id)
    document.change(`${hidden ? 'hide' : 'show'} ${group.name}`, (project) => {
      for (const pattern of project.patterns) if (inside.includes(pattern.id)) pattern.hidden = hidden
    })
  }
  const isHidden = (id: string): boolean => {
    const inside = patternsIn(document.project, id)
    return inside.length > 0 && document.project.patterns.every((p) => p.hidden || !inside.includes(p.id))
  }
  const lockedBy = (patternId: string): string | undefined => lockOf(document.project, patternId)

  return { cannotGroup, group, ungroup, rename, setLocked, setHidden, isHidden, lockedBy }
}
