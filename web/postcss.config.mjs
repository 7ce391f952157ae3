import simpleVars from 'postcss-simple-vars'
import { BREAKPOINTS } from './src/styles/breakpoints.mjs'

export default { plugins: [simpleVars({ variables: BREAKPOINTS })] }
