import { useRef } from 'react'

export interface Meant {
  readonly onPointerDown: () => void
  /** Asked at the click that ends the press; one of the keyboard is always meant. */
  readonly isMeant: (click: { readonly detail: number }) => boolean
}

/** A press means what stood there when it began: what has taken its place since is not taken. */
export function useMeant(what: string): Meant {
  const pressed = useRef<string>(undefined)
  return {
    onPointerDown: () => {
      pressed.current = what
    },
    isMeant: ({ detail }) => detail === 0 || pressed.current === what,
  }
}
