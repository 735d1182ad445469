import type { Part } from '@hilera/core/model/part'

const paper = '#efe6d0'
const lid = '#e9dcbc'

/** Three tins of one size, 119 mm wide and 150 mm tall, each in the colour of its tea. */
export const tins: readonly Part[] = [
  tin('sencha', 'Sencha tin', '#3a6b5f'),
  tin('hojicha', 'Hojicha tin', '#b9662b'),
  tin('mugi', 'Mugi tin', '#694a70'),
]

function tin(tea: string, name: string, color: string): Part {
  return {
    id: `${tea}-tin`,
    name,
    shape: {
      kind: 'lathe',
      profile: [
        { radius: 0, height: 0 },
        { radius: 0.0565, height: 0 },
        { radius: 0.058, height: 0.0015 },
        { radius: 0.058, height: 0.042, color: paper },
        { radius: 0.058, height: 0.092 },
        { radius: 0.058, height: 0.128, color: lid },
        { radius: 0.0595, height: 0.128, color: lid },
        { radius: 0.0595, height: 0.146, color: lid },
        { radius: 0.0575, height: 0.149, color: lid },
        { radius: 0.052, height: 0.149, color: lid },
        { radius: 0.05, height: 0.15, color: lid },
        { radius: 0, height: 0.15 },
      ],
    },
    look: { color, roughness: 0.55, metal: 0.05 },
  }
}
