/** Who asks: people behind one address are told apart by their browsers, where these say which they are. */
export interface From {
  readonly address: string
  readonly browser: string
}

type Queues<T> = Map<string, T[]>

/**
 * A queue in which askers take turns: of the addresses the one served longest ago comes next, and of the browsers behind
 * it likewise, however many tasks others have waiting. Whoever calls themselves by many names gains nothing by it
 * against other addresses. What one asks for is done in order.
 */
export class Turns<T> {
  private readonly waiting = new Map<string, Queues<T>>()
  private length = 0

  get size(): number {
    return this.length
  }

  /** How many tasks one address has waiting, and how many of them one browser. */
  of({ address, browser }: From): { readonly address: number; readonly browser: number } {
    const queues = this.waiting.get(address)
    const all = [...(queues?.values() ?? [])].reduce((sum, tasks) => sum + tasks.length, 0)
    return { address: all, browser: queues?.get(browser)?.length ?? 0 }
  }

  push({ address, browser }: From, task: T): void {
    const queues = this.waiting.get(address) ?? new Map<string, T[]>()
    const tasks = queues.get(browser)
    if (tasks) tasks.push(task)
    else queues.set(browser, [task])
    this.waiting.set(address, queues)
    this.length++
  }

  shift(): T | undefined {
    const [address, queues] = this.waiting.entries().next().value ?? []
    const [browser, tasks] = queues?.entries().next().value ?? []
    if (address === undefined || browser === undefined || !queues || !tasks) return undefined
    const task = tasks.shift()
    // To the end of the line, behind all others who wait.
    queues.delete(browser)
    if (tasks.length) queues.set(browser, tasks)
    this.waiting.delete(address)
    if (queues.size) this.waiting.set(address, queues)
    this.length--
    return task
  }

  remove(task: T): void {
    for (const [address, queues] of this.waiting)
      for (const [browser, tasks] of queues) {
        const at = tasks.indexOf(task)
        if (at < 0) continue
        tasks.splice(at, 1)
        this.length--
        if (tasks.length === 0) queues.delete(browser)
        if (queues.size === 0) this.waiting.delete(address)
        return
      }
  }
}
