/**
 * What is loaded on first use, once more where it could not be: a browser remembers for as long as the page lives that a
 * module failed, and asks the server anew only under another address.
 */
let tries = 0

/** @param load `() => import('…')` */
export async function loaded<Module>(load: () => Promise<Module>): Promise<Module> {
  try {
    return await load()
  } catch (error) {
    // Browsers that don't tell the address don't remember the failure either.
    const address = /https?:\/\/\S+\.js/.exec(String(error))?.[0]
    if (address === undefined) throw error
    return (await import(/* @vite-ignore */ `${address}?again=${++tries}`)) as Module
  }
}
