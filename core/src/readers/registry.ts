import type { ReaderDefinition } from './definition'

const gltf: Pick<ReaderDefinition, 'article' | 'read' | 'readScene'> = {
  article: 'a',
  read: async (...file) => (await import('./gltf/mesh')).readGlb(...file),
  readScene: async (...file) => (await import('./scene')).readScene(...file),
}

/** Every format of mesh files that come in; a new one is entered here. What reads it is taken in when the first such file comes. */
export const readers: readonly ReaderDefinition[] = [
  { words: 'GLB', endings: ['glb'], ...gltf },
  { words: 'glTF', endings: ['gltf'], ...gltf },
  { words: 'OBJ', article: 'an', endings: ['obj'], read: async (...file) => (await import('./obj')).readObj(...file) },
  { words: 'STL', article: 'an', endings: ['stl'], read: async (...file) => (await import('./stl')).readStl(...file) },
  { words: 'PLY', article: 'a', endings: ['ply'], read: async (...file) => (await import('./ply')).readPly(...file) },
]
