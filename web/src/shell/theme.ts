import { type CSSVariablesResolver, createTheme, type MantineColorsTuple } from '@mantine/core'

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

export const theme = createTheme({
  fontFamily: 'var(--sans)',
  headings: { fontFamily: 'var(--serif)', fontWeight: '600' },
  colors: { sage },
  primaryColor: 'sage',
  primaryShade: { light: 7, dark: 6 },
  defaultRadius: 'md',
  cursorType: 'pointer',
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
    '--mantine-color-default-border': 'var(--rule)',
    '--mantine-color-error': 'var(--danger)',
    '--mantine-color-placeholder': 'var(--soft)',
  }
  return { variables: {}, light: roles, dark: roles }
}
