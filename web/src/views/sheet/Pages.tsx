/** The pages as they will be printed, true to size or whole in view. */
import { useElementSize } from '@mantine/hooks'
import { memo } from 'react'
import { PageDrawing } from '../../sheet/PageDrawing.tsx'
import classes from './SheetView.module.css'
import type { SheetState } from './useSheet.ts'

/** CSS pixels in a millimetre. */
const PX_A_MM = 96 / 25.4

export const Pages = memo(function Pages({
  state,
  zoom,
}: {
  readonly state: SheetState
  readonly zoom: 'fit' | 'true'
}) {
  const { pages, sheet, chosen, choose } = state
  const { ref, width, height } = useElementSize()
  if (!pages) return <div ref={ref} className={classes['pages']} aria-busy="true" />
  const { size } = pages
  const whole = Math.min((width - 36) / size.width, (height - 24) / size.height)
  // Of an upright page only so much is shrunk that its width fits: it is read from the top.
  const fitted = size.width > size.height ? whole : Math.max(whole, Math.min((width - 36) / size.width, PX_A_MM * 0.82))
  const scale = zoom === 'true' ? PX_A_MM : Math.min(PX_A_MM * 1.2, Math.max(0.6, fitted))
  return (
    <section ref={ref} aria-label="Pages" className={classes['pages']}>
      <style media="print">{`@page { size: ${size.width}mm ${size.height}mm; margin: 0 } svg[data-page] { width: ${size.width}mm !important; height: ${size.height}mm !important }`}</style>
      {pages.pages.map((page, index) => (
        <div
          key={index}
          className={classes['page']}
          style={{ width: size.width * scale, height: size.height * scale }}
          data-testid="sheet-page"
        >
          <PageDrawing
            page={page}
            size={size}
            ink={sheet.ink}
            label={`Page ${index + 1} of ${pages.pages.length}: ${sheet.title}`}
          />
          {pages.places
            .filter((place) => place.page === index)
            .map((place) => (
              <button
                key={place.block}
                type="button"
                tabIndex={-1}
                aria-hidden="true"
                className={classes['place']}
                data-chosen={place.block === chosen || undefined}
                style={{
                  top: `${(place.top / size.height) * 100}%`,
                  height: `${((place.bottom - place.top) / size.height) * 100}%`,
                }}
                onClick={() => choose(place.block === chosen ? undefined : place.block)}
              />
            ))}
        </div>
      ))}
    </section>
  )
})
