/**
 * The table of views. A line here and a folder in `views/` with its `page.astro` make a view: the line gives its place in
 * the header and its address, and the build takes the page from the folder.
 */
export const VIEWS = [
  { name: 'Build', folder: 'workbench', href: '/' },
  { name: 'Map', folder: 'map', href: '/map' },
  { name: 'Arpeggio', folder: 'arpeggio', href: '/arpeggio' },
  { name: 'Key', folder: 'key', href: '/key' },
  { name: 'Path', folder: 'path', href: '/path' },
  { name: 'Practice', folder: 'practice', href: '/practice' },
  { name: 'Cards', folder: 'cards', href: '/cards', within: 'Practice' },
  { name: 'Logbook', folder: 'logbook', href: '/logbook', within: 'Practice' },
  { name: 'Book', folder: 'book', href: '/book' },
  { name: 'Sheet', folder: 'sheet', href: '/sheet', within: 'Book' },
  { name: 'Set-up', folder: 'setup', href: '/setup' },
] as const satisfies readonly {
  readonly name: string
  readonly folder: string
  readonly href: string
  /** It stands in the header as this one. */
  readonly within?: string
}[]

/** The view that another stands in. */
export function within(view: ViewName): string | undefined {
  const found = VIEWS.find(({ name }) => name === view)
  return found && 'within' in found ? found.within : undefined
}

export type ViewName = (typeof VIEWS)[number]['name']
