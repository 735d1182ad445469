import { Activity, GitBranch, LayoutGrid, Package, Ruler, Shapes, Share, Table2 } from '@lucide/vue'

/** The screens of a project in the order of the work, by the names of their routes. */
export const screens = [
  { name: 'arrange', words: 'Arrange', icon: Shapes },
  { name: 'parts', words: 'Parts', icon: Package },
  { name: 'ledger', words: 'Ledger', icon: Table2 },
  { name: 'motion', words: 'Motion', icon: Activity },
  { name: 'proofs', words: 'Proofs', icon: LayoutGrid },
  { name: 'checks', words: 'Checks', icon: Ruler },
  { name: 'versions', words: 'Versions', icon: GitBranch },
  { name: 'export', words: 'Export', icon: Share },
] as const
