import { Evaluator } from '@hilera/core/evaluate'
import { emptyProject } from '@hilera/core/model/project'
import { sentenceText } from '@hilera/core/numbers/format'
import { type LengthUnit, lengthUnits } from '@hilera/core/numbers/units'
import { writeProjectFile } from '@hilera/core/projectFile/hilera'
import { madeByText } from '@hilera/core/sentences/make'
import { projectAsText } from '@hilera/core/sentences/projectText'
import { basename } from 'node:path'
import { choice, read, Refused } from './arguments'
import { openProject } from './openProject'
import { writeWhole } from './writeWhole'

export const sentencesUsage = `  hilera read FILE.hilera [--unit mm|cm|m|in|ftin]
    Prints the arrangement as sentences, which "make" and pasting on the stage read back.

  hilera make "SENTENCES" OUT.hilera [--unit mm|cm|m|in|ftin]
    Makes a project from sentences: "place 9 of a cylinder 119 mm wide, 150 mm tall in a line across, 12 mm gap".`

/** The patterns of a project as sentences, with the parts that numbers tell. */
export async function readOut(args: string[]): Promise<string> {
  const { values, positionals } = read({ args, allowPositionals: true, options: { unit: { type: 'string' } } })
  const [from, ...more] = positionals
  if (!from || more.length > 0) throw new Refused('Give the project: hilera read FILE.hilera')
  const { project, meshes } = await openProject(from)
  const unit = choice<LengthUnit>('unit', values.unit, lengthUnits, project.unit)
  const outcomes = new Evaluator().evaluate(project, meshes)
  return projectAsText(
    { ...project, unit },
    project.patterns.map(({ id }) => id),
    outcomes,
  )
}

/** A project made from sentences; nothing is written of those that are not understood. */
export async function make(args: string[]): Promise<string> {
  const { values, positionals } = read({ args, allowPositionals: true, options: { unit: { type: 'string' } } })
  const [text, to, ...more] = positionals
  if (!text || !to || more.length > 0)
    throw new Refused('Give the sentences and the file to write: hilera make "Place 9 …" OUT.hilera')
  const unit = choice<LengthUnit>('unit', values.unit, lengthUnits, 'mm')
  const project = {
    ...emptyProject(
      basename(to)
        .replace(/\.[^.]+$/, '')
        .slice(0, 80) || 'Arrangement',
    ),
    unit,
  }
  let count = 0
  const newId = (kind: string): string => `${kind}-${++count}`
  const made = madeByText(text, { project, newId }, (doc) => new Evaluator().evaluate(doc, new Map()))
  const [mark] = made.marks
  if (mark) {
    const at = text.slice(0, mark.at).split('\n').length
    const where = text.includes('\n') ? `Line ${at}: ` : ''
    throw new Refused(`${where}${sentenceText(mark.says, unit).replaceAll('\u202f', ' ')}`)
  }
  const whole = { ...project, parts: [...made.parts], patterns: [...made.patterns] }
  await writeWhole(to, writeProjectFile(whole, new Map()))
  const copies = made.outcomes.reduce((n, o) => n + o.copies, 0)
  return `${to}: ${made.parts.length} ${made.parts.length === 1 ? 'part' : 'parts'}, ${made.patterns.length} ${made.patterns.length === 1 ? 'pattern' : 'patterns'}, ${copies} ${copies === 1 ? 'copy' : 'copies'}.`
}
