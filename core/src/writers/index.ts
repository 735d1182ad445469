import { type Result, done, refused } from '../words'
import type { WriterDefinition } from './definition'
import { writers } from './registry'

/** The writer for a file's name, by its ending. */
export function writerFor(name: string): Result<WriterDefinition> {
  const ending = /\.([a-z0-9]+)$/i.exec(name)?.[1].toLowerCase() ?? ''
  const found = Object.hasOwn(writers, ending) ? writers[ending] : undefined
  if (found) return done(found)
  const known = Object.keys(writers).map((e) => `.${e}`)
  return refused(
    `${name} does not end in ${known.join(' or ')}, the kinds of files that are written. Give it such a name.`,
  )
}
