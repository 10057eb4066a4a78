import { expect, test } from '@playwright/test'
import { faults } from '../faults/faults'

test('with the application killed and the database crashing under a class at work nothing is lost, doubled or out of order', async () => {
  test.setTimeout(180_000)
  const { made, stored, lost, doubled, disordered, gaps } = await faults({ students: 12, kills: 3, crashes: 2 })
  expect({ lost, doubled, disordered, gaps }).toEqual({ lost: 0, doubled: 0, disordered: 0, gaps: 0 })
  expect(stored).toBe(made)
  expect(made).toBeGreaterThan(100)
})
