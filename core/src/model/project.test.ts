import { describe, expect, it } from 'vitest'
import { aLine, aPattern, aProject, box } from '../../test/projects'
import { sentenceText } from '../numbers/format'
import { readProject } from './project'

const good = aProject([box('tin', 0.1)], aPattern(aLine(), ['tin']))
const says = (data: unknown): string => {
  const read = readProject(data)
  return read.ok ? 'read' : sentenceText(read.problem.says, 'mm')
}

describe('reading a project', () => {
  it('reads what it wrote', () => {
    const read = readProject(JSON.parse(JSON.stringify(good)))
    expect(read.ok && read.value).toEqual(good)
  })

  it.each([
    [null, 'This is not a Hilera project.'],
    [[], 'This is not a Hilera project.'],
    [{ ...good, schema: 99 }, 'This project comes from a newer Hilera. Update Hilera to open it.'],
    [
      { ...good, patterns: [{ ...good.patterns[0], deal: { kind: 'inTurn', parts: ['lid'] } }] },
      'This is not a Hilera project: Shelf tins uses a part that is not in the project.',
    ],
    [{ ...good, parts: [...good.parts, ...good.parts] }, 'This is not a Hilera project: two parts carry one id.'],
  ])('%#: %s', (data, sentence) => {
    expect(says(data)).toBe(sentence)
  })

  it('refuses numbers that are none, and says where', () => {
    const bad = { ...good, patterns: [{ ...good.patterns[0], layout: { ...good.patterns[0].layout, room: null } }] }
    expect(says(bad)).toContain('the room of Shelf tins is no number')
  })
})
