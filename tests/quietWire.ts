import type { NewsWire } from '../server/news/wire'

/** A wire for tests in which nobody listens. */
export const quietWire: NewsWire = {
  origin: 'nobody',
  tellMoves: () => {},
  tellPassing: () => {},
  within: async () => {},
  after: async () => {},
  listen: async () => {},
  stop: async () => {},
}
