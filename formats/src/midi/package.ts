/** The MIDI package is a module for bundlers and an old-style one for Node: one place that knows. */
import * as tonejs from '@tonejs/midi'

type Package = typeof tonejs
export const { Midi }: Pick<Package, 'Midi'> = 'Midi' in tonejs ? tonejs : (tonejs as { default: Package }).default
