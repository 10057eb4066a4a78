import type { Board } from '~~/core/board/board'
import { foundOn } from '~~/core/preflight/preflight'
import { breakTextsBy, SHORT_RULES } from '~~/core/text/lines'
import { unicodeBreaks } from '~~/core/text/unicodeBreaks'

breakTextsBy({ ...SHORT_RULES, breaks: () => unicodeBreaks, edition: () => 'all' })

/** Preflight beside the page's own thread: a large board is looked through without a dropped frame. */
self.addEventListener('message', ({ data }: MessageEvent<{ asked: number; board: Board }>) => {
  self.postMessage({ asked: data.asked, findings: foundOn(data.board) })
})
