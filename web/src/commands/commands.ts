import { sentenceText } from '@hilera/core/numbers/format'
import type { Problem } from '@hilera/core/words'
import { lengthUnits } from '@hilera/core/numbers/units'
import { defineStore } from 'pinia'
import { computed, ref } from 'vue'
import { useRouter } from 'vue-router'
import type { Drawing } from '../drawing/small'
import { lackOf, layoutKinds, viewOf, wordsOf } from '../layouts'
import { definitionOf } from '@hilera/core/layouts/index'
import { putNeutral } from '@hilera/core/placing/neutral'
import { stepKinds } from '@hilera/core/steps/index'
import { steps as stepDefinitions } from '@hilera/core/steps/registry'
import { useMirrorEdits } from '../mirrors/newMirrors'
import { useSpotEdits } from '../patterns/spotEdits'
import { useDrawEdits } from '../patterns/drawEdits'
import { stepViewOf } from '../steps/registry'
import { useStepEdits } from '../steps/stepEdits'
import { useAssembleEdits } from '../links/assembleEdits'
import { useLinkEdits } from '../links/linkEdits'
import { useSetUpAgain } from '../links/setUpAgain'
import { useSwapDialog } from '../links/swapDialog'
import { useSchedule } from '../schedule/schedule'
import { useCopiesEdits } from '../picking/copiesEdits'
import { usePickEdits } from '../picking/pickEdits'
import { useCopyEdits } from '../patterns/copyEdits'
import { usePatternEdits } from '../patterns/patternEdits'
import { newPartKinds, newParts } from '@hilera/core/parts/newParts'
import { useCopyText } from '../texts/copyText'
import { copyCommands } from '../texts/copyCommands'
import { recipeCommands } from '../recipes/recipeCommands'
import { useRecipes } from '../recipes/recipes'
import { useMeasuring } from '../measuring/measuring'
import { useListEdits } from '../arrange/listEdits'
import { listCommands } from './listCommands'
import { useGroupEdits } from '../groups/groupEdits'
import { useActs } from '../placing/acts'
import { useBaseline } from '../placing/baseline'
import { usePicked } from '../placing/picked'
import { placingCommands } from '../placing/placingCommands'
import { useTools } from '../placing/tools'
import { partCommands } from '../parts/partCommands'
import { usePartEdits } from '../parts/partEdits'
import { usePivotOnStage } from '../parts/pivotOnStage'
import { useViewpoints } from '../stage/viewpoints'
import { useOwnAxes } from '../stage/ownAxes'
import { underCommands } from '../under/underCommands'
import { useUnderEdits } from '../under/underEdits'
import { useNudges } from './nudges'
import { pickCommands } from './pickCommands'
import { viewCommands } from './viewCommands'
import { screens } from '../shell/screens'
import { useVersions } from '../versions/versions'
import { useDocument } from '../stores/document'
import { useSelection } from '../stores/selection'
import { useView } from '../stores/view'

export interface Command {
  readonly id: string
  readonly words: string
  /** As shown: "Ctrl Z". Single keys act only while no field is being typed in. */
  readonly keys?: string | undefined
  readonly drawing?: Drawing
  /** Why it cannot be done now. */
  readonly unavailable?: string | undefined
  run(steps?: 1 | 10): void
}

const unitNames = { mm: 'millimetres', cm: 'centimetres', m: 'metres', in: 'inches', ftin: 'feet and inches' }

/** Everything that can be done from a menu or by key, with the reason where it cannot. */
export const useCommands = defineStore('commands', () => {
  const document = useDocument()
  const selection = useSelection()
  const view = useView()
  const router = useRouter()
  const patterns = usePatternEdits()
  const parts = usePartEdits()
  const copy = useCopyEdits()
  const steps = useStepEdits()
  const draw = useDrawEdits()
  const spots = useSpotEdits()
  const links = useLinkEdits()
  const picks = usePickEdits()
  const copies = useCopiesEdits()
  const swap = useSwapDialog()
  const setUp = useSetUpAgain()
  const schedule = useSchedule()
  const mirrors = useMirrorEdits()
  const groups = useGroupEdits()
  const assembling = useAssembleEdits()
  const listed = useListEdits()
  const pickedGroup = computed(() => document.project.groups.find((g) => selection.wholes.includes(g.id)))
  const acts = useActs()
  const placing = usePicked()
  const tools = useTools()
  const baseline = useBaseline()
  const pivotOnStage = usePivotOnStage()
  const measuring = useMeasuring()
  const viewpoints = useViewpoints()
  const ownAxes = useOwnAxes()
  const under = useUnderEdits()
  const versions = useVersions()
  const finding = ref(false)
  /** What was pasted on the stage, for the finder to read. */
  const pasted = ref<string>()
  const texts = useCopyText()
  const recipes = useRecipes()
  const keysShown = ref(false)
  /** Why the last key or command could not act; counted, so that the same reason is told again. */
  const told = ref<{ readonly words: string; readonly times: number }>()
  /** Counted up to ask the sentences to open their list of steps. */
  const stepMenuAsked = ref(0)

  const needPattern = computed(() => (selection.pattern ? undefined : 'Pick a pattern first.'))
  const kept = computed(() => {
    const by = selection.count === 0 && selection.pattern ? patterns.keptBy(selection.pattern) : undefined
    return by && `${by} uses it. Change or remove that one first.`
  })
  const needCopy = computed(() => (copy.row.value === undefined ? 'Pick a copy on the stage first.' : undefined))

  const nudges = useNudges(
    () => needPattern.value,
    (problem) => refuse(problem),
  )

  const all = computed<Command[]>(() => {
    const { pattern } = selection
    const undoable = document.undoLabel
    const redoable = document.redoLabel
    return [
      {
        id: 'undo',
        words: undoable ? `Undo ${undoable}` : 'Undo',
        keys: 'Ctrl Z',
        unavailable: undoable ? undefined : 'Nothing has been done yet.',
        run: () => document.undo(),
      },
      {
        id: 'redo',
        words: redoable ? `Redo ${redoable}` : 'Redo',
        keys: 'Ctrl Shift Z',
        unavailable: redoable ? undefined : 'Nothing has been undone.',
        run: () => document.redo(),
      },
      ...layoutKinds.map((kind, i) => ({
        id: `add-pattern-${kind}`,
        keys: i === 0 ? 'P' : undefined,
        drawing: viewOf(kind).drawing,
        words: `Add a pattern: ${wordsOf(kind).words.toLowerCase()}`,
        unavailable: lackOf(kind, document.project),
        run: () => (definitionOf({ kind }).isProposed ? mirrors.mirrorPicked() : patterns.add(kind)),
      })),
      {
        id: 'add-step',
        words: 'Add a step …',
        keys: 'A',
        unavailable: needPattern.value,
        run: () => void stepMenuAsked.value++,
      },
      { id: 'draw-line', words: 'Draw a line on the stage', run: () => void draw.drawLine() },
      { id: 'click-spots', words: 'Click spots on the stage', run: () => void spots.addSpots() },
      { id: 'draw-curve', words: 'Draw a curve on the stage', run: () => void draw.drawCurve() },
      {
        id: 'follow-edge',
        words: 'Follow an edge of a copy',
        run: async () => {
          const problem = await draw.followEdge()
          if (problem) refuse(problem)
        },
      },
      { id: 'draw-outline', words: 'Draw an outline on the stage and fill it', run: () => void draw.drawOutline() },
      {
        id: 'place-origin',
        words: 'Put the pattern’s origin on a place or a copy',
        unavailable: needPattern.value,
        run: () => pattern && void draw.placeOrigin(pattern),
      },
      {
        id: 'complete-round',
        words: 'Complete the set round a corner',
        unavailable: needPattern.value,
        run: () => pattern && void draw.completeRound(pattern),
      },
      {
        id: 'repeat-pattern',
        words: 'Repeat the pattern in a row',
        unavailable: needPattern.value,
        run: () => pattern && patterns.repeat(pattern),
      },
      ...stepKinds.map((kind) => ({
        id: `add-step-${kind}`,
        words: `Add a step: ${stepDefinitions[kind].words.toLowerCase()}`,
        drawing: stepViewOf({ kind }).drawing,
        unavailable: needPattern.value,
        run: () => pattern && steps.add(pattern, kind),
      })),
      ...copyCommands(texts, document.project.patterns, pattern),
      ...recipeCommands(recipes, texts.picked()),
      ...placingCommands(
        acts,
        placing,
        tools,
        baseline,
        pivotOnStage,
        refuse,
        (what) => void document.change('back to neutral', (project) => putNeutral(project, placing.things, what)),
      ),
      { id: 'keep-view', words: 'Keep this view by name', run: () => viewpoints.save() },
      ...document.project.views.map((saved) => ({
        id: `look-${saved.id}`,
        words: `Look from ${saved.name}`,
        run: () => viewpoints.go(saved),
      })),
      { id: 'measure', words: 'Measure between two clicks', keys: 'M', run: () => void measuring.begin() },
      { id: 'group', words: 'Group what is picked', unavailable: groups.cannotGroup(), run: () => say(groups.group()) },
      {
        id: 'ungroup',
        words: 'Take the picked group apart',
        unavailable: pickedGroup.value ? undefined : 'Pick a group in the list first.',
        run: () => pickedGroup.value && groups.ungroup(pickedGroup.value.id),
      },
      ...listCommands(listed, pickedGroup.value?.id ?? pattern?.id, needPattern.value),
      {
        id: 'assemble',
        words: 'Make a part of what is picked',
        unavailable: assembling.cannotAssemble.value,
        run: () => void assembling.assemble().then(say),
      },
      {
        id: 'take-apart',
        words: 'Take the picked copies of an assembly apart',
        unavailable: assembling.cannotTakeApart.value,
        run: () => void assembling.takeApart().then(say),
      },
      {
        id: 'lock',
        words: pattern?.locked ? 'Unlock the pattern' : 'Lock the pattern',
        unavailable: needPattern.value,
        run: () => pattern && groups.setLocked(pattern.id, !pattern.locked),
      },
      {
        id: 'duplicate',
        words: 'Duplicate the pattern',
        unavailable: needPattern.value,
        run: () => pattern && links.duplicate(pattern, false),
      },
      {
        id: 'duplicate-own',
        words: 'Duplicate the pattern with parts of its own',
        unavailable: needPattern.value,
        run: () => pattern && links.duplicate(pattern, true),
      },
      {
        id: 'set-up-again',
        words: 'The same set-up with other parts …',
        unavailable: needPattern.value,
        run: () => pattern && void (setUp.of = pattern.id),
      },
      {
        id: 'swap',
        words: selection.count > 0 ? 'Swap the picked copies' : 'Swap the part of the pattern',
        unavailable: needPattern.value,
        run: () => swap.open(selection.count > 0 ? 'copies' : 'pattern'),
      },
      { id: 'schedule', words: 'Schedule: parts, counts and sizes', run: () => schedule.open() },
      ...pickCommands(selection, picks, links, needPattern.value),
      ...newPartKinds.map((kind) => ({
        id: `add-${kind}`,
        words: `Add a part: ${newParts[kind].words.toLowerCase()}`,
        run: () => void parts.addNew(kind),
      })),
      ...partCommands(selection.part, parts, swap, router),
      ...nudges.countsAndSeeds(),
      ...underCommands(under, view),
      ...viewCommands(view, ownAxes, needPattern.value),
      {
        id: 'off',
        words: pattern?.hidden ? 'On: show the pattern' : 'Off: hide the pattern',
        keys: 'O',
        unavailable: needPattern.value,
        run: () => pattern && patterns.setHidden(pattern, !pattern.hidden),
      },
      {
        id: 'only',
        words: 'Show only this pattern',
        keys: 'Shift O',
        unavailable: needPattern.value,
        run: () => pattern && patterns.showOnly(pattern),
      },
      { id: 'show-all', words: 'Show everything', run: patterns.showAll },
      {
        id: 'leave-empty',
        words: copy.touchUp.value.empty ? 'Fill the place again' : 'Leave the place of the copy empty',
        unavailable: selection.slot === undefined ? 'Pick a copy on the stage first.' : undefined,
        run: () => copy.setEmpty(!copy.touchUp.value.empty),
      },
      {
        id: 'reset-copy',
        words: 'Take the touch-up off the copy',
        unavailable: needCopy.value,
        run: () => copy.reset(),
      },
      {
        id: 'remove',
        words: selection.count === 0 ? 'Remove the pattern' : 'Leave the place empty',
        keys: 'Del',
        unavailable: needPattern.value ?? kept.value,
        run: () => {
          if (selection.slot !== undefined) copy.setEmpty(true)
          else if (selection.count > 0) copies.setEmpty(true)
          else if (pattern) patterns.remove(pattern)
        },
      },
      ...nudges.places(),
      ...lengthUnits.map((unit) => ({
        id: `unit-${unit}`,
        words: `Show lengths in ${unitNames[unit]}`,
        run: () => void document.change('unit', (p) => void (p.unit = unit)),
      })),
      ...screens.map(({ name, words }) => ({
        id: name,
        words,
        run: () => void router.push({ name, params: { id: document.id } }),
      })),
      { id: 'keep-version', words: 'Keep a version', keys: 'Ctrl S', run: () => void keepVersion() },
      { id: 'projects', words: 'All projects', run: () => void router.push({ name: 'projects' }) },
      { id: 'keys', words: 'Keys', keys: '?', run: () => void (keysShown.value = true) },
    ]
  })

  async function keepVersion(): Promise<void> {
    const kept = await versions.keep('')
    say(kept ? `Version ${versions.latest?.number} is kept.` : versions.problem)
  }

  const byId = (id: string): Command | undefined => all.value.find((c) => c.id === id)

  /** Does a command, or says why it cannot be done now; ten steps at once where it goes in steps. */
  function run(id: string, steps: 1 | 10 = 1): void {
    const command = byId(id)
    if (!command) return
    if (command.unavailable) told.value = { words: command.unavailable, times: (told.value?.times ?? 0) + 1 }
    else command.run(steps)
  }
  const refuse = (problem: Problem): void => say(sentenceText(problem.says, document.unit))
  const say = (words: string | undefined): void =>
    void (words !== undefined && (told.value = { words, times: (told.value?.times ?? 0) + 1 }))

  return { all, byId, run, say, told, finding, pasted, keysShown, stepMenuAsked }
})
