import type { Part } from '@hilera/core/model/part'
import { runsOfPath } from '@hilera/core/curves/svgPath'

const oak = { color: '#c79a62', roughness: 0.7, metal: 0 }

/** The boards of the counter's front, their grain running across. */
const panel: Part = {
  id: 'front-panel',
  name: 'Front panel',
  shape: { kind: 'box', width: 0.86, height: 0.34, depth: 0.02 },
  look: { ...oak, color: '#d9b27a', grain: { turn: 0.16, width: 0.018 } },
}

/** A carved bracket: a scroll that winds a little towards its top, so that it has a hand. */
const scroll = 'M0 0C30 4 52 20 60 46C66 66 58 84 42 86C30 87 24 76 30 68C20 78 16 110 20 150H0Z'
const bracket: Part = {
  id: 'bracket',
  name: 'Bracket',
  shape: {
    kind: 'extrusion',
    depth: 0.044,
    curve: {
      kind: 'bezier',
      runs: runsOfPath(scroll, [0.002, 0, 0, 0.002, 0, 0]),
      from: { kind: 'drawing', fileName: 'bracket.svg' },
    },
  },
  form: { taper: 0.72, twist: 0.5, segments: 10 },
  look: { color: '#6f4f36', roughness: 0.6, metal: 0 },
}

/** A square post, twisted by three quarters of a turn: all of them turn the same way. */
const post: Part = {
  id: 'post',
  name: 'Twisted post',
  shape: { kind: 'box', width: 0.034, height: 0.36, depth: 0.034 },
  form: { twist: 1.5 * Math.PI, segments: 36 },
  look: { ...oak, color: '#8a6744' },
}

const ledge: Part = {
  id: 'ledge',
  name: 'Ledge',
  shape: { kind: 'roundedBox', width: 0.98, height: 0.022, depth: 0.12, radius: 0.006 },
  look: oak,
}

const upright = [0, 0, 0] as const
const member = (id: string, part: Part, across: number, up: number, deep: number) => ({
  id,
  part: part.id,
  move: [across, up, deep] as [number, number, number],
  turn: [...upright] as [number, number, number],
  size: [1, 1, 1] as [number, number, number],
})

/** The right half of the counter's front, from its middle outward. */
export const wing: Part = {
  id: 'counter-wing',
  name: 'Counter wing',
  shape: {
    kind: 'assembly',
    members: [
      member('panel', panel, 0.49, 0, 0),
      member('ledge', ledge, 0.49, 0.36, 0.03),
      member('inner-bracket', bracket, 0.18, 0.05, 0.045),
      member('outer-bracket', bracket, 0.66, 0.05, 0.045),
      member('inner-post', post, 0.06, 0, 0.036),
      member('outer-post', post, 0.94, 0, 0.036),
    ],
  },
  look: oak,
}

export const counterParts = [panel, ledge, bracket, post, wing]
