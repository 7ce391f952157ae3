/** The theme's variables as a style sheet: written once, on the server, and not by every page anew. */
import { MantineProvider } from '@mantine/core'
import { createElement } from 'react'
import { renderToStaticMarkup } from 'react-dom/server'
import { cssVariables, theme } from './theme.ts'

const provider = { theme, cssVariablesResolver: cssVariables, withStaticClasses: false, withGlobalClasses: false }
export const VARIABLES = [
  ...renderToStaticMarkup(createElement(MantineProvider, provider)).matchAll(/<style[^>]*>([^<]*)<\/style>/g),
]
  .map(([, rules]) => rules)
  .join('\n')
