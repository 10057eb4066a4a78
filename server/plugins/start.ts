import pino from 'pino'
import { services } from '../services'

/** Nitro doesn't wait for plugins; requests wait for `services()` themselves. A process that can't start says so and ends. */
export default defineNitroPlugin((nitro) => {
  const log = pino()
  services().catch((error: unknown) => {
    log.fatal({ error: error instanceof Error ? error.message : String(error) }, 'could not start: is the database there?')
    process.exit(1)
  })
  nitro.hooks.hook('error', (error) => {
    if ('statusCode' in error && Number(error.statusCode) < 500) return
    log.error({ message: error.message, stack: error.stack }, 'request failed')
  })
  nitro.hooks.hook('close', async () => {
    const { engine, db } = await services()
    await engine.stop()
    await db.destroy()
  })
})
