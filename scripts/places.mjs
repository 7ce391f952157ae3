/** Where things lie, and what every command that is started is told. */
import { dirname, join } from 'node:path'
import { fileURLToPath } from 'node:url'

export const root = join(dirname(fileURLToPath(import.meta.url)), '..')
export const web = join(root, 'web')

export const environmentWith = (more) => ({
  ...process.env,
  ASTRO_TELEMETRY_DISABLED: '1',
  npm_config_update_notifier: 'false',
  ...more,
})
