import type { z } from 'zod'
import type { Gray } from '../pictures/brightness'
import type { Template } from '../sentences/nodes'
import type { Surface } from './surface'

/** What a ground may rest on. */
export interface GroundSource {
  /** The surface of a part; undefined while it is not there or has not been read. */
  partSurface(part: string): Surface | undefined
  /** All by which that would change. */
  partRests(part: string): readonly unknown[]
  /** The brightness of a picture; undefined while it has not been read. */
  pictureOf(file: string): Gray | undefined
}

/**
 * Everything that the core knows of one kind of ground. A new one is a file with one of these and a line in the registry.
 *
 * @example export const slope: GroundDefinition<Slope> = { schema, words: 'Slope', … }
 */
export interface GroundDefinition<G extends { readonly kind: string }> {
  readonly schema: z.ZodType<G>
  /** Its name in menus, and as a new one is called. */
  readonly words: string
  /** What it is, in a few words. */
  readonly note: string
  /** One line about one; `nameOf` gives the name of a part. */
  summary(ground: G, nameOf: (id: string) => string): string
  readonly sentence: Template<G>
  /** As it begins; undefined where something has to be chosen first. */
  begin?(): G
  /** Its surface, in its own axes; undefined while what it rests on is not there. */
  surface(ground: G, source: GroundSource): Surface | undefined
  /** What it rests on, by which its surface changes beside its own numbers. */
  rests?(ground: G, source: GroundSource): readonly unknown[]
}
