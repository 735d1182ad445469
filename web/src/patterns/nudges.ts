import type { LaidOut } from '@hilera/core/layouts/index'
import type { Layout } from '@hilera/core/layouts/index'
import type { Spacing } from '@hilera/core/values/spacing'
import { takeHold } from '@hilera/core/spacing/hold'

type Edit = (layout: Layout) => void

/** One copy more or fewer at the spacing that there is: the room, the radius or the density follows. */
export function changeCount(layout: Layout, laid: LaidOut | undefined, by: number): Edit | undefined {
  if (laid?.kind === 'line' && layout.kind === 'line')
    return (l) => l.kind === 'line' && countAt(l, laid.count + by, laid.spacing)
  if (laid?.kind === 'grid')
    return (l) => l.kind === 'grid' && countAt(l.across, laid.across.count + by, laid.across.spacing)
  if (laid?.kind === 'ring') {
    return (l) => {
      if (l.kind !== 'ring') return
      l.count = laid.count + by
      l.radius = laid.radius
      l.hold = ['radius', 'count']
    }
  }
  if (laid?.kind === 'path')
    return (l) => l.kind === 'path' && Object.assign(l, { hold: 'count', count: laid.count + by })
  if (laid?.kind === 'fill')
    return (l) => l.kind === 'fill' && Object.assign(l, { by: 'count', count: laid.wanted + by })
  return undefined
}

function countAt(spacing: Spacing, count: number, now: number): void {
  if (!Number.isNaN(now)) spacing.spacing = now
  spacing.count = count
  spacing.hold = ['spacing', 'count']
}

/** The spacing a little wider or narrower. */
export function changeSpacing(layout: Layout, laid: LaidOut | undefined, by: number): Edit | undefined {
  const to = (held: number, now: number): number => Math.round(((Number.isNaN(now) ? held : now) + by) * 1e9) / 1e9
  if (laid?.kind === 'line' && layout.kind === 'line' && layout.direction.kind === 'axis')
    return (l) => l.kind === 'line' && takeHold(l, 'spacing', to(l.spacing, laid.spacing))
  if (laid?.kind === 'grid')
    return (l) => l.kind === 'grid' && takeHold(l.across, 'spacing', to(l.across.spacing, laid.across.spacing))
  if (laid?.kind === 'ring') {
    return (l) => {
      if (l.kind !== 'ring') return
      l.spacing = to(l.spacing, laid.spacing)
      l.hold = [l.hold.find((held) => held !== 'spacing') ?? 'count', 'spacing']
    }
  }
  if (laid?.kind === 'path')
    return (l) => l.kind === 'path' && Object.assign(l, { hold: 'spacing', spacing: to(l.spacing, laid.spacing) })
  if (laid?.kind === 'fill' && layout.kind === 'fill')
    return (l) => l.kind === 'fill' && Object.assign(l, { least: to(l.least, l.least) })
  return undefined
}
