import type { Part } from '@hilera/core/model/part'

const cap = '#3a3733'
const lantern = (id: string, name: string, color: string): Part => ({
  id,
  name,
  shape: {
    kind: 'lathe',
    profile: [
      { radius: 0, height: 0, color: cap },
      { radius: 0.018, height: 0, color: cap },
      { radius: 0.018, height: 0.01 },
      { radius: 0.042, height: 0.03 },
      { radius: 0.056, height: 0.07 },
      { radius: 0.056, height: 0.09 },
      { radius: 0.042, height: 0.13 },
      { radius: 0.02, height: 0.15, color: cap },
      { radius: 0.02, height: 0.162, color: cap },
      { radius: 0, height: 0.162, color: cap },
    ],
  },
  look: { color, roughness: 0.8, metal: 0 },
})

/** Two paper lanterns of one shape. */
export const lanterns: readonly Part[] = [
  lantern('peach-lantern', 'Peach lantern', '#e6a683'),
  lantern('straw-lantern', 'Straw lantern', '#ecd08c'),
]

export const bulb: Part = {
  id: 'bulb',
  name: 'Bulb',
  shape: { kind: 'sphere', width: 0.034 },
  form: { segments: 24 },
  look: { color: '#fff1c4', roughness: 0.3, metal: 0, glow: 0.9, shadow: false },
}

/** What shines in a lantern at night. */
export const warmLight: Part = {
  id: 'warm-light',
  name: 'Warm light',
  shape: { kind: 'light', light: 'point', brightness: 0.35, angle: Math.PI / 3 },
  look: { color: '#ffcf8f', roughness: 1, metal: 0 },
}
