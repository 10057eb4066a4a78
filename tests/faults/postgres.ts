import { execFile, execFileSync } from 'node:child_process'
import { chownSync, mkdtempSync, readdirSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { promisify } from 'node:util'
import { freePort } from '../application'

const run = promisify(execFile)

/** A PostgreSQL of its own in a folder of its own, that can be stopped in the middle of anything and started again. */
export async function ownPostgres(): Promise<{
  url: string
  crash: () => Promise<void>
  start: () => Promise<void>
  remove: () => Promise<void>
}> {
  const newest = readdirSync('/usr/lib/postgresql')
    .toSorted((a, b) => Number(a) - Number(b))
    .at(-1)!
  const programs = `/usr/lib/postgresql/${newest}/bin`
  const folder = mkdtempSync(join(tmpdir(), 'slate-faults-'))
  const port = await freePort()
  const root = process.getuid?.() === 0
  // PostgreSQL refuses to run as root; root runs it as the user that Debian's package made.
  if (root)
    chownSync(folder, Number(execFileSync('id', ['-u', 'postgres'])), Number(execFileSync('id', ['-g', 'postgres'])))
  const as = (program: string, args: string[]) =>
    root
      ? run('runuser', ['-u', 'postgres', '--', join(programs, program), ...args], { cwd: '/' })
      : run(join(programs, program), args, { cwd: '/' })
  const start = async () => {
    await as('pg_ctl', [
      '-D',
      folder,
      '-w',
      '-l',
      join(folder, 'log'),
      '-o',
      `-p ${port} -c listen_addresses=127.0.0.1 -c unix_socket_directories='' -c max_connections=100`,
      'start',
    ])
  }
  await as('initdb', ['-D', folder, '-U', 'slate', '--auth=trust', '--encoding=UTF8', '--locale=C.UTF-8'])
  await start()
  return {
    url: `postgres://slate@127.0.0.1:${port}/postgres`,
    start,
    /** As if the machine had lost its power: nothing is put in order, the log is replayed at the next start. */
    crash: async () => void (await as('pg_ctl', ['-D', folder, '-m', 'immediate', '-w', 'stop'])),
    async remove() {
      await as('pg_ctl', ['-D', folder, '-m', 'immediate', '-w', 'stop']).catch(() => {})
      rmSync(folder, { recursive: true, force: true })
    },
  }
}
