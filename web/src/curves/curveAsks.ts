import type { HasCurve } from '@hilera/core/curves/sentence'
import type { Part } from '@hilera/core/model/part'
import type { Pattern } from '@hilera/core/model/pattern'
import { curveAlong } from '@hilera/core/parts/edgeCurves'
import type { ChosenEdges, Curve } from '@hilera/core/values/curve'
import { useFileDialog } from '@vueuse/core'
import { useRefusal } from '../shell/refusal'
import { addFont, outlinesOf } from '../patterns/fonts'
import type { Asks } from '../sentences/asking'
import type { Asked } from '../sentences/edits'
import { useDocument } from '../stores/document'
import { useEdgePick } from './edgePick'
import { readAway } from '../worker/reading'

type FromEdges = Parameters<typeof curveAlong>[1]
type AskedCurve = Asked<Pattern & Part>
const curveOf = (root: Pattern & Part): HasCurve | undefined => {
  const { layout, shape } = root as Partial<Pattern & Part>
  const holder: unknown = layout ?? shape
  return typeof holder === 'object' && holder && 'curve' in holder ? (holder as HasCurve) : undefined
}

/** Curves that come from more than a word: a drawing, the edges of a part, the outlines of letters. */
export function useCurveAsks(): Asks {
  const document = useDocument()
  const edges = useEdgePick()
  let asked: AskedCurve | undefined

  const refuse = useRefusal()
  async function put({ edits, item }: AskedCurve, next: Curve): Promise<void> {
    const refused = await edits.change(item.undo('') ?? 'curve', (root) => {
      const holder = curveOf(root)
      if (holder) holder.curve = next
    })
    if (refused) refuse(refused.says)
  }
  /** The curve as it is, read through an edit that changes nothing. */
  function now({ edits }: AskedCurve): Curve | undefined {
    let found: Curve | undefined
    edits.recipe((root) => void (found = curveOf(root)?.curve))(document.project)
    return found
  }

  const svg = useFileDialog({ accept: '.svg', multiple: false, reset: true })
  svg.onChange(async (files) => {
    const file = files?.[0]
    if (!file || !asked) return
    const text = await file.text()
    const made = await readAway(file.name, (to) => to.svg(text, file.name))
    if (!made.ok) return refuse(made.problem.says)
    await put(asked, {
      kind: 'bezier',
      runs: made.value,
      from: { kind: 'drawing', fileName: file.name.slice(-200) },
    })
  })
  const fontFile = useFileDialog({ accept: '.ttf,.otf,.woff', multiple: false, reset: true })
  fontFile.onChange(async (files) => {
    const added = files?.[0] && (await addFont(files[0]))
    if (!added || !asked) return
    if (added.ok) await letter(asked, { font: added.value })
    else refuse(added.problem.says)
  })

  async function letter(of: AskedCurve, what: Partial<{ text: string; font: string }>): Promise<void> {
    const curve = now(of)
    const before = curve?.kind === 'bezier' && curve.from.kind === 'text' ? curve.from : undefined
    const from = { text: 'TEA', font: 'Bebas Neue', size: 0.4, ...before, ...what, kind: 'text' as const }
    const made = await outlinesOf(from.text, from.font, from.size)
    if (made.ok) await put(of, { kind: 'bezier', runs: made.value, from })
    else refuse(made.problem.says)
  }
  /** Follows the edges of the part of that name, as it is now. */
  async function follow(of: AskedCurve, name: string | undefined): Promise<void> {
    const part = document.project.parts.find((p) => p.name === name)
    if (part) await along(of, part)
  }
  async function along(of: AskedCurve, part: Part, how: FromEdges = { frame: part.frame }): Promise<void> {
    const made = curveAlong(part, how, document.source)
    if (made?.ok) await put(of, made.value)
    else if (made) refuse(made.problem.says)
  }
  /** All edges of the part that is followed, or those beside one that is clicked where none was yet. */
  async function narrow(of: AskedCurve): Promise<void> {
    const curve = now(of)
    const from = curve?.kind === 'bezier' && curve.from.kind === 'edges' ? curve.from : undefined
    const part = document.project.parts.find((p) => (from?.of === undefined ? p.name === from?.part : p.id === from.of))
    if (!from) return
    if (!part) return refuse([`${from.part} is gone: its edges stay as they were. Choose another part.`])
    const { frame } = from.which ? from : part
    if (of.value === 'all') return along(of, part, { frame })
    const which = from.which ?? (await edges.pick(part))
    if (which) await along(of, part, { which: { ...which, as: of.value as ChosenEdges['as'] }, frame })
  }

  return {
    drawing: (of) => {
      asked = of
      svg.open()
    },
    edges: (of) => void follow(of, document.project.parts[0]?.name),
    'edges of': (of) => void follow(of, of.value),
    'edges as': (of) => void narrow(of),
    lettering: (of) => void letter(of, {}),
    letters: (of) => void letter(of, { text: of.value }),
    font: (of) => void letter(of, { font: of.value }),
    'font file': (of) => {
      asked = of
      fontFile.open()
    },
  }
}
