/** The notation library and its fonts, loaded at the first drawing; the fonts are this application's own files. */
import '@vexflow-fonts/academico/index.css'
import '@vexflow-fonts/bravura/index.css'

export type Vex = typeof import('vexflow/core')
export type Context = ReturnType<InstanceType<Vex['Renderer']>['getContext']>

let loading: Promise<Vex> | undefined

/** A library that did not come is asked for again the next time. */
export function loadVex(): Promise<Vex> {
  loading ??= load()
  loading.catch(() => {
    loading = undefined
  })
  return loading
}

async function load(): Promise<Vex> {
  const vex = await import('vexflow/core')
  await Promise.all(['30px Bravura', '12px Academico', 'bold 12px Academico'].map((font) => document.fonts.load(font)))
  vex.VexFlow.setFonts('Bravura', 'Academico')
  copyQuickly(vex)
  return vex
}

/**
 * Every element asks for a copy of its small flat tables, and the library makes it the slow way; this is a quarter of its
 * time for a long line.
 */
function copyQuickly({ Metrics }: Vex): void {
  for (const name of ['getFontInfo', 'getStyle'] as const) {
    const slow = Metrics[name].bind(Metrics) as (key: string) => object
    const tables = new Map<string, object>()
    const quick = (key: string) => {
      const table = tables.get(key) ?? slow(key)
      tables.set(key, table)
      return { ...table }
    }
    Object.assign(Metrics, { [name]: quick })
  }
}
