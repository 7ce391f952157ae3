/** The shape in hand on staff and TAB, for paper only: the engraver is loaded when the page is printed. */
import { useEffect, useRef } from 'react'
import { beforePrint } from '../../../state/printing.ts'
import { neckIn, type WorkbenchState } from '../../../state/workbench/index.ts'
import classes from './Written.module.css'

/** Clef, metre and one bar. */
const WIDTH_PX = 250

export function Written({ state }: { readonly state: WorkbenchState }) {
  const box = useRef<HTMLDivElement>(null)
  const { frets, question } = state
  const neck = neckIn(state)
  const { chord } = question
  // Nothing is worked out before it is printed: this stands in the way of every keystroke.
  useEffect(() => {
    const into = box.current
    // An earlier shape's is not this one's.
    if (into?.firstChild) into.replaceChildren()
    if (!into || !frets?.some((fret) => fret !== null)) return undefined
    return beforePrint(async () => {
      const [{ engrave }, { barHeld }] = await Promise.all([
        import('../../../notation/engrave.ts'),
        import('./barHeld.ts'),
      ])
      await engrave(into, barHeld(chord, frets, neck), {
        strings: neck.open.length,
        width: WIDTH_PX,
        repeats: false,
        oneSystem: true,
      })
    })
  }, [chord, frets, neck])
  return (
    <figure className={classes['written']} aria-label="On staff and TAB">
      <div ref={box} data-testid="written" />
    </figure>
  )
}
