import { definitionOf } from '../../layouts/index'
import type { WriterDefinition, WriterOptions } from '../definition'
import { forecastGlb, MANY_COPIES, styleFor } from './forecast'
import { type CopyStyle, copyStyles } from './size'
import { judgeGlb } from './verdict'
import { usualTolerance } from '../../motion/tracks'
import { type Facts, done, fact, plural } from '../../words'
import { type GlbReport, writeGlb } from './write'

const styleOf = ({ style }: WriterOptions): CopyStyle => copyStyles.find((s) => s === style) ?? 'linked'

/** How exact it is, and what was joined. */
function toldOf({ style, rounding, joinedCopies, joinedMeshes, keys }: GlbReport, length: number): Facts {
  const exact =
    style === 'linked'
      ? fact('exact', 'Positions are exact to the double')
      : fact('exact', 'Positions are rounded to 32 bits, by ', { length: rounding }, ' at the most')
  const { place, angle } = usualTolerance
  const moves =
    keys === 0
      ? []
      : [
          fact(
            'motion',
            'The animation is ',
            { time: length },
            ' long and has ',
            { count: keys },
            ' keys, to within ',
            { length: place },
            ' and ',
            { angle },
            '; lights shine from the start',
          ),
        ]
  if (joinedMeshes === 0) return [exact, ...moves]
  const meshes = plural(joinedMeshes, ' mesh', ' meshes')
  const joined = [{ count: joinedCopies }, ' copies are joined into ', { count: joinedMeshes }, meshes] as const
  return [exact, fact('joined', ...joined, ' on their mirror planes'), ...moves]
}

export const glb: WriterDefinition = {
  ending: 'glb',
  mime: 'model/gltf-binary',
  words: 'binary glTF 2.0',
  choices: [
    {
      key: 'style',
      before: 'its copies',
      label: 'Copies are written',
      values: [
        {
          value: 'linked',
          words: 'linked',
          note: 'a node for every copy, all sharing one mesh: every reader understands it, exact to the double',
        },
        {
          value: 'instanced',
          words: 'as instances',
          note: 'EXT_mesh_gpu_instancing: far smaller; some readers show one copy or refuse the file; 32-bit positions',
        },
      ],
    },
    {
      key: 'guides',
      before: 'curves are',
      label: 'Curves are',
      values: [
        { value: 'no', words: 'left out' },
        { value: 'yes', words: 'written as lines' },
      ],
      matters: ({ project }) => project.patterns.some(({ layout }) => definitionOf(layout).guide !== undefined),
    },
    {
      key: 'grounds',
      before: 'grounds are',
      label: 'Grounds are',
      values: [
        { value: 'no', words: 'left out' },
        { value: 'yes', words: 'written too' },
      ],
      matters: ({ project }) => project.grounds.some(({ hidden }) => !hidden),
    },
    {
      key: 'seams',
      before: 'copies that touch on a mirror plane are',
      label: 'Seams are',
      values: [
        { value: 'no', words: 'left as they are' },
        { value: 'yes', words: 'joined into one mesh', note: 'without the faces between them, their points welded' },
      ],
      matters: ({ outcomes }) => outcomes.some(({ mirrors }) => mirrors !== undefined),
    },
    {
      key: 'motion',
      before: 'motion is',
      label: 'Motion is',
      values: [
        { value: 'no', words: 'left out', note: 'everything stands as it does when all has arrived' },
        {
          value: 'yes',
          words: 'written as an animation',
          note: 'a node for every copy that moves, also where others are instances, which cannot',
        },
      ],
      matters: ({ project }) => project.patterns.some(({ motion, hidden }) => !hidden && motion !== undefined),
    },
  ],
  usual: (copies) => ({ style: styleFor(copies), guides: 'no', grounds: 'no', seams: 'no', motion: 'no' }),
  advice: (copies) =>
    copies > MANY_COPIES
      ? [
          'More than ',
          { count: MANY_COPIES },
          ' copies: instances are offered, since a file with a node for each would be large and slow to open.',
        ]
      : undefined,
  forecast: (scene, options) => forecastGlb(scene, styleOf(options), options.motion === 'yes'),
  cannotHold: ({ project }) => [
    ...(project.parts.some((p) => p.shape.kind === 'placeholder') ? ['placeholders'] : []),
    ...(project.patterns.some((p) => p.steps.length > 0 || Object.keys(p.touchUps).length > 0)
      ? ['sentences and touch-ups, which only the project keeps']
      : []),
    ...(project.patterns.some(({ motion }) => motion?.some((m) => 'tint' in m && m.tint !== undefined))
      ? ['colours in which copies arrive, which only pictures show']
      : []),
  ],
  write: async (scene, options, onProgress) => {
    const written = await writeGlb(scene, {
      style: styleOf(options),
      guides: options.guides === 'yes',
      grounds: options.grounds === 'yes',
      seams: options.seams === 'yes',
      motion: options.motion === 'yes',
      ...(onProgress && { onProgress }),
    })
    return written.ok
      ? done({ ...written.value, told: toldOf(written.value.report, scene.project.clock.length) })
      : written
  },
  judge: judgeGlb,
}
