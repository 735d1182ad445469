import type { Verdict } from '../definition'

/** So many things are named at the most. */
const MOST_NAMED = 100

/** What the Khronos validator says of a GLB; it is loaded when it is first asked. */
export async function judgeGlb(bytes: Uint8Array): Promise<Verdict> {
  const { validateBytes, version } = await import('gltf-validator')
  const { issues } = await validateBytes(bytes, { maxIssues: MOST_NAMED })
  return {
    judge: `Khronos glTF validator ${version()}`,
    besides: 'It does not look into instancing; equal counts and unit turns are checked here.',
    errors: issues.numErrors,
    warnings: issues.numWarnings,
    says: issues.messages.map(({ message, pointer, code }) => `${message}${pointer ? ` ${pointer}` : ''} (${code})`),
  }
}
