import type { Layout, LayoutKind, Start } from '@hilera/core/layouts/index'
import { startFor } from '@hilera/core/layouts/beginning'
import type { Part } from '@hilera/core/model/part'
import type { InstanceTable } from '@hilera/core/instances'
import type { Pattern, TouchUp } from '@hilera/core/model/pattern'
import { lackOf } from '../layouts'
import { plural } from '@hilera/core/words'
import { boundsOfPart } from '@hilera/core/parts/support'
import { boxOf } from '@hilera/core/spacing/support'
import { freeName } from '@hilera/core/names'
import { newId } from '../names'
import { beginLayout } from './lasting'
import { useDocument } from '../stores/document'
import { type Recipe, removal } from '../stores/history'
import { useSelection } from '../stores/selection'
import { lookFor, newSolids, roundIn } from '@hilera/core/parts/newParts'
import { useOutcomes } from '../stores/outcomes'
import { layouts } from '@hilera/core/layouts/registry'
import { definitionOf } from '@hilera/core/layouts/index'
import { keepersOf } from '@hilera/core/model/references'

interface NewPattern {
  readonly wanted: string
  readonly parts: string[]
  readonly layout: Layout
  readonly place: Pattern['place']
  /** A part that is added with it. */
  readonly newPart?: Part
  /** A pattern that is hidden with it. */
  readonly hide?: string
}

export interface PartToPlace {
  readonly part: Part
  readonly name: string
  readonly isNew: boolean
  /** What a layout of it is fitted to. */
  readonly start: Start
}

/** Edits of whole patterns, shared by the list, the sentences and the commands. */
export function usePatternEdits() {
  const document = useDocument()
  const selection = useSelection()
  const outcomes = useOutcomes()

  const recipe =
    (patternId: string, edit: (pattern: Pattern) => void): Recipe =>
    (project) => {
      const found = project.patterns.find((p) => p.id === patternId)
      if (found) edit(found)
    }

  const change = (pattern: Pattern, what: string, edit: (pattern: Pattern) => void) =>
    document.change(`${what} of ${pattern.name}`, recipe(pattern.id, edit))

  /** Names, places and adds a new pattern, and picks it. */
  function addPattern({ wanted, parts, layout, place, newPart, hide }: NewPattern): void {
    const { patterns } = document.project
    const name = freeName(
      wanted.slice(0, 80),
      patterns.map((p) => p.name),
    )
    const pattern: Pattern = {
      id: newId('pattern'),
      name,
      place,
      deal: { kind: 'inTurn', parts },
      layout,
      steps: [],
      touchUps: {},
      hidden: false,
    }
    document.change(`add ${name}`, (project) => {
      if (newPart) project.parts.push(newPart)
      for (const p of project.patterns) if (p.id === hide) p.hidden = true
      project.patterns.push(pattern)
    })
    selection.pickPattern(pattern.id)
  }

  /** The part that a new pattern places, with how far it reaches: the chosen one, the first, or a box of its own. */
  function partToPlace(): PartToPlace {
    const known = selection.part ?? document.project.parts[0]
    const part = known ?? {
      id: newId('part'),
      name: 'Box',
      shape: roundIn(newSolids.box.solid, document.unit),
      look: lookFor(0),
    }
    const start = startFor(boundsOfPart(part, document.source), document.unit)
    return { part, name: part.name, isNew: !known, start }
  }

  const addPart = ({
    part,
    ...pattern
  }: Omit<NewPattern, 'parts' | 'newPart' | 'hide'> & { part: PartToPlace }): void =>
    addPattern({ ...pattern, parts: [part.part.id], ...(part.isNew ? { newPart: part.part } : {}) })

  /** A new pattern of the part to place, standing in front of what is there. */
  function add(kind: LayoutKind): void {
    const { patterns } = document.project
    const part = partToPlace()
    const host = selection.pattern ?? patterns[0]
    const ground = document.project.grounds.find((g) => g.id === selection.underId) ?? document.project.grounds[0]
    if (lackOf(kind, document.project)) return
    const layout = beginLayout(kind, {
      ...part.start,
      ...(host && { host: host.id }),
      ...(ground && { ground: ground.id }),
    })
    const inFront =
      definitionOf(layout).host || definitionOf(layout).needs === 'ground' || patterns.length === 0
        ? 0
        : 0.4 + 0.2 * (patterns.length % 5)
    addPart({
      part,
      wanted: `${part.name} ${layouts[kind].words.toLowerCase()}`,
      layout,
      place: { move: [0, 0, inFront], turn: [0, 0, 0] },
    })
  }

  /**
   * Lays the same copies out in another way: parts, count, steps and touch-ups stay, also what places of their own said of them.
   *
   * @returns what cannot stay
   */
  async function layOutAs(pattern: Pattern, kind: LayoutKind): Promise<string | undefined> {
    const outcome = outcomes.byId.get(pattern.id)
    const box = boxOf(outcomes.supportOf(outcomes.numberOf(pattern.deal.parts[0])))
    const host = document.project.patterns.find((p) => p.id !== pattern.id)
    const layout = beginLayout(kind, {
      ...startFor(box, document.unit),
      ...(host && { host: host.id }),
    })
    if (!outcome) return undefined
    const { table } = outcome
    if (table.count > 0) definitionOf(layout).takeCount?.(layout, table.count)
    const own = definitionOf(pattern.layout).ownTouchUps?.(pattern.layout)
    const touchUps = own ? await touchUpsInOrder({ ...pattern, layout, touchUps: {} }, table, own) : pattern.touchUps
    void change(pattern, `layout as a ${layouts[kind].words.toLowerCase()}`, (p) =>
      Object.assign(p, { layout, touchUps }),
    )
    const names = definitionOf(pattern.layout).names?.(pattern.layout).size ?? 0
    return names > 0 && !definitionOf(layout).names
      ? `${names} ${plural(names, 'name', 'names')} of copies went: a ${layouts[kind].words.toLowerCase()} gives its copies none.`
      : undefined
  }

  /** What was said of copies, by their order, as touch-ups of the places that they have now. */
  async function touchUpsInOrder(
    now: Pattern,
    before: InstanceTable,
    own: ReadonlyMap<string, TouchUp>,
  ): Promise<Pattern['touchUps']> {
    const { project } = document
    const by = project.patterns.find((p) => p.id === now.id)?.touchUps ?? {}
    const patterns = project.patterns.map((p) => (p.id === now.id ? now : p))
    const after = (await outcomes.asIf({ ...project, patterns })).find((o) => o.id === now.id)?.table
    const kept: Pattern['touchUps'] = {}
    for (let k = 0; after && k < Math.min(before.count, after.count); k++) {
      const key = before.keyOf(k)
      const said = { ...own.get(key), ...by[key] }
      if (Object.keys(said).length > 0) kept[after.keyOf(k)] = said
    }
    return kept
  }

  /** A line of a whole pattern, beginning where that stands; the pattern itself is hidden, as its first repetition takes its place. */
  function repeat(pattern: Pattern): void {
    const outcome = outcomes.byId.get(pattern.id)
    if (!outcome) return
    const line = layouts.line.begin(startFor(boxOf(outcomes.supportOf(outcomes.numberOf(pattern.id))), document.unit))
    addPattern({
      wanted: `Row of ${pattern.name}`,
      parts: [pattern.id],
      layout: { ...line, count: 3, edges: 'centres' },
      place: pattern.place,
      hide: pattern.id,
    })
  }

  /** The name of a thing that rests on this pattern, if any: then it cannot be removed. */
  const keptBy = (pattern: Pattern): string | undefined => keepersOf(document.project, pattern.id)[0]?.name

  /** Removes a pattern; what others said of it goes with it. */
  function remove(pattern: Pattern): void {
    if (keptBy(pattern)) return
    selection.pickPattern(undefined)
    document.change(`remove ${pattern.name}`, removal(pattern.id))
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

  return {
    recipe,
    change,
    add,
    addPart,
    addPattern,
    partToPlace,
    layOutAs,
    repeat,
    keptBy,
    remove,
    setHidden,
    showOnly,
    showAll,
  }
}
