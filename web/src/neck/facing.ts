/** Which way every neck of a page faces; the page's frame says it, and small necks need not be told one by one. */
import { createContext, useContext } from 'react'
import type { NeckFacing } from './layout.ts'

const Facing = createContext<NeckFacing>({ lowOnTop: false, leftHanded: false })
export const FacingProvider = Facing.Provider
export const useFacing = (): NeckFacing => useContext(Facing)
