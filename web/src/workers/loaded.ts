/**
 * What is loaded on first use, once more where it could not be: a browser remembers for as long as the page lives that a
 * module failed, and asks the server anew only under another address.
 */
let tries = 0
/** Addresses that have failed on this page. */
const failed = new Set<string>()

/**
 * Fails at once where the server does not answer: asked again in the same moment, a module might come and what it imports
 * not, which can't be asked for under another address.
 * @param load `() => import('…')`
 */
export async function loaded<Module>(load: () => Promise<Module>): Promise<Module> {
  try {
    return await load()
  } catch (error) {
    // Browsers that don't tell the address don't remember the failure either.
    const address = /https?:\/\/\S+\.js/.exec(String(error))?.[0]
    if (address === undefined || !failed.has(address)) {
      if (address !== undefined) failed.add(address)
      throw error
    }
    return (await import(/* @vite-ignore */ `${address}?again=${++tries}`)) as Module
  }
}
