/** What a pointer did since its last event. Some browsers name no parts of an event, and mean the event itself. */
export function pointerParts(event: PointerEvent): readonly PointerEvent[] {
  const parts = event.getCoalescedEvents?.() ?? []
  return parts.length ? parts : [event]
}
