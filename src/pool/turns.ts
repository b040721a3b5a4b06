/**
 * A queue in which askers take turns: whoever was served longest ago comes next, however many tasks others have waiting.
 * What one asks for is done in order.
 */
export class Turns<T> {
  private readonly waiting = new Map<string, T[]>()
  private length = 0

  get size(): number {
    return this.length
  }

  /** How many tasks one asker has waiting. */
  of(asker: string): number {
    return this.waiting.get(asker)?.length ?? 0
  }

  push(asker: string, task: T): void {
    const mine = this.waiting.get(asker)
    if (mine) mine.push(task)
    else this.waiting.set(asker, [task])
    this.length++
  }

  shift(): T | undefined {
    const first = this.waiting.entries().next()
    if (first.done) return undefined
    const [asker, tasks] = first.value
    const task = tasks.shift()
    // To the end of the line, behind all others who wait.
    this.waiting.delete(asker)
    if (tasks.length) this.waiting.set(asker, tasks)
    this.length--
    return task
  }

  remove(task: T): void {
    for (const [asker, tasks] of this.waiting) {
      const at = tasks.indexOf(task)
      if (at < 0) continue
      tasks.splice(at, 1)
      this.length--
      if (tasks.length === 0) this.waiting.delete(asker)
      return
    }
  }
}
