declare module '@tabler/icons-react/dist/esm/icons/*.mjs' {
  const icon: import('@tabler/icons-react').Icon
  export default icon
}
