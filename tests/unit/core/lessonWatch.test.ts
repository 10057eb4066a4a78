import { describe, expect, it } from 'vitest'
import { LessonWatch } from '../../../core/sync/lessonWatch'
import type { ClientMessage } from '../../../core/sync/messages'

const HANDOUT = '00000000-0000-4000-8000-0000000000ff'
const OTHER = '00000000-0000-4000-8000-00000000000a'

function watching(alone: boolean) {
  const said: ClientMessage[] = []
  const seen = { changes: 0, pointed: [] as unknown[] }
  const watch = new LessonWatch(
    { handout: HANDOUT, alone, changed: () => void seen.changes++, pointed: at => void seen.pointed.push(at) },
    { send: message => said.push(message) > 0 },
  )
  return { said, seen, watch }
}

describe('the lesson', () => {
  it('is heard of with the slates that are followed, and read anew after a time without a connection', () => {
    const { said, seen, watch } = watching(false)
    watch.connected()
    expect([said, seen.changes]).toEqual([[], 0])
    watch.hear({ say: 'lesson', handout: HANDOUT })
    watch.hear({ say: 'lesson', handout: OTHER })
    watch.hear({ say: 'words', slate: OTHER })
    expect(seen.changes).toBe(1)
    watch.lost()
    watch.connected()
    expect(seen.changes).toBe(2)
  })

  it('is asked for where no slate is followed, at each connection', () => {
    const { said, seen, watch } = watching(true)
    watch.connected()
    watch.lost()
    watch.connected()
    expect(said).toEqual([
      { say: 'attend', handout: HANDOUT },
      { say: 'attend', handout: HANDOUT },
    ])
    watch.hear({ say: 'lesson', handout: HANDOUT })
    expect(seen.changes).toBe(1)
  })

  it('the pointer is said to the others, and heard from them, for this handout alone', () => {
    const { said, seen, watch } = watching(true)
    const at = { slate: 0, x: 10, y: 20 }
    watch.point(at)
    watch.point(null)
    expect(said).toEqual([at, null].map(where => ({ say: 'point', handout: HANDOUT, at: where })))
    watch.hear({ say: 'point', handout: HANDOUT, at })
    watch.hear({ say: 'point', handout: OTHER, at })
    watch.hear({ say: 'point', handout: HANDOUT, at: null })
    expect(seen).toEqual({ changes: 0, pointed: [at, null] })
  })
})
