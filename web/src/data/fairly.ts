/**
 * Work of several clients where few can go on at once: turn by turn, so that one client's many questions hold up nobody else.
 *   run(client, work) ─a queue for each client→ the client whose turn it is ─→ work, when one of those that go on has ended
 */
export interface Fairly {
  /** @throws {TooMany} when this client has as many waiting as may wait; the signal's reason when it ends before its turn. */
  readonly run: <Value>(client: string, work: () => Promise<Value>, signal: AbortSignal) => Promise<Value>
}

export class TooMany extends Error {
  override readonly name = 'TooMany'
}

export interface FairLimits {
  readonly atOnce: number
  /** Of one client; the rest is kept free for another. */
  readonly eachAtOnce: number
  readonly eachWaiting: number
}

interface Client {
  going: number
  /** Those that wait, the first first; each begins its work. */
  readonly waiting: Set<() => void>
}

export function fairly({ atOnce, eachAtOnce, eachWaiting }: FairLimits): Fairly {
  /** Whose turn comes first stands first. */
  const clients = new Map<string, Client>()
  let going = 0

  /** Of those that wait the client for whom least goes on, and of such the one whose turn was longest ago. */
  const nextClient = () =>
    [...clients]
      .filter(([, client]) => client.waiting.size > 0 && client.going < eachAtOnce)
      .toSorted(([, a], [, b]) => a.going - b.going)[0]

  const beginNext = () => {
    const next = going < atOnce ? nextClient() : undefined
    if (!next) return
    const [name, client] = next
    const [begin] = client.waiting
    if (begin === undefined) return
    client.waiting.delete(begin)
    clients.delete(name)
    clients.set(name, client)
    begin()
  }

  const inTurn = (name: string, signal: AbortSignal): Promise<Client> => {
    const client = clients.get(name) ?? { going: 0, waiting: new Set() }
    clients.set(name, client)
    if (client.waiting.size >= eachWaiting) return Promise.reject(new TooMany('as many wait as may wait'))
    return new Promise((resolve, reject) => {
      const leave = () => {
        client.waiting.delete(begin)
        forget(name, client)
        reject(signal.reason)
      }
      const begin = () => {
        signal.removeEventListener('abort', leave)
        client.going++
        going++
        resolve(client)
      }
      if (signal.aborted) return leave()
      signal.addEventListener('abort', leave, { once: true })
      client.waiting.add(begin)
      return beginNext()
    })
  }

  const forget = (name: string, client: Client) => {
    if (client.going === 0 && client.waiting.size === 0) clients.delete(name)
  }

  return {
    async run(name, work, signal) {
      const client = await inTurn(name, signal)
      try {
        return await work()
      } finally {
        client.going--
        going--
        forget(name, client)
        beginNext()
      }
    },
  }
}
