import { plainClear } from '@hilera/core/steps/clear/schema'
import { opening, openingCamera, openingViews } from './opening'
import { plainPath } from '@hilera/core/layouts/path/schema'
import { plainReflection } from '@hilera/core/values/reflection'
import { plainRing } from '@hilera/core/layouts/ring/schema'
import { plainSpacing } from '@hilera/core/values/spacing'
import type { Layout } from '@hilera/core/layouts/index'
import { runsOfPath } from '@hilera/core/curves/svgPath'
import type { Part } from '@hilera/core/model/part'
import type { Pattern } from '@hilera/core/model/pattern'
import { type Project, emptyProject } from '@hilera/core/model/project'
import { bulb, lanterns, warmLight } from './parts/lanterns'
import { bead, stud } from './parts/beads'
import { counterParts, wing } from './parts/counter'
import { cake, cup, dish, macaron, sugar, sweets, tray, turntable } from './parts/tableware'
import { tins } from './parts/tins'

/** The Casa Níspero tea counter: everything that is set out for the launch picture, each as a live pattern. */
export function casaNispero(): Project {
  return {
    ...emptyProject('Casa Níspero tea counter'),
    parts: [
      ...tins,
      cup,
      ...sweets,
      ...lanterns,
      bulb,
      warmLight,
      macaron,
      sugar,
      bead,
      stud,
      board,
      turntable,
      tray,
      cake,
      dish,
      ...counterParts,
    ],
    patterns: [
      shelfTins,
      turntableCups,
      samplerTray,
      garland,
      bulbs,
      lights,
      pastryTower,
      looseSugar,
      leaf,
      sign,
      counterFront,
      counterMirrored,
      alone('Shelf', board, [0, 0, 0]),
      alone('Turntable', turntable, [-0.72, 0, 0.62]),
      alone('Tray', tray, [0.45, 0, 0.62]),
      alone('Tower', cake, [-0.98, 0, -0.1]),
      alone('Dish', dish, [-0.13, 0, 0.98]),
    ].map((one) => (opening[one.id] ? { ...one, motion: opening[one.id] } : one)),
    views: openingViews,
    camera: openingCamera,
  }
}

const board: Part = {
  id: 'shelf-board',
  name: 'Shelf board',
  shape: { kind: 'roundedBox', width: 1.24, height: 0.024, depth: 0.18, radius: 0.006 },
  look: { color: '#e2c48f', roughness: 0.75, metal: 0 },
}

const pattern = (
  id: string,
  name: string,
  move: Pattern['place']['move'],
  parts: readonly Part[],
  layout: Layout,
  more: Partial<Pattern> = {},
): Pattern => ({
  id,
  name,
  place: { move, turn: [0, 0, 0] },
  deal: { kind: 'inTurn', parts: parts.map((part) => part.id) },
  layout,
  steps: [],
  touchUps: {},
  hidden: false,
  ...more,
})

const across = { kind: 'axis', axis: 'across', sign: 1 } as const

/** One thing by itself: a line of one. */
const alone = (name: string, part: Part, move: Pattern['place']['move']): Pattern =>
  pattern(`one-${name.toLowerCase()}`, name, move, [part], { kind: 'line', direction: across, ...plainSpacing })

/** Nine tins, 12 mm apart, in 1 180 mm. */
const shelfTins = pattern('shelf-tins', 'Shelf tins', [-0.59, 0.024, 0], tins, {
  kind: 'line',
  direction: across,
  hold: ['spacing', 'room'],
  count: 9,
  spacing: 0.012,
  measure: 'gap',
  room: 1.18,
  edges: 'outsides',
  ends: 'both',
  leftover: 'both',
})

/** Eighteen cups all round, one every 20°. */
const turntableCups = pattern('turntable-cups', 'Turntable cups', [-0.72, 0.036, 0.62], [cup], {
  ...plainRing,
  count: 18,
  radius: 0.27,
})

/** Seven by five sweets, 34 mm between them, in the middle of their tray, each laid down a little askew. */
const samplerTray = pattern(
  'sampler-tray',
  'Sampler tray',
  [0.45, 0.018, 0.62],
  sweets,
  {
    kind: 'grid',
    across: { ...plainSpacing, count: 7, spacing: 0.034, measure: 'gap', edges: 'outsides' },
    deep: { ...plainSpacing, count: 5, spacing: 0.034, measure: 'gap', edges: 'outsides' },
    up: plainSpacing,
    rows: { kind: 'inStep' },
    only: 'all',
    anchor: { across: 'centre', deep: 'centre', up: 'start' },
    order: 'rows',
  },
  {
    steps: [
      {
        kind: 'vary',
        id: 'askew',
        what: 'turnUp',
        low: -Math.PI / 20,
        high: Math.PI / 20,
        spread: 'bell',
        axes: 'copy',
        seed: 17,
        share: 1,
        strength: 1,
      },
    ],
  },
)

const onPath = { ...plainPath, count: 11, ends: 'half', leftover: 'both', facing: 'unchanged' } as const

/** Eleven lanterns on a chain of 2.44 m, half a step in from its ends; they hang from it by their tops. */
const garland = pattern('lanterns', 'Lantern garland', [-1.1, 0.9, -0.35], lanterns, {
  ...onPath,
  curve: { kind: 'catenary', to: [2.2, 0, 0], by: 'length', value: 2.44 },
  lift: -0.162,
})

/** The sign over the counter: three letters drawn as outlines, 0.26 m tall, set with studs on every corner. */
const letters =
  'M0 0H180V52H118V260H62V52H0Z M210 0H360V52H268V104H345V154H268V208H362V260H210Z M470 0H526L606 260H546L532 208H462L448 260H390Z M478 156H516L505 112H489Z'
const sign = pattern('sign', 'Sign', [-0.303, 0.98, -0.4], [stud], {
  ...onPath,
  curve: {
    kind: 'bezier',
    runs: runsOfPath(letters, [0.001, 0, 0, 0.001, 0, 0]),
    from: { kind: 'drawing', fileName: 'sign.svg' },
  },
  way: 'corners',
  hold: 'spacing',
  spacing: 0.018,
})

/** A tea leaf outlined in beads, with its vein: smooth curves by true length. */
const leaf = pattern('tea-leaf', 'Tea leaf', [0.86, 0.006, 0.98], [bead], {
  ...onPath,
  curve: {
    kind: 'points',
    points: [
      [0, 0, 0],
      [0.05, 0, -0.07],
      [0.13, 0, -0.1],
      [0.21, 0, -0.075],
      [0.29, 0, 0],
      [0.2, 0, 0.04],
      [0.11, 0, 0.05],
      [0.04, 0, 0.035],
    ],
    smooth: true,
    closed: true,
  },
  hold: 'spacing',
  spacing: 0.0125,
  leftover: 'widen',
})

const bulbs = pattern('bulbs', 'Bulbs', [0, 0, 0], [bulb], {
  kind: 'companion',
  host: 'lanterns',
  at: 'top',
  offset: [0, -0.102, 0],
  turn: [0, 0, 0],
  axes: 'copy',
  every: 1,
})

/** A light hanging under every lantern, for the night. */
const lights = pattern('lights', 'Lights', [0, 0, 0], [warmLight], {
  kind: 'companion',
  host: 'lanterns',
  at: 'base',
  offset: [0, -0.03, 0],
  turn: [0, 0, 0],
  axes: 'copy',
  every: 1,
})

/** Macarons climbing a tower in three turns, smaller towards the top. */
const pastryTower = pattern(
  'pastry-tower',
  'Pastry tower',
  [-0.98, 0.012, -0.1],
  [macaron],
  {
    ...plainRing,
    count: 40,
    radius: 0.112,
    measure: 'arc',
    sweep: { kind: 'arc', angle: 8 * Math.PI, ends: 'both' },
    rise: 0.3,
    risePer: 'total',
    widen: -0.064,
    widenPer: 'total',
  },
  {
    steps: [
      {
        kind: 'grade',
        id: 'smaller',
        what: 'size',
        by: 'ends',
        first: 1,
        last: 0.45,
        amount: 0.05,
        factor: 1,
        over: { kind: 'order' },
        easing: 'evenly',
      },
    ],
  },
)

/** Lumps strewn over a dish, kept half a millimetre clear of each other. */
const looseSugar = pattern(
  'loose-sugar',
  'Loose sugar',
  [-0.13, 0.012, 0.98],
  [sugar],
  {
    kind: 'fill',
    outline: { kind: 'ellipse', width: 0.44, depth: 0.44 },
    margin: 0.008,
    by: 'count',
    count: 600,
    density: 4000,
    how: 'even',
    least: 0.0105,
    seed: 17,
  },
  { steps: [{ ...plainClear, id: 'sugar-clear', clearance: 0.0005, inside: true }] },
)

/** The right half of the counter's front, at the back. */
const counterFront = pattern('counter-front', 'Counter front', [0.02, 0, -0.52], [wing], {
  kind: 'line',
  direction: across,
  ...plainSpacing,
})

/** Its left half: the brackets carved the other way round, the posts twisted the same way. */
const counterMirrored = pattern('counter-mirrored', 'Counter front, left', [0, 0, 0], [], {
  kind: 'mirror',
  sources: [{ kind: 'pattern', id: 'counter-front' }],
  ...plainReflection('across'),
  answers: { post: 'kept' },
})
