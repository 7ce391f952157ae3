import { type CSSVariablesResolver, createTheme, type MantineColorsTuple, Menu, Portal } from '@mantine/core'

const sage: MantineColorsTuple = [
  '#eef4f1',
  '#dde8e2',
  '#bcd2c7',
  '#98baa9',
  '#7aa590',
  '#669780',
  '#4f7361',
  '#42614f',
  '#37523f',
  '#2a4032',
]

/** Paper greys by day and greens of dusk, so that the library's own surfaces belong to the sheet. */
const gray: MantineColorsTuple = [
  '#faf7f0',
  '#f3ede0',
  '#e8e1d1',
  '#d9d2c2',
  '#c4bca9',
  '#8f8878',
  '#6f6a5e',
  '#5b5850',
  '#3f3e39',
  '#2b2b28',
]
const dark: MantineColorsTuple = [
  '#ece7da',
  '#c9ccc4',
  '#a9b2a9',
  '#87928b',
  '#4a5750',
  '#333d38',
  '#242c28',
  '#1d2421',
  '#151a18',
  '#0f1312',
]

/** Menus and dialogs are drawn at the end of the page's work: there they belong to it, for whoever hears it too. */
export const OVER_ID = 'over'

export const theme = createTheme({
  fontFamily: 'var(--sans)',
  headings: { fontFamily: 'var(--serif)', fontWeight: '600' },
  colors: { sage, gray, dark },
  primaryColor: 'sage',
  primaryShade: { light: 7, dark: 6 },
  defaultRadius: 'md',
  cursorType: 'pointer',
  components: {
    // A menu opens at once, with the keyboard on its first item.
    Menu: Menu.extend({
      defaultProps: {
        shadow: 'md',
        withInitialFocusPlaceholder: false,
        menuItemTabIndex: 0,
        transitionProps: { duration: 0 },
      },
    }),
    Portal: Portal.extend({ defaultProps: { target: `#${OVER_ID}` } }),
  },
})

/** Mantine's own surfaces take the roles of our sheet; its default dimmed text fails contrast. */
export const cssVariables: CSSVariablesResolver = () => {
  const roles = {
    '--mantine-color-body': 'var(--paper)',
    '--mantine-color-text': 'var(--ink)',
    '--mantine-color-dimmed': 'var(--soft)',
    '--mantine-color-default': 'var(--surface)',
    '--mantine-color-default-hover': 'var(--sunk)',
    '--mantine-color-default-color': 'var(--ink)',
    '--mantine-color-default-border': 'var(--edge)',
    '--mantine-color-error': 'var(--danger)',
    '--mantine-color-placeholder': 'var(--soft)',
  }
  return { variables: {}, light: roles, dark: roles }
}
