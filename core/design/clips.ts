import type { Board, Page } from '../board/board'
import { MOST_CLIPS, type Clip, type Link, type Spoken } from '../board/clip'
import type { PageId, StepId } from '../board/ids'
import { withPage } from './lookup'

const SOUND = { width: 280, height: 72 } as const
const LINK = { width: 280, height: 72 } as const
/** A film takes no more of the page than this, on either side. */
const FILM_SHARE = 0.45
const MARGIN = 16

/** What is known of a clip that was taken in; of a film also how large its pictures are. */
export type NewClip = Pick<Clip, 'id' | 'kind' | 'file' | 'seconds' | 'name' | 'poster'> & {
  readonly pixels: { readonly width: number; readonly height: number }
}

/**
 * A clip in the upper left corner of the page; a film with its proportions. On a page that is full of them: nothing.
 */
export function addClip(board: Board, pageId: PageId, { pixels, poster, ...clip }: NewClip): Board {
  return withPage(board, pageId, page => {
    const clips = page.backdrop.clips ?? []
    if (clips.length >= MOST_CLIPS) return page
    const by = Math.min((page.width * FILM_SHARE) / pixels.width, (page.height * FILM_SHARE) / pixels.height)
    const size =
      clip.kind === 'film' && pixels.width > 0 && pixels.height > 0
        ? { width: pixels.width * by, height: pixels.height * by }
        : SOUND
    return withClips(page, [...clips, { ...clip, ...(poster && { poster }), x: MARGIN, y: MARGIN, ...size }])
  })
}

export function changeClip(board: Board, pageId: PageId, id: string, to: (clip: Clip) => Clip): Board {
  return withPage(board, pageId, page =>
    withClips(
      page,
      (page.backdrop.clips ?? []).map(clip => (clip.id === id ? to(clip) : clip)),
    ),
  )
}

/** A card that leads to an address of the web. On a page that is full of them: nothing. */
export function addLink(board: Board, pageId: PageId, link: Pick<Link, 'id' | 'address' | 'name'>): Board {
  return withPage(board, pageId, page => {
    const links = page.backdrop.links ?? []
    return links.length >= MOST_CLIPS ? page : withLinks(page, [...links, { ...link, x: MARGIN, y: MARGIN, ...LINK }])
  })
}

export function changeLink(
  board: Board,
  pageId: PageId,
  id: string,
  part: Partial<Pick<Link, 'address' | 'name'>>,
): Board {
  return withPage(board, pageId, page =>
    withLinks(
      page,
      (page.backdrop.links ?? []).map(link => (link.id === id ? { ...link, ...part } : link)),
    ),
  )
}

/** The instructions as the teacher has spoken them, of the board or of one activity; null for no longer. */
export function setSpoken(
  board: Board,
  of: { readonly page: PageId; readonly step: StepId } | null,
  spoken: Spoken | null,
): Board {
  const heard = <T extends { spoken?: Spoken | undefined }>({ spoken: _, ...rest }: T) =>
    ({ ...rest, ...(spoken && { spoken }) }) as T
  if (of === null) return heard(board)
  return withPage(board, of.page, page => ({
    ...page,
    ...(page.steps && { steps: page.steps.map(step => (step.id === of.step ? heard(step) : step)) }),
  }))
}

const withClips = (page: Page, clips: Clip[]): Page => ({ ...page, backdrop: { ...page.backdrop, clips } })
const withLinks = (page: Page, links: Link[]): Page => ({ ...page, backdrop: { ...page.backdrop, links } })
