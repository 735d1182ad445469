import type { Light } from '../model/part'
import { type Mesh } from '../geometry/mesh'
import { revolve } from '../solids/revolve'

const SIZE = 0.02

/** The sign by which a light is seen and picked on the stage; it is never written to a file. */
export function lampMesh({ light }: Light): Mesh {
  const ball = Array.from({ length: 9 }, (_, i) => {
    const angle = -Math.PI / 2 + (Math.PI * i) / 8
    return { radius: i % 8 === 0 ? 0 : SIZE * Math.cos(angle), height: SIZE * Math.sin(angle) }
  })
  if (light === 'point') return revolve(ball, { sides: 16 })
  // A shade that opens the way the light goes: down.
  const wide = light === 'sun' ? 2.4 * SIZE : 1.6 * SIZE
  return revolve(
    [
      { radius: 0, height: -SIZE },
      { radius: wide, height: -SIZE },
      { radius: 0.5 * SIZE, height: SIZE },
      { radius: 0, height: SIZE },
    ],
    { sides: 16 },
  )
}
