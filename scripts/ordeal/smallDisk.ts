/** A file system that is soon full: a few megabytes of memory, where this machine lets one be mounted. */
import { spawnSync } from 'node:child_process'
import { appendFileSync, mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'

export interface SmallDisk {
  readonly folder: string
  /** To its last byte. */
  readonly fillUp: () => void
  readonly free: () => void
  readonly remove: () => void
}

/** `undefined` where nothing may be mounted. */
export function smallDisk(megabytes: number): SmallDisk | undefined {
  const folder = mkdtempSync(join(tmpdir(), 'nestling-disk-'))
  const mounted = spawnSync('mount', ['-t', 'tmpfs', '-o', `size=${megabytes}m`, 'tmpfs', folder]).status === 0
  if (!mounted) {
    rmSync(folder, { recursive: true, force: true })
    return undefined
  }
  const filler = join(folder, 'filler')
  return {
    folder,
    fillUp: () => {
      // Somebody else writes meanwhile: until the system says that nothing more will go.
      for (let size = 1 << 20; size >= 1; size = size > 4096 ? size / 2 : 0)
        try {
          for (;;) appendFileSync(filler, Buffer.alloc(size))
        } catch {
          // So much no longer; less, perhaps.
        }
    },
    free: () => rmSync(filler, { force: true }),
    remove: () => {
      spawnSync('umount', ['-l', folder])
      rmSync(folder, { recursive: true, force: true })
    },
  }
}
