import type { WriterDefinition } from './definition'
import { glb } from './glb/index'

/** Every format that goes out, by the ending of its files; a new one is entered here. */
export const writers: Readonly<Record<string, WriterDefinition>> = { glb }
