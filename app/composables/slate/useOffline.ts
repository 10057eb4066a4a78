/**
 * What students' views are made of is kept on this device once everything else is there, so that they open without a
 * connection.
 */
export function useOffline() {
  if (import.meta.dev || !('serviceWorker' in navigator)) return
  // Where a device keeps nothing (a private window), it works with a connection alone.
  onNuxtReady(() => navigator.serviceWorker.register('/sw.js').catch(() => null))
}
