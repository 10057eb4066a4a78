import { services } from '../services'

/** What begins and ends with the process; that it can start is seen to by its entry. */
export default defineNitroPlugin(nitro => {
  // Nobody needs to know what this is made with.
  nitro.hooks.hook('beforeResponse', event => event.node.res.removeHeader('x-powered-by'))
  nitro.hooks.hook('close', async () => {
    const { engine, close, labour, marking, jobs } = await services()
    labour.stop()
    await marking.stop()
    await jobs.stop()
    await engine.stop()
    await close()
  })
})
