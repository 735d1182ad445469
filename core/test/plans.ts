import type { Plan } from '../src/plans/plan'

/** A plan of 4 m by 2 m that lies about the origin. */
export const aPlan = (change: Partial<Plan> = {}): Plan => ({
  id: 'plan',
  name: 'Floor plan',
  file: 'a'.repeat(64),
  fileName: 'floor.png',
  mime: 'image/png',
  pixels: [400, 200],
  perPixel: 0.01,
  lies: 'ground',
  move: [0, 0, 0],
  turn: 0,
  strength: 1,
  hidden: false,
  ...change,
})
