import { readFileSync, readdirSync, statSync } from 'node:fs'
import { basename, join } from 'node:path'
import type { HostileFile, HostileKind } from '../case'
import type { Chance } from '../chance'

/** Files by other hands, as Debian ships them. */
const folder = '/usr/share/assimp/models'
const endings = /\.(glb|gltf|obj|ply|stl)$/i
const LARGEST = 400_000

let found: string[] | undefined
function models(): string[] {
  found ??= ['OBJ', 'PLY', 'STL', 'glTF2', 'invalid']
    .flatMap((name) =>
      readdirSync(join(folder, name), { recursive: true, encoding: 'utf8' }).map((f) => join(folder, name, f)),
    )
    .filter((path) => endings.test(path) && statSync(path).isFile() && statSync(path).size < LARGEST)
    .sort()
  return found
}

/** Bytes changed, cut off, doubled or taken out; in text, digits and words put in. */
function damaged(bytes: Uint8Array, chance: Chance): Uint8Array {
  const way = chance.whole(5)
  const at = chance.whole(bytes.length)
  if (way === 0) return bytes.slice(0, at)
  if (way === 1) return Uint8Array.from([...bytes.subarray(0, at), ...bytes.subarray(at + 1 + chance.whole(40))])
  if (way === 2) {
    const words = ['1e39', '-1', '999999999', 'nan', '/', '"', '\n', ' '.repeat(2000), '\0', '[', '}']
    const put = new TextEncoder().encode(chance.pick(words))
    return Uint8Array.from([...bytes.subarray(0, at), ...put, ...bytes.subarray(at)])
  }
  const copy = bytes.slice()
  for (let n = 1 + chance.whole(way === 3 ? 4 : 400); n > 0; n--) copy[chance.whole(copy.length)] = chance.whole(256)
  return copy
}

export const modelsDamaged: HostileKind = {
  name: 'files by other hands, damaged',
  make(chance): HostileFile {
    const path = chance.pick(models())
    const bytes = new Uint8Array(readFileSync(path))
    return { name: basename(path), bytes: bytes.length > 0 ? damaged(bytes, chance) : bytes }
  },
}
