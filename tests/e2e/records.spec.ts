import { createServer, type Server } from 'node:http'
import { once } from 'node:events'
import type { AddressInfo } from 'node:net'
import { startMailbox } from '../../standins/mail'
import { RecordsService, WELL } from '../../standins/records'
import { TERNHAVEN } from '../../standins/ternhaven'
import { startApplication, type Application } from '../application'
import { Client } from '../../demo/client'
import { expectAccessible } from './axe'
import { expect, test } from './class'

test.use({ testIdAttribute: 'data-test' })

/** An application of its own, beside a school with mail and records. */
test.describe("with a school's mail and records", () => {
  let application: Application
  let box: Awaited<ReturnType<typeof startMailbox>>
  let server: Server
  const records = new RecordsService(TERNHAVEN)
  const EMAIL = 'maren.holt@ternhaven.example'
  test.beforeAll(async ({ database }) => {
    box = await startMailbox()
    server = createServer((request, response) => void records.answer(request, response)).listen(0, '127.0.0.1')
    await once(server, 'listening')
    const url = `http://127.0.0.1:${(server.address() as AddressInfo).port}`
    application = await startApplication(database.url, undefined, address => ({
      MAIL_URL: box.url,
      PUBLIC_URL: address,
      RECORDS_URL: url,
      RECORDS_CLIENT: records.client,
      RECORDS_SECRET: records.secret,
    }))
  })
  test.afterAll(async () => {
    await application.stop()
    await box.close()
    server.closeAllConnections()
    server.close()
  })
  const linkFor = async (subject: string, before: number) => {
    await expect.poll(() => box.letters.length).toBeGreaterThan(before)
    const letter = box.letters.find(one => one.subject === subject)!
    expect(letter.to).toBe(EMAIL)
    return /https?:\S+/.exec(letter.text)![0]
  }

  test('a class is drawn from the records once the address is proven, and refreshed; a forgotten password is no trouble', async ({
    browser,
  }) => {
    test.setTimeout(90_000)
    const { address } = application
    await new Client(address).signUp(EMAIL, 'forgotten by now')
    const page = await (await browser.newContext()).newPage()

    await test.step('a new password by a letter', async () => {
      await page.goto(`${address}/sign-in`)
      await page.getByRole('link', { name: 'I have forgotten my password' }).click()
      await page.getByRole('heading', { name: 'A new password' }).waitFor()
      await page.getByLabel('E-mail address').fill(EMAIL)
      await page.getByRole('button', { name: 'Send me a link' }).click()
      await expect(page.getByText('If an account has this address')).toBeVisible()
      await expectAccessible(page)
      await page.goto(await linkFor('A new password for Dappled Slate', 0))
      await page.getByLabel('New password').fill('low tide at noon')
      await page.getByRole('button', { name: 'Choose it and come in' }).click()
      await expect(page.getByRole('heading', { name: 'Shelf' })).toBeVisible()
      expect(
        (await new Client(address).ask('POST', '/api/session', { email: EMAIL, password: 'forgotten by now' })).code,
      ).toBe('wrong-sign-in')
    })

    await test.step("another teacher with an address that isn't proven sees nothing, and proves it by a letter", async () => {
      const other = new Client(address)
      await other.signUp('col.bray@ternhaven.example')
      expect((await other.ask('GET', '/api/records')).code).toBe('unproven')
    })

    await test.step('drawn, all or nothing, and said before', async () => {
      await page.goto(`${address}/classes`)
      records.behaviour = { ...WELL, half: true }
      await page.getByRole('button', { name: "Draw a class from the school's records" }).click()
      await expect(
        page.getByText("What the school's records answered can't be read. Nothing was changed."),
      ).toBeVisible()
      records.behaviour = { ...WELL, odd: true }
      await page.getByRole('button', { name: "Draw a class from the school's records" }).click()
      await page.getByRole('button', { name: 'Draw Year 5/6' }).click()
      await expect(page.getByTestId('plan')).toContainText('New: ')
      await expect(page.getByText("rows of the records can't be read")).toBeVisible()
      await expectAccessible(page)
      await page.getByRole('button', { name: 'Make 24 changes' }).click()
      await expect(page.getByRole('heading', { name: '24 students' })).toBeVisible()
    })

    await test.step('a level by hand, and a refresh that keeps it and says who came and left', async () => {
      await page.getByRole('button', { name: 'Change by hand' }).click()
      await page.getByLabel('Level of Ada Marsh').fill('reef')
      await page.getByLabel('Level of Ada Marsh').blur()
      await page.getByRole('button', { name: 'Done' }).click()
      await expect(page.getByRole('cell', { name: 'reef' })).toBeVisible()
      const school = TERNHAVEN.classes.find(one => one.id === 'y56')!
      const students = school.students as unknown as { id: string; given: string; family: string }[]
      const [gone] = students.splice(0, 1)
      students.push({ id: 'y56-31', given: 'Ulla', family: 'Sound' })
      await page.getByRole('button', { name: 'Add or update names' }).click()
      await page.getByRole('button', { name: "Refresh from the school's records" }).click()
      await expect(page.getByTestId('plan')).toContainText('New: Ulla Sound')
      await expect(page.getByTestId('plan')).toContainText(`Leaving: ${gone!.given} ${gone!.family}`)
      await page.getByRole('button', { name: 'Make 2 changes' }).click()
      await expect(page.getByRole('cell', { name: 'reef' })).toBeVisible()
      await expectAccessible(page)
    })
  })
})
