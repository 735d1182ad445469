import type { Part } from '@hilera/core/model/part'
import type { Pattern } from '@hilera/core/model/pattern'
import { type Project, emptyProject } from '@hilera/core/model/project'
import { tins } from './tins'

/** The shelf of the Casa Níspero tea counter: nine tins, 12 mm apart, in 1 180 mm. */
export function casaNispero(): Project {
  return {
    ...emptyProject('Casa Níspero tea counter'),
    parts: [...tins, board],
    patterns: [shelfTins, shelfBoard],
  }
}

const board: Part = {
  id: 'shelf-board',
  name: 'Shelf board',
  shape: { kind: 'roundedBox', width: 1.24, height: 0.024, depth: 0.18, radius: 0.006 },
  look: { color: '#e2c48f', roughness: 0.75, metal: 0 },
}

const shelfTins: Pattern = {
  id: 'shelf-tins',
  name: 'Shelf tins',
  place: { move: [-0.59, 0.024, 0], turn: [0, 0, 0] },
  deal: { kind: 'inTurn', parts: tins.map((tin) => tin.id) },
  layout: {
    kind: 'line',
    direction: { kind: 'axis', axis: 'across', sign: 1 },
    hold: ['spacing', 'room'],
    count: 9,
    spacing: 0.012,
    measure: 'gap',
    room: 1.18,
    edges: 'outsides',
    ends: 'both',
    leftover: 'both',
  },
  steps: [],
  touchUps: {},
  hidden: false,
}

const shelfBoard: Pattern = {
  id: 'shelf',
  name: 'Shelf',
  place: { move: [0, 0, 0], turn: [0, 0, 0] },
  deal: { kind: 'inTurn', parts: [board.id] },
  layout: {
    kind: 'line',
    direction: { kind: 'axis', axis: 'across', sign: 1 },
    hold: ['count', 'spacing'],
    count: 1,
    spacing: 0.5,
    measure: 'pitch',
    room: 0,
    edges: 'centres',
    ends: 'both',
    leftover: 'end',
  },
  steps: [],
  touchUps: {},
  hidden: false,
}
