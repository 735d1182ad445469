import { plainPath } from '@hilera/core/layouts/path/schema'
import type { Spot } from '@hilera/core/layouts/spots/schema'
import type { Pattern } from '@hilera/core/model/pattern'
import { type Project, emptyProject } from '@hilera/core/model/project'
import { sha256Of } from '@hilera/core/sha256'
import type { Settle } from '@hilera/core/steps/settle/schema'
import { boat, deckBoard, lamps, stools } from './parts/terrace'

/** The floor plan: a drawing of 5.2 m by 4 m, made up, in its own millimetres. */
const floorPlan = `<svg xmlns="http://www.w3.org/2000/svg" width="5200mm" height="4000mm" viewBox="0 0 5200 4000">
<rect width="5200" height="4000" fill="#f9f5ea"/>
<g stroke="#e6dfce" stroke-width="16">${Array.from({ length: 12 }, (_, i) => `<path d="M${400 * i + 400} 40V3960"/>`).join('')}</g>
<rect x="20" y="20" width="5160" height="3960" fill="none" stroke="#b5ac97" stroke-width="40"/>
<g stroke="#8f897c" stroke-width="90" fill="none"><path d="M0 1250H1200V0M3500 2450V4000M3500 2850H5200M0 3250H900V4000"/></g>
<path d="M1700 40A700 700 0 0 0 2400 740" fill="none" stroke="#b5ac97" stroke-width="16"/>
<text x="2450" y="3820" font-family="sans-serif" font-size="170" fill="#a49b86">terrace</text></svg>`

const settle = (id: string, on: readonly string[], change: Partial<Settle>): Settle => ({
  kind: 'settle',
  id,
  on: on.map((ground) => ({ kind: 'ground', ground })),
  which: 'topmost',
  stands: 'upright',
  limit: 0.14,
  by: 'foot',
  above: 0,
  ...change,
})
const pattern = (
  id: string,
  name: string,
  more: Pick<Pattern, 'deal' | 'layout' | 'steps'> & Partial<Pattern>,
): Pattern => ({
  id,
  name,
  place: { move: [0, 0, 0], turn: [0, 0, 0] },
  touchUps: {},
  hidden: false,
  ...more,
})

/** Where the stools were clicked on the plan: across and deep, in metres from its middle. */
const clicked: readonly (readonly [number, number])[] = [
  [-2.1, -1.26],
  [-1.54, -1.44],
  [-0.9, -1.3],
  [-0.3, -1.48],
  [0.34, -1.26],
  [1, -1.38],
  [-1.8, -0.26],
  [-1.16, -0.14],
  [-0.48, -0.3],
  [0.22, -0.14],
  [0.86, -0.28],
  [1.56, -0.14],
  [2.1, -0.7],
  [2.2, 0.34],
  [-1.9, 0.7],
  [-1.22, 0.86],
]
const spots: Spot[] = clicked.map(([x, z], slot) => ({
  slot,
  move: [x, 0, z],
  part: slot % 2 === 0 ? 'stool-round' : 'stool-square',
}))

/** The terrace beside the tea counter: stools clicked on a floor plan, on a slope with a deck; boats on a wave; lamps along a line. */
export async function terrace(): Promise<{ project: Project; sha256: string; bytes: Uint8Array }> {
  const bytes = new TextEncoder().encode(floorPlan)
  const sha256 = await sha256Of(bytes)
  const project: Project = {
    ...emptyProject('Casa Níspero terrace'),
    parts: [...stools, boat, ...lamps, deckBoard],
    grounds: [
      {
        id: 'slope',
        name: 'Slope',
        shape: { kind: 'slope', width: 5.2, depth: 4, rise: 0.34 },
        move: [0, 0, 0],
        turn: 0,
        hidden: false,
      },
      {
        id: 'deck',
        name: 'Deck',
        shape: { kind: 'part', part: 'deck-boards' },
        move: [-1.2, 0.28, -0.95],
        turn: 0,
        hidden: false,
      },
      {
        id: 'wave',
        name: 'Wave',
        shape: { kind: 'waves', width: 2.2, depth: 2.4, height: 0.16, length: 1.1, way: 0.5, phase: 0.1 },
        move: [4.1, 0.1, 0.4],
        turn: 0,
        hidden: false,
      },
    ],
    plans: [
      {
        id: 'floor-plan',
        name: 'Floor plan',
        file: sha256,
        fileName: 'floor plan.svg',
        mime: 'image/svg+xml',
        pixels: [5200, 4000],
        perPixel: 0.001,
        lies: 'ground',
        move: [0, 0, 0],
        turn: 0,
        strength: 0.85,
        hidden: false,
        locked: true,
      },
    ],
    patterns: [
      pattern('stools', 'Stools', {
        deal: { kind: 'inTurn', parts: ['stool-round', 'stool-square'] },
        layout: { kind: 'spots', spots },
        steps: [settle('stools-settle', ['deck', 'slope'], { stands: 'limit' })],
      }),
      pattern('boats', 'Paper boats', {
        place: { move: [4.1, 0, 0.4], turn: [0, 0, 0] },
        deal: { kind: 'inTurn', parts: ['paper-boat'] },
        layout: {
          kind: 'fill',
          outline: { kind: 'rectangle', width: 2.1, depth: 2.3 },
          margin: 0.06,
          by: 'count',
          count: 24,
          density: 6,
          how: 'even',
          least: 0.34,
          seed: 5,
        },
        steps: [
          {
            kind: 'vary',
            id: 'drift',
            what: 'turnUp',
            low: -3,
            high: 3,
            spread: 'even',
            axes: 'copy',
            seed: 17,
            share: 1,
            strength: 1,
          },
          settle('boats-settle', ['wave'], { stands: 'normal', by: 'outline' }),
        ],
      }),
      pattern('lamps', 'Lamps', {
        place: { move: [-2.3, 0, 1.75], turn: [0, 0, 0] },
        deal: { kind: 'inTurn', parts: ['lamp-tall', 'lamp-low'] },
        layout: {
          ...plainPath,
          curve: {
            kind: 'points',
            points: [
              [0, 0, 0],
              [1.6, 0, -0.5],
              [3, 0, -0.15],
              [4.6, 0, -0.55],
            ],
            smooth: true,
            closed: false,
          },
          hold: 'spacing',
          spacing: 0.6,
          shown: true,
        },
        steps: [settle('lamps-settle', ['slope', 'deck'], {})],
      }),
    ],
  }
  return { project, sha256, bytes }
}
