import { createMemoryHistory, createRouter } from 'vue-router'
import { createApp, markRaw } from 'vue'
import * as THREE from 'three'
import { beforeEach, describe, expect, it, vi } from 'vitest'
import type { Layout } from '@hilera/core/layouts/index'
import { knowledge } from '@hilera/core/sentences/knowledge'
import { sentenceAsText } from '@hilera/core/sentences/text'
import { stepDefinitionOf } from '@hilera/core/steps/index'
import { viewOf, wordsOf } from '../src/layouts'
import { handlesOf } from '../src/arrange/handlesOf'
import { useCommands } from '../src/commands/commands'
import { useSelection } from '../src/stores/selection'
import { opened } from './opened'

vi.mock('comlink', () => import('./comlink'))
/** A layout and a step that nobody has, entered in the registries and nowhere else. */
vi.mock('@hilera/core/layouts/registry', async (original) => {
  const { z } = await import('zod')
  const { done } = await import('@hilera/core/words')
  const { layouts } = await original<{ layouts: object }>()
  const stairs = {
    schema: z.object({ kind: z.literal('stairs'), treads: z.int().min(1) }),
    words: 'Stairs',
    note: 'one on each tread',
    sentence: ['Place one on each tread.'],
    summary: ({ treads }: { treads: number }) => `${treads} treads`,
    begin: () => ({ kind: 'stairs', treads: 4 }),
    place: ({ treads }: { treads: number }, { dealt }: { dealt: { deal(table: object): void } }) =>
      done({
        facts: [],
        working: [],
        outcome: { kind: 'stairs', treads },
        write(table: { neutral(n: number): void; position: Float64Array; slotLow: Uint32Array }) {
          table.neutral(treads)
          for (let k = 0; k < treads; k++) {
            table.position.set([0.3 * k, 0.2 * k, 0], 3 * k)
            table.slotLow[k] = k
          }
          dealt.deal(table)
        },
      }),
    more: (_: object, laid: { treads: number }, by: number) => (l: { treads: number }) =>
      void (l.treads = laid.treads + by),
    unroll: (_: object, { table }: { table: { count: number } }) => ({
      as: 'nearest',
      distances: new Float64Array(table.count),
    }),
  }
  return { layouts: { ...layouts, stairs } }
})
vi.mock('@hilera/core/steps/registry', async (original) => {
  const { z } = await import('zod')
  const { ownId } = await import('@hilera/core/values/marks')
  const { sentenceOf } = await import('@hilera/core/sentences/nodes')
  const { steps } = await original<{ steps: object }>()
  const lift = {
    schema: z.object({ kind: z.literal('lift'), id: ownId(), by: z.number() }),
    words: 'Lift',
    note: 'higher',
    sentence: ['Lift them by ', sentenceOf<{ by: number }>().number('by', { label: 'By', quantity: 'length' }), '.'],
    phase: 'settle',
    begin: (id: string) => ({ kind: 'lift', id, by: 1 }),
    apply(table: { count: number; position: Float64Array }, { by }: { by: number }) {
      for (let k = 0; k < table.count; k++) table.position[3 * k + 1] += by
      return { facts: [] }
    },
  }
  return { steps: { ...steps, lift } }
})
vi.mock('../src/layouts/registry', async (original) => {
  const { layoutViews } = await original<{ layoutViews: object }>()
  const stairs = {
    drawing: { dots: [[10, 30]] },
    strip: markRaw({ template: '<p />' }),
    handles: (_: object, laid: { treads: number }, axes: { at(x: number, y: number, z: number): THREE.Vector3 }) => ({
      pins: [
        {
          does: 'layout',
          name: 'top',
          words: 'top',
          at: axes.at(0.3 * laid.treads, 0.2 * laid.treads, 0),
          along: new THREE.Vector3(0, 1, 0),
          edit:
            ({ along }: { along: number }) =>
            (l: { treads: number }) =>
              void (l.treads = Math.round(along / 0.2)),
        },
      ],
      dimensions: [],
      guides: [],
    }),
    note: (_: object, laid: { treads: number }) => `${laid.treads} treads`,
  }
  return { layoutViews: { ...layoutViews, stairs } }
})
vi.mock('../src/steps/registry', async (original) => {
  const { stepViews, ...rest } = await original<{ stepViews: object; stepViewOf: unknown }>()
  const views = { ...stepViews, lift: { drawing: { dots: [[36, 20]] } } }
  return {
    ...rest,
    stepViews: views,
    stepViewOf: ({ kind }: { kind: string }) => (views as Record<string, unknown>)[kind],
  }
})

describe('a layout and a step that are only entered in the registries', () => {
  let page: Awaited<ReturnType<typeof opened>>
  let commands: ReturnType<typeof useCommands>
  const kind = 'stairs' as unknown as Layout['kind']
  const pattern = () => page.document.project.patterns.at(-1)!
  const table = () => page.outcomes.byId.get(pattern().id)!.table
  beforeEach(async () => {
    page = await opened()
    const app = createApp({})
    app.use(createRouter({ history: createMemoryHistory(), routes: [{ path: '/', component: { template: '<i />' } }] }))
    commands = app.runWithContext(() => useCommands())
    commands.run('add-pattern-stairs')
    await page.settled()
  })

  it('is offered by its words, placed, drawn, nudged and undone', async () => {
    expect(wordsOf(kind)).toMatchObject({ words: 'Stairs', note: 'one on each tread' })
    expect(commands.byId('add-pattern-stairs')?.words).toBe('Add a pattern: stairs')
    expect(viewOf(kind).drawing.dots).toHaveLength(1)
    expect(table().count).toBe(4)
    expect(page.outcomes.byId.get(pattern().id)!.batches[0].rows).toHaveLength(4)
    commands.run('more')
    await page.settled()
    expect(table().count).toBe(5)
    commands.run('undo')
    await page.settled()
    expect(table().count).toBe(4)
  })

  it('has pins on the stage and a strip under it, and goes out in a file', async () => {
    const own = page.outcomes.byId.get(pattern().id)!
    const handles = handlesOf(pattern(), own, page.outcomes.supportOf, () => false)!
    expect(handles.pins.map((p) => p.name)).toEqual(['top'])
    await page.outcomes.watchStrip(pattern().id)
    expect(page.outcomes.strip).toMatchObject({ id: pattern().id, strip: { as: 'nearest' } })
    const { forecast } = await page.outcomes.forecast('glb')
    expect(forecast.ok && forecast.value.copies).toBe(
      page.outcomes.patterns.reduce((n, p) => n + p.expanded.presentCount(), 0),
    )
  })

  it('its step is offered, has its sentence, and acts in its phase', async () => {
    useSelection().pickPattern(pattern().id)
    commands.run('add-step-lift')
    await page.settled()
    const [step] = pattern().steps
    const around = { knows: knowledge, project: page.document.project, unit: 'm' as const }
    const place = { root: pattern(), into: () => step }
    expect(sentenceAsText(stepDefinitionOf(step).sentence, place, around, '')).toBe('Lift them by 1 m.')
    expect(table().position[1]).toBe(1)
    commands.run('undo')
    await page.settled()
    expect(table().position[1]).toBe(0)
  })
})
