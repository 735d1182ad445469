import type { Part } from '@hilera/core/model/part'

const profile = (
  points: readonly (readonly [radius: number, height: number, color?: string])[],
): Extract<Part['shape'], { kind: 'lathe' }> => ({
  kind: 'lathe',
  profile: points.map(([radius, height, color]) => ({ radius, height, ...(color && { color }) })),
})

/** A tea cup, 84 mm wide, with a wall. */
export const cup: Part = {
  id: 'cup',
  name: 'Cup',
  shape: profile([
    [0, 0],
    [0.021, 0],
    [0.022, 0.004],
    [0.034, 0.022],
    [0.0405, 0.048],
    [0.042, 0.068],
    [0.0405, 0.068],
    [0.0385, 0.048],
    [0.032, 0.024],
    [0.019, 0.008],
    [0, 0.008],
  ]),
  look: { color: '#9aaea3', roughness: 0.4, metal: 0 },
}

export const turntable: Part = {
  id: 'turntable',
  name: 'Turntable',
  shape: profile([
    [0, 0],
    [0.12, 0],
    [0.12, 0.012],
    [0.325, 0.014],
    [0.33, 0.018],
    [0.33, 0.032],
    [0.325, 0.036],
    [0, 0.036],
  ]),
  look: { color: '#e6d3ab', roughness: 0.7, metal: 0 },
}

const sweet = (id: string, name: string, color: string): Part => ({
  id,
  name,
  shape: { kind: 'roundedBox', width: 0.052, height: 0.03, depth: 0.052, radius: 0.007 },
  look: { color, roughness: 0.65, metal: 0 },
})

/** Three sweets of one size. */
export const sweets: readonly Part[] = [
  sweet('matcha', 'Matcha sweet', '#7f9a4f'),
  sweet('yuzu', 'Yuzu sweet', '#d09a3c'),
  sweet('azuki', 'Azuki sweet', '#a8493c'),
]

export const tray: Part = {
  id: 'tray',
  name: 'Tray',
  shape: { kind: 'roundedBox', width: 0.66, height: 0.018, depth: 0.48, radius: 0.006 },
  look: { color: '#ead3a0', roughness: 0.75, metal: 0 },
}

export const macaron: Part = {
  id: 'macaron',
  name: 'Macaron',
  shape: profile([
    [0, 0],
    [0.018, 0, '#d8a7a0'],
    [0.0235, 0.005, '#d8a7a0'],
    [0.0235, 0.009, '#f3e6cf'],
    [0.021, 0.01, '#f3e6cf'],
    [0.021, 0.014, '#d8a7a0'],
    [0.0235, 0.015, '#d8a7a0'],
    [0.0235, 0.019, '#d8a7a0'],
    [0.018, 0.024, '#d8a7a0'],
    [0, 0.024],
  ]),
  look: { color: '#d8a7a0', roughness: 0.7, metal: 0 },
}

export const cake: Part = {
  id: 'cake-stand',
  name: 'Tower core',
  shape: { kind: 'cone', width: 0.18, top: 0.02, height: 0.34 },
  look: { color: '#efe6d0', roughness: 0.8, metal: 0 },
}

export const sugar: Part = {
  id: 'sugar',
  name: 'Sugar',
  shape: { kind: 'roundedBox', width: 0.009, height: 0.009, depth: 0.009, radius: 0.0012 },
  look: { color: '#f4efe2', roughness: 0.5, metal: 0 },
}
export const dish: Part = {
  id: 'dish',
  name: 'Dish',
  shape: { kind: 'cylinder', width: 0.46, height: 0.012 },
  look: { color: '#c3b191', roughness: 0.6, metal: 0 },
}
