/** Ids of what a page makes, from the platform. */

/** `randomUUID` is there on this machine and over https only; elsewhere the same is made of the platform's random bytes. */
export function newId(): string {
  if (typeof crypto.randomUUID === 'function') return crypto.randomUUID()
  const bytes = crypto.getRandomValues(new Uint8Array(16))
  return Array.from(bytes, (byte) => byte.toString(16).padStart(2, '0')).join('')
}
