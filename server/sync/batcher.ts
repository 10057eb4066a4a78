/**
 * Gathers what arrives while the last batch is being worked on, so that under load many moves share one commit
 * and an idle server makes nobody wait. Results come in the order of the items; a failed batch fails all its items.
 */
export class Batcher<Item, Outcome> {
  private waiting: { item: Item, resolve: (outcome: Outcome) => void, reject: (error: unknown) => void }[] = []
  private busy = false

  constructor(private readonly work: (items: Item[]) => Promise<Outcome[]>, private readonly most: number) {}

  add(item: Item): Promise<Outcome> {
    return new Promise((resolve, reject) => {
      this.waiting.push({ item, resolve, reject })
      if (!this.busy) {
        this.busy = true
        // Everything that came in the same turn of the event loop travels together.
        setImmediate(() => void this.run())
      }
    })
  }

  private async run(): Promise<void> {
    while (this.waiting.length) {
      const batch = this.waiting.splice(0, this.most)
      try {
        const outcomes = await this.work(batch.map(b => b.item))
        batch.forEach((b, i) => b.resolve(outcomes[i]!))
      }
      catch (error) {
        batch.forEach(b => b.reject(error))
      }
    }
    this.busy = false
  }
}
