import { watch } from 'vue'
import type { Copies } from '../stage/copies/copies'
import type { Viewer } from '../stage/viewer'
import { type Proposal, useDocument } from '../stores/document'
import { useOutcomes } from '../stores/outcomes'

/**
 * Brings what is proposed into the picture, once, where it stands outside: what was seen before stays in sight. Left, it is looked from
 * where it was before, unless somebody has looked elsewhere meanwhile.
 */
export function useProposedInPicture(stage: () => { viewer: Viewer | undefined; copies: Copies | undefined }) {
  const document = useDocument()
  const outcomes = useOutcomes()
  let looked: Proposal | undefined
  let moved: { from: Viewer['viewpoint']; to: string } | undefined

  /** Called once what changed stands on the stage. */
  function look(): void {
    const { proposal } = document
    const { viewer, copies } = stage()
    if (!proposal || proposal === looked || !viewer || !outcomes.settled) return
    const box = copies?.box(proposal.patternId)
    if (!box || box.isEmpty()) return
    looked = proposal
    if (viewer.shows(box)) return
    const from = viewer.viewpoint
    viewer.frame(box.union(viewer.seen()), false, true)
    moved = { from, to: JSON.stringify(viewer.viewpoint) }
  }
  watch(
    () => document.proposal,
    (now, before) => {
      const { viewer } = stage()
      const isLeft = before && !now && document.stepsDone === before.past.length
      if (moved && viewer && isLeft && JSON.stringify(viewer.viewpoint) === moved.to) viewer.lookFrom(moved.from)
      moved = undefined
    },
  )
  return { look }
}
