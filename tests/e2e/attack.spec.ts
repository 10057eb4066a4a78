import { attack } from '../attack/attack'
import { expect, test } from './class'

test('an attack on messages, passwords, files and bodies finds nothing', async ({ application }) => {
  test.setTimeout(180_000)
  expect(await attack(application.address, { messages: 250, guesses: 80, bodies: 12, timed: false })).toEqual([])
  expect(application.output()).not.toMatch(/"level":(50|60)/)
})
