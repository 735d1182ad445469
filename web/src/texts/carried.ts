import { bringIn, takenOut } from '@hilera/core/links/acrossProjects'
import { type Project, readProject } from '@hilera/core/model/project'
import { formatNumber, sentenceText } from '@hilera/core/numbers/format'
import { plural } from '@hilera/core/words'
import { newId } from '../names'
import { useMeshes } from '../parts/meshes'
import { useDocument } from '../stores/document'
import { useSelection } from '../stores/selection'

/** Beside the sentences, which any program takes, the clipboard carries the patterns themselves, for another project of this one. */
const CARRIED = 'application/x-hilera-patterns+json'

interface Carried {
  /** The id of the project from which they come. */
  readonly from: string
  readonly project: unknown
}

/** Patterns copied in one project and pasted in another, with their parts. */
export function useCarried() {
  const document = useDocument()
  const selection = useSelection()
  const meshes = useMeshes()

  function put(clipboard: DataTransfer, ids: readonly string[]): void {
    const carried: Carried = { from: document.id, project: takenOut(document.project, ids) }
    clipboard.setData(CARRIED, JSON.stringify(carried))
  }

  /** What patterns of another project the clipboard carries; undefined where it has none, or those of this one. */
  function read(clipboard: DataTransfer): unknown {
    try {
      const { from, project } = JSON.parse(clipboard.getData(CARRIED)) as Carried
      return from === document.id ? undefined : project
    } catch {
      return undefined
    }
  }

  /**
   * Brings patterns of another project in, as one step.
   *
   * @returns what there is to say of it
   */
  async function bring(carried: unknown): Promise<string> {
    const from = readProject(carried)
    if (!from.ok) return sentenceText(from.problem.says, document.unit)
    let brought: ReturnType<typeof bringIn> | undefined
    const problem = await document.change(`bring in from ${from.value.name}`, (project) => {
      brought = bringIn(project, from.value as Project, newId)
    })
    if (problem || !brought) return sentenceText(problem?.says ?? ['Nothing was brought in.'], document.unit)
    const { patterns, parts, joined } = brought
    selection.pickPattern(patterns.at(-1))
    for (const id of patterns.slice(0, -1)) selection.toggleWhole(id)
    const n = `${formatNumber(patterns.length, 0)} ${plural(patterns.length, 'pattern', 'patterns')}`
    const told = `${n} of ${from.value.name} brought in, with ${formatNumber(parts, 0)} new ${plural(parts, 'part', 'parts')}`
    const shared = joined > 0 ? `; ${formatNumber(joined, 0)} ${plural(joined, 'was', 'were')} here already` : ''
    try {
      await meshes.readAll()
    } catch {
      return `${told}${shared}. Some of their files could not be read here: bring those parts in as files.`
    }
    return `${told}${shared}.`
  }

  return { put, read, bring }
}
