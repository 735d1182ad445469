import { readFile } from 'node:fs/promises'
import { dirname, join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { cards } from '@hilera/demo/cards'

/** The pictures lie beside the demo's source; from here, and from the built server, that is the same way. */
const folder = join(dirname(fileURLToPath(import.meta.url)), '../../demo/cards')

/** The card of a project of the demo, as a browser would have drawn it. */
export async function demoCard(name: keyof typeof cards): Promise<{ copies: number; picture: Buffer }> {
  const { copies, picture } = cards[name]
  return { copies, picture: await readFile(join(folder, picture)) }
}
