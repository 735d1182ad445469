import { promisify } from 'node:util'
import * as zlib from 'node:zlib'

const [gzip, gunzip] = [promisify(zlib.gzip), promisify(zlib.gunzip)]

/** Packs a text beside the server's own thread: one of 15 MB takes a second in which others would wait. */
export const pack = (text: string): Promise<Buffer> => gzip(text)

/** The text that was packed. */
export const unpack = async (packed: Uint8Array): Promise<string> => (await gunzip(packed)).toString('utf8')
