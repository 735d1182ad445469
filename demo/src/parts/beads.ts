import type { Part } from '@hilera/core/model/part'

export const bead: Part = {
  id: 'bead',
  name: 'Bead',
  shape: { kind: 'sphere', width: 0.011 },
  // Enough for what is this small, and there are many.
  form: { segments: 16 },
  look: { color: '#5f7f4a', roughness: 0.35, metal: 0 },
}

export const stud: Part = {
  id: 'stud',
  name: 'Sign stud',
  shape: { kind: 'sphere', width: 0.012 },
  form: { segments: 16 },
  look: { color: '#a8325e', roughness: 0.4, metal: 0 },
}
