import { spawn } from 'node:child_process'
import { once } from 'node:events'
import { freePort } from './application'

/** A Redis server of Debian's on loopback, that keeps nothing; `bin/test` installs it. */
export async function startRedis(port?: number): Promise<{ url: string; port: number; stop: () => Promise<void> }> {
  const at = port ?? (await freePort())
  const child = spawn(
    'redis-server',
    ['--port', String(at), '--bind', '127.0.0.1', '--save', '', '--appendonly', 'no'],
    { stdio: ['ignore', 'pipe', 'inherit'] },
  )
  let output = ''
  for await (const chunk of child.stdout) {
    output += String(chunk)
    if (/Ready to accept connections/.test(output)) break
  }
  child.stdout.resume()
  return {
    url: `redis://127.0.0.1:${at}`,
    port: at,
    async stop() {
      if (child.exitCode !== null || child.signalCode !== null) return
      child.kill('SIGKILL')
      await once(child, 'exit')
    },
  }
}
