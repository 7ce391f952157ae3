/** XML as a tree, read by a package, after what could make a reader run away is turned down. */
import { fail, ok, type Result } from '@nestling/core/result'
import { XMLParser, XMLValidator } from 'fast-xml-parser'
import { type FileProblem, problem } from '../file/index.ts'

export interface Element {
  readonly name: string
  readonly attributes: Readonly<Record<string, string>>
  readonly children: readonly Element[]
  readonly text: string
}

/** A score nests some fifteen deep; what goes far beyond is no score. */
const DEEPEST = 60

export function readXml(text: string): Result<Element, FileProblem> {
  const doctype = /<!DOCTYPE[^>[]*(\[)?/i.exec(text)
  if (doctype?.[1] !== undefined || /<!ENTITY/i.test(text))
    return fail(problem('doctype', lineOf(text, doctype?.index ?? text.search(/<!ENTITY/i))))
  const deep = tooDeep(text)
  if (deep !== undefined) return fail(problem('too_deep', lineOf(text, deep), String(DEEPEST)))
  const valid = XMLValidator.validate(text)
  if (valid !== true) return fail(problem('not_xml', valid.err.line, valid.err.msg))
  try {
    const parsed = new XMLParser({
      preserveOrder: true,
      ignoreAttributes: false,
      attributeNamePrefix: '',
      parseTagValue: false,
      parseAttributeValue: false,
      trimValues: true,
    }).parse(text) as readonly Raw[]
    const root = parsed.map(elementOf).find((one) => one !== undefined && !one.name.startsWith('?'))
    return root ? ok(root) : fail(problem('not_xml'))
  } catch (error) {
    return fail(problem('not_xml', 0, error instanceof Error ? error.message : ''))
  }
}

type Raw = Readonly<Record<string, unknown>>

function elementOf(raw: Raw): Element | undefined {
  const name = Object.keys(raw).find((key) => key !== ':@')
  if (name === undefined || name === '#text') return undefined
  const inside = (raw[name] ?? []) as readonly Raw[]
  return {
    name,
    attributes: (raw[':@'] ?? {}) as Readonly<Record<string, string>>,
    children: inside.flatMap((one) => elementOf(one) ?? []),
    text: inside.map((one) => (typeof one['#text'] === 'string' ? one['#text'] : '')).join(''),
  }
}

/** Where elements nest deeper than any score does. */
function tooDeep(text: string): number | undefined {
  let depth = 0
  for (const match of text.matchAll(
    /<(?:!--[\s\S]*?-->|\?[\s\S]*?\?>|!\[CDATA\[[\s\S]*?\]\]>|(\/)?[A-Za-z_][^<>]*?(\/)?>)/g,
  )) {
    if (match[0].startsWith('<!') || match[0].startsWith('<?') || match[2] !== undefined) continue
    depth += match[1] === undefined ? 1 : -1
    if (depth > DEEPEST) return match.index
  }
  return undefined
}

const lineOf = (text: string, at: number): number => text.slice(0, Math.max(0, at)).split('\n').length

export const childOf = (element: Element | undefined, ...path: readonly string[]): Element | undefined =>
  path.reduce<Element | undefined>((now, name) => now?.children.find((child) => child.name === name), element)
export const childrenOf = (element: Element | undefined, name: string): readonly Element[] =>
  element?.children.filter((child) => child.name === name) ?? []
export const textIn = (element: Element | undefined, ...path: readonly string[]): string | undefined =>
  childOf(element, ...path)?.text.trim()
export function numberIn(element: Element | undefined, ...path: readonly string[]): number | undefined {
  const text = textIn(element, ...path)
  const number = Number(text)
  return text === undefined || text === '' || !Number.isFinite(number) ? undefined : number
}
