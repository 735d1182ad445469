import { type Document, WebIO } from '@gltf-transform/core'
import {
  EXTMeshGPUInstancing,
  KHRLightsPunctual,
  KHRMeshQuantization,
  KHRTextureTransform,
} from '@gltf-transform/extensions'
import { type Result, done, refused } from '../../words'
import { type Description, checkedDescription } from './description'

const GLB_MAGIC = 0x46546c67
const JSON_CHUNK = 0x4e4f534a

/** Lights are not taken over; a node that is one is told by it from an empty one. */
const understood = [KHRMeshQuantization, KHRTextureTransform, EXTMeshGPUInstancing, KHRLightsPunctual]

/** Opens a glTF 2.0 file, .glb or .gltf with everything inside it; a sentence where it cannot be read here. */
export async function openGlb(bytes: Uint8Array, name: string): Promise<Result<Document>> {
  const isText = /^\s*\{/.test(new TextDecoder().decode(bytes.subarray(0, 64)))
  const json = isText ? parse(bytes, name) : jsonOfContainer(bytes, name)
  if (!json.ok) return json
  const described = checkedDescription(json.value, bytes.length, name)
  if (!described.ok) return described
  const fault = unreadable(described.value, name)
  if (fault) return fault
  try {
    const io = new WebIO().registerExtensions(understood)
    return done(isText ? await io.readJSON({ json: json.value as never, resources: {} }) : await io.readBinary(bytes))
  } catch {
    return refused(`${name} is damaged: its contents do not fit together. Save it again from the program that made it.`)
  }
}

/** The description inside a GLB, once its container has been found whole. */
function jsonOfContainer(bytes: Uint8Array, name: string): Result<unknown> {
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength)
  if (bytes.length < 4 || view.getUint32(0, true) !== GLB_MAGIC) {
    return refused(`${name} is not a glTF file. Save it as binary glTF 2.0 (.glb) and drop it again.`)
  }
  const cutOff = refused(`${name} is cut off: part of the file is missing. Copy or save it again.`)
  if (bytes.length < 20 || view.getUint32(8, true) > bytes.length) return cutOff
  if (view.getUint32(4, true) !== 2)
    return refused(`${name} is glTF ${view.getUint32(4, true)}; only glTF 2.0 is read. Save it as glTF 2.0.`)
  const length = view.getUint32(12, true)
  if (view.getUint32(16, true) !== JSON_CHUNK || 20 + length > bytes.length) return cutOff
  return parse(bytes.subarray(20, 20 + length), name)
}

function parse(bytes: Uint8Array, name: string): Result<unknown> {
  try {
    return done(JSON.parse(new TextDecoder().decode(bytes)) as unknown)
  } catch {
    return refused(`${name} is damaged: its description cannot be read. Save it again from the program that made it.`)
  }
}

/** Why a file that is whole cannot be read here: it leans on others, or is packed. */
function unreadable({ buffers = [], images = [], extensionsRequired = [] }: Description, name: string) {
  const outside = [...buffers, ...images].find(({ uri }) => uri && !uri.startsWith('data:'))
  if (outside) {
    return refused(
      `${name} needs another file, “${String(outside.uri).slice(0, 60)}”, that is not inside it. Save it as one self-contained GLB.`,
    )
  }
  const names = understood.map((extension) => extension.EXTENSION_NAME as string)
  const unread = extensionsRequired.find((used) => !names.includes(used) && !used.startsWith('KHR_materials'))
  return unread
    ? refused(`${name} is packed with ${unread.slice(0, 60)}, which is not read here. Save it without compression.`)
    : undefined
}
