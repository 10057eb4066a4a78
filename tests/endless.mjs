/** Stands in for the marker: a batch with the second slate in it never ends. */
export default function mark({ edition, slates }) {
  while (slates.some(slate => slate.number === 1));
  return slates.map(({ number }) => ({ number, edition, marker: 1, keys: [], lies: {} }))
}
