import type { Degree } from '../pitch/index.ts'
import type { Family, Formula } from './types.ts'

/** A formula's family, from its third, fifth and seventh. */
export function familyOf(formula: Formula): Family {
  const has = (degree: Degree) => formula.includes(degree)
  if (has('b3')) {
    if (!has('b5')) return 'minor'
    return has('b7') ? 'half-diminished' : 'diminished'
  }
  if (has('3')) {
    if (has('b7')) return 'dominant'
    return has('#5') ? 'augmented' : 'major'
  }
  return has('2') || has('4') ? 'suspended' : 'power'
}
