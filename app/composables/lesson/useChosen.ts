/** Some of the slates of a walk-round, chosen to act on together; null while nothing is being chosen. */
export function useChosen(all: () => readonly { readonly id: string }[]) {
  const chosen = shallowRef<ReadonlySet<string> | null>(null)
  /** Those that are still there. */
  const ids = computed(() => all().flatMap(({ id }) => (chosen.value?.has(id) ? [id] : [])))
  return {
    choosing: computed(() => chosen.value !== null),
    ids,
    has: (id: string) => chosen.value?.has(id) ?? false,
    begin: () => (chosen.value = new Set()),
    end: () => (chosen.value = null),
    all: () => (chosen.value = new Set(all().map(({ id }) => id))),
    toggle(id: string) {
      if (!chosen.value) return
      const next = new Set(chosen.value)
      if (!next.delete(id)) next.add(id)
      chosen.value = next
    },
  }
}
