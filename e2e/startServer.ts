import { spawn, type ChildProcess } from 'node:child_process'
import { resolve } from 'node:path'

const root = resolve(import.meta.dirname, '..')

/**
 * Starts a program, built or in TypeScript, that tells the address it answers at, and gives both
 * once it does. Throws what it said where it ends before.
 */
export async function startServer(
  args: string[],
  env: Record<string, string>,
): Promise<{ server: ChildProcess; address: string }> {
  const server = spawn(
    process.execPath,
    [...(args[0]!.endsWith('.ts') ? ['--import', 'tsx'] : []), ...args],
    {
      cwd: root,
      env: { ...process.env, ...env },
    },
  )
  let said = ''
  const address = await new Promise<string>((ready, failed) => {
    const listen = (text: Buffer) => {
      said += text.toString()
      const found = /http:\/\/127\.0\.0\.1:\d+/.exec(said)
      if (found) ready(found[0])
    }
    server.stdout!.on('data', listen)
    server.stderr!.on('data', listen)
    server.once('exit', () => failed(new Error(`The server stopped: ${said}`)))
  })
  server.removeAllListeners('exit')
  return { server, address }
}
