import { expect, test } from 'vitest'
import { withPreloads } from './preloads.ts'

const imports = { '/a/View.js': ['/a/shared.js', '/a/part$&.js'], '/a/client.js': ['/a/shared.js'], '/a/other.js': [] }

test('a page names its scripts and what they import, each once', () => {
  const page = '<head><title>x</title></head><i component-url="/a/View.js" renderer-url="/a/client.js"></i>'
  const links = ['View', 'shared', 'part$&', 'client'].map((name) => `<link rel="modulepreload" href="/a/${name}.js">`)
  expect(withPreloads(page, imports)).toBe(page.replace('</head>', () => `${links.join('')}</head>`))
})

test('a page without scripts, and one whose scripts nobody built, stay as they are', () => {
  for (const page of ['<head></head><p>a page</p>', '<head></head><i component-url="/src/View.tsx"></i>'])
    expect(withPreloads(page, imports)).toBe(page)
})
