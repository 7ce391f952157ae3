/** "Is it …?" of the shape in hand: mended on the neck, or called so. */
import { useMemo } from 'react'
import { ClaimField } from '../../../controls/ClaimField.tsx'
import { neckIn, setString, takeName, type WorkbenchState } from '../../../state/workbench/index.ts'

export function Claim({ state }: { readonly state: WorkbenchState }) {
  const { question, player, frets } = state
  const neck = useMemo(() => neckIn({ question, player }), [question, player])
  return (
    <ClaimField
      id="claim-input"
      frets={frets}
      neck={neck}
      naming={player.naming}
      mend={setString}
      callIt={({ root, formula, bass }) => takeName({ root, formula, ...(bass ? { bass } : {}) })}
    />
  )
}
