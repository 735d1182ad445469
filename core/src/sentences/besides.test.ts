import { terrace } from '@hilera/demo/terrace'
import { expect, it } from 'vitest'
import { aLine, aPattern, aProject, box } from '../../test/projects'
import type { Project } from '../model/project'
import { besidesAsText } from './besides'
import { projectAsText } from './projectText'
import { readText } from './read'

const plain = aProject(
  [box('tin', 0.1)],
  aPattern(aLine(), ['tin'], { id: 'a', name: 'Tins', group: 'shelf' }),
  aPattern(aLine(), ['tin'], { id: 'b', name: 'All and sundry', group: 'inner' }),
)
const project: Project = {
  ...plain,
  groups: [
    { id: 'shelf', name: 'Shelf' },
    { id: 'inner', name: 'Inner', parent: 'shelf' },
    { id: 'none', name: 'Spare' },
  ],
  sets: [{ id: 's', name: 'Some', copies: { a: ['0'] } }],
}

it('groups, what lies under it, the camera and what is kept are told in brackets, and passed over in a text that is read', async () => {
  const text = besidesAsText(project)
  expect(text.split('\n')).toEqual([
    '(The group Shelf holds Tins and the group Inner.)',
    '(The group Inner holds “All and sundry”.)',
    '(The group Spare holds nothing.)',
    '(Kept with it: the selection Some.)',
  ])
  const ids = project.patterns.map(({ id }) => id)
  const whole = projectAsText(project, ids)
  expect(whole.endsWith(text)).toBe(true)
  const read = readText(whole, { project, newId: (kind) => kind })
  expect([read.marks, read.patterns.length, read.parts]).toEqual([[], 2, []])
  // Of some of the patterns it would tell too much.
  expect(projectAsText(project, ids.slice(1))).not.toContain('group')
  expect(besidesAsText(plain)).toBe('')
  const under = besidesAsText((await terrace()).project).split('\n')
  expect(under).toContain('(Under it lies Slope: flat, rising to the back.)')
  expect(
    under.filter(
      (line) =>
        line.startsWith('(Under it lies “Floor plan”') || line.startsWith('(Under it lies Floor plan: a plan, '),
    ),
  ).toHaveLength(1)
})
