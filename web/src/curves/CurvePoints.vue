<script setup lang="ts">
import { addAnchor, anchorsOf, dropAnchor, moveAnchor } from '@hilera/core/curves/anchors'
import type { BezierRun } from '@hilera/core/values/curve'
import type { Path } from '@hilera/core/layouts/path/schema'
import type { Pattern } from '@hilera/core/model/pattern'
import type { Vec3 } from '@hilera/core/values/values'
import { useLayoutEdits } from '../layouts/layoutEdits'
import PointList from './PointList.vue'

/** The points of a curve in figures: typed, added and deleted. */
const props = defineProps<{ pattern: Pattern; points: readonly Vec3[] }>()
const edits = useLayoutEdits('path', () => props.pattern)

/** An edit of the points; of a curve with handles, of the anchors of its first run. */
const inCurve =
  (onPoints: (points: Vec3[]) => void, onRun: (run: BezierRun) => void) =>
  ({ curve }: Path): void => {
    if (curve.kind === 'points') onPoints(curve.points)
    else if (curve.kind === 'bezier') onRun(curve.runs[0])
  }
const set = (i: number, axis: number) => (value: number) =>
  edits.recipe(
    inCurve(
      (points) => void (points[i][axis] = value),
      (run) => moveAnchor(run, i, anchorsOf(run)[i].map((n, k) => (k === axis ? value : n)) as Vec3),
    ),
  )
/** Half-way to the next point, or as far beyond the last as it is from the one before. */
function add(i: number): void {
  const onPoints = (points: Vec3[]): void => {
    const next =
      i + 1 < points.length
        ? points[i].map((n, k) => (n + points[i + 1][k]) / 2)
        : points[i].map((n, k) => 2 * n - points[i - 1][k])
    points.splice(i + 1, 0, next as Vec3)
  }
  edits.change(
    'curve',
    inCurve(onPoints, (run) => addAnchor(run, i)),
  )
}
const drop = (i: number): void =>
  void edits.change(
    'curve',
    inCurve(
      (points) => void points.splice(i, 1),
      (run) => dropAnchor(run, i),
    ),
  )
</script>

<template>
  <PointList
    :points="points"
    :axes="['across', 'up', 'deep']"
    words="across, up and deep"
    :least="2"
    :undo="edits.name('curve')"
    :edit="set"
    @add="add"
    @drop="drop"
  />
</template>
