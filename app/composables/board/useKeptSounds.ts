import type { Board } from '~~/core/board/board'
import type { FileHash } from '~~/core/board/ids'

/** Seconds. What is longer is had when it is played: a class that opens a board at once would wait for it. */
const LONGEST_KEPT = 120

/**
 * What is spoken and heard on a board is kept on this device once everything else is there, so that it is heard without
 * a connection.
 */
export function useKeptSounds(board: Board) {
  if (!('serviceWorker' in navigator)) return
  onNuxtReady(async () => {
    // At the first visit the worker takes the page over a moment after it is there.
    if (!navigator.serviceWorker.controller)
      await new Promise(done => navigator.serviceWorker.addEventListener('controllerchange', done, { once: true }))
    // The worker keeps whole what is asked for whole; what it has already it doesn't ask for again.
    for (const file of soundsOf(board)) await fetch(`/api/clips/${file}`).catch(() => null)
  })
}

function soundsOf(board: Board): Set<FileHash> {
  const spoken = [
    board.spoken,
    ...board.pages.flatMap(page => [
      ...(page.steps ?? []).map(step => step.spoken),
      ...(page.backdrop.clips ?? []).filter(clip => clip.kind === 'sound'),
    ]),
  ]
  return new Set(spoken.flatMap(sound => (sound && sound.seconds <= LONGEST_KEPT ? [sound.file] : [])))
}
