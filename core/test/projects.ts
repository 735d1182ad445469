import type { Line } from '../src/model/layout'
import type { Part } from '../src/model/part'
import type { Pattern } from '../src/model/pattern'
import { type Project, emptyProject } from '../src/model/project'

export const box = (id: string, width: number): Part => ({
  id,
  name: id,
  shape: { kind: 'box', width, height: 0.15, depth: 0.119 },
  look: { color: '#3a6b5f', roughness: 0.6, metal: 0 },
})

export const aLine = (change: Partial<Line> = {}): Line => ({
  kind: 'line',
  direction: { kind: 'axis', axis: 'across', sign: 1 },
  hold: ['spacing', 'room'],
  count: 5,
  spacing: 0.012,
  measure: 'gap',
  room: 1.18,
  edges: 'outsides',
  ends: 'both',
  leftover: 'both',
  ...change,
})

export const aPattern = (layout: Line, parts: string[], change: Partial<Pattern> = {}): Pattern => ({
  id: 'shelf',
  name: 'Shelf tins',
  place: { move: [0, 0, 0], turn: [0, 0, 0] },
  deal: { kind: 'inTurn', parts },
  layout,
  touchUps: {},
  hidden: false,
  ...change,
})

export const aProject = (parts: Part[], ...patterns: Pattern[]): Project => ({
  ...emptyProject('Test'),
  parts,
  patterns,
})
