import type { Pattern } from '../model/pattern'
import type { Project } from '../model/project'
import { aShare, wholeFrom } from '../sentences/checks'
import { type Surroundings, type Template, sentenceOf } from '../sentences/nodes'
import { seedField } from '../sentences/seedField'
import { stepDefinitionOf } from '../steps/index'
import { addPart, dropPart } from './edits'
import type { Deal } from './schema'
import { type DealChoice, choiceOfDeal, dealAs, dealOptions, partsTaken } from './ways'

const say = sentenceOf<Pattern>()
type Kind<K extends Deal['kind']> = Extract<Deal, { kind: K }>
const isKind =
  <K extends Deal['kind']>(kind: K) =>
  ({ deal }: Pattern): boolean =>
    deal.kind === kind
const every = (key: 'every' | 'from', label: string, least: number) =>
  say.number(({ deal }) => (deal.kind === 'nth' ? deal[key] : 0), {
    label,
    undo: 'deal',
    quantity: 'count',
    state: key === 'every' ? 'held' : 'free',
    check: wholeFrom(least, 10_000),
    write: ({ deal }, to) => {
      if (deal.kind === 'nth') deal[key] = to
    },
  })

const dealtIn = ({ deal }: Pattern, { parts }: Project) => parts.filter((p) => deal.parts.includes(p.id))
const isCalled = ({ deal }: Pattern): boolean => typeof deal.variants === 'object'
/** Dealt parts that vary by themselves. */
const livelyIn = (pattern: Pattern, { project }: Surroundings): string[] =>
  dealtIn(pattern, project)
    .filter((p) => p.variation?.length)
    .map(({ id }) => id)

/** Whether anything varies its copies: a step, or a part by itself. */
const varies = (pattern: Pattern, around: Surroundings): boolean =>
  pattern.strength !== undefined ||
  pattern.steps.some((step) => stepDefinitionOf(step).varies) ||
  livelyIn(pattern, around).some((id) => !pattern.plain?.includes(id))

/** Deals other things in the way in which it deals, those that stay with their weights and lots. */
function setParts({ deal }: Pattern, to: readonly string[]): void {
  const taken = partsTaken(deal)
  if (taken !== undefined)
    return void (deal.parts = Array.from({ length: taken }, (_, i) => to[Math.min(i, to.length - 1)]))
  for (let i = deal.parts.length - 1; i >= 0; i--) if (!to.includes(deal.parts[i])) dropPart(deal, i)
  if (deal.kind !== 'random') return void (deal.parts = [...to])
  for (const id of to) addPart(deal, id)
}

const weightsOf = ({ deal }: Pattern): readonly number[] => (deal.kind === 'random' ? deal.weights : [])
function setWeights({ deal }: Pattern, text: string): void {
  const read = text.split(':').map(Number)
  const fits = deal.kind === 'random' && read.length === deal.weights.length && read.some((w) => w > 0)
  if (fits && read.every((w) => Number.isFinite(w) && w >= 0)) (deal as Kind<'random'>).weights = read
}

export const dealSentence: Template<Pattern> = [
  'Deal ',
  say.list({
    label: 'Parts dealt',
    more: 'Deal too',
    less: 'Take out',
    undo: 'deal',
    asks: 'deal',
    least: 1,
    canChange: false,
    read: ({ deal }) => deal.parts,
    write: setParts,
    options: (pattern, { project }) =>
      [...project.parts, ...project.patterns.filter((p) => p.id !== pattern.id)].map(({ id, name }) => ({
        value: id,
        words: '',
        name,
      })),
  }),
  say.where(
    ({ deal }) => deal.parts.length > 1 || deal.kind !== 'inTurn',
    [
      ' ',
      say.choice(({ deal }) => choiceOfDeal(deal), {
        label: 'Way of dealing',
        undo: 'deal',
        options: dealOptions,
        write: (pattern, to, { isText }) => {
          if (to === choiceOfDeal(pattern.deal)) return
          const { parts } = pattern.deal
          pattern.deal = dealAs(to as DealChoice, pattern.deal)
          // A part may be there twice, for its lots, where one took another's place.
          if (isText && pattern.deal.kind === 'random')
            Object.assign(pattern.deal, { parts: [...parts], weights: parts.map(() => 1) })
        },
      }),
    ],
  ),
  say.when(isKind('random'), [
    say.clause(
      (pattern) => weightsOf(pattern).every((w) => w === 1),
      [
        ', weighted ',
        say.text({
          label: 'Weights',
          read: (pattern) => weightsOf(pattern).join(' : '),
          write: setWeights,
          asks: 'deal',
        }),
      ],
    ),
    ', ',
    ...seedField<Pattern>(
      'Seed of the deal',
      ({ deal }) => (deal.kind === 'random' ? deal.seed : 0),
      ({ deal }, to) => {
        if (deal.kind === 'random') deal.seed = to
      },
      'deal',
    ),
  ]),
  say.when(isKind('nth'), [
    ': one in ',
    every('every', 'Another every', 2),
    ', beginning with number ',
    every('from', 'Another from', 1),
  ]),
  say.where(
    (pattern, { project }) =>
      pattern.deal.variants !== undefined || dealtIn(pattern, project).some((p) => p.variants?.length),
    [
      ', ',
      say.choice(({ deal: { variants } }) => (typeof variants === 'object' ? 'called' : (variants ?? 'no')), {
        label: 'Variants',
        undo: 'deal',
        options: [
          { value: 'no', words: 'as they are' },
          { value: 'inTurn', words: 'with their variants in turn' },
          { value: 'random', words: 'with their variants at random' },
          { value: 'called', words: 'in the variants called', note: 'itself where none is called so' },
        ],
        write: (pattern, to, { project }) => {
          const { deal } = pattern
          if (to === 'no') delete deal.variants
          else if (to !== 'called') deal.variants = to as 'inTurn' | 'random'
          else if (typeof deal.variants !== 'object') {
            const first = dealtIn(pattern, project).flatMap((p) => p.variants ?? [])[0]
            deal.variants = { called: project.parts.find((p) => p.id === first)?.name ?? 'open' }
          }
        },
      }),
      say.when(isCalled, [
        ' ',
        say.text({
          label: 'Variants called',
          read: ({ deal: { variants } }) => (typeof variants === 'object' ? variants.called : ''),
          write: ({ deal }, to) => {
            if (to.trim() !== '') deal.variants = { called: to.trim().slice(0, 80) }
          },
        }),
      ]),
    ],
  ),
  '.',
  say.where(
    (pattern, around) => livelyIn(pattern, around).length > 0,
    [
      ' They vary ',
      say.choice(({ plain }) => String(!plain?.length), {
        label: 'Variation of the parts',
        undo: 'variation',
        options: [
          { value: 'true', words: 'as the parts do by themselves' },
          { value: 'false', words: 'not by themselves here' },
        ],
        write: (pattern, to, around) => {
          if (to === 'true') delete pattern.plain
          else pattern.plain = [...new Set([...(pattern.plain ?? []), ...livelyIn(pattern, around)])]
        },
      }),
      '.',
    ],
  ),
  say.where(varies, [
    say.clause(
      ({ strength }) => strength === undefined,
      [
        ' All that varies them is at ',
        say.number(({ strength }) => strength ?? 1, {
          label: 'All variation',
          undo: 'strength of all variation',
          quantity: 'share',
          state: 'free',
          check: aShare,
          write: (pattern, to) => {
            if (to === 1) delete pattern.strength
            else pattern.strength = to
          },
        }),
        ' of its strength.',
      ],
    ),
  ]),
]
