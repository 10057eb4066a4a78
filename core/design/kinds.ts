import type { Page } from '../board/board'
import type { Key } from '../board/key'
import type { Tool } from '../board/tools'
import { readTerm } from '../exact/polynomial'

type Kind = Key['kind']

/** The kinds of key that a page has the places, pieces and tools for, the likeliest first. None for an empty page. */
export function kindsFor(page: Page, tools: readonly Tool[] = []): Kind[] {
  const place = (...kinds: string[]) => page.places.some(p => kinds.includes(p.kind))
  const piece = (...kinds: string[]) => page.pieces.some(p => kinds.includes(p.kind))
  const gaps = (typed: boolean) => page.places.some(p => p.kind === 'gaps' && p.typed === typed)
  const letters = page.pieces.some(p => p.kind === 'tile' && readTerm(p.term ?? '1') !== '1')
  const numbers = page.pieces.some(p => p.kind === 'tile' && readTerm(p.term ?? '1') === '1')
  const cards = piece('card', 'picture-card', 'label')
  const spectrum = page.places.some(p => p.kind === 'scale' && p.step === null)
  const has: Record<Kind, boolean> = {
    balance: page.places.filter(p => p.kind === 'pan').length > 1 && piece('tile'),
    label: place('pin') && piece('label'),
    write: place('writing') || gaps(true),
    ink: place('drawing') && !!page.backdrop.figures?.length,
    arrows: !!page.arrows && page.pieces.length > 1,
    order: place('lane') && page.pieces.length > 1,
    cover: place('grid') && (piece('cover', 'tile', 'token') || tools.includes('colour')),
    match: page.pieces.filter(p => !p.bin).length > 1 && cards,
    slots: (place('slot', 'grid') || gaps(false)) && page.pieces.some(p => !p.bin),
    spectrum: spectrum && cards,
    scale: place('scale') && page.pieces.some(p => !p.bin),
    expression: letters && place('zone', 'pan'),
    vote: place('zone') && (piece('token') || tools.includes('sign')),
    total: numbers && place('zone', 'pan', 'lane'),
    sort: place('zone') && page.pieces.some(p => !p.bin),
  }
  return LIKELIEST.filter(kind => has[kind])
}

/** A match needs no place of its own, so it comes last. */
const LIKELIEST: readonly Kind[] = ['balance', 'label', 'write', 'ink', 'arrows', 'order', 'cover', 'slots', 'spectrum', 'scale', 'expression', 'vote', 'total', 'sort', 'match']
