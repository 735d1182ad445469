import { plainPlane, plainReflection } from '@hilera/core/values/reflection'
import type { MirrorPlane, MirrorSource } from '@hilera/core/values/reflection'
import type { Pattern } from '@hilera/core/model/pattern'
import { patternsIn } from '@hilera/core/model/grouping'
import type { Group, SavedSet } from '@hilera/core/model/project'
import type { Vec3 } from '@hilera/core/values/values'
import { freeName } from '@hilera/core/names'
import { fromTurns, inverse, rotate } from '@hilera/core/geometry/rotation'
import { newId } from '../names'
import { useDocument } from '../stores/document'
import { useOutcomes } from '../stores/outcomes'
import { useSelection } from '../stores/selection'

/** New mirrors: proposed with a plane beside what they mirror, until they are accepted. */
export function useMirrorEdits() {
  const document = useDocument()
  const outcomes = useOutcomes()
  const selection = useSelection()

  /** How far a pattern reaches along a direction of the world. */
  function supportOf(pattern: Pattern, direction: Vec3): { low: number; high: number } {
    const reach = outcomes.supportOf(outcomes.numberOf(pattern.id))
    const own = reach(rotate(inverse(fromTurns(pattern.place.turn)), direction))
    const at = pattern.place.move.reduce((sum, n, i) => sum + n * direction[i], 0)
    return { low: own.low + at, high: own.high + at }
  }

  /** The plane across, or deep, through the origin where everything stands on one side of it; otherwise one at its right. */
  function planeBeside(patterns: readonly Pattern[]): MirrorPlane {
    for (const [axis, direction] of [
      ['across', [1, 0, 0]],
      ['deep', [0, 0, 1]],
    ] as const) {
      const reaches = patterns.map((p) => supportOf(p, [...direction]))
      if (reaches.every((r) => r.low >= -1e-6) || reaches.every((r) => r.high <= 1e-6)) return plainPlane(axis)
    }
    const right = Math.max(...patterns.map((p) => supportOf(p, [1, 0, 0]).high))
    return { ...plainPlane('across'), through: { kind: 'point', at: [Math.ceil(right * 1000) / 1000, 0, 0] } }
  }

  function propose(sources: MirrorSource[], of: string, patterns: readonly Pattern[], set?: SavedSet): void {
    const name = freeName(
      `${of} mirrored`.slice(0, 80),
      document.project.patterns.map((p) => p.name),
    )
    const mirror: Pattern = {
      id: newId('pattern'),
      name,
      place: { move: [0, 0, 0], turn: [0, 0, 0] },
      deal: { kind: 'inTurn', parts: [] },
      layout: { kind: 'mirror', sources, ...plainReflection('across'), planes: [planeBeside(patterns)] },
      steps: [],
      touchUps: {},
      hidden: false,
    }
    document.propose(`add ${name}`, mirror.id, (project) => {
      if (set) project.sets.push(set)
      project.patterns.push(mirror)
    })
    selection.pickPattern(mirror.id)
  }

  const mirrorPattern = (pattern: Pattern): void =>
    propose([{ kind: 'pattern', id: pattern.id }], pattern.name, [pattern])

  /** Mirrors all that is in a group, and what will be. */
  function mirrorGroup({ id, name }: Group): void {
    const inside = patternsIn(document.project, id)
    propose(
      [{ kind: 'group', id }],
      name,
      document.project.patterns.filter((p) => inside.includes(p.id)),
    )
  }

  /** Mirrors the picked copies, the group or the pattern that is picked, or the first. */
  function mirrorPicked(): void {
    const { patterns, sets, groups } = document.project
    if (selection.count === 0) {
      const group = selection.wholes.length === 1 && groups.find((g) => g.id === selection.wholes[0])
      if (group) return mirrorGroup(group)
      const pattern = selection.pattern ?? patterns[0]
      if (pattern) mirrorPattern(pattern)
      return
    }
    const picked = patterns.filter((p) => selection.picks.get(p.id)?.size)
    const set: SavedSet = {
      id: newId('set'),
      name: freeName(
        'Mirrored copies',
        sets.map((s) => s.name),
      ),
      copies: Object.fromEntries([...selection.picks].map(([id, keys]) => [id, [...keys]])),
    }
    propose([{ kind: 'set', id: set.id }], picked.length === 1 ? picked[0].name : set.name, picked, set)
  }

  return { mirrorPattern, mirrorGroup, mirrorPicked }
}
