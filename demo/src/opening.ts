import type { Arrive } from '@hilera/core/motion/arrive/schema'
import type { SavedView } from '@hilera/core/model/project'
import type { CameraKey } from '@hilera/core/motion/camera/schema'
import type { Movement } from '@hilera/core/motion/index'

const usual: Omit<Arrive, 'id'> = {
  kind: 'arrive',
  way: 'in',
  order: 'theirs',
  seed: 1,
  near: [0, 0, 0],
  place: [0, 0, 0],
  hold: ['apart', 'each'],
  begin: 0,
  apart: 0.1,
  each: 0.6,
  inAll: 1,
  from: 'below',
  distance: 0.1,
  turn: 0,
  about: 'up',
  size: 1,
  easing: 'slowLast',
}
const arrives = (id: string, change: Partial<Arrive>): [Movement] => [{ ...usual, id, ...change }]

/** The ring of cups opens to where it stands while they come down. */
const opens: Movement = {
  kind: 'change',
  id: 'cups-open',
  of: 'layout',
  value: 'Radius',
  quantity: 'length',
  from: { at: 0.8, value: 0.096 },
  keys: [{ at: 2.6, value: 0.27, easing: 'slowBoth' }],
}

/** From where the title is seen: the turntable, then all of the counter. */
export const openingViews: SavedView[] = [
  {
    id: 'near-cups',
    name: 'Near the cups',
    from: 'perspective',
    eye: [-1.25, 0.75, 2.35],
    target: [-0.6, 0.12, 0.45],
  },
  { id: 'whole', name: 'The whole counter', from: 'perspective', eye: [-0.65, 1.5, 4], target: [0, 0.28, 0.3] },
]
export const openingCamera: CameraKey[] = [
  { id: 'camera-near', at: 0.6, view: 'near-cups', easing: 'evenly', turns: 0 },
  { id: 'camera-whole', at: 3.4, view: 'whole', easing: 'slowBoth', turns: 0 },
]

/** The title of the tea counter, five seconds: who comes when, by the ids of their patterns. */
export const opening: Readonly<Record<string, Movement[]>> = {
  // Stud by stud, each from in front of its place.
  sign: arrives('sign-in', {
    hold: ['each', 'inAll'],
    each: 0.3,
    inAll: 1.1,
    from: 'front',
    distance: 0.06,
    size: 0.3,
  }),
  lanterns: arrives('lanterns-in', { begin: 0.2, apart: 0.18, each: 0.7, distance: 0.18, size: 0.6 }),
  'turntable-cups': [
    opens,
    ...arrives('cups-in', {
      begin: 0.8,
      apart: 0.05,
      each: 0.6,
      from: 'above',
      distance: 0.12,
      size: 0.8,
    }),
  ],
  'sampler-tray': arrives('sweets-in', {
    order: 'middle',
    hold: ['each', 'inAll'],
    begin: 1.2,
    each: 0.4,
    inAll: 1.2,
    from: 'above',
    distance: 0.05,
    size: 0.05,
    easing: 'softly',
  }),
  'pastry-tower': arrives('macarons-in', {
    hold: ['each', 'inAll'],
    begin: 1.6,
    each: 0.5,
    inAll: 1.6,
    from: 'above',
    distance: 0.15,
    turn: Math.PI / 2,
  }),
  'shelf-tins': arrives('tins-in', {
    begin: 2.4,
    apart: 0.12,
    each: 0.6,
    from: 'left',
    distance: 0.3,
    easing: 'slowBoth',
  }),
  'loose-sugar': arrives('sugar-in', {
    order: 'chance',
    seed: 17,
    hold: ['each', 'inAll'],
    begin: 2.6,
    each: 0.35,
    inAll: 1.6,
    from: 'above',
    distance: 0.2,
    easing: 'slowFirst',
  }),
}
