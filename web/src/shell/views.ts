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
  { name: 'Book', folder: 'book', href: '/book' },
  { name: 'Set-up', folder: 'setup', href: '/setup' },
] as const satisfies readonly { readonly name: string; readonly folder: string; readonly href: string }[]

export type ViewName = (typeof VIEWS)[number]['name']
