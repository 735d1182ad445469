import { produce } from 'immer'
import type { Node, Surroundings, Template } from '../../src/sentences/nodes'

/**
 * What a sentence says of a value, put into another: every field that is said, in order. What a sentence does not say (a number
 * that is worked out as it was typed before, the order in which two were held) stays as it is there.
 *
 * @param root what the value lies in
 * @param base the same, of which nothing is said yet
 */
export function saidInto<R extends object>(
  template: Template<unknown>,
  root: R,
  base: R,
  into: (root: R) => unknown,
  around: Surroundings,
): R {
  return produce(base, (draft) => say(template, root, draft as R, into, around))
}

function say<R>(
  template: Template<unknown>,
  root: R,
  draft: R,
  into: (root: R) => unknown,
  around: Surroundings,
): void {
  for (const node of template) sayNode(node, root, draft, into, around)
}

function sayNode<R>(node: Node<unknown>, root: R, draft: R, into: (root: R) => unknown, around: Surroundings): void {
  if (typeof node === 'string') return
  const value = into(root)
  switch (node.is) {
    case 'when':
      if (!node.holds(value, around)) return
      if (node.grow && !node.holds(into(draft), around)) node.grow(into(draft), around)
      return say(node.nodes, root, draft, into, around)
    case 'clause':
      return node.neutral(value) ? undefined : say(node.nodes, root, draft, into, around)
    case 'within':
      return say(node.nodes as Template<unknown>, root, draft, (r) => node.into(into(r)), around)
    case 'pattern':
      return say(node.nodes as Template<unknown>, root, draft, (r) => r, around)
    case 'number':
      return node.state(value) === 'worked' ? node.letGo?.(into(draft)) : node.write(into(draft), node.read(value))
    case 'choice':
      return node.write(into(draft), node.read(value, around), around)
    case 'list':
      return node.write(into(draft), node.read(value))
    case 'text':
      return node.write?.(into(draft), node.read(value))
    case 'color':
      return node.write(into(draft), node.read(value))
    case 'reference':
      return node.take(into(draft), structuredClone(value))
  }
}
