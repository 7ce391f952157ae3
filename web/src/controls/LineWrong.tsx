/** What is wrong with a typed line, in the place of the acts beside its field: shown while it is typed, said once it is finished. */
import { useStore } from '@nanostores/react'
import type { ReactNode } from 'react'
import { $finished } from './leaving.ts'
import sentence from './sentence.module.css'

export function LineWrong({ id, children }: { readonly id: string; readonly children: ReactNode }) {
  const finished = useStore($finished)
  return (
    <p
      key={String(finished)}
      id={id}
      className={sentence['problem']}
      data-testid="line-wrong"
      {...(finished ? { role: 'alert' } : {})}
    >
      {children}
    </p>
  )
}
