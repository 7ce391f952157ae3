/** The server as a process of its own, on a folder of its own. */
import { type ChildProcess, spawn } from 'node:child_process'
import { join } from 'node:path'

const web = join(import.meta.dirname, '..', '..', 'web')

export interface Started {
  readonly child: ChildProcess
  /** The first line that it prints, on either stream. */
  readonly line: string
  /** Where it is ready; empty when it did not start. */
  readonly address: string
}

const running = new Set<ChildProcess>()

/** What a test that failed has left running. */
export async function endAll(): Promise<void> {
  for (const child of running) child.kill('SIGKILL')
  await Promise.all([...running].map(ended))
}

/** Begun, ready or not. @param outlives Not ended by `endAll`. */
export function spawnServer(environment: Record<string, string>, outlives = false): ChildProcess {
  const child = spawn('node', ['--import', 'tsx', 'server/start.ts'], {
    cwd: web,
    env: { ...process.env, ...environment },
  })
  if (!outlives) running.add(child)
  child.once('exit', () => running.delete(child))
  return child
}

export function startServer(environment: Record<string, string>, outlives = false): Promise<Started> {
  const child = spawnServer(environment, outlives)
  return new Promise((resolve) => {
    const heard = (text: Buffer) => {
      const line = text.toString().trim()
      resolve({ child, line, address: /ready at (http:\S+)/.exec(line)?.[1] ?? '' })
    }
    child.stdout?.once('data', heard)
    child.stderr?.once('data', heard)
  })
}

export const ended = (child: ChildProcess): Promise<number | null> =>
  new Promise((resolve) => {
    if (child.exitCode !== null || child.signalCode !== null) resolve(child.exitCode)
    else child.once('exit', resolve)
  })

/** An orderly end. */
export async function stopped({ child }: Started): Promise<number | null> {
  child.kill('SIGTERM')
  return await ended(child)
}
