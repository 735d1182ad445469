import { type Part } from '@hilera/core/model/part'
import { pictureKey } from '@hilera/core/parts/partMesh'
import { sha256Of } from '@hilera/core/sha256'
import { useFileDialog } from '@vueuse/core'
import { saidBy } from '../faults'
import { useRefusal } from '../shell/refusal'
import { api } from '../api/client'
import { useDocument } from '../stores/document'
import { useOutcomes } from '../stores/outcomes'
import { usePartEdits } from './partEdits'
import { pictureMesh } from '@hilera/core/parts/pictureMesh'

/** The largest picture that is laid on a part, in bytes. */
const MAX_PICTURE_BYTES = 16 * 1024 * 1024

/** What a picture is by its first bytes. */
function mimeOf(bytes: Uint8Array): 'image/png' | 'image/jpeg' | undefined {
  if (bytes[0] === 0x89 && bytes[1] === 0x50 && bytes[2] === 0x4e && bytes[3] === 0x47) return 'image/png'
  return bytes[0] === 0xff && bytes[1] === 0xd8 && bytes[2] === 0xff ? 'image/jpeg' : undefined
}

/** Lays pictures from files on parts. */
export function usePictures() {
  const document = useDocument()
  const outcomes = useOutcomes()
  const edits = usePartEdits()
  const dialog = useFileDialog({ accept: '.png,.jpg,.jpeg', multiple: false, reset: true })
  let wanted: Part | undefined

  const refuse = useRefusal('Not laid on')
  dialog.onChange(async (files) => {
    const file = files?.[0]
    if (!file || !wanted) return
    if (file.size > MAX_PICTURE_BYTES) return refuse(`${file.name} is larger than 16 MB. Choose a smaller picture.`)
    const bytes = new Uint8Array(await file.arrayBuffer())
    const mime = mimeOf(bytes)
    if (!mime) return refuse(`${file.name} is not a PNG or a JPEG. Choose a picture of one of these kinds.`)
    try {
      const sha256 = await sha256Of(bytes)
      await api.putFile(sha256, bytes)
      await outcomes.addMesh(pictureKey(sha256), pictureMesh(bytes, mime))
      const { id, name } = wanted
      document.change(
        `picture of ${name}`,
        edits.recipe(id, (p) => void (p.look.picture = { file: sha256, mime })),
      )
    } catch (fault) {
      refuse(saidBy(fault))
    }
  })

  function choose(part: Part): void {
    wanted = part
    dialog.open()
  }

  return { choose }
}
