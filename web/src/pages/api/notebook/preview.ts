import { readNotebook } from '@nestling/formats/notebook'
import { fileWords } from '../../../words/files.ts'
import { checkedRows } from '../_notebook.ts'
import { problem, readLargeText } from '../_respond.ts'
import { readingOnThread, type Work } from '../_work.ts'

/** `POST /api/notebook/preview`: what reading a notebook would change. Changes nothing. */
export const work: Work = async ({ request, locals }) => {
  const text = await readLargeText(request)
  if (!text.ok) return text.response
  const read = readNotebook(text.value)
  if (!read.ok)
    return problem(400, { error: fileWords(read.error), field: 'notebook', expected: 'a Nestling notebook' })
  const { rows, wrong } = checkedRows(read.value)
  return Response.json({
    ...locals.notebook.preview(rows),
    wrong: wrong.slice(0, MOST_TOLD),
    wrongMore: Math.max(0, wrong.length - MOST_TOLD),
  })
}

export const POST = readingOnThread('notebook/preview')

const MOST_TOLD = 100
