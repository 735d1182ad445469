import type { Gray } from '../pictures/brightness'
import { readPgm } from '../pictures/pgm'
import { type PartSource, pictureKey } from './partMesh'

const read = new WeakMap<Uint8Array, Gray>()

/** The brightness of a picture that has been read with the meshes; undefined while it has not, or is none. Read once. */
export function pictureIn({ meshes }: Pick<PartSource, 'meshes'>, file: string): Gray | undefined {
  const bytes = meshes.get(pictureKey(file))?.pictures?.[0].bytes
  if (!bytes) return undefined
  const known = read.get(bytes)
  if (known) return known
  const made = readPgm(bytes, file)
  if (made.ok) read.set(bytes, made.value)
  return made.ok ? made.value : undefined
}
