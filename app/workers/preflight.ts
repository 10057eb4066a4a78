import type { Board } from '~~/core/board/board'
import { foundOn } from '~~/core/preflight/preflight'

/** Preflight beside the page's own thread: a large board is looked through without a dropped frame. */
self.addEventListener('message', ({ data }: MessageEvent<{ asked: number; board: Board }>) => {
  self.postMessage({ asked: data.asked, findings: foundOn(data.board) })
})
