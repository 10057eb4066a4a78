import { spawn, type ChildProcess } from 'node:child_process'
import { createServer } from 'node:net'
import { once } from 'node:events'

export interface Application {
  readonly address: string
  readonly database: string
  readonly pid: number
  stop: (signal?: NodeJS.Signals) => Promise<void>
  output: () => string
}

export async function freePort(): Promise<number> {
  const probe = createServer().listen(0, '127.0.0.1')
  await once(probe, 'listening')
  const { port } = probe.address() as { port: number }
  probe.close()
  await once(probe, 'close')
  return port
}

/**
 * Starts the built application (or another build of it) as a process of its own on a database; ready when it answers.
 */
export async function startApplication(
  databaseUrl: string,
  port?: number,
  more: (address: string) => Record<string, string> = () => ({}),
  build = '.output',
): Promise<Application> {
  const at = port ?? (await freePort())
  const address = `http://127.0.0.1:${at}`
  const child: ChildProcess = spawn(process.execPath, [`${build}/server/index.mjs`], {
    env: {
      ...process.env,
      DATABASE_URL: databaseUrl,
      // Answers and refusals that aren't agreed on are errors.
      CHECK_ANSWERS: '1',
      NUXT_SESSION_PASSWORD: 'a password for tests of at least 32 characters',
      HOST: '127.0.0.1',
      PORT: String(at),
      ...more(address),
    },
    stdio: ['ignore', 'pipe', 'pipe'],
  })
  let output = ''
  child.stdout!.on('data', chunk => (output += chunk))
  child.stderr!.on('data', chunk => (output += chunk))
  for (;;) {
    const ready = await fetch(`${address}/api/session`).then(
      r => r.ok,
      () => false,
    )
    if (ready) break
    if (child.exitCode !== null) throw new Error(`the application did not start:\n${output}`)
    await new Promise(resolve => setTimeout(resolve, 50))
  }
  return {
    address,
    database: databaseUrl,
    pid: child.pid!,
    output: () => output,
    async stop(signal = 'SIGTERM') {
      if (child.exitCode !== null || child.signalCode !== null) return
      child.kill(signal)
      await once(child, 'exit')
    },
  }
}
