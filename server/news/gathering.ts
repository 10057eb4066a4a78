import { MOST_SLATES_TOLD, type News } from './news'
import type { StoredSlate } from './wire'

/**
 * Gathers news of moves while the last are being told: of a slate only the latest number matters. `send` is never
 * called twice at once; what it loses is lost.
 */
export function gathering(send: (news: News[]) => Promise<unknown>): (slates: readonly StoredSlate[]) => void {
  const waiting = new Map<string, StoredSlate>()
  let busy = false

  async function run(): Promise<void> {
    while (waiting.size) {
      const slates = [...waiting.values()]
      waiting.clear()
      await send(asNews(slates)).catch(() => {})
    }
    busy = false
  }
  return slates => {
    for (const slate of slates) waiting.set(slate.id, slate)
    if (busy || waiting.size === 0) return
    busy = true
    void run()
  }
}

function asNews(slates: readonly StoredSlate[]): News[] {
  const byHandout = new Map<string, [string, number][]>()
  for (const { id, handout, number } of slates) {
    const told = byHandout.get(handout) ?? []
    told.push([id, number])
    byHandout.set(handout, told)
  }
  return [...byHandout].flatMap(([handout, told]) =>
    Array.from({ length: Math.ceil(told.length / MOST_SLATES_TOLD) }, (_, i): News => ({
      scope: 'moves',
      handout,
      slates: told.slice(i * MOST_SLATES_TOLD, (i + 1) * MOST_SLATES_TOLD),
    })),
  )
}
