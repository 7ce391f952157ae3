import { readNotebook } from '@nestling/formats/notebook'
import * as v from 'valibot'
import { NotebookApply } from '../../../contracts/notebook.ts'
import { fileWords } from '../../../words/files.ts'
import { checkedRows } from '../_notebook.ts'
import { invalid, problem, readLargeText } from '../_respond.ts'
import { type Work, writingOnThread } from '../_work.ts'

/** `POST /api/notebook/apply`: puts in what was chosen, as one change that can be taken back; a copy is made first. */
export const work: Work = async ({ request, locals }) => {
  const text = await readLargeText(request)
  if (!text.ok) return text.response
  let json: unknown
  try {
    json = JSON.parse(text.value)
  } catch {
    return problem(400, { error: 'the body is not JSON', field: 'body', expected: 'a JSON object' })
  }
  const asked = v.safeParse(NotebookApply, json)
  if (!asked.success) return invalid(asked.issues)
  const { notebook, choices, name } = asked.output
  const read = readNotebook(JSON.stringify(notebook) ?? '')
  if (!read.ok)
    return problem(400, { error: fileWords(read.error), field: 'notebook', expected: 'a Nestling notebook' })
  const { rows } = checkedRows(read.value)
  const now = new Date()
  await locals.copies.save('before-reading', now)
  return Response.json(locals.notebook.apply(rows, choices, `Read from ${name}`, now))
}

export const POST = writingOnThread('notebook/apply')
