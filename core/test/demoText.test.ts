import { casaNispero } from '@hilera/demo/casaNispero'
import { expect, it } from 'vitest'
import { Evaluator } from '../src/evaluate'
import { emptyProject } from '../src/model/project'
import { projectAsText } from '../src/sentences/projectText'
import { readText } from '../src/sentences/read'

it('R15: the whole demo as text is read back beside itself, each pattern as it stands', () => {
  const project = casaNispero()
  const outcomes = new Evaluator().evaluate(project, new Map())
  const text = projectAsText(
    project,
    project.patterns.map((p) => p.id),
    outcomes,
  )
  // What it has beside its patterns is told, and passed over as it is read.
  expect(text).toContain('(The camera looks by 0.6 s from Near the cups')
  let n = 0
  const read = readText(text, { project, newId: (kind) => `${kind}-new-${++n}` })
  expect(read.marks.map((m) => [text.slice(m.at, m.end), m.says])).toEqual([])
  // Its parts are there already, as they are.
  expect(read.parts).toEqual([])
  const both = { ...project, patterns: [...project.patterns, ...read.patterns] }
  const again = new Evaluator().evaluate(both, new Map()).slice(project.patterns.length)
  expect(read.patterns.map((p) => p.name)).toEqual(project.patterns.map((p) => `${p.name} 2`))
  for (const [i, { table }] of again.entries()) {
    const was = outcomes[i].table
    expect(table.count).toBe(was.count)
    expect([...table.position.subarray(0, 3 * table.count)]).toEqual([...was.position.subarray(0, 3 * was.count)])
    expect([...table.quaternion.subarray(0, 4 * table.count)]).toEqual([...was.quaternion.subarray(0, 4 * was.count)])
  }
})

it('R15: in an empty project, parts that numbers tell are made, and what is not there is told', () => {
  const project = casaNispero()
  const textOf = (name: string): string => projectAsText(project, [project.patterns.find((p) => p.name === name)!.id])
  let n = 0
  const read = (text: string) => readText(text, { project: emptyProject('Empty'), newId: (kind) => `${kind}-${++n}` })
  // Boxes are told whole; a turned profile and a drawn curve are not.
  const tray = read(textOf('Sampler tray'))
  expect([tray.marks, tray.parts.length, tray.patterns.length]).toEqual([[], 3, 1])
  const tins = textOf('Shelf tins')
  const marks = read(tins).marks.map((m) => tins.slice(m.at, m.end))
  expect(marks.length).toBeGreaterThan(0)
  expect(marks[0]).toBe('Sencha')
  const leaf = textOf('Tea leaf')
  expect(read(leaf).marks.map((m) => leaf.slice(m.at, m.end))).toContain('as in Tea leaf')
})
