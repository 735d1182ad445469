import type { WriterDefinition } from './definition'
import { glb } from './glb/index'
import { csv } from './table/csv'
import { json } from './table/json'

/** Every format that goes out, by the ending of its files; a new one is entered here. */
export const writers: Readonly<Record<string, WriterDefinition>> = { glb, csv, json }
