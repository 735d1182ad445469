import type { ReaderDefinition } from './definition'
import { readGlb } from './gltf/mesh'
import { readObj } from './obj'
import { readPly } from './ply'
import { readScene } from './scene'
import { readStl } from './stl'

/** Every format of mesh files that come in; a new one is entered here. */
export const readers: readonly ReaderDefinition[] = [
  { words: 'GLB', article: 'a', endings: ['glb'], read: readGlb, readScene },
  { words: 'glTF', article: 'a', endings: ['gltf'], read: readGlb, readScene },
  { words: 'OBJ', article: 'an', endings: ['obj'], read: readObj },
  { words: 'STL', article: 'an', endings: ['stl'], read: readStl },
  { words: 'PLY', article: 'a', endings: ['ply'], read: readPly },
]
