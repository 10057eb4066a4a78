import { describe, expect, it } from 'vitest'
import { files, matcherOf, questions, type Ahead } from '../../../server/http/ahead'

const SLATE: Ahead = {
  pattern: '/slate/:id()',
  scripts: ['_nuxt/a.js', '_nuxt/b.js'],
  styles: ['_nuxt/a.css'],
  asked: ['/api/slates/:id'],
}

describe('what a document names ahead', () => {
  it.each([
    ['/slate/:id()', '/slate/4f-2_a', { id: '4f-2_a' }],
    ['/slate/:id()', '/slate/4f-2_a/', { id: '4f-2_a' }],
    ['/handout/:id()/review/:slate()', '/handout/h1/review/s2', { id: 'h1', slate: 's2' }],
    ['/desk', '/desk', {}],
    ['/slate/:id()', '/slate/', null],
    ['/slate/:id()', '/slate/a/b', null],
    ['/desk', '/desktop', null],
    ['/slate/:id()', `/slate/${'a'.repeat(81)}`, null],
  ])('at %s the address %s has %j in its blanks', (pattern, path, parts) => {
    expect(matcherOf(pattern)(path)).toEqual(parts)
  })

  it.each(['"', "'", '<', '>', '%22', '\\', '`', '$', '.', ' ', '\n', '&', ';'])(
    "an address with %j in a blank is no page's: nothing of it becomes script",
    sign => {
      expect(matcherOf('/slate/:id()')(`/slate/a${sign}b`)).toBeNull()
    },
  )

  it('the questions name who is signed in first, then what the page asks, once as links and once as script', () => {
    const html = questions(SLATE, { id: 's1' })
    expect(
      [...html.matchAll(/<link rel="preload" as="fetch" crossorigin href="([^"]+)">/g)].map(([, path]) => path),
    ).toEqual(['/api/session', '/api/slates/s1'])
    expect(/new Map\((\[.*?\])/.exec(html)?.[1]).toBe('["/api/session","/api/slates/s1"]')
  })

  it('names styles and scripts', () => {
    expect(files(SLATE)).toBe(
      '<link rel="stylesheet" href="/_nuxt/a.css" crossorigin><link rel="modulepreload" as="script" crossorigin href="/_nuxt/a.js"><link rel="modulepreload" as="script" crossorigin href="/_nuxt/b.js">',
    )
  })
})
